import { sql, type Selectable } from 'kysely';
import type { FindingOutcome, Values, Weight } from '@inkwell/core';
import type { Database, Write } from '../database.ts';
import type { Mends, StrokeAct, StrokePages, Strokes } from '../schema.ts';
import { OPEN } from './open.ts';

/** One slip that stands open on several pages of a collection, with the page on which it comes first. */
export interface SlipLine {
  slip: string;
  rule: string;
  weight: Weight;
  outcome: FindingOutcome;
  pages: number;
  many: number;
  finding: number;
  slug: string;
  title: string;
  message: string;
  values: Values;
  /** How many pages and slips there are in all. */
  all_pages: number;
  all_slips: number;
}

/** Pages on which a slip stands before it is told as one. */
const SEVERAL = 3;

/** The slips that stand open on several pages, those on the most pages first. */
export async function slipsOver(db: Write, collectionId: number, today: string, limit: number): Promise<SlipLine[]> {
  // Half a million findings are counted in memory rather than on disk.
  await sql`set local work_mem = '64MB'`.execute(db);
  const { rows } = await sql<SlipLine>`with on_pages as (
      select f.slip, f.page_id, count(*)::integer as many from page_status s join findings f on f.page_id = s.page_id
        join kind_weights w on w.bar_id = s.bar_id and w.kind_id = f.kind_id
      where s.collection_id = ${collectionId} and f.slip is not null and ${OPEN(today)} group by f.slip, f.page_id),
    told as (select slip, count(*)::integer as pages, sum(many)::integer as many from on_pages group by slip having count(*) >= ${SEVERAL}),
    most as materialized (select *, (count(*) over ())::integer as all_slips from told order by pages desc, many desc, slip limit ${limit})
    select m.slip, k.rule, w.weight, w.outcome, m.pages, m.many, f.id as finding, p.slug, p.title, o.message, o.message_values as values,
      m.all_slips, (select count(*)::integer from page_status where collection_id = ${collectionId}) as all_pages
    from most m
      join lateral (select i.first, i.page_id from (select f.page_id, min(f.id) as first from findings f join page_status s
          on s.page_id = f.page_id and s.collection_id = ${collectionId} where f.slip = m.slip and ${OPEN(today)} group by f.page_id) i
        join pages q on q.id = i.page_id order by q.position, q.id limit 1) first on true
      join findings f on f.id = first.first join kinds k on k.id = f.kind_id join pages p on p.id = f.page_id
      join page_status s on s.page_id = p.id join kind_weights w on w.bar_id = s.bar_id and w.kind_id = f.kind_id
      join lateral (select message, message_values from occurrences where finding_id = f.id and to_audit is null order by place limit 1) o on true
    order by m.pages desc, m.many desc, m.slip`.execute(db);
  return rows;
}

export interface PageWithSlip {
  id: number;
  slug: string;
  title: string;
  many: number;
}

/** Pages of a collection on which a slip stands open, in the collection's order. */
export async function pagesWithSlip(
  db: Database | Write,
  collectionId: number,
  slip: string,
  today: string,
  limit: number,
): Promise<PageWithSlip[]> {
  const { rows } = await sql<PageWithSlip>`select p.id, p.slug, p.title, count(*)::integer as many from findings f
    join page_status s on s.page_id = f.page_id and s.collection_id = ${collectionId}
    join kind_weights w on w.bar_id = s.bar_id and w.kind_id = f.kind_id join pages p on p.id = f.page_id
    where f.slip = ${slip} and ${OPEN(today)} group by p.id order by p.position, p.id limit ${limit}`.execute(db);
  return rows;
}

export type Stroke = Selectable<Strokes>;
export type StrokePage = Selectable<StrokePages>;

export interface NewStroke {
  collection_id: number;
  slip: string | null;
  rule: string | null;
  act: StrokeAct;
  remedy: string | null;
  inputs: Readonly<Record<string, string>>;
  finding_id: number | null;
  made_by: string;
  register?: number;
  mends?: Mends;
  together?: string;
}

