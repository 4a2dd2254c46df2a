import { escapeText, parsePage, tidy, type Scope, type Verdict } from '@inkwell/core';
import { acceptText, decodeHtml, hasMarkup, LARGEST_PAGE, type DecodeFailure, type Decoded } from '@inkwell/formats';
import { isDuplicate, type Collection, type Database } from '@inkwell/store';
import { unlessAllowed, type Actor } from './actor.ts';
import { done, notFound, refused, type Problem, type Result } from './problems.ts';
import { revise, titleOf } from './revise.ts';

export type Incoming = { kind: 'text'; text: string } | { kind: 'bytes'; bytes: Uint8Array; fileName: string };

export interface BringIn {
  collection: string;
  title?: string;
  scope?: Scope;
  contentType?: string;
  incoming: Incoming;
}

export interface Brought {
  slug: string;
  revision: number;
  findings: number;
  verdict: Verdict;
}

const MEGABYTES = LARGEST_PAGE / 1024 / 1024;

const REFUSALS: Record<DecodeFailure, Pick<Problem, 'what' | 'why' | 'next'>> = {
  empty: { what: 'There is nothing in this page', why: 'It holds no characters but spaces.', next: 'Paste the page’s content, or choose another file.' },
  'too-large': { what: 'This page is too large to take in', why: `A page may hold up to ${MEGABYTES} MB; longer ones are most often several pages, or carry pictures inside their text.`, next: 'Split it, or save its pictures as files, and bring it in again.' },
  'not-html': { what: 'This is not a page of text', why: 'Its first bytes are those of another kind of file, such as a PDF, a picture or an archive.', next: 'Save it as a web page (.html), or copy its content and paste it here.' },
};

/** Takes one page into a collection as its revision 1, audited. */
export async function bringIn(db: Database, actor: Actor, wish: BringIn): Promise<Result<Brought>> {
  const barred = unlessAllowed(actor, 'bring in');
  if (barred) return barred;
  const read = wish.incoming.kind === 'text' ? acceptText(wish.incoming.text) : decodeHtml(wish.incoming.bytes);
  if (!read.ok) return refused({ code: 'bad-page', ...REFUSALS[read.reason], kept: 'Nothing was brought in, and nothing already here was touched.' });
  const html = hasMarkup(read.text) ? read.text : asParagraphs(read.text);
  const page = parsePage(html, wish.scope ? { scope: wish.scope } : {});
  const title = tidy(wish.title ?? '') || (page.scope === 'document' ? titleOf(page, '') : '');
  if (!title) return refused({ code: 'bad-page', what: 'This page needs a title', why: 'It is part of a page, and its own text names none.', kept: 'What you gave is still in the form.', next: 'Write the title its platform shows above it.' });
  const collection = await db.selectFrom('collections').selectAll().where('slug', '=', wish.collection).executeTakeFirst();
  if (!collection) return notFound('This collection');
  return store(db, actor, collection, { html, title, scope: page.scope, contentType: wish.contentType ?? defaultType(collection), read, fileName: wish.incoming.kind === 'bytes' ? wish.incoming.fileName : null });
}

interface Ready {
  html: string;
  title: string;
  scope: Scope;
  contentType: string;
  read: Decoded;
  fileName: string | null;
}

async function store(db: Database, actor: Actor, collection: Collection, page: Ready): Promise<Result<Brought>> {
  const base = slugOf(page.title);
  for (let attempt = 1; attempt <= 50; attempt++) {
    const slug = attempt === 1 ? base : `${base}-${attempt}`;
    try {
      return done(await insert(db, actor, collection, slug, attempt, page));
    } catch (error) {
      // Another page has this address already: take the next one.
      if (!isDuplicate(error)) throw error;
    }
  }
  return refused({ code: 'duplicate', what: 'This collection holds many pages of this title', why: 'No free address was found for another one.', kept: 'What you gave is still in the form.', next: 'Give the page a title of its own.' });
}

async function insert(db: Database, actor: Actor, collection: Collection, slug: string, attempt: number, page: Ready): Promise<Brought> {
  return db.transaction().execute(async (trx) => {
    const { last } = await trx.selectFrom('pages').select((eb) => eb.fn.max('position').as('last')).where('collection_id', '=', collection.id).executeTakeFirstOrThrow();
    const row = await trx
      .insertInto('pages')
      .values({ collection_id: collection.id, slug, title: page.title, scope: page.scope, content_type: page.contentType, address: addressOf(page, slug, attempt), position: (last ?? 0) + 1, head: 0, redo: '[]', made_by: actor.id })
      .returningAll()
      .executeTakeFirstOrThrow();
    const note = page.fileName ? `from ${page.fileName}` : 'pasted';
    const { revision, found, verdict } = await revise(trx, row, actor, { html: page.html, cause: 'imported', note, encoding: page.read.encoding });
    return { slug, revision, findings: found, verdict };
  });
}

/** A file keeps its own name as its address, so that links between pages go on working; a second of that name takes its slug's. */
function addressOf(page: Ready, slug: string, attempt: number): string {
  const name = page.fileName?.split(/[/\\]/).pop()!.replace(/[^\w.-]+/g, '-');
  return name && attempt === 1 && /\.x?html?$/i.test(name) ? name : `${slug}.html`;
}

function defaultType(collection: Collection): string {
  return collection.kind === 'course' ? 'lesson' : 'article';
}

/** A title as an address: lower case, dashed, at most 60 signs; never empty. */
export function slugOf(title: string): string {
  const plain = title.normalize('NFKD').replace(/[\u0300-\u036f]/g, '').toLowerCase();
  return plain.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-+|-+$/g, '').slice(0, 60).replace(/-+$/, '') || 'page';
}

function asParagraphs(text: string): string {
  return escapeText(text).trim().split(/\r?\n\s*\r?\n/).map((part) => `<p>${part.trim().replace(/\r?\n/g, '<br>\n')}</p>`).join('\n');
}
