import { randomBytes } from 'node:crypto';
import { csvRows, readSheet, toCsvTable } from '@inkwell/formats';
import {
  collectionIds,
  rollLines,
  snapshot,
  writeDeeds,
  writeRoll,
  writing,
  type Role,
  type RollChanges,
  type RollLine,
} from '@inkwell/store';
import { unlessAllowed, type Actor } from '../actor.ts';
import { slugOf } from '../bringIn.ts';
import { done, refused, type Result } from '../problems.ts';
import { isDay, type Services } from '../services.ts';
import { sendInvitations } from './invitations.ts';
import { addressFrom, departmentFrom, nameFrom } from './words.ts';

const COLUMNS = ['name', 'email', 'department', 'role', 'collection', 'leaves'] as const;
type Row = Record<(typeof COLUMNS)[number], string>;

const ROLES: readonly Role[] = ['reviewer', 'author', 'publisher', 'specialist', 'administrator'];
/** People of one table. */
const MOST_PEOPLE = 20_000;
const MOST_ROWS = 5_000;

/** Everybody who has a part, as a table: a row for each part, which can be filled in elsewhere and brought back. */
export function rollSheet(services: Services, actor: Actor): Promise<Result<string>> {
  return snapshot(services.db, async (at) => {
    const barred = unlessAllowed(actor, 'look after people', 'house', 'This');
    if (barred) return barred;
    const lines = await rollLines(at, null, MOST_PEOPLE + 1);
    if (lines.length > MOST_PEOPLE)
      return refused({ code: 'too-large', what: `There are more than ${MOST_PEOPLE} people`, kept: 'No table was written.' });
    const rows = lines.flatMap(({ name, email, department, leaves, parts }) =>
      (parts.length > 0 ? parts : [{ role: '', slug: '' }]).map(({ role, slug }) => ({
        ...{ name, email: email ?? '', department: department ?? '', role, collection: slug ?? '', leaves: leaves ?? '' },
      })),
    );
    return done(toCsvTable([], COLUMNS) + csvRows(rows, COLUMNS));
  });
}

/** What a table of people would do, or did. */
export interface RollRead {
  invited: string[];
  changed: string[];
  /** Rows that say what stands already. */
  same: number;
  /** Rows that are kept aside, by their number in the table, with the reason. */
  aside: { row: number; who: string; why: string }[];
}

/**
 * Reads a table of people: whoever is new is put in and invited, others get the parts, departments and days of leaving it names. Nothing
 * is ever taken away by a row that is missing. Without `write` it is only told what would happen.
 */
export function takeRoll(
  services: Services,
  actor: Actor,
  wish: { bytes: Uint8Array; site: string; write: boolean },
): Promise<Result<RollRead>> {
  return writing(services.db, async (trx) => {
    const barred = unlessAllowed(actor, 'look after people', 'house', 'This');
    if (barred) return barred;
    const sheet = readSheet(wish.bytes, COLUMNS);
    if (!sheet.ok) return unread(`It ${sheet.why}.`);
    if (sheet.rows.length > MOST_ROWS) return unread(`It has more than ${MOST_ROWS} rows.`);
    const emails = [...new Set(sheet.rows.flatMap(({ email }) => addressFrom(email) ?? []))];
    const known = new Map((await rollLines(trx, emails, emails.length + 1)).map((line) => [line.email!, line]));
    const collections = await collectionIds(trx, [...new Set(sheet.rows.map(({ collection }) => collection.trim()))]);
    const { changes, ...told } = rollChanges(sheet.rows, known, collections);
    if (!wish.write) return done(told);
    const put = new Set(await writeRoll(trx, changes));
    const to = changes.people.filter(({ id }) => put.has(id)).map(({ id, name, email }) => ({ person: id, name, email }));
    await sendInvitations(trx, services, { actor, to, site: wish.site });
    const byEmail = new Map([...changes.people, ...known.values()].map(({ email, id }) => [email!, id]));
    const about = { 'by a table': true };
    await writeDeeds(trx, [
      ...to.map(({ person }) => ({ by: actor.id, deed: 'invited', person, about })),
      ...changes.parts.map(({ email, role, collection }) => ({
        ...{ by: actor.id, deed: 'gave a part', person: byEmail.get(email)!, about: { role, collection, ...about } },
      })),
      ...changes.leaves.map(({ email, leaves }) => ({
        ...{ by: actor.id, deed: 'let leave', person: byEmail.get(email)!, about: { day: leaves, ...about } },
      })),
    ]);
    return done(told);
  });
}

