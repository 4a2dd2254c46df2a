import { sql, type RawBuilder } from 'kysely';
import type { Family } from '@inkwell/core';
import type { Database, Write } from '../database.ts';
import { STATES, type DocketState } from './docket.ts';

/** By what handed work is put together. */
export type HandedBy = 'person' | 'page' | 'family' | 'due';

/** Which of what is handed out is looked at. */
export interface HandedWish {
  /** Ids of the collections looked into; null for all. */
  collections: readonly number[] | null;
  person: string | null;
  family: Family | null;
  page: number | null;
  /** Only what is due on a day, or on none: ''. */
  due: string | null;
}

/** How much is handed out that has one thing in common. */
export interface HandedGroup {
  /** The person's id, the page's, the family, or the day; '' for no day. */
  key: string;
  /** What it is called, and for a page the collection's title and the addresses of both. */
  label: string;
  place: { collection: string; title: string; slug: string } | null;
  'to do': number;
  returned: number;
  done: number;
  overdue: number;
  /** What is still to be done, by family. */
  families: Partial<Record<Family, number>>;
}

/** What is handed out, as far as it is looked at. */
function handedWork({ collections, person, family, page, due }: HandedWish): RawBuilder<unknown> {
  const only = [
    sql`p.gone_at is null`,
    ...(collections === null ? [] : [sql`h.collection_id = any(${collections}::integer[])`]),
    ...(person === null ? [] : [sql`h.given_to = ${person}`]),
    ...(family === null ? [] : [sql`k.family = ${family}`]),
    ...(page === null ? [] : [sql`d.page_id = ${page}`]),
    ...(due === null ? [] : [due === '' ? sql`h.due is null` : sql`h.due = ${due}::date`]),
  ];
  return sql`hands h join handed d on d.hand_id = h.id join findings f on f.id = d.finding_id join pages p on p.id = d.page_id
    join kinds k on k.id = f.kind_id join people m on m.id = h.given_to
    join collections c on c.id = h.collection_id and c.taken_out_at is null where ${sql.join(only, sql` and `)}`;
}

const KEYS: Record<HandedBy, { key: RawBuilder<unknown>; label: RawBuilder<unknown>; place: RawBuilder<unknown> }> = {
  person: { key: sql`m.id`, label: sql`m.name`, place: sql`null::jsonb` },
  page: {
    key: sql`p.id::text`,
    label: sql`p.title`,
    place: sql`jsonb_build_object('collection', c.slug, 'title', c.title, 'slug', p.slug)`,
  },
  family: { key: sql`k.family`, label: sql`k.family`, place: sql`null::jsonb` },
  due: {
    key: sql`coalesce(to_char(h.due, 'YYYY-MM-DD'), '')`,
    label: sql`coalesce(to_char(h.due, 'YYYY-MM-DD'), '')`,
    place: sql`null::jsonb`,
  },
};

/** What is handed out, put together: what is overdue first, then what there is most to do of; by day in their order. */
export async function handedGroups(
  db: Database | Write,
  wish: HandedWish & { by: HandedBy },
  today: string,
  { skip, limit }: { skip: number; limit: number },
): Promise<HandedGroup[]> {
  const { key, label, place } = KEYS[wish.by];
  const order = wish.by === 'due' ? sql`nullif(key, '') nulls last` : sql`overdue desc, "to do" desc, lower(label), key`;
  const { rows } = await sql<HandedGroup>`select key, label, place, sum("to do")::integer as "to do", sum(returned)::integer as returned,
      sum(done)::integer as done, sum(overdue)::integer as overdue,
      coalesce(jsonb_object_agg(family, "to do") filter (where "to do" > 0), '{}') as families
    from (select ${key} as key, ${label} as label, ${place} as place, k.family,
        count(*) filter (where ${STATES['to do']}) as "to do", count(*) filter (where ${STATES.returned}) as returned,
        count(*) filter (where ${STATES.done}) as done, count(*) filter (where ${STATES['to do']} and h.due < ${today}::date) as overdue
      from ${handedWork(wish)} group by 1, 2, 3, 4) told
    group by key, label, place order by ${order} offset ${skip} limit ${limit}`.execute(db);
  return rows;
}

/** Where a card stands on the board: what is overdue is to be done, but in a column of its own. */
export type HandedColumn = DocketState | 'overdue';

