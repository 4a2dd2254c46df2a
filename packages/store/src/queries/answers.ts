import { sql, type RawBuilder, type Selectable } from 'kysely';
import type { RegisterName, UseFacts, Values, Weight } from '@inkwell/core';
import type { Database, Write } from '../database.ts';
import { rowsFrom } from '../rows.ts';
import { registerNumber } from './uses.ts';
import type { Answer, Answers, AnswerState } from '../schema.ts';

/** Hashes of files of a collection by their paths, in one statement. */
export async function hashesAt(db: Database | Write, collectionId: number, paths: readonly string[]): Promise<Map<string, string>> {
  if (paths.length === 0) return new Map();
  const rows = await db
    .selectFrom('assets')
    .select(['path', 'sha256'])
    .where('collection_id', '=', collectionId)
    .where('path', 'in', paths)
    .execute();
  return new Map(rows.map(({ path, sha256 }) => [path, sha256]));
}

/** Whose questions, and of which kind. */
export interface QuestionsWish {
  /** Ids of the collections looked into; null for all. */
  collections: readonly number[] | null;
  /** Those that nobody answered yet, or those that somebody was not sure about. */
  waiting: 'anybody' | 'specialist';
  /** Whoever looks: what they answered and waits for a second answer is not asked of them again. */
  me: string;
  rule: string | null;
  /** A finding whose question is put first. */
  first?: number | null;
}

/** One question, wherever it is asked. */
export interface AskedQuestion {
  same: string;
  rule: string;
  weight: Weight;
  /** How many findings ask it on how many pages; on how many of these nothing else holds publication. */
  many: number;
  pages: number;
  holding: number;
  /** The finding it is shown on: the first that asks it. */
  finding: number;
}

/** How often a kind of question was answered, and how often so that something is to be done; how many times running it was not. */
export interface KindAsked {
  rule: string;
  questions: number;
  findings: number;
  answered: number;
  stands: number;
  running: number;
}

/** What is asked: open findings that only a person can judge, in collections that are being worked on. */
function asked({ collections, waiting, me }: QuestionsWish): RawBuilder<unknown> {
  // Counted page by page first: sorting a hundred thousand sums to tell their pages apart takes several times as long.
  return sql`select on_page.same, min(finding) as finding, min(kind_id) as kind_id, min(weight) as weight, sum(many)::integer as many,
      count(*)::integer as pages, count(*) filter (where waits)::integer as holding
    from (select f.same, f.page_id, min(f.id) as finding, min(f.kind_id) as kind_id, min(w.weight) as weight, count(*) as many,
          min(s.collection_id) as collection_id, bool_or(s.verdict = 'judge') as waits
        from findings f join page_status s on s.page_id = f.page_id join kind_weights w on w.bar_id = s.bar_id and w.kind_id = f.kind_id
          join collections c on c.id = s.collection_id and c.taken_out_at is null and c.put_away_at is null
        where f.same is not null and f.standing in ('open', 'returned') and w.outcome = 'cantTell'
          and ${waiting === 'specialist' ? sql`f.ruled = 'not sure'` : sql`f.ruled is null`}
          and (${collections}::integer[] is null or s.collection_id = any(${collections}::integer[]))
        group by f.same, f.page_id) on_page
    where not exists (select 1 from answers a where a.state = 'waits' and a.made_by = ${me} and a.same = on_page.same)
    group by on_page.same`;
}

/** Answers of each kind so far: those that hold, or held until something else took their place. */
const ANSWERED = sql`select rule, count(*)::integer as answered, (count(*) filter (where answer = 'stands'))::integer as stands,
    (count(*) filter (where id > last_stands))::integer as running
  from (select rule, answer, id, coalesce(max(id) filter (where answer = 'stands') over (partition by rule), 0) as last_stands from answers
    where state in ('in force', 'agreed', 'gave way') and answer <> 'not sure') said group by rule`;

/**
 * Questions in the order in which they are worth asking, and how many of each kind there are. A kind is worth what its questions are
 * together, a question how many pages wait for nothing else, and how many ask it, by how often the answer is that something is to be done.
 *
 * @param skip sums of questions that are passed over
 */
