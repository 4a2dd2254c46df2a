import { hashText, type MendPart } from '@inkwell/core';
import { csvRows, readSheet, toCsvTable } from '@inkwell/formats';
import { casesOf, registerLines, snapshot, thingsChosen, type CaseLine, type RegisterLine } from '@inkwell/store';
import type { Actor } from '../actor.ts';
import { slugOf } from '../bringIn.ts';
import { done, refused, type Result } from '../problems.ts';
import type { Services } from '../services.ts';
import { mend } from './mend.ts';
import { reached, type Reach } from './reach.ts';
import { lineView, wishOf, type RegisterChoice, type ThingLine } from './register.ts';
import { keysOf } from './thing.ts';

/** Columns of the sheet in which images are described: the first four are filled in, the last says which use is meant. */
const DESCRIBING = ['collection', 'file', 'alternative', 'decorative', 'caption', 'says now', 'where', 'uses', 'pages', 'case'] as const;
/** Columns of the sheet of any other register. */
const LISTING = ['name', 'place', 'says', 'uses', 'pages', 'open', 'at a glance', 'what is open', 'collections'] as const;

/** Rows of one sheet. */
const MOST_ROWS = 50_000;

export interface Sheet {
  /** What the file is to be called. */
  name: string;
  text: string;
}

/** A register as a table for a spreadsheet: images case by case, so that they can be described there and brought back. */
export function registerSheet(services: Services, actor: Actor, wish: Reach & { choice: RegisterChoice }): Promise<Result<Sheet>> {
  return snapshot(services.db, async (at) => {
    const found = await reached(at, actor, 'see', wish);
    if (!found.ok) return found;
    const slugs = new Map(found.value.map(({ id, slug }) => [id, slug]));
    const [only] = wish.collection === null ? [] : found.value;
    const name = `${only ? slugOf(only.title) : 'all'}-${wish.choice.register}.csv`;
    const asked = wishOf(wish.choice, found.value);
    if (wish.choice.register === 'images') {
      const cases = await casesOf(at, await thingsChosen(at, asked, null, MOST_ROWS + 1), MOST_ROWS + 1);
      if (cases.length > MOST_ROWS) return TOO_MANY;
      const rows = cases.filter(({ facts }) => !EXEMPT.has(String(facts.kind))).map((line) => describingRow(line, slugs));
      return done({ name, text: toCsvTable([], DESCRIBING) + csvRows(rows, DESCRIBING) });
    }
    const { lines, total } = await registerLines(at, { ...asked, skip: 0, limit: MOST_ROWS });
    if (total > MOST_ROWS) return TOO_MANY;
    const rows = lines.map((line: RegisterLine) => listingRow(lineView(wish.choice.register, line, slugs)));
    return done({ name, text: toCsvTable([], LISTING) + csvRows(rows, LISTING) });
  });
}

const TOO_MANY = refused({
  code: 'too-large',
  what: 'This is too much for one sheet',
  why: `It comes to more than ${MOST_ROWS.toLocaleString('en')} rows.`,
  kept: 'Nothing was left out in silence: there is no sheet.',
  next: 'Choose less with Find or Show, and download that; or one collection after another.',
});

const EXEMPT = new Set(['background', 'icon', 'poster']);

function describingRow(line: CaseLine, slugs: ReadonlyMap<number, string>): Record<(typeof DESCRIBING)[number], unknown> {
  const { facts, says } = line;
  const where = [
    facts.link !== undefined && `all of a link to ${String(facts.link)}`,
    facts.caption !== undefined && `caption: ${String(facts.caption)}`,
    facts.language !== undefined && `in ${String(facts.language)}`,
  ];
  return {
    collection: slugs.get(line.collection_id),
    file: line.thing,
    alternative: facts.decorative ? '' : (says ?? ''),
    decorative: facts.decorative ? 'yes' : says === null ? '' : 'no',
    caption: facts.caption ?? '',
    'says now': facts.decorative ? '(decorative)' : (says ?? '(nothing)'),
    where: where.filter(Boolean).join('; '),
    uses: line.uses,
    pages: line.pages,
    case: hashText(keysOf(line).case),
  };
}

function listingRow(line: ThingLine): Record<(typeof LISTING)[number], unknown> {
  return {
    name: line.name,
    place: line.place,
    says: line.levels ? line.levels.join(' to ') : line.same ? line.says : 'differs',
    uses: line.uses,
    pages: line.pages,
    open: line.open + line.asks,
    'at a glance': line.traits.join(', '),
    'what is open': line.rules.join(' '),
    collections: line.collections.join(' '),
  };
}