/** One page of one person's. */
export interface HandedCard {
  page: number;
  slug: string;
  title: string;
  collection: string;
  person: string;
  name: string;
  due: string | null;
  many: number;
}

function columns(today: string): Record<HandedColumn, RawBuilder<unknown>> {
  const late = sql`h.due < ${today}::date`;
  return {
    'to do': sql`f.standing = 'open' and (h.due is null or not ${late})`,
    overdue: sql`f.standing = 'open' and ${late}`,
    returned: STATES.returned,
    done: STATES.done,
  };
}

/** The cards of each column, so many of each: the earliest due first. */
export async function handedCards(
  db: Database | Write,
  wish: HandedWish,
  today: string,
  each: number,
): Promise<{ column: HandedColumn; cards: HandedCard[]; findings: number; total: number }[]> {
  const told = Object.entries(columns(today)).map(
    ([column, which]) => sql`select ${column}::text as column, coalesce(jsonb_agg(to_jsonb(t) - 'total' - 'findings' order by nth)
        filter (where nth <= ${each}), '[]') as cards, coalesce(sum(many), 0)::integer as findings, count(*)::integer as total
      from (select p.id as page, p.slug, p.title, c.slug as collection, m.id as person, m.name, to_char(min(h.due), 'YYYY-MM-DD') as due,
          count(*)::integer as many, row_number() over (order by coalesce(min(h.due), 'infinity'), p.id, m.id) as nth
        from ${handedWork(wish)} and ${which} group by p.id, c.id, m.id) t`,
  );
  const { rows } = await sql<{
    column: HandedColumn;
    cards: HandedCard[];
    findings: number;
    total: number;
  }>`${sql.join(told, sql` union all `)}`.execute(db);
  return rows;
}

/** Something in somebody's hands, as it is handed on. */
export interface InHands {
  finding: number;
  page: number;
  collection: number;
  to: string;
  due: string | null;
}

/** What waits in hands on some pages of some people, or some findings of it. */
export async function inHands(
  db: Database | Write,
  which: { cards: readonly { page: number; person: string }[] } | { findings: readonly number[] },
  limit: number,
): Promise<InHands[]> {
  const only =
    'cards' in which
      ? sql`(d.page_id, h.given_to) in (select page, person from jsonb_to_recordset(${JSON.stringify(which.cards)}::jsonb)
          as r (page integer, person text))`
      : sql`d.finding_id = any(${which.findings}::integer[])`;
  const { rows } = await sql<InHands>`select d.finding_id as finding, d.page_id as page, h.collection_id as collection, h.given_to as "to",
      to_char(h.due, 'YYYY-MM-DD') as due
    from hands h join handed d on d.hand_id = h.id join findings f on f.id = d.finding_id
    where ${only} and ${STATES['to do']} limit ${limit}`.execute(db);
  return rows;
}

/** Puts findings into other hands, or for another day; the word that went with each goes on with it. Gives how many. */
export async function handOn(trx: Write, by: string, rows: readonly Pick<InHands, 'finding' | 'to' | 'due'>[]): Promise<number> {
  const { numAffectedRows } = await sql`with wanted as (select r.finding, r.to_whom, r.due, h.collection_id, h.words
      from jsonb_to_recordset(${JSON.stringify(rows.map(({ finding, to, due }) => ({ finding, to_whom: to, due })))}::jsonb)
        as r (finding integer, to_whom text, due date)
      join handed d on d.finding_id = r.finding join hands h on h.id = d.hand_id),
    made as (insert into hands (collection_id, given_to, made_by, due, words)
      select distinct collection_id, to_whom, ${by}, due, words from wanted returning id, collection_id, given_to, due, words)
    update handed d set hand_id = made.id from wanted w join made on made.collection_id = w.collection_id and made.given_to = w.to_whom
      and made.due is not distinct from w.due and made.words = w.words
    where d.finding_id = w.finding`.execute(trx);
  return Number(numAffectedRows ?? 0);
}

/** Takes findings out of all hands. Gives how many. */
export async function handBack(trx: Write, findings: readonly number[]): Promise<number> {
  const { numAffectedRows } = await sql`delete from handed where finding_id = any(${findings}::integer[])`.execute(trx);
  return Number(numAffectedRows ?? 0);
}
