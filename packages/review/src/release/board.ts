import { ruleOf } from '@inkwell/core';
import {
  collectionBySlug,
  connectionOf,
  filesThatDiffer,
  gateCounts,
  gateLines,
  house,
  signingRules,
  snapshot,
  type GateGroup,
  type GateLine,
  type SigningRules,
} from '@inkwell/store';
import { may, reachOf, unlessAllowed, type Actor } from '../actor.ts';
import { done, notFound, type Result } from '../problems.ts';
import { dayIn, type Services } from '../services.ts';

/** Pages shown at once. */
const SHOWN = 40;
/** Files named of those that differ on the host. */
const FILES_TOLD = 5;

export interface GateRow extends Omit<GateLine, 'holders'> {
  holders: { title: string; many: number; asks: boolean; people: string[] }[];
  can: { sign: boolean; publish: boolean; change: boolean };
}

export interface GateShown {
  group: GateGroup;
  counts: Record<GateGroup, number>;
  rows: GateRow[];
  /** Where to go on. */
  next: string | null;
  rules: SigningRules & { timeZone: string };
  /** The collection that is looked at alone, and where it is published. */
  collection: {
    id: number;
    slug: string;
    title: string;
    host: {
      name: string;
      place: string;
      address: string;
      lookedAt: string | null;
      seenAt: string | null;
      problem: string | null;
      /** Files of which others lie there than here, until somebody says which are to stay: some, and how many. */
      files: { paths: string[]; many: number };
    } | null;
    can: { connect: boolean; pull: boolean };
  } | null;
  /** What may be done to a whole group. */
  can: { sign: boolean; publish: boolean; setRules: boolean; seeHosts: boolean };
}

/** Pages before the gate: what goes out, at which revision, what holds the rest and who can lift it. */
export function showGate(
  services: Services,
  actor: Actor,
  wish: { group: GateGroup; collection: string | null; after: string | null },
): Promise<Result<GateShown>> {
  return snapshot(services.db, async (at) => {
    const collection = wish.collection === null ? null : await collectionBySlug(at, wish.collection);
    if (collection === undefined) return notFound('This collection');
    const barred = collection && unlessAllowed(actor, 'see', { collection: collection.id }, 'This collection');
    if (barred) return barred;
    const collections = collection ? [collection.id] : reachOf(actor, 'see');
    const { timeZone } = await house(at);
    const today = dayIn(timeZone, services.now());
    const lines = await gateLines(at, { collections, group: wish.group, after: placeFrom(wish.after), limit: SHOWN }, today);
    const rows = lines.slice(0, SHOWN);
    const last = rows.at(-1);
    const connection = collection && (await connectionOf(at, collection.id));
    const on = collection ? { collection: collection.id } : ('house' as const);
    return done({
      group: wish.group,
      counts: await gateCounts(at, collections),
      rows: rows.map((line) => rowOf(actor, line)),
      next: last && lines.length > SHOWN ? `${last.collectionId}.${last.position}.${last.id}` : null,
      rules: { ...(await signingRules(at)), timeZone },
      collection: collection && {
        ...{ id: collection.id, slug: collection.slug, title: collection.title },
        host: connection
          ? {
              ...{ name: connection.host.name, place: connection.place, address: connection.host.address, problem: connection.problem },
              lookedAt: connection.looked_at?.toISOString() ?? null,
              seenAt: connection.seen_at?.toISOString() ?? null,
              files: await filesThatDiffer(at, collection.id, FILES_TOLD),
            }
          : null,
        can: { connect: may(actor, 'publish', on), pull: may(actor, 'change a page', on) },
      },
      can: {
        sign: may(actor, 'sign off', on),
        publish: may(actor, 'publish', on),
        setRules: may(actor, 'set the standard', 'house'),
        seeHosts: may(actor, 'publish', 'house') || may(actor, 'bring in', 'house'),
      },
    });
  });
}

function placeFrom(after: string | null): readonly [number, number, number] | null {
  const [, ...parts] = /^(\d{1,9})\.(\d{1,9})\.(\d{1,9})$/.exec(after ?? '') ?? [];
  return parts.length === 3 ? (parts.map(Number) as [number, number, number]) : null;
}

function rowOf(actor: Actor, { holders, ...line }: GateLine): GateRow {
  const on = { collection: line.collectionId };
  return {
    ...line,
    holders: holders.map(({ rule, many, outcome, people }) => ({
      title: ruleOf(rule)?.title ?? rule,
      many,
      asks: outcome === 'cantTell',
      people,
    })),
    can: { sign: may(actor, 'sign off', on), publish: may(actor, 'publish', on), change: may(actor, 'change a page', on) },
  };
}
