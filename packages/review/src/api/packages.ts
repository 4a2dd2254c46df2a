import {
  addBegun,
  addPackage,
  begunById,
  begunOfPackage,
  begunUnder,
  isBeingRenewed,
  personById,
  refusePackage,
  writing,
  type Begun,
} from '@inkwell/store';
import { enqueue } from '@inkwell/work';
import type { Actor } from '../actor.ts';
import { READ_PACKAGE } from '../jobs.ts';
import { acceptIntoShelf } from '../packages/arrive.ts';
import { keepFromDisk } from '../packages/files.ts';
import { dismissPackage, mayReceive } from '../packages/receive.ts';
import { done, notFound, refused, type Problem, type Result } from '../problems.ts';
import type { Services } from '../services.ts';

/** A job as programs are told of it. */
export interface JobTold {
  id: string;
  kind: 'bring in' | 'renew';
  state: 'waiting' | 'running' | 'done' | 'failed' | 'cancelled';
  progress: { done: number; total: number };
  troubles: { path: string; what: string }[];
  result: { collection: string } | null;
  problem?: string;
}

export interface SentIn {
  name: string;
  file: string;
  title: string;
  /** The collection it is a newer version of. */
  newerOf: string | undefined;
  /** The same call again with the same key gives the first answer. */
  key: string | null;
}

const STATES = { waiting: 'waiting', read: 'waiting', arriving: 'running', here: 'done', refused: 'failed' } as const;

function toldOf({ id, renews, package: found }: Begun): JobTold {
  const state = found ? STATES[found.state] : 'cancelled';
  const total = found?.pages ?? 0;
  // Pages are examined a few in a job: as far as its jobs are, its pages are.
  const arrived = found?.total ? Math.floor((total * (found.done ?? 0)) / found.total) : 0;
  return {
    ...{ id, kind: renews === null ? ('bring in' as const) : ('renew' as const), state },
    progress: { done: state === 'done' ? total : arrived, total },
    troubles: found?.troubles ?? [],
    result: state === 'done' && found?.collection ? { collection: found.collection } : null,
    ...(state === 'failed' ? { problem: found?.problem ?? 'It could not be brought in.' } : {}),
  };
}

/** Takes a package in as a job: it is read and accepted in the background, in the name of whoever sent it. */
export async function sendIn(services: Services, actor: Actor, sent: SentIn): Promise<Result<JobTold>> {
  const into = await mayReceive(services, actor, sent.newerOf);
  if (!into.ok) return into;
  const sha256 = await keepFromDisk(services.db, sent.file, 'application/zip');
  const begun = await writing(services.db, async (trx): Promise<Result<string>> => {
    const before = sent.key === null ? undefined : await begunUnder(trx, actor.id, sent.key);
    if (before) return before.bodySum === sha256 ? done(before.id) : OTHER_BODY;
    if (into.value !== null && (await isBeingRenewed(trx, into.value))) return ON_ITS_WAY;
    const made = await addPackage(trx, { name: sent.name, sha256, made_by: actor.id, renews: into.value });
    await enqueue(trx, actor.id, [{ kind: READ_PACKAGE, payload: { package: made }, name: `${READ_PACKAGE} ${made}` }]);
    const of = { person: actor.id, package: made, title: sent.title, renews: into.value, key: sent.key, bodySum: sha256 };
    return done(await addBegun(trx, of));
  });
  return begun.ok ? jobTold(services, actor, { id: begun.value }) : begun;
}

const OTHER_BODY = refused({
  code: 'conflict',
  what: 'This key was used for another package today',
  kept: 'Nothing was brought in.',
  next: 'Send each package with a key of its own.',
});
const ON_ITS_WAY = refused({
  code: 'conflict',
  what: 'Another newer version is on its way into this collection',
  kept: 'Nothing of this one was brought in.',
  next: 'Wait until its job has ended, and send this one again.',
});

/** How far a job is that somebody began. */
export async function jobTold({ db }: Services, actor: Actor, { id }: { id: string }): Promise<Result<JobTold>> {
  const begun = await begunById(db, id);
  return begun?.person === actor.id ? done(toldOf(begun)) : notFound('This job');
}

/** Cancels a job: nothing of what it brought so far stays. */
export async function cancelJobBegun(services: Services, actor: Actor, { id }: { id: string }): Promise<Result<JobTold>> {
  const begun = await begunById(services.db, id);
  if (begun?.person !== actor.id) return notFound('This job');
  if (!begun.package || begun.package.state === 'here' || begun.package.state === 'refused')
    return refused({ code: 'nothing-to-do', what: 'This job has ended already', kept: 'It stays as it ended.' });
  const dismissed = await dismissPackage(services, actor, { id: begun.package.id });
  return dismissed.ok ? jobTold(services, actor, { id }) : dismissed;
}

/**
 * Says yes to a package that a program sent in, once it was read: in the name of whoever sent it, as far as they still may. While another
 * newer version comes in it is tried again; `last`: nobody will.
 */
export async function acceptBegun(services: Services, wish: { package: number; last: boolean }): Promise<void> {
  const begun = await begunOfPackage(services.db, wish.package);
  if (begun?.package?.state !== 'read') return;
  const by = await personById(services.db, begun.person);
  const accepted = by ? await acceptIntoShelf(services, by, { id: wish.package, title: begun.title, types: {} }) : notFound('This person');
  // One that has to be compared again first waits to be read, and is no more to be accepted here.
  if (accepted.ok || (await begunOfPackage(services.db, wish.package))?.package?.state !== 'read') return;
  if (accepted.problem.code === 'conflict' && !wish.last) throw new Error(accepted.problem.what);
  await refusePackage(services.db, wish.package, wordOf(accepted.problem));
}

const wordOf = ({ what, why }: Problem) => `${what}.${why ? ` ${why}` : ''}`;
