import { difference, proposedAnswers, type DoorQuestion } from '@inkwell/core';
import {
  choosePasted,
  lockPage,
  lockPackage,
  packageById,
  pastedPage,
  pastedPages,
  pastedSums,
  snapshot,
  writing,
  type Bar,
  type DoorChoice,
  type PastedPage,
  type Write,
} from '@inkwell/store';
import { unlessAllowed, type Actor } from '../actor.ts';
import { inputsOf, type Examination } from '../examine.ts';
import type { PlacedText } from '../engine/index.ts';
import { record, type Revised } from '../record.ts';
import { done, notFound, refused, type Result } from '../problems.ts';
import type { Services } from '../services.ts';
import { reachOf } from './receive.ts';

/** What was said of a page before it came in. */
export interface AtTheDoor {
  choice: DoorChoice;
  answers: Readonly<Record<string, string>>;
}

/** A page's text as it is cleaned at the door; null where that declines: then it comes in as it is. */
export async function cleanedText(
  services: Services,
  text: PlacedText,
  { choice, answers }: AtTheDoor,
): Promise<{ html: string; examined: Examination } | null> {
  const cleaned = await services.engine.run('clean', { page: text, answers: choice === 'clean' ? answers : {} });
  if (!cleaned.ok) return null;
  return { html: cleaned.html, examined: { ...cleaned.examined, inputs: inputsOf({ ...text, html: cleaned.html }) } };
}

/** Writes the cleaned text as the revision behind the raw one, in the same transaction. */
export async function recordCleaned(
  trx: Write,
  services: Services,
  actor: Actor,
  raw: { id: number; bar: Bar; html: string },
  cleaned: { html: string; examined: Examination },
): Promise<Revised> {
  const page = (await lockPage(trx, raw.id))!;
  const moves = difference(raw.html, cleaned.html);
  return record(trx, services, actor, page, { bar: raw.bar }, { ...cleaned, moves, cause: 'fixed', note: 'cleaned as it came in' });
}

/** Pages listed at once beside the one that is looked at. */
const LISTED = 100;

export interface DoorView {
  id: number;
  name: string;
  title: string;
  /** Whether something can still be said: it has been read and not been accepted. */
  open: boolean;
  sums: { pages: number; toClean: number; toLeave: number };
  pages: Omit<PastedPage, 'answers'>[];
  /** The place from which more follow; null when these are the last. */
  next: number | null;
  /** The page that is looked at. */
  page: (PastedPage & { html: string; questions: DoorQuestion[]; cleaned: CleanedView }) | null;
}

/** A page as it would be cleaned, or why it is not. */
export type CleanedView = { ok: true; html: string } | { ok: false; reason: string };

/** Pages of a package with pasted markup, from one of them on, and that one as it came and as it would be cleaned. */
export async function door(services: Services, actor: Actor, wish: { id: number; at: number }): Promise<Result<DoorView>> {
  const read = await snapshot(services.db, async (at) => {
    const found = await packageById(at, wish.id);
    if (!found) return notFound('This package');
    const barred = unlessAllowed(actor, 'bring in', reachOf(found), 'This package');
    if (barred) return barred;
    const pages = await pastedPages(at, found.id, wish.at, LISTED + 1);
    const page = pages[0] ? await pastedPage(at, found.id, pages[0].position) : undefined;
    return done({ found, pages, page, sums: await pastedSums(at, found.id) });
  });
  if (!read.ok) return read;
  const { found, pages, page, sums } = read.value;
  const text = page && textOf(page);
  const questions = text ? await services.engine.run('ask', { page: text }) : [];
  return done({
    id: found.id,
    name: found.name,
    title: found.title,
    open: found.state === 'read',
    sums,
    pages: pages.slice(0, LISTED).map(({ answers: _answers, ...line }) => line),
    next: pages.length > LISTED ? pages[LISTED]!.position : null,
    page:
      page && text
        ? { ...page, questions, cleaned: await tried(services, text, { ...proposedAnswers(questions), ...page.answers }) }
        : null,
  });
}

const textOf = ({ html, scope, title, path }: PastedPage & { html: string }): PlacedText => ({
  html,
  scope,
  title,
  address: path,
  neighbours: { titles: {} },
});

async function tried(services: Services, page: PlacedText, answers: Readonly<Record<string, string>>): Promise<CleanedView> {
  const cleaned = await services.engine.run('clean', { page, answers });
  return cleaned.ok ? { ok: true, html: cleaned.html } : { ok: false, reason: cleaned.reason };
}

/** A page as it would be cleaned with these answers. Nothing is kept. */
export async function tryCleaning(
  services: Services,
  actor: Actor,
  wish: { id: number; position: number; answers: Readonly<Record<string, string>> },
): Promise<Result<CleanedView>> {
  const found = await packageById(services.db, wish.id);
  if (!found) return notFound('This package');
  const barred = unlessAllowed(actor, 'bring in', reachOf(found), 'This package');
  if (barred) return barred;
  const page = await pastedPage(services.db, found.id, wish.position);
  return page ? done(await tried(services, textOf(page), wish.answers)) : notFound('This page');
}

export interface ChooseCleaning {
  id: number;
  /** One page, or all of which nobody said anything. */
  on: number | 'the rest';
  choice: DoorChoice | null;
  answers: Readonly<Record<string, string>>;
}

/** Says what is to be done with pasted markup when a page comes in. It may be said otherwise until the package is accepted. */
export function chooseCleaning(services: Services, actor: Actor, wish: ChooseCleaning): Promise<Result<{ pages: number }>> {
  return writing(services.db, async (trx) => {
    const found = await lockPackage(trx, wish.id);
    if (!found) return notFound('This package');
    const barred = unlessAllowed(actor, 'bring in', reachOf(found), 'This package');
    if (barred) return barred;
    if (found.state !== 'read')
      return refused({
        code: 'nothing-to-do',
        what: 'This package has been accepted already',
        why: 'Its pages come in as was said before.',
        kept: 'Nothing was changed.',
        next: 'Clean a page at the desk: its note of pasted markup has the same fix.',
      });
    return done({ pages: await choosePasted(trx, found.id, wish.on, wish.choice, wish.answers) });
  });
}
