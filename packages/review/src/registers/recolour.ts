import { randomUUID } from 'node:crypto';
import { lookup, applyEdits, colourChoices, hexOf, parseColour, type ColourChoice, type ColourSource } from '@inkwell/core';
import {
  changeFiles,
  hashOf,
  house,
  housePalette,
  keepFile,
  fileAt,
  pageForEngine,
  pagesNaming,
  pagesUsing,
  snapshot,
  SYSTEM,
  textsOfFiles,
  thingsNamed,
  writing,
  type StrokeFile,
  type Write,
} from '@inkwell/store';
import { enqueue } from '@inkwell/work';
import type { Actor } from '../actor.ts';
import { seenAt, type Seen } from '../examine.ts';
import { auditJob } from '../jobs.ts';
import { done, refused, type Result } from '../problems.ts';
import type { Services } from '../services.ts';
import { addMends } from './mend.ts';
import { reached, type Reach } from './reach.ts';

/** A declaration that a pair takes its text colour from, as a person reads it. */
export interface ShownSource extends ColourSource {
  collection: string;
  selector: string;
  value: string;
}

export interface Recolouring extends ColourChoice {
  sources: ShownSource[];
  /** Pages that dress themselves with these sheets. */
  pages: number;
  names: Readonly<Record<string, string>>;
}

/** Pages looked at for where a colour comes from: what dresses many alike stands in one place. */
const MOST_READ = 8;
/** Longest style sheet that is changed, in bytes. */
const LONGEST = 2_000_000;

interface Found {
  /** A page with the pair for each collection and sheet. */
  pages: Seen[];
  using: { collection: number; pages: number[] }[];
  thing: string;
}

async function findPair(at: Write, collections: readonly number[], things: readonly string[]): Promise<Found | null> {
  const [first] = await thingsNamed(at, collections, things);
  if (!first) return null;
  const uses = (await pagesUsing(at, collections, things)).filter(({ facts }) => facts.from === 'linked');
  const bySheet = new Map<string, number[]>();
  for (const { collection_id: id, page_id: page, facts } of uses) {
    const key = `${id} ${String(facts.sheet)}`;
    bySheet.set(key, [...(bySheet.get(key) ?? []), page]);
  }
  const wanted = [...new Set([...bySheet.values()].flatMap((pages) => [pages[0]!, pages.at(-1)!, pages[pages.length >> 1]!]))];
  const pages: Seen[] = [];
  for (const id of wanted.slice(0, MOST_READ)) {
    const page = await pageForEngine(at, { id });
    if (page) pages.push(await seenAt(at, page));
  }
  const using = collections.map((collection) => ({
    collection,
    pages: [...new Set(uses.flatMap((use) => (use.collection_id === collection ? [use.page_id] : [])))],
  }));
  return { pages, using: using.filter((one) => one.pages.length > 0), thing: `${first.name}\n${first.place}` };
}

async function sourcesOf(services: Services, { pages, thing }: Found): Promise<Map<number, ColourSource[]>> {
  const found = new Map<number, Map<string, ColourSource>>();
  for (const { page, text } of pages) {
    const own = found.get(page.collection_id) ?? new Map<string, ColourSource>();
    found.set(page.collection_id, own);
    for (const source of await services.engine.run('colour sources', { page: text, thing }))
      own.set(`${source.sheet} ${source.start}`, source);
  }
  return new Map([...found].map(([id, sources]) => [id, [...sources.values()]]));
}

/** A pair of colours: where its text colour comes from, and what may take its place. */
export async function recolouring(
  services: Services,
  actor: Actor,
  wish: Reach & { things: readonly string[] },
): Promise<Result<Recolouring>> {
  const read = await snapshot(services.db, async (at) => {
    const reach = await reached(at, actor, 'see', wish);
    if (!reach.ok) return reach;
    const ids = reach.value.map(({ id }) => id);
    const found = await findPair(at, ids, wish.things);
    if (!found) return NO_PAIR;
    const slugs = new Map(reach.value.map(({ id, slug }) => [id, slug]));
    return done({ found, slugs, palette: await housePalette(at, (await house(at)).profileId) });
  });
  if (!read.ok) return read;
  const { found, slugs, palette } = read.value;
  const [name = '', place = ''] = found.thing.split('\n');
  const [color = '', background = ''] = name.split(' on ');
  const choice = colourChoices(
    color,
    background,
    place === 'large' ? 3 : 4.5,
    palette.map(({ value }) => value),
  );
  if (!choice) return NO_PAIR;
  const shown: ShownSource[] = [];
  for (const [collection, sources] of await sourcesOf(services, found)) {
    const texts = await textsOfFiles(services.db, collection, [...new Set(sources.map(({ sheet }) => sheet))], LONGEST);
    for (const source of sources) {
      const text = lookup(texts, source.sheet);
      if (text !== undefined) shown.push({ ...source, collection: slugs.get(collection)!, ...saidAt(text, source) });
    }
  }
  const pages = found.using.reduce((sum, one) => sum + one.pages.length, 0);
  return done({ ...choice, sources: shown, pages, names: Object.fromEntries(palette.map(({ value, name: of }) => [value, of])) });
}

