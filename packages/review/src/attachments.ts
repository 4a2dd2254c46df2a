import { attachmentKindOf, type AttachmentFacts } from '@inkwell/formats';
import {
  attachmentLines,
  attachmentSums,
  bytesWhole,
  collectionBySlug,
  listAttachments,
  setAttachments,
  SYSTEM,
  snapshot,
  unreadAttachments,
  writeFacts,
  writing,
  type AttachmentChange,
  type AttachmentLine,
  type AttachmentStanding,
  type AttachmentWish,
  type Write,
} from '@inkwell/store';
import { enqueue } from '@inkwell/work';
import { unlessAllowed, type Actor } from './actor.ts';
import { lookIntoJob } from './jobs.ts';
import { done, notFound, refused, type Result } from './problems.ts';
import type { Services } from './services.ts';

/** Attachments shown at one time. */
const SHOWN = 100;

export interface Attached {
  collection: { slug: string; title: string };
  choice: AttachmentWish;
  /** Of the whole collection, whatever the choice. */
  kinds: { kind: string; many: number }[];
  /** Of the choice. */
  many: number;
  unseen: number;
  shown: (Omit<AttachmentLine, 'facts'> & { facts: AttachmentFacts | null })[];
  /** The path behind which more follow; null when these are the last. */
  next: string | null;
}

/** Files of a collection that are no pages: what could be read of them, where they stand, who has them and by when. */
export function attached(
  services: Services,
  actor: Actor,
  wish: { collection: string; choice: AttachmentWish },
): Promise<Result<Attached>> {
  return snapshot(services.db, async (at) => {
    const collection = await collectionBySlug(at, wish.collection);
    if (!collection || collection.arrived_at === null) return notFound('This collection');
    const barred = unlessAllowed(actor, 'see', { collection: collection.id }, 'This collection');
    if (barred) return barred;
    const sums = await attachmentSums(at, collection.id, wish.choice);
    const lines = await attachmentLines(at, collection.id, { ...wish.choice, limit: SHOWN + 1 });
    const all = await attachmentSums(at, collection.id, {});
    return done({
      collection: { slug: collection.slug, title: collection.title },
      choice: wish.choice,
      kinds: manyByKind(all),
      many: total(sums),
      unseen: total(sums.filter(({ standing }) => standing === 'unseen')),
      shown: lines.slice(0, SHOWN).map((line) => ({ ...line, facts: line.facts as AttachmentFacts | null })),
      next: lines.length > SHOWN ? lines[SHOWN - 1]!.path : null,
    });
  });
}

/** How many there are of each kind, in the order in which they are met. */
export function manyByKind(files: readonly { kind: string; many?: number }[]): { kind: string; many: number }[] {
  const kinds = new Map<string, number>();
  for (const { kind, many = 1 } of files) kinds.set(kind, (kinds.get(kind) ?? 0) + many);
  return [...kinds].map(([kind, many]) => ({ kind, many }));
}

const total = (sums: readonly { many: number }[]) => sums.reduce((sum, { many }) => sum + many, 0);

export interface JudgeAttachments extends AttachmentChange {
  collection: string;
  /** Which, as they were seen. */
  files: readonly { path: string; version: number }[];
}

/**
 * Says of attachments where they stand, who has them, by when, or a word about them. Nothing said by somebody else meanwhile is lost: such
 * files are left as they are, and named.
 */
export function judgeAttachments(
  services: Services,
  actor: Actor,
  wish: JudgeAttachments,
): Promise<Result<{ changed: number; left: string[] }>> {
  return writing(services.db, async (trx) => {
    const collection = await collectionBySlug(trx, wish.collection);
    if (!collection) return notFound('This collection');
    const barred = unlessAllowed(actor, actFor(wish.standing), { collection: collection.id }, 'This collection');
    if (barred) return barred;
    const { standing, owner, due, note } = wish;
    if (due && Number.isNaN(Date.parse(due)))
      return refused({ code: 'bad-page', what: 'This is no day', kept: 'Nothing was changed.', next: 'Choose a day.' });
    const changed = await setAttachments(trx, collection.id, wish.files, { standing, owner, due, note }, actor.id);
    const said = new Set(changed);
    const left = wish.files.flatMap(({ path }) => (said.has(path) ? [] : [path]));
    if (changed.length === 0)
      return refused({
        code: 'conflict',
        what: 'Somebody else changed this meanwhile',
        why: `${left[0]!} is no longer as it was shown.`,
        kept: 'What they said was kept.',
        next: 'Look at it again, and say it once more if it still holds.',
      });
    return done({ changed: changed.length, left });
  });
}

/** To say that something may go out is for whoever answers questions; the rest for whoever works on pages. */
function actFor(standing: AttachmentStanding | undefined): 'rule' | 'change a page' {
  return standing === 'fit' ? 'rule' : 'change a page';
}

/** Lists the attachments among files that were just put in place, and has them looked into. */
export async function listAttached(trx: Write, collectionId: number, by: string, paths: readonly string[]): Promise<void> {
  const files = paths.flatMap((path) => {
    const kind = attachmentKindOf(path);
    return kind === null ? [] : [{ path, kind }];
  });
  if (files.length === 0) return;
  await listAttachments(trx, collectionId, by, files);
  await enqueue(trx, by, [lookIntoJob(collectionId)]);
}

/** What reads an attachment: in a thread of its own, so that a hostile file holds nobody up. */
export type LookInto = (bytes: Uint8Array, path: string) => Promise<AttachmentFacts>;

/** Kinds of which something can be read. */
const READ = ['PDF', 'captions'];
/** Longest attachment that is read, in bytes: what reads it holds all of it. */
const LONGEST = 100_000_000;
/** Files that are read in one job: whatever else waits comes in between. */
const TOGETHER = 20;

/** A job: reads what can be read of some of a collection's attachments, the same bytes once, and puts in another for the rest. */
export async function lookIntoAttachments(services: Services, lookInto: LookInto, wish: { collection: number }): Promise<void> {
  const some = await unreadAttachments(services.db, wish.collection, READ, TOGETHER);
  const read: { sha256: string; facts: AttachmentFacts }[] = [];
  for (const file of some) read.push({ sha256: file.sha256, facts: await factsOf(services, lookInto, file) });
  await writeFacts(services.db, read);
  if (some.length === TOGETHER) await enqueue(services.db, SYSTEM, [lookIntoJob(wish.collection)]);
}

async function factsOf(
  services: Services,
  lookInto: LookInto,
  file: Parameters<typeof bytesWhole>[1] & { path: string },
): Promise<AttachmentFacts> {
  if (file.size > LONGEST) return { of: 'unreadable', why: `It is larger than ${LONGEST / 1_000_000} MB.` };
  return lookInto(await bytesWhole(services.db, file), file.path);
}
