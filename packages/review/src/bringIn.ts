import { escapeText, tidy, type DoorAnswers, type Scope, type Verdict } from '@inkwell/core';
import { acceptText, decodeHtml, encodeText, hasMarkup, LARGEST_PAGE, type DecodeFailure, type Decoded } from '@inkwell/formats';
import {
  addPage,
  collectionBySlug,
  hashOf,
  isDuplicate,
  keepFile,
  lockPage,
  slugsLike,
  writing,
  type Collection,
  type Write,
} from '@inkwell/store';
import { unlessAllowed, type Actor } from './actor.ts';
import { examineNew } from './examine.ts';
import { cleanedText, recordCleaned } from './packages/door.ts';
import { done, notFound, refused, type Problem, type Result } from './problems.ts';
import { record } from './record.ts';
import type { Services } from './services.ts';

export type Incoming = { kind: 'text'; text: string } | { kind: 'bytes'; bytes: Uint8Array; fileName: string };

export interface BringIn {
  collection: string;
  title?: string;
  scope?: Scope;
  contentType?: string;
  incoming: Incoming;
  /** Where it lies, when that is known already; else its file's name says it. */
  address?: string;
  /** Answers with which it is cleaned at the door; none: it comes in as it is. */
  door?: DoorAnswers | undefined;
}

export interface Brought {
  slug: string;
  revision: number;
  findings: number;
  verdict: Verdict;
}

const MEGABYTES = LARGEST_PAGE / 1024 / 1024;

export const REFUSALS: Record<DecodeFailure, Pick<Problem, 'what' | 'why' | 'next'>> = {
  empty: {
    what: 'There is nothing in this page',
    why: 'It holds no characters but spaces.',
    next: 'Paste the page’s content, or choose another file.',
  },
  'too-large': {
    what: 'This page is too large to take in',
    why: `A page may hold up to ${MEGABYTES} MB; longer ones are most often several pages, or carry images inside their text.`,
    next: 'Split it, or save its images as files, and bring it in again.',
  },
  'not-html': {
    what: 'This is not a page of text',
    why: 'Its first bytes are those of another kind of file, such as a PDF, an image or an archive.',
    next: 'Save it as a web page (.html), or copy its content and paste it here.',
  },
};

/** Takes one page into a collection as its revision 1, audited. */
export async function bringIn(services: Services, actor: Actor, wish: BringIn): Promise<Result<Brought>> {
  const collection = await collectionBySlug(services.db, wish.collection);
  if (!collection) return notFound('This collection');
  const barred = unlessAllowed(actor, 'bring in', { collection: collection.id }, 'This collection');
  if (barred) return barred;
  const read = wish.incoming.kind === 'text' ? acceptText(wish.incoming.text) : decodeHtml(wish.incoming.bytes);
  if (!read.ok)
    return refused({ code: 'bad-page', ...REFUSALS[read.reason], kept: 'Nothing was brought in, and nothing already here was touched.' });
  const html = hasMarkup(read.text) ? read.text : asParagraphs(read.text);
  const given = tidy(wish.title ?? '');
  const alone = { html, scope: wish.scope ?? null, title: given, address: '', neighbours: { titles: {} } };
  const { scope, title: own } = await services.engine.run('refer', { page: alone });
  const title = given || (scope === 'document' ? own : '');
  if (!title)
    return refused({
      code: 'bad-page',
      what: 'This page needs a title',
      why: 'It is part of a page, and its own text names none.',
      kept: 'What you gave is still in the form.',
      next: 'Write the title its platform shows above it.',
    });
  const bytes = wish.incoming.kind === 'bytes' ? wish.incoming : null;
  return store(services, actor, collection, {
    html,
    title,
    scope,
    contentType: wish.contentType ?? defaultType(collection),
    read,
    bytes: bytes?.bytes ?? null,
    fileName: bytes?.fileName ?? null,
    address: wish.address,
    door: wish.door ?? null,
  });
}

interface Ready {
  html: string;
  title: string;
  scope: Scope;
  contentType: string;
  read: Decoded;
  bytes: Uint8Array | null;
  fileName: string | null;
  address: string | undefined;
  door: DoorAnswers | null;
}

/** Others may take an address while a page is examined: then the next free one is looked for. */
const ATTEMPTS = 5;

