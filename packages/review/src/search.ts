import { RULES } from '@inkwell/core';
import { findOpen, findPages, people, snapshot, type PageFound, type RuleFound } from '@inkwell/store';
import { may, visibleTo, type Actor } from './actor.ts';
import { titleOf } from './fix.ts';
import { done, type Result } from './problems.ts';
import type { Services } from './services.ts';

export interface Found {
  words: string;
  pages: PageFound[];
  findings: (Omit<RuleFound, 'rule'> & { title: string })[];
  /** Colleagues, for whoever may look at their dockets. */
  people: { id: string; name: string; role: string }[];
}

/** Told of each sort at most, and rules looked for. */
const MOST = 30;
const MOST_RULES = 20;

/** Pages, open findings and people that words speak of, as far as the actor may see them. */
export function search(services: Services, actor: Actor, wish: { words: string }): Promise<Result<Found>> {
  return snapshot(services.db, async (at) => {
    const words = wish.words.trim().slice(0, 200);
    const collections = visibleTo(actor);
    if (words === '' || collections?.length === 0) return done({ words, pages: [], findings: [], people: [] });
    const lower = words.toLowerCase();
    const rules = RULES.filter(({ title }) => title.toLowerCase().includes(lower)).slice(0, MOST_RULES);
    const found = await findOpen(at, { rules: rules.map(({ id }) => id), collections }, MOST);
    const colleagues = may(actor, 'hand out', 'house') ? await people(at) : [];
    return done({
      words,
      pages: await findPages(at, { words, collections }, MOST),
      findings: found.map(({ rule, ...one }) => ({ ...one, title: titleOf(rule) })),
      people: colleagues
        .filter(({ name, disabled, memberships }) => !disabled && memberships.length > 0 && name.toLowerCase().includes(lower))
        .slice(0, MOST)
        .map(({ id, name, memberships }) => ({ id, name, role: memberships[0]!.role })),
    });
  });
}
