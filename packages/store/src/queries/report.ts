import { sql } from 'kysely';
import type { Family, FindingOutcome, Verdict } from '@inkwell/core';
import type { Database, Write } from '../database.ts';
import { rowsFrom } from '../rows.ts';
import type { JudgedOutcome, Release } from '../schema.ts';
import { OPEN } from './open.ts';

/** What a report is about: a collection, one page of it, or its sample. */
export interface ReportScope {
  collection: number;
  page: number | null;
  sampleOnly: boolean;
}

const IN_SCOPE = ({ collection, page, sampleOnly }: ReportScope) => sql`s.collection_id = ${collection}
  ${page === null ? sql`` : sql`and s.page_id = ${page}`}
  ${sampleOnly ? sql`and exists (select 1 from sample_pages m where m.page_id = s.page_id)` : sql``}`;

/** Findings that are alike in rule, outcome and standing, on the pages of a report. */
export interface ReportedKind {
  rule: string;
  /** Where they differ from the rule's own. */
  criteria: readonly string[] | null;
  family: Family;
  weight: string;
  outcome: FindingOutcome;
  standing: 'open' | 'excepted' | 'elsewhere' | 'ruled out' | 'fixed';
  many: number;
  pages: number;
  /** The pages with the most of them. */
  worst: { slug: string; title: string; many: number }[];
}

export async function reportedKinds(db: Database | Write, scope: ReportScope, today: string): Promise<ReportedKind[]> {
  await sql`set local work_mem = '64MB'`.execute(db);
  const { rows } = await sql<ReportedKind>`with each as (
      select k.rule, k.criteria, k.family, w.weight, case when f.ruled = 'stands' then 'failed' else w.outcome end as outcome,
        case when ${OPEN(today)} then 'open' else f.standing end as standing, f.page_id, count(*)::integer as many
      from page_status s join findings f on f.page_id = s.page_id join kinds k on k.id = f.kind_id
        join kind_weights w on w.bar_id = s.bar_id and w.kind_id = f.kind_id
      where ${IN_SCOPE(scope)} group by 1, 2, 3, 4, 5, 6, 7),
    ranked as (select *, row_number() over (partition by rule, criteria, outcome, weight, standing order by many desc, page_id) as nth
      from each)
    select rule, criteria, family, weight, outcome, standing, sum(many)::integer as many, count(*)::integer as pages,
      coalesce(jsonb_agg(jsonb_build_object('slug', p.slug, 'title', p.title, 'many', many) order by nth)
        filter (where nth <= 3), '[]') as worst
    from ranked join pages p on p.id = ranked.page_id group by rule, criteria, family, weight, outcome, standing
    order by rule, outcome, standing`.execute(db);
  return rows;
}

/** On how many pages something of each criterion stands that is not settled. `citing`: which rule speaks of which criterion. */
export async function criterionPages(
  db: Database | Write,
  scope: ReportScope,
  citing: readonly { rule: string; criterion: string }[],
): Promise<Map<string, number>> {
  const { rows } = await sql<{ criterion: string; pages: number }>`with each as materialized (
      select distinct f.kind_id, f.page_id from page_status s join findings f on f.page_id = s.page_id
        join kind_weights w on w.bar_id = s.bar_id and w.kind_id = f.kind_id
      where ${IN_SCOPE(scope)} and f.standing in ('open', 'returned', 'excepted', 'elsewhere')),
    speaks as (
      select k.id, m.criterion from kinds k join (select * from ${rowsFrom(citing, 'rule text, criterion text')}) m
        on m.rule = k.rule and (k.criteria is null or k.criteria ? m.criterion) where k.id in (select kind_id from each)
      union select k.id, c.criterion from kinds k cross join lateral jsonb_array_elements_text(k.criteria) c (criterion)
        where k.criteria is not null and k.id in (select kind_id from each))
    select criterion, count(distinct page_id)::integer as pages from each join speaks on speaks.id = each.kind_id group by 1`.execute(db);
  return new Map(rows.map(({ criterion, pages }) => [criterion, pages]));
}

