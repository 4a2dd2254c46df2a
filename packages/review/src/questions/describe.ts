import { randomUUID } from 'node:crypto';
import { caseOf, thingOf, type MendPart } from '@inkwell/core';
import { pageById, usesAsked, writing, type AskedUse } from '@inkwell/store';
import { may, unlessAllowed, type Actor } from '../actor.ts';
import { done, notFound, refused, type Result } from '../problems.ts';
import { addMends } from '../registers/mend.ts';
import type { Services } from '../services.ts';
import type { AnswerReach } from './answers.ts';

export interface DescribeAsked {
  page: number;
  same: string;
  reach: AnswerReach;
  alternative: string;
}

/** Longest description, in characters: the register's. */
const LONGEST = 2_000;

/**
 * Answers a question about an image by describing it anew wherever the question is asked: one job that can be taken back as one, like those
 * of the register. The questions end when audits have seen it.
 */
export function describeAsked(services: Services, actor: Actor, wish: DescribeAsked): Promise<Result<{ together: string; pages: number }>> {
  return writing(services.db, async (trx) => {
    const page = await pageById(trx, wish.page);
    if (!page) return notFound('This page');
    const barred = unlessAllowed(actor, 'change a page', { collection: page.collection_id });
    if (barred) return barred;
    const alternative = wish.alternative.trim();
    if (alternative === '' || [...alternative].length > LONGEST)
      return refused({
        code: 'declined',
        what: 'The image was not described',
        why: 'Write a sentence or two.',
        kept: 'Nothing was changed.',
      });
    const within = {
      collection: wish.reach === 'everywhere' ? null : page.collection_id,
      page: wish.reach === 'page' ? page.id : null,
    };
    const uses = (await usesAsked(trx, wish.same, 'images', within)).filter(({ collection_id: collection }) =>
      may(actor, 'change a page', { collection }),
    );
    if (uses.length === 0)
      return refused({
        code: 'nothing-to-do',
        what: 'This is not asked any more',
        why: 'The pages have changed since.',
        kept: 'Nothing was changed.',
        next: 'Go on to the next.',
      });
    const together = randomUUID();
    for (const [collection, own] of byCollection(uses))
      await addMends(
        trx,
        actor,
        together,
        'images',
        { collection, pages: [...new Set(own.map((use) => use.page_id))] },
        { parts: partsOf(own, alternative), renames: [] },
      );
    return done({ together, pages: new Set(uses.map((use) => use.page_id)).size });
  });
}

function byCollection(uses: readonly AskedUse[]): Map<number, AskedUse[]> {
  const own = new Map<number, AskedUse[]>();
  for (const use of uses) own.set(use.collection_id, [...(own.get(use.collection_id) ?? []), use]);
  return own;
}

/** Each image that is asked about, in those surroundings only in which it is. */
function partsOf(uses: readonly AskedUse[], alternative: string): MendPart[] {
  const cases = new Map<string, Set<string>>();
  for (const use of uses) cases.set(thingOf(use), (cases.get(thingOf(use)) ?? new Set()).add(caseOf(use)));
  return [...cases].map(([thing, alike]) => ({ thing, alike: [...alike], mend: { do: 'describe', alternative } }));
}
