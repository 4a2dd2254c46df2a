import { sql } from 'kysely';
import type { Trait } from '@inkwell/core';
import type { Database, Write } from '../database.ts';
import { rowsFrom } from '../rows.ts';

/** What most pages of one content type have in common in one trait: its value, how many have it, and of how many. */
export interface CommonTrait {
  type: string;
  trait: Trait;
  value: string;
  many: number;
  of: number;
}

/** A page that differs from most of its content type, and in what. */
export interface DifferingPage {
  slug: string;
  title: string;
  differs: { trait: Trait; value: string }[];
}

/** From how many pages on there is a "most", and which share of them it takes. */
export interface Enough {
  pages: number;
  share: number;
}

/** Traits of the pages of a collection, one a row; a page without images says nothing about captions. */
const traitsIn = (collectionId: number) => sql`select p.id, p.slug, p.title, p.position, p.content_type as type, t.key as trait, t.value
  from page_status s join pages p on p.id = s.page_id cross join lateral jsonb_each_text(p.make_up) t
  where s.collection_id = ${collectionId} and p.make_up is not null and not (t.key = 'captions' and t.value = 'no images')`;

/** What most pages of each content type have in common. */
export async function commonTraits(db: Database | Write, collectionId: number, enough: Enough): Promise<CommonTrait[]> {
  const { rows } = await sql<CommonTrait>`select * from (
      select distinct on (type, trait) type, trait, value, count(*)::integer as many,
        (sum(count(*)) over (partition by type, trait))::integer as of
      from (${traitsIn(collectionId)}) t group by type, trait, value order by type, trait, count(*) desc, value) c
    where c.of >= ${enough.pages} and c.many >= c.of * ${enough.share}::float8 order by type, trait`.execute(db);
  return rows;
}

/** Pages of a content type that differ from what most of them have in common, those first that differ most. */
export async function differingPages(
  db: Database | Write,
  collectionId: number,
  type: string,
  common: readonly Pick<CommonTrait, 'trait' | 'value'>[],
  page: { after: number; limit: number },
): Promise<DifferingPage[]> {
  const { rows } = await sql<DifferingPage>`select t.slug, t.title,
      jsonb_agg(jsonb_build_object('trait', t.trait, 'value', t.value) order by t.trait) as differs
    from (${traitsIn(collectionId)} and p.content_type = ${type}) t join ${rowsFrom(common, 'trait text, value text')}
      on rows.trait = t.trait and rows.value <> t.value
    group by t.id, t.slug, t.title, t.position order by count(*) desc, t.position, t.id offset ${page.after} limit ${page.limit}`.execute(
    db,
  );
  return rows;
}