export interface ReportedPageLine {
  slug: string;
  address: string;
  title: string;
  contentType: string;
  revision: number;
  verdict: Verdict;
  release: Release;
  must: number;
  should: number;
  consider: number;
  questions: number;
  signed: { by: string; at: string; revision: number } | null;
  looks: string[];
  chosen: 'structured' | 'random' | null;
  because: string | null;
}

export async function reportedPages(db: Database | Write, scope: ReportScope): Promise<ReportedPageLine[]> {
  const { rows } = await sql<ReportedPageLine>`select p.slug, p.address, p.title, p.content_type as "contentType", p.head as revision,
      s.verdict, s.release, s.must, s.should, s.consider, s.questions, case when o.id is not null then jsonb_build_object('by', u.name,
        'at', to_char(o.signed_at at time zone 'UTC', 'YYYY-MM-DD'), 'revision', o.revision) end as signed,
      coalesce(k.items, '{}') as looks, m.chosen, m.because
    from page_status s join pages p on p.id = s.page_id left join sign_offs o on o.page_id = p.id and o.lapsed_at is null
      left join people u on u.id = o.signed_by left join sample_pages m on m.page_id = p.id
      left join (select page_id, revision, array_agg(item order by item) as items from looks group by 1, 2) k
        on k.page_id = p.id and k.revision = p.head
    where ${IN_SCOPE(scope)} order by p.position, p.id`.execute(db);
  return rows;
}

export interface ReportedAudits {
  engines: string[];
  from: string | null;
  to: string | null;
  profiles: { name: string; version: number; selection: object; pages: number }[];
  /** Things of each register that pages use, by its number. */
  registers: Record<string, number>;
  ruled: number;
  exceptions: { page: string; rule: string; reason: string; until: string; by: string }[];
}

/** Exceptions that a report names. */
const MOST_EXCEPTIONS = 500;

/** With which engine and against which standard pages were looked at, what they are made of, and what people decided about them. */
export async function reportedAudits(db: Database | Write, scope: ReportScope, today: string): Promise<ReportedAudits> {
  const day = (column: string) => sql`to_char(${sql.ref(column)} at time zone 'UTC', 'YYYY-MM-DD')`;
  const { rows } = await sql<ReportedAudits>`with here as materialized (
      select s.page_id, s.bar_id, p.audit_id from page_status s join pages p on p.id = s.page_id where ${IN_SCOPE(scope)}),
    seen as (select a.engine, a.made_at from here join audits a on a.id = here.audit_id)
    select (select coalesce(array_agg(distinct engine), '{}') from seen) as engines,
      (select min(${day('made_at')}) from seen) as "from", (select max(${day('made_at')}) from seen) as "to",
      (select coalesce(jsonb_agg(to_jsonb(x) order by x.pages desc), '[]') from (
        select f.name, v.version, v.selection, count(*)::integer as pages
        from here join bars b on b.id = here.bar_id join profile_versions v on v.id = b.profile_version_id
        join profiles f on f.id = v.profile_id group by f.name, v.id) x) as profiles,
      (select coalesce(jsonb_object_agg(register, many), '{}') from (select u.register, count(*)::integer as many from here
        join uses u on u.page_id = here.page_id group by 1) x) as registers,
      (select count(*)::integer from here join findings f on f.page_id = here.page_id where f.ruled is not null) as ruled,
      (select coalesce(jsonb_agg(to_jsonb(x)), '[]') from (select p.title as page, k.rule, e.reason, e.until::text, u.name as by
        from here join findings f on f.page_id = here.page_id and f.standing = 'excepted' and f.excepted_until >= ${today}::date
        join kinds k on k.id = f.kind_id join exceptions e on e.finding_id = f.id and e.ended_at is null join people u on u.id = e.made_by
        join pages p on p.id = f.page_id order by e.until, f.id limit ${MOST_EXCEPTIONS}) x) as exceptions`.execute(db);
  return rows[0]!;
}

