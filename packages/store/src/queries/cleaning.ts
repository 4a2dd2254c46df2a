import { sql } from 'kysely';
import type { Database, Write } from '../database.ts';
import { rowsFrom } from '../rows.ts';
import type { DoorChoice } from '../schema.ts';

export interface PastedPage {
  position: number;
  path: string;
  title: string;
  scope: 'document' | 'fragment';
  marks: number;
  choice: DoorChoice | null;
  answers: Record<string, string>;
}

/** Writes down which pages of a package carry pasted markup, by their paths. */
export async function writePasted(trx: Write, id: number, pages: readonly { path: string; marks: number; html: string }[]): Promise<void> {
  if (pages.length === 0) return;
  await sql`insert into package_pasted (package_id, position, marks, html) select p.package_id, p.position, rows.marks, rows.html
    from ${rowsFrom(pages, 'path text, marks integer, html text')}
    join package_pages p on p.package_id = ${id} and p.path = rows.path where p.became = 'new'`.execute(trx);
}

/** How many pages of a package carry pasted markup, and of how many it was said what is to be done. */
export async function pastedSums(db: Database | Write, id: number): Promise<{ pages: number; toClean: number; toLeave: number }> {
  const { rows } = await sql<{ pages: number; toClean: number; toLeave: number }>`select count(*)::integer as pages,
    (count(*) filter (where choice like 'clean%'))::integer as "toClean", (count(*) filter (where choice = 'leave'))::integer as "toLeave"
    from package_pasted where package_id = ${id}`.execute(db);
  return rows[0]!;
}

const LINE = sql`t.position, p.path, p.title, p.scope, t.marks, t.choice, t.answers from package_pasted t
  join package_pages p on p.package_id = t.package_id and p.position = t.position`;

/** Pages of a package with pasted markup, from a place in its order on. */
export async function pastedPages(db: Database | Write, id: number, from: number, limit: number): Promise<PastedPage[]> {
  const { rows } = await sql<PastedPage>`select ${LINE} where t.package_id = ${id} and t.position >= ${from}
    order by t.position limit ${limit}`.execute(db);
  return rows;
}

/** One of them, with its text. */
export async function pastedPage(db: Database | Write, id: number, position: number): Promise<(PastedPage & { html: string }) | undefined> {
  const { rows } = await sql<PastedPage & { html: string }>`select t.html, ${LINE} where t.package_id = ${id}
    and t.position = ${position}`.execute(db);
  return rows[0];
}

/** Says what is to be done with one page, or with all of which nobody said anything. Gives how many. */
export async function choosePasted(
  trx: Write,
  id: number,
  on: number | 'the rest',
  choice: DoorChoice | null,
  answers: Readonly<Record<string, string>>,
): Promise<number> {
  const which = on === 'the rest' ? sql`choice is null` : sql`position = ${on}`;
  const result = await sql`update package_pasted set choice = ${choice}, answers = ${JSON.stringify(answers)}::jsonb
    where package_id = ${id} and ${which}`.execute(trx);
  return Number(result.numAffectedRows ?? 0);
}

/** Of some pages of a package, by their addresses, those that are to be cleaned when they come in. */
export async function toClean(
  db: Database | Write,
  id: number,
  addresses: readonly string[],
): Promise<Map<string, { choice: DoorChoice; answers: Record<string, string> }>> {
  const { rows } = await sql<{ path: string; choice: DoorChoice; answers: Record<string, string> }>`select p.path, t.choice, t.answers
    from package_pasted t join package_pages p on p.package_id = t.package_id and p.position = t.position
    where t.package_id = ${id} and t.choice like 'clean%' and p.path = any(${addresses}::text[])`.execute(db);
  return new Map(rows.map(({ path, ...said }) => [path, said]));
}
