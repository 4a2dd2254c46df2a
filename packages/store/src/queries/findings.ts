import { sql } from 'kysely';
import {
  greatest,
  least,
  composeMoves,
  LineIndex,
  mapOffset,
  placeUnder,
  ruleOf,
  RULES,
  type Family,
  type Finding,
  type FindingOutcome,
  type Moves,
  type Place,
  type RemedyName,
  type Values,
  type Weight,
} from '@inkwell/core';
import type { Database, Write } from '../database.ts';
import type { Answer, Standing } from '../schema.ts';

/** A finding of a page with where it stands in one audit. Weight and outcome are the engine's; a profile makes the house's of them. */
export interface StoredFinding extends Finding {
  id: number;
  kindId: number;
  standing: Standing;
  ruled: Answer | null;
  exceptedUntil: string | null;
  /** What makes its question the same question elsewhere, as a sum. */
  sameSum: string | null;
  firstRevision: number;
  /** The number of each of its places. */
  placeNumbers: number[];
  /** Rows that say where it stands, and how many audits have looked since the oldest of them was written. */
  occurrenceIds: string[];
  age: number;
}

/** Standings that are open whatever the day; an exception that ran out is open too: see `isOpenOn`. */
export const OPEN_STANDINGS: readonly Standing[] = ['open', 'returned'];

/** Whether a finding is open on a day (YYYY-MM-DD). The one definition; `OPEN` says the same in SQL. */
export function isOpenOn(finding: { standing: Standing; exceptedUntil: string | null }, today: string): boolean {
  return (
    OPEN_STANDINGS.includes(finding.standing) ||
    (finding.standing === 'excepted' && finding.exceptedUntil !== null && finding.exceptedUntil < today)
  );
}

/** Where places of each audit from the oldest one at hand went, and how many audits there were since. */
type Since = ReadonlyMap<number, { moves: Moves; age: number }>;

interface Row {
  id: number;
  kind_id: number;
  standing: Standing;
  ruled: Answer | null;
  excepted_until: string | null;
  first_revision: number;
  rule: string;
  family: Family;
  weight: Weight;
  outcome: FindingOutcome;
  criteria: readonly string[] | null;
  occurrence_id: string;
  place: number;
  from_audit: number;
  path: string;
  through: string | null;
  start_at: number;
  end_at: number;
  message: string;
  message_values: Values;
  subject: string;
  fingerprint: string;
  remedies: readonly RemedyName[] | null;
  slip: string | null;
  same: string | null;
}

const COLUMNS = sql`f.id, f.slip, f.same, f.kind_id, f.standing, f.ruled, to_char(f.excepted_until, 'YYYY-MM-DD') as excepted_until, f.first_revision, k.rule, k.family, k.weight, k.outcome, k.criteria,
  o.id as occurrence_id, o.place, o.from_audit, o.path, o.through, o.start_at, o.end_at, o.message, o.message_values, o.subject, o.fingerprint, o.remedies`;

/** The findings of a page in its newest audit, or in an earlier one, in document order. `text`: what that audit was of. */
export async function findingsIn(db: Database | Write, pageId: number, text: string, audit?: number): Promise<StoredFinding[]> {
  const then =
    audit === undefined ? sql`o.to_audit is null` : sql`o.from_audit <= ${audit} and (o.to_audit is null or o.to_audit > ${audit})`;
  const { rows } =
    await sql<Row>`select ${COLUMNS} from occurrences o join findings f on f.id = o.finding_id join kinds k on k.id = f.kind_id
      where o.page_id = ${pageId} and ${then}`.execute(db);
  return inOrder(rows, await movesSince(db, pageId, rows, audit), new LineIndex(text));
}

/** What was decided of findings of a page that hold it no more: how they stand, by their fingerprints. */
export async function settledOn(db: Database | Write, pageId: number, today: string): Promise<Record<string, Standing>> {
  const { rows } = await sql<{ fingerprint: string; standing: Standing }>`select distinct on (o.fingerprint) o.fingerprint, f.standing
    from findings f join occurrences o on o.finding_id = f.id and o.to_audit is null
    where f.page_id = ${pageId} and (f.standing in ('ruled out', 'elsewhere')
      or (f.standing = 'excepted' and f.excepted_until >= ${today}::date)) order by o.fingerprint, o.id`.execute(db);
  return Object.fromEntries(rows.map(({ fingerprint, standing }) => [fingerprint, standing]));
}