export interface JudgementLine {
  criterion: string;
  outcome: JudgedOutcome;
  words: string;
  by: string;
  at: string;
}

export async function judgements(db: Database | Write, collection: number): Promise<JudgementLine[]> {
  const { rows } =
    await sql<JudgementLine>`select criterion, outcome, words, u.name as by, to_char(judged_at at time zone 'UTC', 'YYYY-MM-DD') as at
    from criterion_judgements j join people u on u.id = j.judged_by where collection_id = ${collection}`.execute(db);
  return rows;
}

/** Writes what somebody judged of a criterion; null takes it back. */
export async function writeJudgement(
  trx: Write,
  at: { collection: number; criterion: string; by: string },
  said: { outcome: JudgedOutcome; words: string } | null,
): Promise<void> {
  if (said === null) {
    await trx.deleteFrom('criterion_judgements').where('collection_id', '=', at.collection).where('criterion', '=', at.criterion).execute();
    return;
  }
  const row = { ...said, judged_by: at.by, judged_at: new Date() };
  await trx
    .insertInto('criterion_judgements')
    .values({ collection_id: at.collection, criterion: at.criterion, ...row })
    .onConflict((on) => on.columns(['collection_id', 'criterion']).doUpdateSet(row))
    .execute();
}

export async function keepReport(
  trx: Write,
  report: { collection: number; page: number | null; by: string; said: object },
): Promise<number> {
  const row = await trx
    .insertInto('reports')
    .values({ collection_id: report.collection, page_id: report.page, made_by: report.by, said: JSON.stringify(report.said) })
    .returning('id')
    .executeTakeFirstOrThrow();
  return row.id;
}

export interface KeptReport {
  id: number;
  by: string;
  at: string;
}

export async function keptReports(db: Database | Write, collection: number, page: number | null): Promise<KeptReport[]> {
  const { rows } =
    await sql<KeptReport>`select r.id, u.name as by, to_char(r.made_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as at
    from reports r join people u on u.id = r.made_by where r.collection_id = ${collection}
      and r.page_id is not distinct from ${page}::integer order by r.id desc limit 100`.execute(db);
  return rows;
}

export async function keptReport(db: Database | Write, collection: number, id: number): Promise<object | undefined> {
  const row = await db.selectFrom('reports').select('said').where('id', '=', id).where('collection_id', '=', collection).executeTakeFirst();
  return row?.said;
}

/** A page as it may be chosen for a sample. */
export interface SampleCandidate {
  id: number;
  contentType: string;
  makeUp: string;
  families: number[];
  isEntry: boolean;
}

export async function sampleCandidates(db: Database | Write, collection: number): Promise<SampleCandidate[]> {
  const { rows } = await sql<SampleCandidate>`select p.id, p.content_type as "contentType",
      coalesce(p.make_up - 'firstSection' - 'lastSection', '{}')::text as "makeUp", s.families,
      row_number() over (partition by p.part order by p.position, p.id) = 1 as "isEntry"
    from page_status s join pages p on p.id = s.page_id where s.collection_id = ${collection} order by p.position, p.id`.execute(db);
  return rows;
}

export async function writeSample(
  trx: Write,
  sample: { collection: number; seed: number; many: number; by: string },
  pages: readonly { id: number; chosen: 'structured' | 'random'; because: string }[],
): Promise<void> {
  await trx.deleteFrom('samples').where('collection_id', '=', sample.collection).execute();
  await trx
    .insertInto('samples')
    .values({ collection_id: sample.collection, seed: sample.seed, many: sample.many, made_by: sample.by })
    .execute();
  const rows = rowsFrom(pages, 'id integer, chosen text, because text');
  await sql`insert into sample_pages (page_id, collection_id, chosen, because) select id, ${sample.collection}::integer, chosen, because
    from ${rows}`.execute(trx);
}

export async function dropSample(trx: Write, collection: number): Promise<void> {
  await trx.deleteFrom('samples').where('collection_id', '=', collection).execute();
}