export async function askedQuestions(
  db: Write,
  wish: QuestionsWish,
  { skip, limit }: { skip: readonly string[]; limit: number },
): Promise<{ questions: AskedQuestion[]; kinds: KindAsked[] }> {
  // A hundred thousand of them are counted in memory rather than on disk.
  await sql`set local work_mem = '64MB'`.execute(db);
  const { rows } = await sql<{
    questions: AskedQuestion[] | null;
    kinds: KindAsked[] | null;
  }>`with asked as materialized (select a.*, k.rule from (${asked(wish)}) a join kinds k on k.id = a.kind_id),
    answered as (${ANSWERED}),
    valued as (select asked.*, (1 + 3 * holding + pages) * (coalesce(stands, 0) + 1.0) / (coalesce(answered, 0) + 2.0) as worth
      from asked left join answered using (rule)),
    kinds as (select rule, count(*)::integer as questions, sum(many)::integer as findings, sum(worth) as worth from valued group by rule),
    first as (select v.same, v.rule, v.weight, v.many, v.pages, v.holding, v.finding
      from valued v join kinds using (rule)
      where not v.same = any(${skip}::text[]) and (${wish.rule}::text is null or v.rule = ${wish.rule})
      order by (v.same = (select same from findings where id = ${wish.first ?? null}::integer)) desc nulls last, kinds.worth desc, v.rule,
        v.worth desc, v.same limit ${limit})
    select (select json_agg(first) from first) as questions,
      (select json_agg(json_build_object('rule', rule, 'questions', questions, 'findings', findings, 'answered', coalesce(answered, 0),
        'stands', coalesce(stands, 0), 'running', coalesce(running, 0)) order by kinds.worth desc, rule)
        from kinds left join answered using (rule)) as kinds`.execute(db);
  return { questions: rows[0]?.questions ?? [], kinds: rows[0]?.kinds ?? [] };
}

/** A question as it is shown: on which page, where on it, and what is said of it. */
export interface QuestionPlace {
  finding: number;
  same: string;
  page: number;
  slug: string;
  title: string;
  address: string;
  revision: number;
  collection: string;
  collectionId: number;
  collectionTitle: string;
  path: string;
  through: string | null;
  start: number;
  message: string;
  values: Values;
  rule: string;
}

/** Where findings stand now, by their numbers. */
export async function questionPlaces(db: Database | Write, findings: readonly number[]): Promise<QuestionPlace[]> {
  const { rows } = await sql<QuestionPlace>`select f.id as finding, f.same as same, p.id as page, p.slug, p.title, p.address,
      p.head as revision, c.slug as collection, c.id as "collectionId", c.title as "collectionTitle", o.path, o.through, o.start_at as start,
      o.message, o.message_values as values, k.rule
    from findings f join kinds k on k.id = f.kind_id join pages p on p.id = f.page_id join collections c on c.id = p.collection_id
      join lateral (select * from occurrences where finding_id = f.id and to_audit is null order by place limit 1) o on true
    where f.id = any(${findings}::integer[])`.execute(db);
  return rows;
}

/** A page that asks a question. */
export interface AskingPage {
  collection: string;
  collectionId: number;
  collectionTitle: string;
  slug: string;
  title: string;
  /** How many pages of its collection ask it. */
  pages: number;
}

/** The first pages of each collection that ask questions, by the question's sum. */
export async function pagesAsking(
  db: Database | Write,
  same: readonly string[],
  collections: readonly number[] | null,
  each: number,
): Promise<Map<string, AskingPage[]>> {
  const { rows } = await sql<AskingPage & { same: string }>`with asking as (select distinct f.same, f.page_id, s.collection_id
      from findings f join page_status s on s.page_id = f.page_id
      where f.same = any(${same}::text[]) and f.standing in ('open', 'returned') and (f.ruled is null or f.ruled = 'not sure')
        and (${collections}::integer[] is null or s.collection_id = any(${collections}::integer[]))),
    told as (select a.same, a.collection_id, p.slug, p.title, (count(*) over (partition by a.same, a.collection_id))::integer as pages,
        row_number() over (partition by a.same, a.collection_id order by p.position, p.id) as nth
      from asking a join pages p on p.id = a.page_id)
    select t.same, c.slug as collection, c.id as "collectionId", c.title as "collectionTitle", t.slug, t.title, t.pages
    from told t join collections c on c.id = t.collection_id where t.nth <= ${each}::integer order by t.pages desc, c.title, t.nth`.execute(
    db,
  );
  const pages = new Map<string, AskingPage[]>();
  for (const { same: one, ...page } of rows) pages.set(one, [...(pages.get(one) ?? []), page]);
  return pages;
}