/** Keeps an act on one slip with the pages it is to reach. Gives its number. */
export async function addStroke(trx: Write, { inputs, mends, ...stroke }: NewStroke, pages: readonly number[]): Promise<number> {
  const { id } = await trx
    .insertInto('strokes')
    .values({ ...stroke, inputs: JSON.stringify(inputs), ...(mends ? { mends: JSON.stringify(mends) } : {}) })
    .returning('id')
    .executeTakeFirstOrThrow();
  await sql`insert into stroke_pages (stroke_id, page_id) select ${id}::integer, unnest(${pages}::integer[])`.execute(trx);
  return id;
}

export async function setStrokeJob(trx: Write, id: number, jobId: string): Promise<void> {
  await trx.updateTable('strokes').set({ job_id: jobId }).where('id', '=', id).execute();
}

export function strokeById(db: Database | Write, id: number): Promise<Stroke | undefined> {
  return db.selectFrom('strokes').selectAll().where('id', '=', id).executeTakeFirst();
}

/** Says that an act is taken back; false where somebody has already. */
export async function takeStrokeBack(trx: Write, id: number, by: string): Promise<boolean> {
  const result = await trx
    .updateTable('strokes')
    .set({ taken_back_by: by, taken_back_at: new Date() })
    .where('id', '=', id)
    .where('taken_back_at', 'is', null)
    .executeTakeFirst();
  return result.numUpdatedRows > 0n;
}

/** Pages of an act that stand at a state; of some pages, where they are named. */
export function strokePages(
  db: Database | Write,
  id: number,
  state: StrokePage['state'],
  among: readonly number[] | null = null,
): Promise<StrokePage[]> {
  return db
    .selectFrom('stroke_pages')
    .selectAll()
    .where('stroke_id', '=', id)
    .where('state', '=', state)
    .$if(among !== null, (all) => all.where('page_id', 'in', [...among!, 0]))
    .orderBy('page_id')
    .execute();
}

export async function markStrokePage(
  trx: Write | Database,
  of: { stroke: number; page: number },
  now: { state: StrokePage['state']; revision?: number; findings?: readonly number[]; why?: string },
): Promise<void> {
  await trx
    .updateTable('stroke_pages')
    .set({
      state: now.state,
      ...(now.revision === undefined ? {} : { revision: now.revision }),
      ...(now.findings === undefined ? {} : { findings: sql<number[]>`${now.findings}::integer[]` }),
      why: now.why ?? '',
    })
    .where('stroke_id', '=', of.stroke)
    .where('page_id', '=', of.page)
    .execute();
}

/** An act as it is told: how many of its pages stand at what, and those that were left with the reason. */
export interface StrokeLine {
  id: number;
  rule: string | null;
  act: StrokeAct;
  remedy: string | null;
  by: string;
  made_at: Date;
  taken_back: boolean;
  mends: Mends | null;
  /** Files it changed. */
  files: number;
  waiting: number;
  done: number;
  returned: number;
  left: { slug: string; title: string; why: string }[];
}

/** The newest acts in a collection, or one of them, with what came of them. */
export async function strokeLines(
  db: Database | Write,
  collectionId: number,
  { limit, only = null }: { limit: number; only?: number | null },
): Promise<StrokeLine[]> {
  const { rows } =
    await sql<StrokeLine>`select s.id, s.rule, s.act, s.remedy, u.name as by, s.made_at, s.taken_back_at is not null as taken_back, s.mends,
      (select count(*)::integer from stroke_files f where f.stroke_id = s.id) as files,
      count(*) filter (where g.state = 'waiting' or (s.taken_back_at is not null and g.state = 'done'))::integer as waiting,
      count(*) filter (where g.state in ('done', 'stays'))::integer as done, count(*) filter (where g.state = 'taken back')::integer as returned,
      coalesce(jsonb_agg(jsonb_build_object('slug', p.slug, 'title', p.title, 'why', g.why) order by p.position) filter (where g.why <> ''), '[]') as left
    from (select * from strokes where collection_id = ${collectionId} and (${only}::integer is null or id = ${only}) order by id desc limit ${limit}) s join people u on u.id = s.made_by
      left join stroke_pages g on g.stroke_id = s.id left join pages p on p.id = g.page_id
    group by s.id, s.rule, s.act, s.remedy, u.name, s.made_at, s.taken_back_at, s.mends order by s.id desc`.execute(db);
  return rows;
}
