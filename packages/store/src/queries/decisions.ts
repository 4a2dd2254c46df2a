import { sql } from 'kysely';
import type { Database, Write } from '../database.ts';
import { rowsFrom } from '../rows.ts';
import type { Answer, Role, Standing } from '../schema.ts';

/** What becomes of one finding. */
export interface NewStanding {
  id: number;
  standing: Standing;
  ruled: Answer | null;
  excepted_until: string | null;
}

/**
 * Writes the standings of findings of a page, and the history of it, also of those just found. The page's version is that which the change
 * makes.
 */
export async function writeStandings(
  trx: Write,
  at: { pageId: number; revision: number; version: number; by: string; because: string },
  standings: readonly NewStanding[],
  found: readonly number[] = [],
): Promise<void> {
  if (standings.length + found.length === 0) return;
  const rows = rowsFrom(standings, 'id integer, standing text, ruled text, excepted_until date');
  // Without a finding to change the planner would still read them all to find none.
  const changed =
    standings.length === 0
      ? sql`select null::integer as id, null::text as standing where false`
      : sql`update findings f set standing = rows.standing, ruled = rows.ruled, excepted_until = rows.excepted_until from ${rows}
        where f.id = rows.id returning f.id, f.standing`;
  await sql`with changed as (${changed})
    insert into standing_changes (finding_id, page_id, revision, version, standing, because, made_by)
    select id, ${at.pageId}::integer, ${at.revision}::integer, ${at.version}::integer, standing, because, ${at.by}::text from
      (select id, standing, ${at.because}::text as because from changed union all select id, 'open', 'found'
        from unnest(${found}::integer[]) id) said order by id`.execute(trx);
}

/** Puts an answer, or none, in place of the rulings in force on findings. */
export async function writeRulings(
  trx: Write,
  findings: readonly number[],
  answer: Answer | null,
  by: string,
  places: readonly number[] | null,
): Promise<void> {
  await sql`with taken as (update rulings set taken_back_by = ${by}, taken_back_at = now()
    where finding_id = any(${findings}::integer[]) and taken_back_at is null)
    update questions set answered_by = ${by}, answered_at = now() where finding_id = any(${findings}::integer[])
      and answered_at is null`.execute(trx);
  if (answer === null) return;
  await sql`insert into rulings (finding_id, answer, places, made_by) select id, ${answer}::text, ${places}::integer[], ${by}::text
    from unnest(${findings}::integer[]) id`.execute(trx);
}

/** Of findings that a ruling or an exception in force settled for the places it names: those places. Others it settled altogether. */
export async function placesNamed(trx: Write, findings: readonly number[]): Promise<Map<number, number[]>> {
  const { rows } = await sql<{ id: number; places: number[] }>`select finding_id as id, places from exceptions
      where finding_id = any(${findings}::integer[]) and ended_at is null and places is not null
    union all select finding_id, places from rulings
      where finding_id = any(${findings}::integer[]) and taken_back_at is null and places is not null`.execute(trx);
  const named = new Map<number, number[]>();
  for (const { id, places } of rows) named.set(id, [...(named.get(id) ?? []), ...places]);
  return named;
}

/** Puts a question to whoever has a part. */
export async function askAbout(trx: Write, finding: number, waitsFor: Role, by: string): Promise<void> {
  await trx.insertInto('questions').values({ finding_id: finding, waits_for: waitsFor, asked_by: by, answered_by: null }).execute();
}

export async function addException(
  trx: Write,
  made: { finding_id: number; reason: string; until: string; places: number[] | null; made_by: string },
): Promise<void> {
  await trx
    .insertInto('exceptions')
    .values({ ...made, ended_by: null })
    .execute();
}

/**
 * Ends the exceptions in force on findings. `only.ranOutBefore`: those alone whose last day lies before a day. `only.places`: of those that
 * name places, these places alone; the others stay let stand, by the same person, reason and day.
 */
export async function endExceptionsOn(
  trx: Write,
  findings: readonly number[],
  by: string,
  only: { ranOutBefore?: string; places?: readonly number[] | undefined } = {},
): Promise<void> {
  const late = only.ranOutBefore === undefined ? sql`` : sql`and until < ${only.ranOutBefore}::date`;
  const met = only.places === undefined ? sql`` : sql`and (places is null or places && ${only.places}::integer[])`;
  await sql`with ended as (update exceptions set ended_by = ${by}, ended_at = now() where finding_id = any(${findings}::integer[])
      and ended_at is null ${late} ${met} returning finding_id, reason, until, places, made_by, made_at),
    left_over as (select *, array(select unnest(places) except select unnest(${only.places ?? []}::integer[]) order by 1) as others
      from ended where ${only.places !== undefined} and places is not null)
    insert into exceptions (finding_id, reason, until, places, made_by, made_at)
    select finding_id, reason, until, others, made_by, made_at from left_over where cardinality(others) > 0`.execute(trx);
}

