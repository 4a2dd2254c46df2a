import type { ReportSaid } from '@inkwell/formats';
import {
  addBarrier,
  answerBarrier,
  barrierCollection,
  barriers,
  barriersLately,
  collectionBySlug,
  house,
  pageAtAddress,
  pageBySlug,
  snapshot,
  statementOf,
  writeStatement,
  writing,
  type BarrierLine,
  type StatementRow,
} from '@inkwell/store';
import { THE_SYSTEM, unlessAllowed, visibleTo, type Actor } from '../actor.ts';
import { inCollection } from '../inCollection.ts';
import { done, notFound, refused, type Result } from '../problems.ts';
import type { Services } from '../services.ts';
import { makeReport } from './make.ts';

/** What the public is told of a collection, in plain words. */
export interface StatementShown {
  title: string;
  house: string;
  slug: string;
  contact: string;
  words: string;
  /** The day it was last looked over. */
  at: string;
  said: Pick<ReportSaid, 'standard' | 'audited' | 'subject' | 'verdicts' | 'releases'>;
  /** Criteria that are not met, or not yet known to be, in their own words. */
  failed: { id: string; title: string; asks: string }[];
  unknown: number;
  exceptions: { title: string; until: string }[];
}

/** How long a report holds for whoever asks without being signed in, in ms: a large collection takes seconds to be counted. */
const HOLDS_MS = 60_000;
const MOST_HELD = 50;
const told = new WeakMap<Services['db'], Map<string, { at: number; said: Promise<Result<ReportSaid>> }>>();

function saidLately(services: Services, collection: string): Promise<Result<ReportSaid>> {
  const known = told.get(services.db) ?? new Map<string, { at: number; said: Promise<Result<ReportSaid>> }>();
  told.set(services.db, known);
  const at = services.now().getTime();
  const held = known.get(collection);
  if (held && Math.abs(at - held.at) < HOLDS_MS) return held.said;
  const said = makeReport(services, THE_SYSTEM, { collection });
  // What failed is not held.
  said.catch(() => known.delete(collection));
  known.delete(collection);
  known.set(collection, { at, said });
  if (known.size > MOST_HELD) known.delete(known.keys().next().value!);
  return said;
}

/** The statement of a collection, for whoever asks: only one that was made, and is to be shown. */
export async function publicStatement(services: Services, wish: { collection: string }): Promise<Result<StatementShown>> {
  const collection = await collectionBySlug(services.db, wish.collection);
  const row = collection && (await statementOf(services.db, collection.id));
  if (!collection || !row?.shown) return notFound('This statement');
  const said = await saidLately(services, wish.collection);
  return said.ok ? done(shownOf(said.value, row, (await house(services.db)).name, collection)) : said;
}

function shownOf(said: ReportSaid, row: StatementRow, name: string, { title, slug }: { title: string; slug: string }): StatementShown {
  const { standard, audited, subject, verdicts, releases, criteria, exceptions } = said;
  return {
    ...{
      title,
      slug,
      house: name,
      contact: row.contact,
      words: row.words,
      at: row.at,
      said: { standard, audited, subject, verdicts, releases },
    },
    failed: criteria.filter(({ outcome }) => outcome === 'failed').map(({ id, title: named, asks }) => ({ id, title: named, asks })),
    unknown: criteria.filter(({ outcome }) => outcome === 'cannot tell' || outcome === 'not looked at').length,
    exceptions: [...new Map(exceptions.map((one) => [one.title, { title: one.title, until: one.until }])).values()],
  };
}

/** The statement as it is made, for whoever answers for what is published. */
export async function ownStatement(services: Services, actor: Actor, wish: { collection: string }): Promise<Result<StatementRow | null>> {
  const found = await inCollection(services.db, actor, 'see', wish.collection);
  return found.ok ? done((await statementOf(services.db, found.value.id)) ?? null) : found;
}

export async function setStatement(
  services: Services,
  actor: Actor,
  wish: { collection: string; contact: string; words: string; shown: boolean },
): Promise<Result<null>> {
  return writing(services.db, async (trx) => {
    const found = await inCollection(trx, actor, 'sign off', wish.collection);
    if (!found.ok) return found;
    const contact = wish.contact.trim();
    if (contact === '')
      return refused({
        code: 'bad-page',
        what: 'A statement names whom readers can write to',
        kept: 'What you wrote is still in the form.',
        next: 'Give an address, a telephone number, or both.',
      });
    await writeStatement(trx, found.value.id, { contact, words: wish.words.trim(), shown: wish.shown, by: actor.id });
    return done(null);
  });
}

/** Barriers taken of one collection within an hour: more come from no reader. */
const AN_HOUR = 60;

/** A reader tells of a barrier. Nobody need be signed in; it becomes a question for whoever reviews the collection. */
export async function tellBarrier(
  services: Services,
  wish: { collection: string; place: string; words: string; replyTo: string },
): Promise<Result<null>> {
  const words = wish.words.trim();
  const replyTo = wish.replyTo.trim();
  return writing(services.db, async (trx) => {
    const collection = await collectionBySlug(trx, wish.collection);
    const row = collection && (await statementOf(trx, collection.id));
    if (!collection || !row?.shown) return notFound('This statement');
    if (words === '')
      return refused({
        code: 'bad-page',
        what: 'Please say what went wrong',
        kept: 'What you wrote is still in the form.',
        next: 'A sentence is enough.',
      });
    if (replyTo !== '' && !/^\S+@\S+\.\S+$/.test(replyTo))
      return refused({
        code: 'bad-page',
        what: 'This is no address we could answer to',
        kept: 'What you wrote is still in the form.',
        next: 'Correct it, or leave it out.',
      });
    if ((await barriersLately(trx, collection.id)) >= AN_HOUR)
      return refused({
        code: 'too-many',
        what: 'Too much was told here within the hour',
        kept: 'What you wrote is still in the form.',
        next: `Try again later, or write to ${row.contact}.`,
      });
    const place = wish.place.trim();
    const name = place.replace(/^.*\//, '').replace(/[?#].*$/, '');
    const page =
      name === '' ? undefined : ((await pageAtAddress(trx, collection.id, name)) ?? (await pageBySlug(trx, collection.id, name)));
    await addBarrier(trx, { collection: collection.id, page: page?.id ?? null, place, words, replyTo: replyTo || null });
    return done(null);
  });
}

/** Barriers shown at once. */
const SHOWN = 200;

/** What readers told of, in the collections somebody may see: what waits for an answer first. */
export function showBarriers(services: Services, actor: Actor, wish: { onlyOpen: boolean }): Promise<Result<BarrierLine[]>> {
  return snapshot(services.db, async (at) => done(await barriers(at, visibleTo(actor), wish.onlyOpen, SHOWN)));
}

/** Answers what a reader told: what became of it. */
export function answerReader(services: Services, actor: Actor, wish: { barrier: number; answer: string }): Promise<Result<null>> {
  return writing(services.db, async (trx) => {
    const collection = await barrierCollection(trx, wish.barrier);
    if (collection === undefined) return notFound('This message');
    const barred = unlessAllowed(actor, 'rule', { collection }, 'This message');
    if (barred) return barred;
    const answer = wish.answer.trim();
    if (answer === '') return refused({ code: 'bad-page', what: 'Say what became of it', kept: 'Nothing was changed.' });
    return (await answerBarrier(trx, wish.barrier, answer, actor.id))
      ? done(null)
      : refused({ code: 'nothing-to-do', what: 'It was answered already', kept: 'That answer stands.' });
  });
}