async function store(services: Services, actor: Actor, collection: Collection, page: Ready): Promise<Result<Brought>> {
  for (let attempt = 1; attempt <= ATTEMPTS; attempt++) {
    const base = pageSlugOf(page.title);
    const slug = firstFree(base, await slugsLike(services.db, collection.id, base));
    const address = addressOf(page, slug, attempt);
    const { bar, examined, text } = await examineNew(
      services,
      { id: 0, collection_id: collection.id, title: page.title, address, scope: page.scope, content_type: page.contentType },
      page.html,
    );
    const cleaned = page.door ? await cleanedText(services, text, { choice: 'clean', answers: page.door }) : null;
    try {
      return done(
        await writing(services.db, async (trx) => {
          const id = await addPage(
            trx,
            {
              collection_id: collection.id,
              slug,
              title: page.title,
              scope: page.scope,
              content_type: page.contentType,
              address,
              made_by: actor.id,
            },
            bar.id,
          );
          const row = (await lockPage(trx, id))!;
          const first = await record(
            trx,
            services,
            actor,
            row,
            { bar },
            {
              html: page.html,
              examined,
              cause: 'imported',
              note: page.fileName ? `from ${page.fileName}` : 'pasted',
              encoding: page.read.encoding,
              bom: page.read.bom,
              bytesHash: await keepOriginal(trx, page),
            },
          );
          const { revision, found, verdict } = cleaned
            ? await recordCleaned(trx, services, actor, { id, bar, html: page.html }, cleaned)
            : first;
          return { slug, revision, findings: found, verdict };
        }),
      );
    } catch (error) {
      // Another page has this address already: take the next one.
      if (!isDuplicate(error)) throw error;
    }
  }
  return refused({
    code: 'duplicate',
    what: 'Others are bringing in pages of this title',
    why: 'Each free address that was found was taken meanwhile.',
    kept: 'What you gave is still in the form.',
    next: 'Try again, or give the page a title of its own.',
  });
}

/** A name, or the first of it with a number behind that is not taken. */
export function firstFree(base: string, taken: ReadonlySet<string>): string {
  let name = base;
  for (let nth = 2; taken.has(name); nth++) name = `${base}-${nth}`;
  return name;
}

/** The hash of the bytes a page came in as; the bytes too, where its text would not give them back. */
async function keepOriginal(trx: Write, { bytes, read }: Ready): Promise<string | null> {
  if (!bytes) return null;
  const back = encodeText(read.text, read.encoding);
  const mark = read.bom ? (read.encoding === 'utf-8' ? 3 : 2) : 0;
  if (back.ok && Buffer.from(back.bytes).equals(bytes.subarray(mark))) return hashOf(bytes);
  return keepFile(trx, 'text/html', bytes);
}

/** A file keeps its own name as its address, so that links between pages go on working; where that is taken it is its slug's. */
function addressOf(page: Ready, slug: string, attempt: number): string {
  if (page.address !== undefined && attempt === 1) return page.address;
  const name = page.fileName
    ?.split(/[/\\]/)
    .pop()!
    .replace(/[^\w.-]+/g, '-');
  return name && attempt === 1 && /\.x?html?$/i.test(name) ? name : `${slug}.html`;
}

function defaultType(collection: Collection): string {
  return collection.kind === 'course' ? 'lesson' : 'article';
}

/** A title as an address: lower case, dashed, at most 60 signs; never empty. */
export function slugOf(title: string): string {
  const plain = title
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase();
  return (
    plain
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 60)
      .replace(/-+$/, '') || 'page'
  );
}

/** Addresses that are screens of a collection, and none of its pages. */
const SCREENS = new Set(['attached', 'bring-in', 'registers', 'repeated', 'report', 'spread', 'steps', 'trend']);

/** What a page would be called in an address. */
export function pageSlugOf(title: string): string {
  const slug = slugOf(title);
  return SCREENS.has(slug) ? `${slug}-page` : slug;
}

function asParagraphs(text: string): string {
  return escapeText(text)
    .trim()
    .split(/\r?\n\s*\r?\n/)
    .map((part) => `<p>${part.trim().replace(/\r?\n/g, '<br>\n')}</p>`)
    .join('\n');
}