export interface SheetTaken {
  /** What was begun; null where nothing in the sheet says anything new. */
  together: string | null;
  pages: number;
  /** Rows that say something new, and rows that say what stands there already. */
  taken: number;
  same: number;
  /** Rows that no longer fit, by their number in the sheet, with the reason and what they say: they are kept aside, never guessed. */
  aside: { row: number; file: string; why: string; says: string }[];
}

type Row = Record<'collection' | 'file' | 'alternative' | 'decorative' | 'caption' | 'case', string>;

/** Takes a sheet of images that was filled in elsewhere: each row for the very uses that it was written for. */
export async function takeSheet(services: Services, actor: Actor, wish: Reach & { bytes: Uint8Array }): Promise<Result<SheetTaken>> {
  const sheet = readSheet(wish.bytes, ['collection', 'file', 'alternative', 'decorative', 'caption', 'case']);
  if (!sheet.ok)
    return refused({
      code: 'bad-page',
      what: 'This sheet cannot be taken',
      why: `It ${sheet.why}.`,
      kept: 'Nothing was changed.',
      next: 'Download the sheet of this register, fill in its columns, and save it as CSV.',
    });
  const read = await snapshot(services.db, async (at) => {
    const found = await reached(at, actor, 'change a page', wish);
    if (!found.ok) return found;
    const asked = wishOf({ register: 'images', group: 'thing' }, found.value);
    const things = await thingsChosen(at, asked, null, MOST_ROWS);
    return done({ found: found.value, things, cases: await casesOf(at, things, MOST_ROWS) });
  });
  if (!read.ok) return read;
  const { found, cases } = read.value;
  const slugs = new Map(found.map(({ id, slug }) => [id, slug]));
  const result = fitted(sheet.rows, cases, slugs);
  const { parts, things, ...told } = result;
  if (parts.length === 0) return done({ together: null, pages: 0, ...told });
  const made = await mend(services, actor, { ...wish, register: 'images', chosen: { things }, parts });
  return made.ok ? done({ ...made.value, ...told }) : made;
}

/** Rows as what is to be done to the uses they were written for; the rest kept aside. */
function fitted(rows: readonly Row[], cases: readonly CaseLine[], slugs: ReadonlyMap<number, string>) {
  const byKey = new Map(cases.map((line) => [`${slugs.get(line.collection_id)}\n${line.thing}\n${hashText(keysOf(line).case)}`, line]));
  const byFile = new Map<string, CaseLine[]>();
  for (const line of cases) {
    const key = `${slugs.get(line.collection_id)}\n${line.thing}`;
    byFile.set(key, [...(byFile.get(key) ?? []), line]);
  }
  const parts: MendPart[] = [];
  const things = new Set<string>();
  const aside: SheetTaken['aside'] = [];
  let same = 0;
  rows.forEach((row, nth) => {
    const line = byKey.get(`${row.collection}\n${row.file}\n${row.case}`);
    const wanted = wantedBy(row);
    if (!line) {
      if (wanted.says !== '') aside.push({ row: nth + 2, file: row.file, why: whyAside(row, byFile), says: wanted.says });
      return;
    }
    const isDecorative = line.facts.decorative === true;
    const alternative =
      wanted.alternative === null || (wanted.alternative === '' ? isDecorative : !isDecorative && wanted.alternative === line.says);
    const caption = row.caption.trim() === '' || row.caption.trim() === String(line.facts.caption ?? '');
    if (alternative && caption) return void same++;
    const mending = {
      do: 'describe' as const,
      ...(alternative ? {} : { alternative: wanted.alternative! }),
      ...(caption ? {} : { caption: row.caption.trim() }),
    };
    const { thing, case: its } = keysOf(line);
    parts.push({ thing, alike: [its], mend: mending });
    things.add(line.thing_id);
  });
  return { parts, things: [...things], aside, taken: parts.length, same };
}

/** What a row says of its uses: words, '' that they only decorate, null nothing. */
function wantedBy({ alternative, decorative }: Row): { alternative: string | null; says: string } {
  const words = alternative.trim();
  if (/^(?:yes|y|ja|oui|s[ií]|true|x|1)$/i.test(decorative.trim())) return { alternative: '', says: 'decorative' };
  return { alternative: words === '' ? null : words, says: words };
}

function whyAside({ collection, file }: Row, byFile: ReadonlyMap<string, CaseLine[]>): string {
  const there = byFile.get(`${collection}\n${file}`);
  if (!there) return 'No page shows this file any more.';
  const now = [...new Set(there.map(({ says, facts }) => (facts.decorative ? 'decorative' : says === null ? 'nothing' : `“${says}”`)))];
  return `It was changed since the sheet was written; it says ${now.slice(0, 3).join(', ')} now.`;
}
