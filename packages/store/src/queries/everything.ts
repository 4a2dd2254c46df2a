import { sql } from 'kysely';
import type { Family, FindingOutcome, Values, Weight } from '@inkwell/core';
import type { Database, Write } from '../database.ts';
import type { Standing } from '../schema.ts';

/** A finding of a collection with its page, where it stands now, as a list of everything has it. */
export interface FindingLine {
  position: number;
  page_id: number;
  id: number;
  address: string;
  title: string;
  content_type: string;
  verdict: string;
  revision: number;
  rule: string;
  family: Family;
  weight: Weight;
  outcome: FindingOutcome;
  standing: Standing;
  until: string | null;
  message: string;
  values: Values;
  path: string;
}

/** Findings of a collection that the house asks for, in the order of its pages, behind one of them; so many at once. */
export async function findingLines(
  db: Database | Write,
  collectionId: number,
  after: Pick<FindingLine, 'position' | 'page_id' | 'id'> | null,
  limit: number,
): Promise<FindingLine[]> {
  const from = after ? sql`and (p.position, p.id, f.id) > (${after.position}, ${after.page_id}, ${after.id})` : sql``;
  const { rows } = await sql<FindingLine>`select p.position, p.id as page_id, f.id, p.address, p.title, p.content_type, s.verdict,
      p.head as revision, k.rule, k.family, w.weight, w.outcome, f.standing, to_char(f.excepted_until, 'YYYY-MM-DD') as until, o.message,
      o.message_values as values, o.path
    from page_status s join pages p on p.id = s.page_id join findings f on f.page_id = p.id join kinds k on k.id = f.kind_id
      join kind_weights w on w.bar_id = s.bar_id and w.kind_id = f.kind_id
      join lateral (select message, message_values, path from occurrences where finding_id = f.id order by from_audit desc, place limit 1) o
        on true
    where s.collection_id = ${collectionId} ${from} order by p.position, p.id, f.id limit ${limit}`.execute(db);
  return rows;
}