export type StoredAnswer = Selectable<Answers>;

export function answerById(db: Database | Write, id: number): Promise<StoredAnswer | undefined> {
  return db.selectFrom('answers').selectAll().where('id', '=', id).executeTakeFirst();
}

/** Answers to a question that hold or wait, the newest first. They are locked until the transaction ends. */
export function answersTo(trx: Write, same: string): Promise<StoredAnswer[]> {
  return trx
    .selectFrom('answers')
    .selectAll()
    .where('same', '=', same)
    .where('state', 'in', ['in force', 'waits'])
    .orderBy('id', 'desc')
    .forUpdate()
    .execute();
}

export interface NewAnswer {
  same: string;
  rule: string;
  answer: Answer;
  reason: string;
  collection_id: number | null;
  page_id: number | null;
  state: AnswerState;
  finding_id: number;
  made_by: string;
}

/** Whoever answers a question at the same moment waits for this one to be through. */
export async function lockQuestion(trx: Write, same: string): Promise<void> {
  await sql`select pg_advisory_xact_lock(hashtextextended(${same}, 23))`.execute(trx);
}

export async function addAnswer(trx: Write, answer: NewAnswer): Promise<number> {
  return (await trx.insertInto('answers').values(answer).returning('id').executeTakeFirstOrThrow()).id;
}

/** Ends answers, in favour of a later one where there is one. */
export async function endAnswers(
  trx: Write,
  ids: readonly number[],
  end: { state: AnswerState; by: string; inFavourOf?: number },
): Promise<void> {
  if (ids.length === 0) return;
  await trx
    .updateTable('answers')
    .set({ state: end.state, ended_by: end.by, ended_at: new Date(), gave_way_to: end.inFavourOf ?? null })
    .where('id', 'in', ids)
    .execute();
}

/** Puts answers in force again that gave way to one. Gives their numbers. */
export async function bringBackBefore(trx: Write, answer: number): Promise<number[]> {
  const rows = await trx
    .updateTable('answers')
    .set({ state: 'in force', ended_by: null, ended_at: null, gave_way_to: null })
    .where('gave_way_to', '=', answer)
    .where('state', '=', 'gave way')
    .returning('id')
    .execute();
  return rows.map(({ id }) => id);
}

/** Whether answer `a` reaches page `p`. */
const REACHES = sql`(a.collection_id is null or a.collection_id = p.collection_id) and (a.page_id is null or a.page_id = p.id)`;
/** Whether finding `f` waits for an answer: nobody gave one, or whoever did was not sure. */
const WAITS = sql`f.standing in ('open', 'returned') and (f.ruled is null or f.ruled = 'not sure')`;

/** Pages with findings that an answer reaches and was not applied to, locked; so many at once. */
export async function lockPagesReached(trx: Write, answer: number, limit: number): Promise<number[]> {
  const { rows } = await sql<{ id: number }>`select p.id from pages p where p.id in (
      select f.page_id from answers a join findings f on f.same = a.same join pages p on p.id = f.page_id
      where a.id = ${answer} and ${REACHES} and ${WAITS} and f.ruled is distinct from a.answer order by f.page_id limit ${limit})
    order by p.id for update`.execute(trx);
  return rows.map(({ id }) => id);
}

/** Pages with findings on which an answer was applied, locked; so many at once. */
export async function lockPagesRuled(trx: Write, answer: number, limit: number): Promise<number[]> {
  const { rows } = await sql<{ id: number }>`select id from pages where id in (
      select f.page_id from rulings r join findings f on f.id = r.finding_id
      where r.answer_id = ${answer} and r.taken_back_at is null order by f.page_id limit ${limit})
    order by id for update`.execute(trx);
  return rows.map(({ id }) => id);
}

