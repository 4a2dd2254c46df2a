import { sql } from 'kysely';
import type { Family, Values } from '@inkwell/core';
import type { Database, Write } from '../database.ts';

/** How much came back in a month, of one rule, on pages of one content type, with the changes of one person. */
export interface CameBack {
  /** YYYY-MM, as the house's time has it. */
  month: string;
  rule: string;
  family: Family;
  contentType: string;
  by: string;
  many: number;
}

/** What was fixed and came back since a day, by month, rule, content type and whoever's change brought it back. */
export async function cameBack(
  db: Database | Write,
  wish: { collections: readonly number[] | null; since: string; timeZone: string },
): Promise<CameBack[]> {
  const { rows } = await sql<CameBack>`select to_char(c.made_at at time zone ${wish.timeZone}, 'YYYY-MM') as month, k.rule, k.family,
      p.content_type as "contentType", m.name as by, count(*)::integer as many
    from standing_changes c join findings f on f.id = c.finding_id join kinds k on k.id = f.kind_id join pages p on p.id = c.page_id
      join people m on m.id = c.made_by
    where c.standing = 'returned' and c.made_at >= ${wish.since}::date
      and (${wish.collections}::integer[] is null or p.collection_id = any(${wish.collections}::integer[]))
    group by 1, 2, 3, 4, 5 order by 1, 2`.execute(db);
  return rows;
}

/** How often one slip was made by somebody, and what became of it. */
export interface OwnSlip {
  rule: string;
  many: number;
  pages: number;
  fixed: number;
  back: number;
  /** One of them, an open one where there is one, and where it stands. */
  finding: number;
  open: boolean;
  message: string;
  values: Values;
  slug: string;
  title: string;
  collection: string;
}

/**
 * The commonest slips of somebody: failures first seen in a revision that they made, in the content of pages, that nobody ruled out. What
 * the theme of a site says is not theirs.
 */
export async function ownSlips(
  db: Database | Write,
  wish: { person: string; collections: readonly number[] | null },
  limit: number,
): Promise<OwnSlip[]> {
  const { rows } = await sql<OwnSlip>`with own as (select f.id, f.page_id, f.standing, k.rule
      from revisions r join findings f on f.page_id = r.page_id and f.first_revision = r.number join kinds k on k.id = f.kind_id
        join pages p on p.id = f.page_id join page_status s on s.page_id = p.id
        join kind_weights w on w.bar_id = s.bar_id and w.kind_id = f.kind_id
      where r.made_by = ${wish.person} and p.gone_at is null and f.standing in ('open', 'returned', 'fixed')
        and (w.outcome = 'failed' or f.ruled = 'stands') and (f.slip is null or f.slip like 'content %')
        and (${wish.collections}::integer[] is null or p.collection_id = any(${wish.collections}::integer[]))),
    told as (select rule, count(*)::integer as many, count(distinct page_id)::integer as pages,
        (count(*) filter (where standing = 'fixed'))::integer as fixed,
        (count(*) filter (where standing = 'returned'))::integer as back,
        coalesce(min(id) filter (where standing <> 'fixed'), min(id)) as finding, bool_or(standing <> 'fixed') as open
      from own group by rule order by pages desc, many desc, rule limit ${limit})
    select told.*, o.message, o.message_values as values, p.slug, p.title, c.slug as collection
    from told join findings f on f.id = told.finding join pages p on p.id = f.page_id join collections c on c.id = p.collection_id
      join lateral (select message, message_values from occurrences where finding_id = f.id order by to_audit is null desc, from_audit desc,
        place limit 1) o on true
    order by told.pages desc, told.many desc, told.rule`.execute(db);
  return rows;
}
