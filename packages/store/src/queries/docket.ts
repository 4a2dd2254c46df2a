import { sql, type RawBuilder } from 'kysely';
import type { Family, Values } from '@inkwell/core';
import type { Database, Write } from '../database.ts';
import type { Standing } from '../schema.ts';
import { OPEN } from './open.ts';

/** Work that is handed to somebody. */
export interface NewHand {
  collection: number;
  to: string;
  by: string;
  due: string | null;
  words: string;
}

/**
 * Hands the open findings of pages to somebody, or some of them; whoever had them before has them no more. Gives how many findings on how
 * many pages there were.
 */
export async function handOutOn(
  trx: Write,
  hand: NewHand,
  pages: readonly number[],
  findings: readonly number[] | null,
  today: string,
): Promise<{ findings: number; pages: number }> {
  const { rows } = await sql<{ findings: number; pages: number }>`with open as (select f.id, f.page_id from findings f
        join page_status s on s.page_id = f.page_id join kind_weights w on w.bar_id = s.bar_id and w.kind_id = f.kind_id
      where f.page_id = any(${pages}::integer[]) and ${OPEN(today)}
        and (${findings}::integer[] is null or f.id = any(${findings}::integer[]))),
    made as (insert into hands (collection_id, given_to, made_by, due, words)
      select ${hand.collection}::integer, ${hand.to}, ${hand.by}, ${hand.due}::date, ${hand.words} where exists (select 1 from open)
      returning id),
    put as (insert into handed (finding_id, page_id, hand_id) select open.id, open.page_id, made.id from open cross join made
      on conflict (finding_id) do update set hand_id = excluded.hand_id returning finding_id)
    select (select count(*)::integer from put) as findings, count(distinct page_id)::integer as pages from open`.execute(trx);
  return rows[0]!;
}

/** Hands what is open on the uses of things to somebody, in the collections where they may see to it. */
export async function handOutThings(
  trx: Write,
  hand: Omit<NewHand, 'collection'>,
  { things, collections }: { things: readonly string[]; collections: readonly number[] },
  today: string,
): Promise<{ findings: number; pages: number }> {
  const { rows } = await sql<{ findings: number; pages: number }>`with used as (select distinct u.page_id, u.collection_id, f.id
      from uses u cross join unnest(u.findings) as f (id)
      where u.thing_id = any(${things}::uuid[]) and u.collection_id = any(${collections}::integer[])),
    open as (select f.id, f.page_id, u.collection_id from used u join findings f on f.id = u.id
        join page_status s on s.page_id = f.page_id join kind_weights w on w.bar_id = s.bar_id and w.kind_id = f.kind_id
      where ${OPEN(today)}),
    made as (insert into hands (collection_id, given_to, made_by, due, words)
      select distinct collection_id, ${hand.to}, ${hand.by}, ${hand.due}::date, ${hand.words} from open returning id, collection_id),
    put as (insert into handed (finding_id, page_id, hand_id) select open.id, open.page_id, made.id from open join made using (collection_id)
      on conflict (finding_id) do update set hand_id = excluded.hand_id returning finding_id)
    select (select count(*)::integer from put) as findings, count(distinct page_id)::integer as pages from open`.execute(trx);
  return rows[0]!;
}

/** Takes findings of a collection back from whoever has them. Gives how many. */
export async function takeFromHands(trx: Write, collection: number, findings: readonly number[]): Promise<number> {
  const { numAffectedRows } = await sql`delete from handed d using hands h where h.id = d.hand_id and h.collection_id = ${collection}
    and d.finding_id = any(${findings}::integer[])`.execute(trx);
  return Number(numAffectedRows ?? 0);
}

/** How far handed work is: still to be done, come back after it was done, or done as an audit saw. */
export type DocketState = 'to do' | 'returned' | 'done';

/** Each state, of findings `f`. */
export const STATES: Record<DocketState, RawBuilder<unknown>> = {
  'to do': sql`f.standing in ('open', 'returned')`,
  returned: sql`f.standing = 'returned'`,
  done: sql`f.standing not in ('open', 'returned')`,
};

export interface DocketWish {
  /** Whose; null: everybody's. */
  person: string | null;
  /** Ids of the collections looked into; null for all. */
  collections: readonly number[] | null;
  state: DocketState;
}

/** A page with work for somebody. */
export interface DocketPage {
  page: number;
  slug: string;
  title: string;
  collection: string;
  collectionTitle: string;
  due: string | null;
  many: number;
}

/** What is in somebody's hands, in one state or in any. */
function workFor({ person, collections, state }: Omit<DocketWish, 'state'> & { state?: DocketState }): RawBuilder<unknown> {
  return sql`hands h join handed d on d.hand_id = h.id join findings f on f.id = d.finding_id join pages p on p.id = d.page_id
    join collections c on c.id = h.collection_id and c.taken_out_at is null
    where ${person === null ? sql`true` : sql`h.given_to = ${person}`} and p.gone_at is null and ${state ? STATES[state] : sql`true`}
      and (${collections}::integer[] is null or h.collection_id = any(${collections}::integer[]))`;
}

/** Where a list of pages goes on: the day of the last one, and its id. */
export type DocketPlace = Pick<DocketPage, 'due' | 'page'>;