/** One finding of a page's newest audit. */
export async function findingById(db: Database | Write, pageId: number, id: number, text: string): Promise<StoredFinding | undefined> {
  const { rows } =
    await sql<Row>`select ${COLUMNS} from occurrences o join findings f on f.id = o.finding_id join kinds k on k.id = f.kind_id
    where o.finding_id = ${id} and o.page_id = ${pageId} and o.to_audit is null`.execute(db);
  return inOrder(rows, await movesSince(db, pageId, rows), new LineIndex(text))[0];
}

/** Findings of any pages as they stand in the newest audits of those, by id; what is fixed where it stood last. Three statements. */
export async function findingsNow(db: Database | Write, ids: readonly number[]): Promise<Map<number, StoredFinding>> {
  const { rows } = await sql<Row & { page_id: number; gone: boolean }>`select ${COLUMNS}, f.page_id, o.to_audit is not null as gone
    from findings f join kinds k on k.id = f.kind_id
    join lateral (select * from occurrences o where o.finding_id = f.id and o.to_audit is not distinct from
      (select max(x.to_audit) from occurrences x where x.finding_id = f.id
        having not bool_or(x.to_audit is null))) o on true
    where f.id = any(${ids}::integer[])`.execute(db);
  const byPage = new Map<number, typeof rows>();
  for (const row of rows) byPage.set(row.page_id, [...(byPage.get(row.page_id) ?? []), row]);
  const pages = [...byPage].map(([page, own]) => ({ page, oldest: least(own.map((row) => row.from_audit)) }));
  const asked = JSON.stringify(pages);
  const { rows: audits } = await sql<{ id: number; page_id: number; moves: [number, number, number][] }>`select a.id, a.page_id, a.moves
    from jsonb_to_recordset(${asked}::jsonb) as r (page integer, oldest integer) join audits a on a.page_id = r.page and a.id > r.oldest
    order by a.id desc`.execute(db);
  const { rows: texts } = await sql<{ page: number; html: string }>`select p.id as page, t.html from pages p
    join revisions v on v.page_id = p.id and v.number = p.head join texts t on t.sha256 = v.text_sha256
    where p.id = any(${pages.map(({ page }) => page)}::integer[])`.execute(db);
  const lines = new Map(texts.map(({ page, html }) => [page, new LineIndex(html)]));
  const auditsOf = new Map<number, typeof audits>();
  for (const audit of audits) auditsOf.set(audit.page_id, [...(auditsOf.get(audit.page_id) ?? []), audit]);
  const found = pages.flatMap(({ page, oldest }) => {
    const [here, gone] = [byPage.get(page)!.filter((row) => !row.gone), byPage.get(page)!.filter((row) => row.gone)];
    const now = inOrder(here, sinceFrom(auditsOf.get(page) ?? [], oldest), lines.get(page)!);
    return [...now, ...inOrder(gone, new Map(), new LineIndex(''))];
  });
  return new Map(found.map((finding) => [finding.id, finding]));
}

/** Findings of a page that are fixed, of some rules, each with the newest place it had: the newest first. */
export async function fixedFindings(db: Database | Write, pageId: number, rules: readonly string[]): Promise<StoredFinding[]> {
  const { rows } = await sql<Row>`select ${COLUMNS} from findings f join kinds k on k.id = f.kind_id
    join lateral (select * from occurrences o where o.finding_id = f.id order by o.from_audit desc, o.place limit 1) o on true
    where f.page_id = ${pageId} and f.standing = 'fixed' and k.rule = any(${rules}::text[]) order by o.from_audit desc, f.id
      limit ${MOST_FIXED}`.execute(db);
  return rows.map((row) => toFinding([row], (place) => place, new LineIndex(''), 0));
}

/** Fixed findings looked through for one that came back. */
const MOST_FIXED = 500;

async function movesSince(db: Database | Write, pageId: number, rows: readonly Row[], until?: number): Promise<Since> {
  const oldest = rows.reduce((least, row) => Math.min(least, row.from_audit), Infinity);
  if (oldest === Infinity) return new Map();
  const audits = await db
    .selectFrom('audits')
    .select(['id', 'moves'])
    .where('page_id', '=', pageId)
    .where('id', '>', oldest)
    .$if(until !== undefined, (all) => all.where('id', '<=', until!))
    .orderBy('id', 'desc')
    .execute();
  return sinceFrom(audits, oldest);
}