const unread = (why: string) =>
  refused({
    code: 'bad-page',
    what: 'This table cannot be taken',
    why,
    kept: 'Nothing was changed.',
    next: 'Download the table of people, fill in its columns, and save it as CSV.',
  });

/** What the rows of a table come to. */
function rollChanges(
  rows: readonly Row[],
  known: ReadonlyMap<string, RollLine>,
  collections: ReadonlyMap<string, number>,
): RollRead & { changes: RollChanges } {
  const people = new Map<string, RollChanges['people'][number]>();
  const parts = new Map<string, RollChanges['parts'][number]>();
  const departments = new Map<string, string | null>();
  const leaves = new Map<string, string>();
  const changed = new Set<string>();
  const aside: RollRead['aside'] = [];
  let same = 0;
  rows.forEach((row, nth) => {
    const read = readRow(row, collections);
    if ('why' in read) return void aside.push({ row: nth + 2, who: row.name || row.email, why: read.why });
    const { email, name, department } = read;
    const now = known.get(email);
    const news = newsOf(read, now);
    if (news.leaves !== null && looksAfterHouse(read, now))
      return void aside.push({ row: nth + 2, who: name, why: 'Whoever looks after the house is let go on the screen alone.' });
    if (!now && !people.has(email)) people.set(email, { id: newId(name), name, email, department });
    if (news.part) parts.set(`${email} ${news.part.role} ${news.part.collection}`, { email, ...news.part });
    if (news.department !== null) departments.set(email, news.department);
    if (news.leaves !== null) leaves.set(email, news.leaves);
    if (now && (news.part || news.department !== null || news.leaves !== null)) changed.add(now.name);
    else if (now) same++;
  });
  return {
    invited: [...people.values()].map(({ name }) => name),
    changed: [...changed],
    same,
    aside,
    changes: {
      people: [...people.values()],
      parts: [...parts.values()],
      departments: [...departments].map(([email, department]) => ({ email, department })),
      leaves: [...leaves].map(([email, day]) => ({ email, leaves: day })),
    },
  };
}

const newId = (name: string) => `${slugOf(name).slice(0, 60) || 'person'}-${randomBytes(4).toString('hex')}`;

/** What a row says that does not stand already. */
function newsOf({ part, department, leaves }: ReadRow, now: RollLine | undefined): Pick<ReadRow, 'part' | 'department' | 'leaves'> {
  const hasPart = part !== null && now?.parts.some(({ role, collection }) => role === part.role && collection === part.collection);
  return {
    part: hasPart ? null : part,
    department: now && department !== now.department ? department : null,
    leaves: leaves === now?.leaves ? null : leaves,
  };
}

const looksAfterHouse = ({ part }: ReadRow, now: RollLine | undefined): boolean =>
  [...(now?.parts ?? []), ...(part ? [part] : [])].some(({ role, collection }) => role === 'administrator' && collection === null);

interface ReadRow {
  name: string;
  email: string;
  department: string | null;
  part: { role: Role; collection: number | null } | null;
  leaves: string | null;
}

/** A row as it can be used, or why not. */
function readRow(row: Row, collections: ReadonlyMap<string, number>): ReadRow | { why: string } {
  const [name, email] = [nameFrom(row.name), addressFrom(row.email)];
  if (email === null) return { why: `“${row.email}” is no e-mail address.` };
  if (name === null) return { why: 'It has no name that can be kept.' };
  const [roleSaid, slug, day] = [row.role.trim().toLowerCase(), row.collection.trim(), row.leaves.trim()];
  const role = ROLES.find((one) => one === roleSaid);
  if (roleSaid !== '' && !role) return { why: `There is no part “${row.role}”; there are ${ROLES.join(', ')}.` };
  if (slug !== '' && !collections.has(slug)) return { why: `There is no collection “${slug}”.` };
  if (slug !== '' && !role) return { why: 'It names a collection, but no part in it.' };
  if (day !== '' && !isDay(day)) return { why: `“${day}” is no day; write YYYY-MM-DD.` };
  return {
    name,
    email,
    department: departmentFrom(row.department),
    part: role ? { role, collection: slug === '' ? null : collections.get(slug)! } : null,
    leaves: day === '' ? null : day,
  };
}
