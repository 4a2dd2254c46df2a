import { sql, type RawBuilder } from 'kysely';
import { PASSING, traitsOf, type RegisterName, type UseFacts } from '@inkwell/core';
import type { Database, Write } from '../database.ts';
import { isAlias, ownPath } from './alias.ts';
import { anywhere } from './choosing.ts';
import { registerNumber } from './uses.ts';

/** How the things of a register are put together: each by itself; by name or place; images by their bytes or by how they look. */
export type Grouping = 'thing' | 'name' | 'place' | 'bytes' | 'alike';
export type RegisterOrder = 'uses' | 'open' | 'name' | 'size';

/** How the address outside that a link leads to was found when it was looked at. */
export type OutsideState = 'gone' | 'moved' | 'unsure';

export interface RegisterWish {
  register: RegisterName;
  /** Ids of the collections looked into. */
  collections: readonly number[];
  /** Words of the name or the place. */
  words?: string;
  /** Traits of which a use has at least one, and rules of which one is open, as bits. */
  traits?: number;
  troubles?: bigint;
  /** Something open, a question open, nothing used, or said differently in different places. */
  state?: 'open' | 'asks' | 'unused' | 'differs' | OutsideState;
  group: Grouping;
  order: RegisterOrder;
  skip: number;
  limit: number;
}

export interface RegisterLine {
  /** Names the line among those of its grouping. */
  key: string;
  name: string;
  place: string;
  /** Ids of the things it puts together, and of the collections they lie in, one for each. */
  things: string[];
  collections: number[];
  uses: number;
  pages: number;
  open: number;
  asks: number;
  troubles: string;
  traits: number;
  /** The least and the greatest of what is said, as numbers: equal where all say the same. */
  low: string;
  high: string;
  /** Of images: their bytes, and how many files are put together. */
  sha256: string | null;
  size: number | null;
  width: number | null;
  height: number | null;
  files: number;
  /** What one of its uses says, and what is known of that. */
  says: string | null;
  facts: UseFacts | null;
}

export interface RegisterLines {
  lines: RegisterLine[];
  /** Of the whole choice. */
  total: number;
  uses: number;
  open: number;
}

/** Each thing with what its uses come to: rows of `lines`. Images that nothing uses are among them. */
function linesOf(wish: ChosenBy): RawBuilder<unknown> {
  const { register, collections, group } = wish;
  const used = sql`used as materialized (
      select thing_id, sum(many)::integer as uses, sum(lead)::integer as pages, sum(open)::integer as open, sum(asks)::integer as asks,
        ${detailsOf(wish)}
      from uses where register = ${registerNumber(register)} and collection_id = any(${collections}::integer[]) group by thing_id)`;
  if (register !== 'images')
    return sql`with ${used},
    lines as materialized (select ${KEYS[group]} as key, * from (select t.id, t.collection_id, t.name, t.place, u.uses, u.pages, u.open,
        u.asks, u.troubles, u.traits, u.low, u.high, null::text as sha256, null::integer as size, null::integer as width, null::integer as height, null::text as alike
      from used u join things t on t.id = u.thing_id) own)`;
  return sql`with ${used},
    sheets as (select collection_id, name, count(*)::integer as many from sheet_images
      where collection_id = any(${collections}::integer[]) group by 1, 2),
    shown as (select t.id, t.collection_id, case when ${isAlias(sql`t.collection_id`, sql`t.name`)} then ${ownPath(sql`t.name`)}
        else t.name end as name, u.* from used u join things t on t.id = u.thing_id),
    files as (select a.collection_id, a.path, a.sha256, f.size::integer as size from assets a join files f on f.sha256 = a.sha256
      where a.collection_id = any(${collections}::integer[]) and f.media_type like 'image/%'
        and not ${isAlias(sql`a.collection_id`, sql`a.path`)}),
    lines as materialized (select ${KEYS[group]} as key, * from (select
        coalesce(s.id::text, 'file ' || f.collection_id || ' ' || f.path) as id,
        coalesce(s.collection_id, f.collection_id) as collection_id, coalesce(s.name, f.path) as name, '' as place,
        coalesce(s.uses, 0) + coalesce(b.many, 0) as uses, coalesce(s.pages, 0) as pages, coalesce(s.open, 0) as open,
        coalesce(s.asks, 0) as asks, coalesce(s.troubles, 0) as troubles,
        coalesce(s.traits, 0) | case when b.many > 0 then ${BACKGROUND}::integer else 0 end as traits, coalesce(s.low, 0) as low,
        coalesce(s.high, 0) as high, f.sha256, f.size, i.width, i.height, i.alike
      from shown s full join files f on f.collection_id = s.collection_id and f.path = s.name
        left join sheets b on b.collection_id = coalesce(s.collection_id, f.collection_id) and b.name = coalesce(s.name, f.path)
        left join image_facts i on i.sha256 = f.sha256) own)`;
}