const NO_PAIR = refused({
  code: 'not-found',
  what: 'This pair of colours is nowhere any more',
  kept: 'Nothing was changed.',
  next: 'Look at the register again.',
});

function saidAt(text: string, { start, end }: ColourSource): { selector: string; value: string } {
  const opens = text.lastIndexOf('{', start);
  const selector = text.slice(Math.max(text.lastIndexOf('}', opens), text.lastIndexOf('*/', opens) + 1, -1) + 1, opens).trim();
  return { selector: selector.slice(0, 200), value: text.slice(start, end) };
}

/** Writes another colour where a pair takes its text colour from: in the style sheets, which mends all pages they dress at once. */
export async function recolour(
  services: Services,
  actor: Actor,
  wish: Reach & { things: readonly string[]; color: string },
): Promise<Result<{ together: string; pages: number }>> {
  const color = parseColour(wish.color);
  if (color?.a !== 1)
    return refused({
      code: 'declined',
      what: `“${wish.color}” is no colour`,
      kept: 'Nothing was changed.',
      next: 'Write it as #rrggbb.',
    });
  const read = await snapshot(services.db, async (at) => {
    const reach = await reached(at, actor, 'change a page', wish);
    if (!reach.ok) return reach;
    const found = await findPair(
      at,
      reach.value.map(({ id }) => id),
      wish.things,
    );
    return found ? done(found) : NO_PAIR;
  });
  if (!read.ok) return read;
  const sources = await sourcesOf(services, read.value);
  if ([...sources.values()].every((some) => some.length === 0)) return NO_SHEET;
  return writing(services.db, async (trx) => {
    const together = randomUUID();
    let pages = 0;
    for (const [collection, some] of sources) {
      const files = await sheetsWith(trx, collection, some, hexOf(color));
      if (files.length === 0) continue;
      const words = `Text colour ${wish.color} set in ${files.map(({ path }) => path).join(', ')}`;
      const stroke = await addMends(trx, actor, together, 'colours', { collection, pages: [] }, { parts: [], renames: [], files: words });
      await changeFiles(trx, stroke, collection, files);
      const dressed = await pagesNaming(trx, collection, 0, { sheets: files.map(({ path }) => path) });
      const all = new Set([...dressed, ...read.value.using.flatMap((one) => (one.collection === collection ? one.pages : []))]);
      await enqueue(trx, SYSTEM, [...all].map(auditJob));
      pages += all.size;
    }
    return pages === 0 ? NO_SHEET : done({ together, pages });
  });
}

const NO_SHEET = refused({
  code: 'declined',
  what: 'This colour does not come from a style sheet of the collection',
  why: 'It is set on the text itself, by the page’s own styles, or by the browser; or the sheet changed meanwhile.',
  kept: 'Nothing was changed.',
  next: 'Fix it on its pages, with the fix offered below.',
});

/** Style sheets with a colour in place of what stands at some places. */
async function sheetsWith(trx: Write, collection: number, sources: readonly ColourSource[], color: string): Promise<StrokeFile[]> {
  const paths = [...new Set(sources.map(({ sheet }) => sheet))];
  const texts = await textsOfFiles(trx, collection, paths, LONGEST);
  const files: StrokeFile[] = [];
  for (const path of paths) {
    const text = lookup(texts, path);
    const before = await fileAt(trx, collection, path);
    // Letters that are not UTF-8 would not come out as they went in.
    if (text === undefined || text.includes('\ufffd') || !before) continue;
    const edits = sources.filter(({ sheet }) => sheet === path).map(({ start, end }) => ({ start, end, text: color }));
    const inPlace = edits.filter(
      ({ start, end }) => parseColour(text.slice(start, end).trim()) !== null || /^var\(/.test(text.slice(start, end)),
    );
    if (inPlace.length === 0) continue;
    const bytes = new TextEncoder().encode(
      applyEdits(
        text,
        inPlace.sort((a, b) => a.start - b.start),
      ),
    );
    await keepFile(trx, before.mediaType, bytes);
    files.push({ path, before: before.sha256, after: hashOf(bytes) });
  }
  return files;
}