/** Raises the version of locked pages, and ends their sign-offs: something was decided on them. */
export async function decidedOn(trx: Write, pages: readonly number[], by: string): Promise<void> {
  await sql`with touched as (update pages set version = version + 1 where id = any(${pages}::integer[]) returning id, head)
    update sign_offs o set lapsed_at = now(), lapsed_by = ${by}, lapsed_because = 'decision', lapsed_revision = touched.head
    from touched where o.page_id = touched.id and o.lapsed_at is null`.execute(trx);
}

/**
 * Has the answers in force hold for findings that ask their question: the closest one that reaches a finding, the newest of those. Of all
 * of some pages that one answer reaches, or of some findings. Gives the findings, in three
 * statements whatever their number.
 */
export async function applyAnswers(trx: Write, to: readonly number[] | { answer: number; pages: readonly number[] }): Promise<number[]> {
  const which =
    'answer' in to
      ? sql`a.id = ${to.answer} and f.page_id = any(${to.pages}::integer[]) and f.ruled is distinct from a.answer`
      : sql`f.id = any(${to}::integer[])`;
  const { rows: hits } = await sql<Hit>`select distinct on (f.id) f.id, a.id as answer_id, a.answer, a.made_by
    from findings f join pages p on p.id = f.page_id join answers a on a.same = f.same and a.state = 'in force' and ${REACHES}
    where ${which} and ${WAITS} order by f.id, a.page_id nulls last, a.collection_id nulls last, a.id desc`.execute(trx);
  if (hits.length === 0) return [];
  const hit = rowsFrom(hits, 'id integer, answer_id integer, answer text, made_by text');
  await sql`with hit as (select * from ${hit}),
    before as (update rulings r set taken_back_by = hit.made_by, taken_back_at = now() from hit
      where r.finding_id = hit.id and r.taken_back_at is null)
    update questions q set answered_by = hit.made_by, answered_at = now() from hit
      where q.finding_id = hit.id and q.answered_at is null`.execute(trx);
  const { rows } = await sql<{ id: number }>`with hit as (select * from ${hit}),
    ruled as (insert into rulings (finding_id, answer, places, made_by, answer_id)
      select id, answer, null, made_by, answer_id from hit),
    asks as (insert into questions (finding_id, waits_for, asked_by, answered_by)
      select id, 'specialist', made_by, null from hit where answer = 'not sure'),
    changed as (update findings f set ruled = hit.answer, standing = case hit.answer when 'no problem' then 'ruled out' else f.standing end
      from hit where f.id = hit.id returning f.id, f.page_id, f.standing, hit.answer, hit.made_by)
    insert into standing_changes (finding_id, page_id, revision, version, standing, because, made_by)
    select c.id, p.id, p.head, p.version, c.standing, 'ruled: ' || c.answer, c.made_by
    from changed c join pages p on p.id = c.page_id order by c.id returning finding_id as id`.execute(trx);
  return rows.map(({ id }) => id);
}

interface Hit {
  id: number;
  answer_id: number;
  answer: Answer;
  made_by: string;
}

/** Takes an answer back where it was applied on locked pages: the questions are open again. Gives the findings. */
export async function unapplyAnswer(trx: Write, answer: number, pages: readonly number[], by: string): Promise<number[]> {
  const { rows } = await sql<{ id: number }>`with back as (update rulings r set taken_back_by = ${by}, taken_back_at = now()
      from findings f where f.id = r.finding_id and f.page_id = any(${pages}::integer[]) and r.answer_id = ${answer}
        and r.taken_back_at is null returning r.finding_id),
    told as (update questions q set answered_by = ${by}, answered_at = now() from back
      where q.finding_id = back.finding_id and q.answered_at is null),
    changed as (update findings f set ruled = null, standing = case f.standing when 'ruled out' then 'open' else f.standing end
      from back where f.id = back.finding_id returning f.id, f.page_id, f.standing)
    insert into standing_changes (finding_id, page_id, revision, version, standing, because, made_by)
    select changed.id, p.id, p.head, p.version, changed.standing, 'ruling taken back', ${by}
    from changed join pages p on p.id = changed.page_id order by changed.id returning finding_id as id`.execute(trx);
  return rows.map(({ id }) => id);
}