type ChosenBy = Omit<RegisterWish, 'order' | 'skip' | 'limit'>;

/**
 * What is told of a thing's uses besides how many there are. Of images, which are the most, only what a choice goes by: the rest is read
 * for the lines that are told.
 */
function detailsOf({ register, troubles, traits, state }: ChosenBy): RawBuilder<unknown> {
  const all = register !== 'images';
  return sql`${all || troubles ? sql`bit_or(troubles)` : sql`0::bigint`} as troubles,
    ${all || traits ? sql`bit_or(traits)` : sql`0`} as traits,
    ${all || state === 'differs' ? sql`min(said) as low, max(said) as high` : sql`0::bigint as low, 0::bigint as high`}`;
}

/** The same for a line that is told, of images read anew. */
function toldDetails({ register }: ChosenBy): RawBuilder<unknown> {
  if (register !== 'images') return sql`select troubles, traits, low, high`;
  return sql`select coalesce(bit_or(u.troubles), told.troubles) as troubles, coalesce(bit_or(u.traits), 0) | told.traits as traits,
      coalesce(min(u.said), told.low) as low, coalesce(max(u.said), told.high) as high
    from uses u where u.thing_id = any(array(select one::uuid from unnest(things) one where not starts_with(one, 'file ')))`;
}

const BACKGROUND = traitsOf('images', ['background']);

const KEYS: Record<Grouping, RawBuilder<unknown>> = {
  thing: sql`id::text`,
  name: sql`name`,
  place: sql`place`,
  bytes: sql`coalesce(sha256, name)`,
  alike: sql`coalesce(alike, sha256, name)`,
};

/** Of lines put together the most used gives its name. */
const mostUsed = (of: RawBuilder<unknown>) => sql`substr(max(lpad(l.uses::text, 10, '0') || ${of}), 11)`;

/** Lines put together as is wished: rows of `groups`, with what a choice and its order go by. */
function grouped({ register, group, words, state }: ChosenBy, order?: RegisterOrder): RawBuilder<unknown> {
  const named = words ? sql`(name ilike ${anywhere(words)} or place ilike ${anywhere(words)})` : sql`true`;
  if (group === 'thing')
    return sql`groups as (select key, name, place, ${named} as named, uses, pages, open, asks, troubles, traits, low, high, size
      from lines)`;
  // Eight thousand images have no other place than their name, and what they say is read for those that are told.
  const said =
    register === 'images' && state !== 'differs'
      ? sql`0::bigint as low, 0::bigint as high`
      : sql`coalesce(min(low) filter (where pages > 0), 0) as low, coalesce(max(high) filter (where pages > 0), 0) as high`;
  const place = register === 'images' ? sql`''` : group === 'place' ? sql`key` : sql`min(place)`;
  // Among equals any of the names will do to order them by.
  return sql`groups as (select key, ${order === 'name' ? mostUsed(sql`l.name`) : sql`min(name collate "C")`} as name,
      ${place} as place, ${words ? sql`bool_or(${named})` : named} as named, sum(uses)::integer as uses,
      sum(pages)::integer as pages, sum(open)::integer as open, sum(asks)::integer as asks, bit_or(troubles) as troubles,
      bit_or(traits) as traits, ${said}, max(size) as size
    from lines l group by key)`;
}

/** What else is told of the lines in `told`; of images put together the largest file gives its picture. */
const TOLD = sql`whole as (select told.key, ${mostUsed(sql`l.name`)} as own_name, ${mostUsed(sql`l.place`)} as own_place,
      (array_agg(l.id::text))[1:200] as things, (array_agg(l.collection_id))[1:200] as collections,
      substr(max(lpad(l.size::text, 12, '0') || l.sha256), 13) as sha256, max(l.width) as width, max(l.height) as height,
      count(*)::integer as files
    from told join lines l on l.key = told.key group by told.key)`;

/** By letters as they are: thousands of equals are quicker put in order so than as a language has it. */
const AMONG_EQUALS = sql`name collate "C", key collate "C"`;

const ORDERS: Record<RegisterOrder, RawBuilder<unknown>> = {
  uses: sql`uses desc, ${AMONG_EQUALS}`,
  open: sql`open + asks desc, uses desc, ${AMONG_EQUALS}`,
  name: sql`name, place, key`,
  size: sql`size desc nulls last, ${AMONG_EQUALS}`,
};

