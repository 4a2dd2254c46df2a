import { sql } from 'kysely';
import type { Scope, Verdict } from '@inkwell/core';
import type { Database, Write } from '../database.ts';
import type { Release } from '../schema.ts';
import { OPEN } from './open.ts';

/** A page as programs are given it. */
export interface ApiPage {
  id: number;
  address: string;
  title: string;
  contentType: string;
  scope: Scope;
  revision: number;
  version: number;
  verdict: Verdict;
  release: Release;
  must: number;
  should: number;
  consider: number;
  questions: number;
}

const COLUMNS = sql`p.id, p.address, p.title, p.content_type as "contentType", p.scope, p.head as revision, p.version, s.verdict, s.release,
  s.must, s.should, s.consider, s.questions`;

/** Pages of a collection behind one, by id. */
export async function apiPages(db: Database | Write, collection: number, after: number, limit: number): Promise<ApiPage[]> {
  const { rows } = await sql<ApiPage>`select ${COLUMNS} from pages p join page_status s on s.page_id = p.id
    where p.collection_id = ${collection} and p.gone_at is null and p.id > ${after} order by p.id limit ${limit}`.execute(db);
  return rows;
}

/** One page, with where it is. `stale`: whether an exception ran out since it was counted. */
export async function apiPage(
  db: Database | Write,
  id: number,
  today: string,
): Promise<(ApiPage & { collection: number; slug: string; stale: boolean }) | undefined> {
  const { rows } = await sql<
    ApiPage & { collection: number; slug: string; stale: boolean }
  >`select ${COLUMNS}, p.collection_id as collection,
      c.slug, exists (select 1 from findings f where f.page_id = p.id and f.standing = 'excepted' and ${OPEN(today)}) as stale
    from pages p join page_status s on s.page_id = p.id join collections c on c.id = p.collection_id and c.taken_out_at is null
    where p.id = ${id} and p.gone_at is null`.execute(db);
  return rows[0];
}
