import { linkPolicyFrom, lookAtAddress, robotsOf, type HostPolicy, type Robots, type Sighting } from '@inkwell/formats';
import {
  askToLookOutside,
  dueAgainOutside,
  SYSTEM,
  takeOutside,
  waitingOutside,
  writeOutside,
  writing,
  type LookedOutside,
  type OutsideAddress,
} from '@inkwell/store';
import { enqueue } from '@inkwell/work';
import type { Actor } from '../actor.ts';
import { lookOutsideJob } from '../jobs.ts';
import { done, refused, type Result } from '../problems.ts';
import type { Services } from '../services.ts';
import { reached, type Reach } from './reach.ts';

/** How an address outside was found when it was last looked at. */
export interface OutsideView {
  state: Sighting['state'];
  /** Why it was not seen, as the end of a sentence. */
  words: string | null;
  movedTo: string | null;
  /** When it was looked at, and when it was last seen, if it ever was; ISO 8601. */
  lookedAt: string;
  seenAt: string | null;
}

export function outsideView({ state, words, moved_to, looked_at, seen_at }: OutsideAddress): OutsideView {
  return { state: state!, words, movedTo: moved_to, lookedAt: looked_at!.toISOString(), seenAt: seen_at?.toISOString() ?? null };
}

/** Hosts whose addresses may be looked at, as whoever looks after the server allows; `*` for any. */
const outsideAllowed = (): readonly string[] => linkPolicyFrom(process.env).allowed;

const DAY = 86_400_000;
/** What was looked at within a day is not asked again; what was seen is looked at again after a week. */
const FRESH = DAY;
const WEEK = 7 * DAY;

/** Has the addresses outside that links lead to looked at, slowly. Gives how many wait. */
export async function lookOutside(services: Services, actor: Actor, wish: Reach): Promise<Result<{ waiting: number }>> {
  const reach = await reached(services.db, actor, 'change a page', wish);
  if (!reach.ok) return reach;
  if (outsideAllowed().length === 0)
    return refused({
      code: 'declined',
      what: 'No address outside is looked at',
      why: 'Whoever looks after this server has not allowed it.',
      kept: 'Nothing was asked of any host.',
      next: 'They name the hosts in INKWELL_LINK_HOSTS, or * for any.',
    });
  return writing(services.db, async (trx) => {
    const ids = reach.value.map(({ id }) => id);
    await askToLookOutside(trx, ids, new Date(services.now().getTime() - FRESH));
    const waiting = await waitingOutside(trx);
    if (waiting > 0) await enqueue(trx, actor.id, [lookOutsideJob]);
    return done({ waiting });
  });
}

/** Hosts visited beside each other, addresses of each in one job, and ms between two of one host. */
const HOSTS = 4;
const EACH = 5;
const BETWEEN = 2_000;
/** How long one answer may take, in ms; and for how many seconds a host is a worker's own. */
const WITHIN = 15_000;
const CLAIM_SECONDS = 300;

/** Where addresses are looked at, and how long is waited between two of one host, in ms. */
export interface LookAtAddress {
  policy?: HostPolicy;
  between?: number;
}

/** A job: looks at some addresses that are due, each host's one after another, as its robots.txt has it; puts in another for the rest. */
export async function lookAtOutside(
  services: Services,
  { policy = linkPolicyFrom(process.env), between = BETWEEN }: LookAtAddress = {},
): Promise<void> {
  const taken = await takeOutside(services.db, { hosts: HOSTS, each: EACH, seconds: CLAIM_SECONDS });
  const hosts = [...new Set(taken.map(({ host }) => host))];
  await Promise.all(
    hosts.map(async (host) => {
      const own = taken.filter((one) => one.host === host);
      await writeOutside(services.db, await visited(services, own, policy, between), services.now());
    }),
  );
  if (taken.length > 0) await enqueue(services.db, SYSTEM, [lookOutsideJob]);
}

async function visited(
  services: Services,
  taken: readonly { id: string; address: string }[],
  policy: HostPolicy,
  between: number,
): Promise<LookedOutside[]> {
  const robots = new Map<string, Robots>();
  const looked: LookedOutside[] = [];
  let wait = 0;
  for (const { id, address } of taken) {
    if (looked.length > 0) await new Promise((resolve) => setTimeout(resolve, between));
    // A host that asks to be left alone is: what is left waits with the rest.
    const sighting = wait > 0 ? null : await sightingOf(address, policy, robots);
    wait = Math.max(wait, sighting?.wait ?? 0);
    const again = wait > 0 ? new Date(services.now().getTime() + wait) : null;
    looked.push({ id, ...(sighting ? said(sighting) : NOT_LOOKED), again });
  }
  return looked;
}

const NOT_LOOKED = { state: null, words: null, moved_to: null };
const said = ({ state, words, movedTo }: Sighting) => ({ state, words, moved_to: movedTo });

async function sightingOf(address: string, policy: HostPolicy, known: Map<string, Robots>): Promise<Sighting> {
  if (!URL.canParse(address)) return { state: 'unsure', words: 'is no whole address', movedTo: null, wait: 0 };
  const url = new URL(address);
  const robots = known.get(url.origin) ?? (await robotsOf(policy, url, { most: 0, within: WITHIN }));
  known.set(url.origin, robots);
  if (!robots.allows(url)) return { state: 'unsure', words: robots.why, movedTo: null, wait: 0 };
  if (robots.delay > 0) await new Promise((resolve) => setTimeout(resolve, robots.delay));
  return lookAtAddress(policy, url, { within: WITHIN });
}

/** Has addresses looked at once a week. Any number of workers say so; it is done once. */
export async function lookOutsideAgain(services: Services): Promise<void> {
  if (outsideAllowed().length === 0) return;
  await dueAgainOutside(services.db, new Date(services.now().getTime() - WEEK));
  if ((await waitingOutside(services.db)) > 0) await enqueue(services.db, SYSTEM, [lookOutsideJob]);
}
