import { sql } from 'kysely';
import type { Verdict } from '@inkwell/core';
import type { Database, Write } from '../database.ts';
import { anywhere } from './choosing.ts';

/** A page whose title or address has the words. */
export interface PageFound {
  slug: string;
  title: string;
  collection: string;
  collectionTitle: string;
  verdict: Verdict;
}

/** Pages of collections whose title or address has words anywhere, titles that begin with them first. */
export async function findPages(
  db: Database | Write,
  wish: { words: string; collections: readonly number[] | null },
  limit: number,
): Promise<PageFound[]> {
  const { rows } = await sql<PageFound>`select p.slug, p.title, c.slug as collection, c.title as "collectionTitle", s.verdict
    from pages p join page_status s on s.page_id = p.id and s.collection_id is not null
      join collections c on c.id = p.collection_id and c.taken_out_at is null
    where (p.title ilike ${anywhere(wish.words)} or p.address ilike ${anywhere(wish.words)}) and p.gone_at is null
      and (${wish.collections}::integer[] is null or p.collection_id = any(${wish.collections}::integer[]))
    order by starts_with(lower(p.title), lower(${wish.words})) desc, p.title, p.id limit ${limit}`.execute(db);
  return rows;
}

/** How much of some rules stands open in a collection, with one of them. */
export interface RuleFound {
  rule: string;
  collection: string;
  collectionTitle: string;
  many: number;
  pages: number;
  finding: number;
  slug: string;
}

/** Where findings of some rules stand open, those of most pages first. */
export async function findOpen(
  db: Database | Write,
  wish: { rules: readonly string[]; collections: readonly number[] | null },
  limit: number,
): Promise<RuleFound[]> {
  if (wish.rules.length === 0) return [];
  const { rows } = await sql<RuleFound>`with told as (select k.rule, s.collection_id, count(*)::integer as many,
        count(distinct f.page_id)::integer as pages, min(f.id) as finding
      from kinds k join findings f on f.kind_id = k.id join page_status s on s.page_id = f.page_id
        join kind_weights w on w.bar_id = s.bar_id and w.kind_id = k.id
      where k.rule = any(${wish.rules}::text[]) and f.standing in ('open', 'returned') and s.collection_id is not null
        and (${wish.collections}::integer[] is null or s.collection_id = any(${wish.collections}::integer[]))
      group by k.rule, s.collection_id)
    select t.rule, c.slug as collection, c.title as "collectionTitle", t.many, t.pages, t.finding, p.slug
    from told t join collections c on c.id = t.collection_id and c.taken_out_at is null join findings f on f.id = t.finding
      join pages p on p.id = f.page_id order by t.pages desc, t.rule, c.title limit ${limit}`.execute(db);
  return rows;
}
