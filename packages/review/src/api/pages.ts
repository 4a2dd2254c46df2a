import {
  apiPage,
  apiPages,
  collectionBySlug,
  headText,
  house,
  lastPublication,
  pageById,
  publicationById,
  snapshot,
  type ApiPage,
  type Publication,
} from '@inkwell/store';
import { may, unlessAllowed, type Actor } from '../actor.ts';
import { saveSource } from '../fix.ts';
import { done, notFound, refused, type Result } from '../problems.ts';
import { askPublication } from '../release/publish.ts';
import { signOff } from '../release/sign.ts';
import { dayIn, type Services } from '../services.ts';
import { shelf, type ShelfRow } from '../shelf.ts';

/** A page as programs are given it. */
export interface PageTold extends Pick<ApiPage, 'id' | 'address' | 'title' | 'contentType' | 'scope' | 'revision' | 'verdict' | 'release'> {
  open: { must: number; should: number; consider: number; questions: number };
  html?: string;
}

/** With what its ETag is made of: its version. */
export interface PageFound {
  page: PageTold;
  version: number;
}

function toldOf({ must, should, consider, questions, ...page }: ApiPage): PageTold {
  const { id, address, title, contentType, scope, revision, verdict, release } = page;
  return { id, address, title, contentType, scope, revision, verdict, release, open: { must, should, consider, questions } };
}

export type CollectionTold = Pick<ShelfRow, 'slug' | 'title' | 'kind' | 'pages' | 'verdicts'> & { open: PageTold['open'] };

/** The collections somebody may see, by address. */
export async function collectionsTold(services: Services, actor: Actor): Promise<Result<CollectionTold[]>> {
  const rows = await shelf(services, actor);
  if (!rows.ok) return rows;
  const told = rows.value.map(({ slug, title, kind, pages, verdicts, tally: { judge, ...tally } }) => ({
    ...{ slug, title, kind, pages, verdicts, open: { ...tally, questions: judge } },
  }));
  return done(told.sort((a, b) => (a.slug < b.slug ? -1 : 1)));
}

/** Pages of a collection, by id, behind one. */
export function pagesTold(
  services: Services,
  actor: Actor,
  wish: { collection: string; after: number; limit: number },
): Promise<Result<{ pages: PageTold[]; next: number | null }>> {
  return snapshot(services.db, async (at) => {
    const collection = await collectionBySlug(at, wish.collection);
    const barred = collection ? unlessAllowed(actor, 'see', { collection: collection.id }, 'This collection') : notFound('This collection');
    if (barred) return barred;
    const rows = await apiPages(at, collection!.id, wish.after, wish.limit + 1);
    const pages = rows.slice(0, wish.limit);
    return done({ pages: pages.map(toldOf), next: rows.length > wish.limit ? pages.at(-1)!.id : null });
  });
}

/** One page with its text. `collection`: where it is looked for; null: wherever it is. */
export function pageTold(services: Services, actor: Actor, wish: { id: number; collection: string | null }): Promise<Result<PageFound>> {
  return snapshot(services.db, async (at) => {
    const today = dayIn((await house(at)).timeZone, services.now());
    const page = await apiPage(at, wish.id, today);
    if (!page || !may(actor, 'see', { collection: page.collection }) || (wish.collection !== null && page.slug !== wish.collection))
      return notFound('This page');
    const html = await headText(at, (await pageById(at, page.id))!);
    return done({ page: { ...toldOf(page), html }, version: page.version });
  });
}

interface OnVersion {
  id: number;
  collection: string | null;
  /** The version that whoever changes it saw; null: whichever it is. */
  version: number | null;
}

const MOVED_ON = refused({
  code: 'conflict',
  what: 'The page has changed since',
  kept: 'Nothing was changed.',
  next: 'Get it as it is now, and send your change with its ETag.',
});

/** Gives a page another text, with a note for its history; the same again makes no revision. */
export async function putPage(
  services: Services,
  actor: Actor,
  wish: OnVersion & { html: string; note?: string | undefined },
): Promise<Result<PageFound>> {
  const found = await onVersion(services, actor, wish);
  if (!found.ok) return found;
  const { page, version } = found.value;
  if (page.html !== wish.html) {
    const saved = await saveSource(services, actor, { pageId: page.id, version, html: wish.html, note: wish.note });
    if (!saved.ok && saved.problem.code !== 'nothing-to-do') return saved;
  }
  return pageTold(services, actor, wish);
}

/** Signs a page off as it stands. */
export async function signPage(services: Services, actor: Actor, wish: OnVersion): Promise<Result<PageFound>> {
  const found = await onVersion(services, actor, wish);
  if (!found.ok) return found;
  const signed = await signOff(services, actor, { pageId: wish.id, version: found.value.version });
  return signed.ok ? pageTold(services, actor, wish) : signed;
}

/** A page with what became of what was asked for: `waiting` while the host has it still before it. */
export type PagePublished = PageFound & { state: 'waiting' | 'done' };

/**
 * Has a page published as it stands, or taken off: at once, or at a time. A worker does it; for a few seconds it is waited for, so that
 * whoever asks most often hears how it ended.
 */
export async function publishPage(
  services: Services,
  actor: Actor,
  wish: OnVersion & { act: 'publish' | 'unpublish'; at: Date | null },
): Promise<Result<PagePublished>> {
  const found = await onVersion(services, actor, wish);
  if (!found.ok) return found;
  const asked = await askPublication(services, actor, { which: [wish.id], act: wish.act, at: wish.at });
  if (!asked.ok) return asked;
  const [left] = asked.value.left;
  if (left) return notOut(left.why, wish.act);
  const { id } = (await lastPublication(services.db, wish.id))!;
  const { state, problem } = await ended(services, id, wish.at === null ? PATIENCE_MS : 0);
  if (state === 'failed' || state === 'called off') return notOut(problem ?? 'It was called off.', wish.act);
  const page = await pageTold(services, actor, wish);
  return page.ok ? done({ ...page.value, state }) : page;
}

/** How long a call waits for what a worker does, and how often it looks, in ms. */
const PATIENCE_MS = 2_000;
const LOOK_MS = 100;

/** What became of a publication, once it has ended or patience has. */
async function ended({ db }: Services, id: number, patience: number): Promise<Publication> {
  for (const until = Date.now() + patience; ;) {
    const found = (await publicationById(db, id))!;
    if (found.state !== 'waiting' || Date.now() >= until) return found;
    await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
  }
}

const notOut = (why: string, act: 'publish' | 'unpublish') =>
  refused({
    code: 'held',
    what: act === 'publish' ? 'The page is not published' : 'The page is not taken off',
    why,
    kept: 'It is as it was.',
    next: 'See to that first; the Gate shows what holds it.',
  });

async function onVersion(services: Services, actor: Actor, wish: OnVersion): Promise<Result<PageFound>> {
  const found = await pageTold(services, actor, wish);
  return found.ok && wish.version !== null && found.value.version !== wish.version ? MOVED_ON : found;
}