export async function sampleOf(
  db: Database | Write,
  collection: number,
): Promise<{ seed: number; by: string; at: string; of: number } | undefined> {
  const { rows } = await sql<{ seed: number; by: string; at: string; of: number }>`select m.seed, u.name as by, m.many as of,
      to_char(m.made_at at time zone 'UTC', 'YYYY-MM-DD') as at
    from samples m join people u on u.id = m.made_by where m.collection_id = ${collection}`.execute(db);
  return rows[0];
}

export interface StatementRow {
  contact: string;
  words: string;
  shown: boolean;
  at: string;
}

export async function statementOf(db: Database | Write, collection: number): Promise<StatementRow | undefined> {
  const { rows } = await sql<StatementRow>`select contact, words, shown, to_char(made_at at time zone 'UTC', 'YYYY-MM-DD') as at
    from statements where collection_id = ${collection}`.execute(db);
  return rows[0];
}

export async function writeStatement(
  trx: Write,
  collection: number,
  said: { contact: string; words: string; shown: boolean; by: string },
): Promise<void> {
  const row = { contact: said.contact, words: said.words, shown: said.shown, made_by: said.by, made_at: new Date() };
  await trx
    .insertInto('statements')
    .values({ collection_id: collection, ...row })
    .onConflict((on) => on.column('collection_id').doUpdateSet(row))
    .execute();
}

export async function addBarrier(
  trx: Write,
  barrier: { collection: number; page: number | null; place: string; words: string; replyTo: string | null },
): Promise<number> {
  const row = await trx
    .insertInto('barriers')
    .values({
      collection_id: barrier.collection,
      page_id: barrier.page,
      place: barrier.place,
      words: barrier.words,
      reply_to: barrier.replyTo,
    })
    .returning('id')
    .executeTakeFirstOrThrow();
  return row.id;
}

/** How many barriers were told of a collection within the last hour. */
export async function barriersLately(trx: Write, collection: number): Promise<number> {
  const { rows } = await sql<{ many: number }>`select count(*)::integer as many from barriers where collection_id = ${collection}
    and told_at > now() - interval '1 hour'`.execute(trx);
  return rows[0]!.many;
}

export interface BarrierLine {
  id: number;
  place: string;
  page: { slug: string; title: string } | null;
  words: string;
  replyTo: string | null;
  at: string;
  answer: string | null;
  answeredBy: string | null;
  collection: { slug: string; title: string };
}

/** Barriers readers told of, those without an answer first, the newest first. */
export async function barriers(
  db: Database | Write,
  collections: readonly number[] | null,
  onlyOpen: boolean,
  limit: number,
): Promise<BarrierLine[]> {
  const seen = collections === null ? sql`true` : sql`b.collection_id = any(${collections}::integer[])`;
  const { rows } = await sql<BarrierLine>`select b.id, b.place,
      case when p.id is not null then jsonb_build_object('slug', p.slug, 'title', p.title) end as page, b.words, b.reply_to as "replyTo",
      to_char(b.told_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as at, b.answer, u.name as "answeredBy",
      jsonb_build_object('slug', c.slug, 'title', c.title) as collection
    from barriers b join collections c on c.id = b.collection_id and c.taken_out_at is null left join pages p on p.id = b.page_id
      left join people u on u.id = b.answered_by
    where ${seen} ${onlyOpen ? sql`and b.answered_at is null` : sql``}
    order by b.answered_at is not null, b.id desc limit ${limit}`.execute(db);
  return rows;
}

export async function barrierCollection(db: Database | Write, id: number): Promise<number | undefined> {
  const row = await db.selectFrom('barriers').select('collection_id').where('id', '=', id).executeTakeFirst();
  return row?.collection_id;
}

export async function answerBarrier(trx: Write, id: number, answer: string, by: string): Promise<boolean> {
  const { numAffectedRows } = await sql`update barriers set answer = ${answer}, answered_by = ${by}, answered_at = now() where id = ${id}
    and answered_at is null`.execute(trx);
  return numAffectedRows === 1n;
}