/** An answer as it is told: by whom, when, why, and where it was applied. */
export interface AnswerLine {
  id: number;
  same: string;
  rule: string;
  answer: Answer;
  reason: string;
  state: AnswerState;
  by: string;
  byId: string;
  at: Date;
  /** The collection it reaches; null for all. */
  reach: string | null;
  onePage: boolean;
  findings: number;
  pages: number;
  message: string | null;
  values: Values | null;
  collection: string | null;
  slug: string | null;
  finding: number | null;
}

/** Answers that were given, the newest first, behind one; of some questions, of a kind or in some state, where that is asked for. */
export async function answerLines(
  db: Database | Write,
  wish: {
    collections: readonly number[] | null;
    before: number | null;
    rule?: string | null;
    sums?: readonly string[];
    states?: readonly AnswerState[];
  },
  limit: number,
): Promise<AnswerLine[]> {
  const { rows } = await sql<AnswerLine>`with told as (select a.* from answers a
      where (${wish.before}::integer is null or a.id < ${wish.before}) and (${wish.sums ?? null}::text[] is null or a.same = any(${wish.sums ?? null}::text[]))
        and (${wish.states ?? null}::text[] is null or a.state = any(${wish.states ?? null}::text[]))
        and (${wish.rule ?? null}::text is null or a.rule = ${wish.rule ?? null})
        and (${wish.collections}::integer[] is null or a.collection_id is null or a.collection_id = any(${wish.collections}::integer[]))
      order by a.id desc limit ${limit})
    select a.id, a.same, a.rule, a.answer, a.reason, a.state, m.name as by, m.id as "byId", a.made_at as at, c.title as reach,
      a.page_id is not null as "onePage", coalesce(n.findings, 0) as findings, coalesce(n.pages, 0) as pages, o.message,
      o.message_values as values, pc.slug as collection, p.slug, a.finding_id as finding
    from told a join people m on m.id = a.made_by left join collections c on c.id = a.collection_id
      left join findings f on f.id = a.finding_id left join pages p on p.id = f.page_id
        and (${wish.collections}::integer[] is null or p.collection_id = any(${wish.collections}::integer[]))
      left join collections pc on pc.id = p.collection_id
      left join lateral (select message, message_values from occurrences where finding_id = a.finding_id
        order by to_audit is null desc, from_audit desc, place limit 1) o on true
      left join lateral (select count(*)::integer as findings, count(distinct g.page_id)::integer as pages
        from rulings r join findings g on g.id = r.finding_id where r.answer_id = a.id and r.taken_back_at is null) n on true
    order by a.id desc`.execute(db);
  return rows;
}

/** How often two people answered the same question alike, and how often they did not. */
export async function agreement(db: Database | Write): Promise<{ agreed: number; apart: number }> {
  const { rows } = await sql<{ agreed: number; apart: number }>`select (count(*) filter (where state = 'agreed'))::integer as agreed,
    (count(*) filter (where state = 'apart') / 2)::integer as apart from answers where state in ('agreed', 'apart')`.execute(db);
  return rows[0]!;
}

/** A use of a thing that a question is about, on a page that asks it. */
export interface AskedUse {
  collection_id: number;
  page_id: number;
  name: string;
  place: string;
  says: string | null;
  facts: UseFacts;
}

/** Uses of things of a register that a question is about, in a collection, on a page, or anywhere. */
export async function usesAsked(
  db: Database | Write,
  same: string,
  register: RegisterName,
  within: { collection: number | null; page: number | null },
): Promise<AskedUse[]> {
  const { rows } = await sql<AskedUse>`select u.collection_id, u.page_id, t.name, t.place, u.says, u.facts
    from findings f join uses u on u.page_id = f.page_id and u.register = ${registerNumber(register)} and f.id = any(u.findings)
      join things t on t.id = u.thing_id
    where f.same = ${same} and f.standing in ('open', 'returned')
      and (${within.collection}::integer is null or u.collection_id = ${within.collection})
      and (${within.page}::integer is null or u.page_id = ${within.page}) order by u.page_id`.execute(db);
  return rows;
}
