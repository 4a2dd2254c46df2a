import { sql, type RawBuilder } from 'kysely';
import type { FindingOutcome, Weight } from '@inkwell/core';
import type { Database, Write } from '../database.ts';
import type { Standing } from '../schema.ts';
import { findingsNow, type StoredFinding } from './findings.ts';

/** Which findings of a collection are asked for: one of each list that is given, of all lists. */
export interface ApiFindingsWish {
  collection: number;
  after: number;
  limit: number;
  rule?: readonly string[];
  family?: readonly string[];
  weight?: readonly string[];
  outcome?: readonly string[];
  criterion?: readonly string[];
  standing?: readonly string[];
  page?: readonly number[];
  /** Ids of whoever has it in hand. */
  person?: readonly string[];
  /** Rules that cite the criteria, where a kind of finding has none of its own. */
  citing?: readonly string[];
}

/** A finding with its page, what its house makes of it, and who has it. */
export interface ApiFinding extends StoredFinding {
  page: number;
  pageAddress: string;
  weight: Weight;
  outcome: FindingOutcome;
  /** How it stands today: an exception that ran out is open again. */
  standing: Standing;
  assignee: { id: string; name: string } | null;
}

interface Row {
  id: number;
  page: number;
  pageAddress: string;
  weight: Weight;
  outcome: FindingOutcome;
  standing: Standing;
  person: string | null;
  personName: string | null;
}

/** Findings of a collection that its house asks for, by id. Four statements, however many. */
export async function apiFindings(db: Database | Write, wish: ApiFindingsWish, today: string): Promise<ApiFinding[]> {
  const standing = sql`case when f.standing = 'excepted' and f.excepted_until < ${today}::date then 'open' else f.standing end`;
  const { rows } = await sql<Row>`select f.id, f.page_id as page, p.address as "pageAddress", w.weight, w.outcome, ${standing} as standing,
      m.id as person, m.name as "personName"
    from findings f join pages p on p.id = f.page_id and p.gone_at is null join page_status s on s.page_id = p.id
      join kinds k on k.id = f.kind_id join kind_weights w on w.bar_id = s.bar_id and w.kind_id = f.kind_id
      left join handed d on d.finding_id = f.id left join hands h on h.id = d.hand_id left join people m on m.id = h.given_to
    where s.collection_id = ${wish.collection} and f.id > ${wish.after} ${filters(wish, standing)}
    order by f.id limit ${wish.limit}`.execute(db);
  const found = await findingsNow(
    db,
    rows.map(({ id }) => id),
  );
  return rows.flatMap(({ person, personName, ...row }) => {
    const finding = found.get(row.id);
    return finding ? [{ ...finding, ...row, assignee: person === null ? null : { id: person, name: personName! } }] : [];
  });
}

function filters(wish: ApiFindingsWish, standing: RawBuilder<unknown>): RawBuilder<unknown> {
  const { rule, family, weight, outcome, criterion, citing, standing: standings, page, person } = wish;
  const one = (column: RawBuilder<unknown>, values: readonly string[] | undefined) =>
    values === undefined ? sql`` : sql`and ${column} = any(${values}::text[])`;
  return sql`${one(sql`k.rule`, rule)} ${one(sql`k.family`, family)} ${one(sql`w.weight`, weight)} ${one(sql`w.outcome`, outcome)}
    ${one(standing, standings)} ${one(sql`h.given_to`, person)}
    ${criterion === undefined ? sql`` : sql`and case when k.criteria is null then k.rule = any(${citing ?? []}::text[]) else k.criteria ?| ${criterion}::text[] end`}
    ${page === undefined ? sql`` : sql`and f.page_id = any(${page}::integer[])`}`;
}

/** Where a finding is; undefined where it, its page or its collection is not here. */
export async function findingPlace(
  db: Database | Write,
  id: number,
): Promise<{ page: number; version: number; slug: string; collection: string; collectionId: number } | undefined> {
  const { rows } = await sql<{ page: number; version: number; slug: string; collection: string; collectionId: number }>`select p.id as page,
      p.version, p.slug, c.slug as collection, c.id as "collectionId"
    from findings f join pages p on p.id = f.page_id and p.gone_at is null
      join collections c on c.id = p.collection_id and c.taken_out_at is null where f.id = ${id}`.execute(db);
  return rows[0];
}
