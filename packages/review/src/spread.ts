import { greatest } from '@inkwell/core';
import { collectionBySlug, commonTraits, differingPages, snapshot, type CommonTrait, type DifferingPage } from '@inkwell/store';
import { unlessAllowed, type Actor } from './actor.ts';
import { done, notFound, type Result } from './problems.ts';
import type { Services } from './services.ts';

/** What one content type has in common, trait by trait. */
export interface SpreadType {
  type: string;
  traits: Omit<CommonTrait, 'type'>[];
}

export interface Spread {
  collection: { slug: string; title: string };
  types: SpreadType[];
  /** The content type whose pages are shown. */
  type: string | null;
  differing: DifferingPage[];
  /** How many were shown before these, and whether more follow. */
  after: number;
  more: boolean;
}

/** From so many pages on, and with such a share of them, there is something most have in common: less is no evidence. */
const ENOUGH = { pages: 4, share: 0.7 };
const SHOWN = 100;

/** Pages of one sort side by side: what most of them have in common, and those that differ. */
export function spread(
  services: Services,
  actor: Actor,
  wish: { collection: string; type?: string | undefined; after?: number | undefined },
): Promise<Result<Spread>> {
  return snapshot(services.db, async (at) => {
    const collection = await collectionBySlug(at, wish.collection);
    if (!collection || collection.arrived_at === null) return notFound('This collection');
    const barred = unlessAllowed(actor, 'see', { collection: collection.id }, 'This collection');
    if (barred) return barred;
    const types = byType(await commonTraits(at, collection.id, ENOUGH));
    const type = types.find((one) => one.type === wish.type)?.type ?? types[0]?.type ?? null;
    const after = wish.after ?? 0;
    const common = types.find((one) => one.type === type)?.traits ?? [];
    const pages = type === null ? [] : await differingPages(at, collection.id, type, common, { after, limit: SHOWN + 1 });
    return done({
      collection: { slug: collection.slug, title: collection.title },
      types,
      type,
      differing: pages.slice(0, SHOWN),
      after,
      more: pages.length > SHOWN,
    });
  });
}

function byType(traits: readonly CommonTrait[]): SpreadType[] {
  const types = new Map<string, SpreadType>();
  for (const { type, ...trait } of traits) {
    const known = types.get(type) ?? { type, traits: [] };
    types.set(type, known);
    known.traits.push(trait);
  }
  return [...types.values()].sort((a, b) => largest(b) - largest(a));
}

const largest = ({ traits }: SpreadType) => greatest(traits.map((trait) => trait.of));