function chosen({ words, traits, troubles, state }: ChosenBy): RawBuilder<unknown> {
  const wanted = [sql`true`];
  if (words) wanted.push(sql`named`);
  if (traits) wanted.push(sql`traits & ${traits}::integer <> 0`);
  if (troubles) wanted.push(sql`troubles & ${String(troubles)}::bigint <> 0`);
  if (state === 'open') wanted.push(sql`open + asks > 0`);
  if (state === 'asks') wanted.push(sql`asks > 0`);
  if (state === 'unused') wanted.push(sql`uses = 0`);
  if (state === 'differs') wanted.push(sql`low <> high`);
  if (state === 'gone' || state === 'moved' || state === 'unsure')
    wanted.push(sql`md5(split_part(place, '#', 1))::uuid in (select id from outside_addresses where state = ${state})`);
  return sql.join(wanted, sql` and `);
}

/** The lines of a register that a choice comes to, in its order, from one on. */
export async function registerLines(db: Database | Write, wish: RegisterWish): Promise<RegisterLines> {
  // A hundred thousand uses are counted in memory rather than on disk, and thousands of things met by hashing rather than one by one.
  await sql`select set_config('work_mem', '64MB', true), set_config('enable_nestloop', 'off', true)`.execute(db);
  const order = ORDERS[wish.order];
  const { rows } = await sql<{ lines: RegisterLine[]; total: number; uses: number; open: number }>`${linesOf(wish)},
    ${grouped(wish, wish.order)},
    chosen as materialized (select * from groups where ${chosen(wish)}),
    told as materialized (select *, row_number() over (order by ${order}) as nth from chosen order by ${order}
      offset ${wish.skip} limit ${wish.limit}),
    ${TOLD}
    select (select count(*)::integer from chosen) as total, (select coalesce(sum(uses), 0)::integer from chosen) as uses,
      (select coalesce(sum(open + asks), 0)::integer from chosen) as open,
      (select coalesce(jsonb_agg(jsonb_build_object('key', told.key, 'name', own_name, 'place', own_place, 'things', to_jsonb(things),
        'collections', to_jsonb(collections), 'uses', uses, 'pages', pages, 'open', open, 'asks', asks,
        'troubles', more.troubles::text, 'traits', more.traits, 'low', more.low::text, 'high', more.high::text, 'sha256', sha256,
        'size', size, 'width', width, 'height', height, 'files', files, 'says', one.says, 'facts', one.facts) order by nth), '[]')
        from told join whole on whole.key = told.key left join lateral (select says, facts from uses where pages > 0 and thing_id = case
          when starts_with(things[1], 'file ') then null else things[1]::uuid end order by page_id limit 1) one on true
          cross join lateral (${toldDetails(wish)}) more) as lines`.execute(db);
  return rows[0]!;
}

/** Uses of things that say the same in the same surroundings, with the page on which they come first. */
export interface CaseLine {
  thing_id: string;
  thing: string;
  place: string;
  collection_id: number;
  says: string | null;
  facts: UseFacts;
  uses: number;
  pages: number;
  open: number;
  asks: number;
  page_id: number;
}

/** Facts without those that make no other case of a use: written out, so that whatever groups by it is the same text. */
const CASE = sql`facts - ${sql.lit(`{${PASSING.join()}}`)}::text[]`;

/** The cases of things, the most used first. */
export async function casesOf(db: Database | Write, things: readonly string[], limit: number): Promise<CaseLine[]> {
  const { rows } = await sql<CaseLine>`select u.thing_id, t.name as thing, t.place, t.collection_id, u.says, ${CASE} as facts,
      sum(u.many)::integer as uses, count(distinct u.page_id)::integer as pages, sum(u.open)::integer as open, sum(u.asks)::integer as asks,
      (array_agg(u.page_id order by p.position, p.id))[1] as page_id
    from uses u join things t on t.id = u.thing_id join pages p on p.id = u.page_id
    where u.thing_id = any(${things}::uuid[]) group by u.thing_id, t.id, u.says, ${CASE}
    order by sum(u.many) desc, u.thing_id, u.says, ${CASE} limit ${limit}`.execute(db);
  return rows;
}

/** A page that uses things, with what it makes of one of them. */
export interface UseLine {
  page_id: number;
  slug: string;
  title: string;
  address: string;
  collection_id: number;
  thing: string;
  place: string;
  says: string | null;
  facts: UseFacts;
  many: number;
  open: number;
  asks: number;
  troubles: string;
  traits: number;
}