/** Where places went through audits, the newest first, from the oldest on that rows name. */
function sinceFrom(audits: readonly { id: number; moves: readonly (readonly [number, number, number])[] }[], oldest: number): Since {
  const since = new Map<number, { moves: Moves; age: number }>();
  let moves: Moves = { edits: [] };
  for (const [age, audit] of audits.entries()) {
    since.set(audit.id, { moves, age });
    const own: Moves = { edits: audit.moves.map(([start, end, length]) => ({ start, end, text: { length } })) };
    moves = own.edits.length === 0 ? moves : moves.edits.length === 0 ? own : composeMoves(own, moves);
  }
  since.set(oldest, { moves, age: audits.length });
  return since;
}

function inOrder(rows: readonly Row[], since: Since, lines: LineIndex): StoredFinding[] {
  const places = new Map<number, Row[]>();
  for (const row of rows) {
    const same = places.get(row.id);
    if (same) same.push(row);
    else places.set(row.id, [row]);
  }
  const moved = (place: Place, row: Row): Place => {
    const moves = since.get(row.from_audit)?.moves;
    if (!moves || moves.edits.length === 0) return place;
    // Whatever an edit replaced was written down anew, so that nothing here is without a place.
    return { ...place, start: placeUnder(moves, place.start) ?? place.start, end: mapOffset(moves, place.end, -1) ?? place.end };
  };
  const findings = [...places.values()].map((own) =>
    toFinding(own, moved, lines, greatest(own.map((row) => since.get(row.from_audit)?.age ?? 0))),
  );
  return findings.sort((a, b) => a.at.start - b.at.start || b.at.end - a.at.end || ruleOrder(a.rule) - ruleOrder(b.rule) || a.id - b.id);
}

const ORDER = new Map(RULES.map((rule, i) => [rule.id as string, i]));
const ruleOrder = (rule: string) => ORDER.get(rule) ?? ORDER.size;

function toFinding(rows: readonly Row[], moved: (place: Place, row: Row) => Place, lines: LineIndex, age: number): StoredFinding {
  const own = rows
    .map((row) => ({
      row,
      at: moved(
        {
          path: row.path,
          ...(row.through === null ? {} : { through: row.through }),
          start: row.start_at,
          end: row.end_at,
          line: 0,
          column: 0,
        },
        row,
      ),
    }))
    .map(({ row, at }) => ({ row, at: { ...at, ...lines.placeOf(at.start) } }))
    .sort((a, b) => a.at.start - b.at.start || a.row.place - b.row.place);
  const [{ row, at }] = own as [(typeof own)[number]];
  const rule = ruleOf(row.rule);
  return {
    id: row.id,
    kindId: row.kind_id,
    rule: row.rule,
    family: row.family,
    weight: row.weight,
    outcome: row.outcome,
    criteria: row.criteria ?? rule?.criteria ?? [],
    techniques: rule?.techniques ?? [],
    remedies: row.remedies ?? rule?.remedies ?? [],
    message: row.message,
    values: row.message_values,
    at,
    ...(own.length > 1 ? { places: own.map((one) => one.at) } : {}),
    fingerprint: row.fingerprint,
    subject: row.subject,
    ...(row.slip === null ? {} : { slip: row.slip }),
    standing: row.standing,
    ruled: row.ruled,
    exceptedUntil: row.excepted_until,
    sameSum: row.same,
    firstRevision: row.first_revision,
    placeNumbers: own.map((one) => one.row.place),
    occurrenceIds: own.map((one) => one.row.occurrence_id),
    age,
  };
}

/** The newest audit of a revision. */
export async function auditOf(
  db: Database | Write,
  pageId: number,
  revision: number,
): Promise<{ id: number; engine: string; inputs: string } | undefined> {
  return db
    .selectFrom('audits')
    .select(['id', 'engine', 'inputs'])
    .where('page_id', '=', pageId)
    .where('revision', '=', revision)
    .orderBy('id', 'desc')
    .limit(1)
    .executeTakeFirst();
}