/** Pages with work for somebody behind a place: the earliest due first, those without a day last. */
export async function docketPages(db: Database | Write, wish: DocketWish, after: DocketPlace | null, limit: number): Promise<DocketPage[]> {
  const from = after
    ? sql`having (coalesce(min(h.due), 'infinity'), p.id) > (coalesce(${after.due}::date, 'infinity'), ${after.page}::integer)`
    : sql``;
  const { rows } = await sql<DocketPage>`select p.id as page, p.slug, p.title, c.slug as collection, c.title as "collectionTitle",
      to_char(min(h.due), 'YYYY-MM-DD') as due, count(*)::integer as many
    from ${workFor(wish)} group by p.id, c.id ${from} order by coalesce(min(h.due), 'infinity'), p.id limit ${limit}`.execute(db);
  return rows;
}

/** How much work somebody has in each state, and how much of it is overdue. */
export async function docketSums(
  db: Database | Write,
  wish: Omit<DocketWish, 'state'>,
  today: string,
): Promise<Record<DocketState | 'overdue', number>> {
  const { rows } = await sql<Record<DocketState | 'overdue', number>>`select
      (count(*) filter (where ${STATES['to do']}))::integer as "to do",
      (count(*) filter (where ${STATES.returned}))::integer as returned, (count(*) filter (where ${STATES.done}))::integer as done,
      (count(*) filter (where ${STATES['to do']} and h.due < ${today}::date))::integer as overdue
    from ${workFor(wish)}`.execute(db);
  return rows[0]!;
}

/** What somebody has still to do, by family. */
export async function docketFamilies(db: Database | Write, wish: DocketWish): Promise<Partial<Record<Family, number>>> {
  const { rows } = await sql<{
    families: Partial<Record<Family, number>>;
  }>`select coalesce(jsonb_object_agg(family, many), '{}') as families
    from (select (select k.family from kinds k where k.id = f.kind_id) as family, count(*)::integer as many
      from ${workFor({ ...wish, state: 'to do' })} group by 1) told`.execute(db);
  return rows[0]!.families;
}

/** A thing to be done on a page. */
export interface DocketItem {
  page: number;
  finding: number;
  standing: Standing;
  rule: string;
  message: string;
  values: Values;
  due: string | null;
  words: string;
  by: string;
  /** Whose it is: their name, and where they are written to. */
  of: string;
  ofEmail: string | null;
}

/** What somebody has to do on pages: so many of each page, as they stand there. */
export async function docketItems(db: Database | Write, wish: DocketWish, pages: readonly number[], each: number): Promise<DocketItem[]> {
  const { rows } = await sql<DocketItem>`select w.page, w.finding, w.standing, k.rule, o.message, o.message_values as values,
      w.due, w.words, b.name as by, m.name as of, m.email as "ofEmail"
    from (select d.page_id as page, f.id as finding, f.standing, f.kind_id, to_char(h.due, 'YYYY-MM-DD') as due, h.words, h.made_by, h.given_to,
        row_number() over (partition by d.page_id order by h.due nulls last, f.id) as nth
      from ${workFor(wish)} and d.page_id = any(${pages}::integer[])) w
      join kinds k on k.id = w.kind_id join people b on b.id = w.made_by join people m on m.id = w.given_to
      join lateral (select message, message_values from occurrences where finding_id = w.finding order by from_audit desc, place limit 1) o
        on true
    where w.nth <= ${each} order by w.page, w.nth`.execute(db);
  return rows;
}

/** In whose hands a finding is. */
export interface Handed {
  finding: number;
  to: string;
  name: string;
  by: string;
  due: string | null;
  words: string;
}

/** Findings of a page that are in somebody's hands. */
export async function handedOn(db: Database | Write, page: number): Promise<Handed[]> {
  const { rows } = await sql<Handed>`select d.finding_id as finding, h.given_to as "to", t.name, b.name as by,
      to_char(h.due, 'YYYY-MM-DD') as due, h.words
    from handed d join hands h on h.id = d.hand_id join people t on t.id = h.given_to join people b on b.id = h.made_by
    where d.page_id = ${page}`.execute(db);
  return rows;
}

/** What somebody is to be told of their work on a day. */
export interface DigestLine {
  person: string;
  name: string;
  email: string;
  /** Findings that are due tomorrow, have been overdue since today, and came back since yesterday. */
  dueTomorrow: number;
  newlyOverdue: number;
  back: number;
}

/** Claims the digest of a day: true once for each day, whoever asks. */
export async function claimDigest(trx: Write, today: string): Promise<boolean> {
  const { numAffectedRows } = await sql`update house set digested_on = ${today}::date
    where digested_on is null or digested_on < ${today}::date`.execute(trx);
  return Number(numAffectedRows ?? 0) > 0;
}

/** Whoever has news of their work on a day, each once: nothing is told twice. */
export async function digestLines(db: Database | Write, today: string): Promise<DigestLine[]> {
  const { rows } = await sql<DigestLine>`select * from (select m.id as person, m.name, m.email,
      (count(*) filter (where h.due = ${today}::date + 1))::integer as "dueTomorrow",
      (count(*) filter (where h.due = ${today}::date - 1))::integer as "newlyOverdue",
      (count(*) filter (where f.standing = 'returned' and exists (select 1 from standing_changes s where s.finding_id = f.id
        and s.standing = 'returned' and s.made_at >= ${today}::date - 1)))::integer as back
    from hands h join handed d on d.hand_id = h.id join findings f on f.id = d.finding_id join pages p on p.id = d.page_id
      join collections c on c.id = h.collection_id and c.taken_out_at is null join people m on m.id = h.given_to
    where f.standing in ('open', 'returned') and p.gone_at is null and m.email is not null
      and (m.disabled_on is null or m.disabled_on > ${today}::date) group by m.id) told
    where "dueTomorrow" + "newlyOverdue" + back > 0 order by person`.execute(db);
  return rows;
}