/** Uses of things in the order of their pages, from one on. */
export async function usesOf(
  db: Database | Write,
  things: readonly string[],
  { skip, limit }: { skip: number; limit: number },
): Promise<UseLine[]> {
  const { rows } =
    await sql<UseLine>`select u.page_id, p.slug, p.title, p.address, u.collection_id, t.name as thing, t.place, u.says, u.facts,
      u.many,      u.open, u.asks, u.troubles::text as troubles, u.traits
    from uses u join things t on t.id = u.thing_id join pages p on p.id = u.page_id where u.thing_id = any(${things}::uuid[])
    order by u.collection_id, p.position, p.id, u.sum offset ${skip} limit ${limit}`.execute(db);
  return rows;
}

/** Things by their ids, as far as they lie in some collections. */
export async function thingsNamed(
  db: Database | Write,
  collections: readonly number[],
  ids: readonly string[],
): Promise<{ id: string; collection_id: number; name: string; place: string }[]> {
  return db
    .selectFrom('things')
    .select(['id', 'collection_id', 'name', 'place'])
    .where((eb) => sql<boolean>`${eb.ref('id')} = any(${ids}::uuid[]) and ${eb.ref('collection_id')} = any(${collections}::integer[])`)
    .orderBy('name')
    .execute();
}

/** Pages that use things, each with what it says of which. */
export async function pagesUsing(
  db: Database | Write,
  collections: readonly number[],
  things: readonly string[],
): Promise<{ page_id: number; collection_id: number; thing: string; place: string; says: string | null; facts: UseFacts }[]> {
  const { rows } = await sql<{
    page_id: number;
    collection_id: number;
    thing: string;
    place: string;
    says: string | null;
    facts: UseFacts;
  }>`select u.page_id, u.collection_id, t.name as thing, t.place, u.says, u.facts from uses u join things t on t.id = u.thing_id
    where u.thing_id = any(${things}::uuid[]) and u.collection_id = any(${collections}::integer[])
    order by u.collection_id, u.page_id`.execute(db);
  return rows;
}

/** The things of a register that a choice comes to, or those of some of its lines. */
export async function thingsChosen(db: Database | Write, wish: ChosenBy, keys: readonly string[] | null, limit: number): Promise<string[]> {
  const { rows } = await sql<{ id: string }>`${linesOf(wish)}, ${grouped(wish)}
    select id::text as id from lines where pages > 0 and not starts_with(id::text, 'file ')
      and key in (select key from groups where ${keys === null ? chosen(wish) : sql`key = any(${keys}::text[])`})
    limit ${limit}`.execute(db);
  return rows.map(({ id }) => id);
}

/** A page with its headings, each with the level that its text has most often in the collection. */
export interface OutlineOfPage {
  collection_id: number;
  slug: string;
  title: string;
  content_type: string;
  lines: { text: string; level: number; nth: number; usual: number; elsewhere: number }[];
}

/** Outlines of pages by content type, in the order of their collections, from one on. */
export async function outlinesOf(
  db: Database | Write,
  collections: readonly number[],
  { contentType, skip, limit }: { contentType: string | null; skip: number; limit: number },
): Promise<OutlineOfPage[]> {
  const { rows } =
    await sql<OutlineOfPage>`with those as materialized (select p.id, p.collection_id, p.slug, p.title, p.content_type, p.position
      from pages p join page_status s on s.page_id = p.id where s.collection_id = any(${collections}::integer[])
        and (${contentType}::text is null or p.content_type = ${contentType}) order by p.content_type, p.collection_id, p.position, p.id
      offset ${skip} limit ${limit}),
    own as (select those.id, u.thing_id, u.says::integer as level, (u.facts ->> 'nth')::integer as nth
      from those join uses u on u.page_id = those.id where u.register = ${registerNumber('headings')}),
    counted as (select u.thing_id, u.said::integer as level, count(*)::integer as pages from (select distinct thing_id from own) t
      join uses u on u.thing_id = t.thing_id and u.collection_id = any(${collections}::integer[]) group by 1, 2),
    usual as (select distinct on (thing_id) thing_id, level, pages from counted order by thing_id, pages desc, level)
    select those.collection_id, those.slug, those.title, those.content_type,
      coalesce((select jsonb_agg(jsonb_build_object('text', t.name, 'level', own.level, 'nth', own.nth, 'usual', usual.level, 'elsewhere',
        usual.pages) order by own.nth) from own join usual on usual.thing_id = own.thing_id join things t on t.id = own.thing_id
        where own.id = those.id), '[]') as lines
    from those order by those.content_type, those.collection_id, those.position, those.id`.execute(db);
  return rows;
}