/** The exceptions in force on a finding, on a day. */
export function exceptionsInForce(trx: Write, finding: number, today: string): Promise<{ places: number[] | null; until: string }[]> {
  return trx
    .selectFrom('exceptions')
    .select(['places', sql<string>`to_char(until, 'YYYY-MM-DD')`.as('until')])
    .where('finding_id', '=', finding)
    .where('ended_at', 'is', null)
    .where(sql<boolean>`until >= ${today}::date`)
    .execute();
}

/** Findings of a page whose exception ran out before a day. */
export async function ranOut(trx: Write, pageId: number, today: string): Promise<{ id: number; ruled: Answer | null }[]> {
  return trx
    .selectFrom('findings')
    .select(['id', 'ruled'])
    .where('page_id', '=', pageId)
    .where('standing', '=', 'excepted')
    .where('excepted_until', '<', today)
    .execute();
}

/** Pages on which an exception ran out before a day. */
export async function pagesToReopen(db: Database | Write, today: string, limit: number): Promise<number[]> {
  const rows = await db
    .selectFrom('page_status')
    .select('page_id')
    .where('valid_until', '<', today)
    .orderBy('valid_until')
    .limit(limit)
    .execute();
  return rows.map((row) => row.page_id);
}

export interface Decided {
  finding_id: number;
  standing: Standing;
  because: string;
  by: string;
  made_at: Date;
}

/** Decisions told at most. */
const MOST_TOLD = 200;

/**
 * What became of findings of a page after a version of it: the newest, in order. `about`: ids of the findings that matter, or null for all;
 * `byPeople`: leaves out what only an audit of a newer text says.
 */
export async function decidedSince(
  db: Database | Write,
  pageId: number,
  version: number,
  about: readonly number[] | null,
  byPeople: boolean,
): Promise<Decided[]> {
  const rows = await db
    .selectFrom('standing_changes')
    .innerJoin('people', 'people.id', 'standing_changes.made_by')
    .select(['finding_id', 'standing', 'because', 'people.name as by', 'made_at'])
    .where('page_id', '=', pageId)
    .where('version', '>', version)
    .$if(about !== null, (query) => query.where(sql<boolean>`finding_id = any(${about!}::integer[])`))
    .$if(byPeople, (query) => query.where('because', '<>', 'audit'))
    .orderBy('standing_changes.id', 'desc')
    .limit(MOST_TOLD)
    .execute();
  return rows.reverse();
}

export interface RulingLine {
  finding_id: number;
  answer: Answer;
  places: number[] | null;
  by: string;
  made_at: Date;
}

/** The rulings in force on a page. */
export function rulingsOn(db: Database | Write, pageId: number): Promise<RulingLine[]> {
  return db
    .selectFrom('rulings')
    .innerJoin('findings', 'findings.id', 'rulings.finding_id')
    .innerJoin('people', 'people.id', 'rulings.made_by')
    .select(['rulings.finding_id', 'rulings.answer', 'rulings.places', 'people.name as by', 'rulings.made_at'])
    .where('findings.page_id', '=', pageId)
    .where('rulings.taken_back_at', 'is', null)
    .execute();
}

export interface ExceptionLine {
  finding_id: number;
  reason: string;
  /** YYYY-MM-DD. */
  until: string;
  places: number[] | null;
  by: string;
  made_at: Date;
}

/** The exceptions on a page that nobody ended, those that ran out among them. */
export function exceptionsOn(db: Database | Write, pageId: number): Promise<ExceptionLine[]> {
  return db
    .selectFrom('exceptions')
    .innerJoin('findings', 'findings.id', 'exceptions.finding_id')
    .innerJoin('people', 'people.id', 'exceptions.made_by')
    .select([
      'exceptions.finding_id',
      'exceptions.reason',
      sql<string>`to_char(until, 'YYYY-MM-DD')`.as('until'),
      'exceptions.places',
      'people.name as by',
      'exceptions.made_at',
    ])
    .where('findings.page_id', '=', pageId)
    .where('exceptions.ended_at', 'is', null)
    .execute();
}

export interface Waiting {
  finding_id: number;
  waits_for: Role;
  by: string;
}

/** Questions of a page that wait for somebody who knows. */
export function questionsOn(db: Database | Write, pageId: number): Promise<Waiting[]> {
  return db
    .selectFrom('questions')
    .innerJoin('findings', 'findings.id', 'questions.finding_id')
    .innerJoin('people', 'people.id', 'questions.asked_by')
    .select(['questions.finding_id', 'questions.waits_for', 'people.name as by'])
    .where('findings.page_id', '=', pageId)
    .where('questions.answered_at', 'is', null)
    .execute();
}
