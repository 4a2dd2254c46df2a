import { sql, type Selectable } from 'kysely';
import type { Family, Reference } from '@inkwell/core';
import type { Database, Write } from '../database.ts';
import { rowsFrom } from '../rows.ts';
import type { Became, PackagePages, Packages } from '../schema.ts';
import { isAlias } from './alias.ts';
import { closestBar } from './profiles.ts';

export type Package = Selectable<Packages>;
export type PackagePage = Omit<Selectable<PackagePages>, 'refs' | 'text_sha256'>;
/** With what its text refers to. */
export type PackageText = Selectable<PackagePages>;

/** What is to be fetched from its host. */
export type Wanted = NonNullable<Package['wanted']>;

export async function addPackage(
  trx: Write | Database,
  made: { name: string; sha256: string; made_by: string; renews?: number | null; wanted?: Wanted | null },
): Promise<number> {
  const row = await trx
    .insertInto('packages')
    .values({ ...made, wanted: made.wanted ? JSON.stringify(made.wanted) : null, troubles: '[]', attached: '[]', sample: '[]' })
    .returning('id')
    .executeTakeFirstOrThrow();
  return row.id;
}

/** Says how much of a package has been fetched. Whether anybody still waits for it. */
export async function noteFetched(db: Database, id: number, fetched: { pages: number; files: number }): Promise<boolean> {
  const rows = await db
    .updateTable('packages')
    .set({ fetched: JSON.stringify(fetched) })
    .where('id', '=', id)
    .where('state', '=', 'waiting')
    .returning('id')
    .execute();
  return rows.length > 0;
}

export function packageById(db: Database | Write, id: number): Promise<Package | undefined> {
  return db.selectFrom('packages').selectAll().where('id', '=', id).executeTakeFirst();
}

/** Reads a package's row and keeps other writers of it waiting until the transaction ends. */
export function lockPackage(trx: Write, id: number): Promise<Package | undefined> {
  return trx.selectFrom('packages').selectAll().where('id', '=', id).forUpdate().executeTakeFirst();
}

/** Packages that somebody sent and that are not all here yet, the newest first. */
export function packagesOnTheirWay(db: Database | Write, by: string, limit: number): Promise<Package[]> {
  return db
    .selectFrom('packages')
    .selectAll()
    .where('state', 'in', ['waiting', 'read', 'arriving'])
    .where('made_by', '=', by)
    .orderBy('id', 'desc')
    .limit(limit)
    .execute();
}

export interface FoundIn {
  kind: NonNullable<Package['kind']>;
  title: string;
  /** The package that was read, and its name: what was sent, or what was made of it. */
  sha256: string;
  name: string;
  files: number;
  pages: readonly Omit<PackageText, 'package_id' | 'position'>[];
  troubles: readonly { path: string; what: string }[];
  attached: readonly { path: string; kind: string; size: number }[];
  sample: readonly Partial<Record<Family, number>>[];
  /** For a newer version: the package it was compared with. */
  over: number | null;
}

const FOUND =
  'path text, entry text, inside text, title text, scope text, content_type text, listed boolean, part text[], refs jsonb, ' +
  'text_sha256 text, page_id integer, became text';

/** Writes down what a package holds, in place of what was said before. */
export async function writeFound(trx: Write, id: number, found: FoundIn): Promise<void> {
  await sql`delete from package_pages where package_id = ${id}`.execute(trx);
  await sql`insert into package_pages (package_id, position, path, entry, inside, title, scope, content_type, listed, part, refs,
      text_sha256, page_id, became)
    select ${id}::integer, row_number() over (), path, entry, inside, title, scope, content_type, listed, part, refs,
        text_sha256, page_id, became
      from ${rowsFrom(found.pages, FOUND)}`.execute(trx);
  await trx
    .updateTable('packages')
    .set({
      state: 'read',
      kind: found.kind,
      title: found.title,
      sha256: found.sha256,
      name: found.name,
      files: found.files,
      pages: found.pages.length,
      troubles: JSON.stringify(found.troubles),
      attached: JSON.stringify(found.attached),
      sample: JSON.stringify(found.sample),
      read_over: found.over,
    })
    .where('id', '=', id)
    .execute();
}

/** Refuses a package; what has come of it so far goes. A collection it would have renewed stays as it is. */
export async function refusePackage(db: Database, id: number, problem: string): Promise<void> {
  await sql`with was as (select collection_id from packages where id = ${id} and renews is null),
      refused as (update packages set state = 'refused', problem = ${problem}, collection_id = null where id = ${id})
    delete from collections where id in (select collection_id from was)`.execute(db);
}

/** Pages of a package behind a position, in reading order. `became`: those of a newer version that became this. */
export function packagePages(
  db: Database | Write,
  id: number,
  { after, became, limit }: { after: number; became?: Became | undefined; limit: number },
): Promise<PackagePage[]> {
  return db
    .selectFrom('package_pages')
    .select(['package_id', 'position', 'path', 'entry', 'inside', 'title', 'scope', 'content_type', 'listed', 'part', 'page_id', 'became'])
    .where('package_id', '=', id)
    .$if(became !== undefined, (all) => all.where('became', '=', became!))
    .where('position', '>', after)
    .orderBy('position')
    .limit(limit)
    .execute();
}

/** The same, with what their texts refer to. */
export function packageTexts(db: Database | Write, id: number, after: number, limit: number): Promise<PackageText[]> {
  return db
    .selectFrom('package_pages')
    .selectAll()
    .where('package_id', '=', id)
    .where('position', '>', after)
    .orderBy('position')
    .limit(limit)
    .execute();
}

/** How many pages of each content type a package holds. */
export async function packageTypes(db: Database | Write, id: number): Promise<{ type: string; many: number }[]> {
  const { rows } = await sql<{ type: string; many: number }>`select content_type as type, count(*)::integer as many from package_pages
    where package_id = ${id} group by 1 order by 2 desc, 1`.execute(db);
  return rows;
}

/** Gives pages of one content type another. */
export async function retypePages(trx: Write, id: number, types: Readonly<Record<string, string>>): Promise<void> {
  const changes = Object.entries(types).map(([was, is]) => ({ was, now: is }));
  await sql`update package_pages p set content_type = rows.now from ${rowsFrom(changes, 'was text, now text')}
    where p.package_id = ${id} and p.content_type = rows.was`.execute(trx);
}

export async function acceptPackage(
  trx: Write,
  id: number,
  collectionId: number,
  openBefore: readonly [number, number, number, number] | null = null,
): Promise<void> {
  await trx
    .updateTable('packages')
    .set({ state: 'arriving', collection_id: collectionId, open_before: openBefore === null ? null : JSON.stringify(openBefore) })
    .where('id', '=', id)
    .execute();
}

/** Has a package read again, in place of what was found in it. */
export async function readAnew(trx: Write, id: number): Promise<void> {
  await trx.updateTable('packages').set({ state: 'waiting' }).where('id', '=', id).execute();
}

/** Whether another newer version of a collection is coming in. */
export async function isRenewing(trx: Write, collectionId: number): Promise<boolean> {
  const row = await trx
    .selectFrom('packages')
    .select('id')
    .where('renews', '=', collectionId)
    .where('state', '=', 'arriving')
    .executeTakeFirst();
  return row !== undefined;
}

/** The address of the collection a package became. */
export async function slugOfPackage(db: Database | Write, collectionId: number): Promise<string | undefined> {
  return (await db.selectFrom('collections').select('slug').where('id', '=', collectionId).executeTakeFirst())?.slug;
}

/** Says under which work the pages of a package arrive. */
export async function setPackageJob(trx: Write, id: number, jobId: string): Promise<void> {
  await trx.updateTable('packages').set({ job_id: jobId }).where('id', '=', id).execute();
}

export async function dropPackage(trx: Write, id: number): Promise<void> {
  await trx.deleteFrom('packages').where('id', '=', id).execute();
}

export interface Arrival {
  slug: string;
  title: string;
  scope: string;
  content_type: string;
  address: string;
  position: number;
  entry: string;
  inside: string | null;
  part: readonly string[];
  html: string;
  encoding: string;
  bom: boolean;
  references: readonly Reference[];
}

const ARRIVAL =
  'slug text, title text, scope text, content_type text, address text, position integer, entry text, inside text, part text[], ' +
  'html text, encoding text, bom boolean';

/**
 * Pages on their way in, with their texts and what they refer to, so that each knows of the others when it is examined. None stands in a
 * ledger yet.
 */
export async function addArrivals(trx: Write, collectionId: number, by: string, pages: readonly Arrival[]): Promise<void> {
  if (pages.length === 0) return;
  const texts = pages.map(({ references: _references, ...page }) => page);
  await sql`with rows as materialized (select * from ${rowsFrom(texts, ARRIVAL)}),
      made as (
        insert into pages (collection_id, slug, title, scope, content_type, address, position, head, redo, made_by, entry, inside, part)
        select ${collectionId}::integer, slug, title, scope, content_type, address, position, 0, '[]'::jsonb, ${by}::text, entry,
          inside, part from rows returning id, address, content_type),
      status as (insert into page_status (page_id, collection_id, bar_id)
        select id, null, ${closestBar(sql`${collectionId}::integer`, sql`made.content_type`)} from made)
    insert into arrivals (page_id, html, encoding, bom)
      select made.id, rows.html, rows.encoding, rows.bom from rows join made using (address)`.execute(trx);
  const references = pages.flatMap(({ address, references: own }) => own.map((one) => ({ address, ...one })));
  await sql`insert into page_references (page_id, collection_id, kind, target, fragment, alternative)
    select p.id, ${collectionId}::integer, rows.kind, rows.target, rows.fragment, rows.alternative
      from ${rowsFrom(references, 'address text, kind text, target text, fragment text, alternative text')}
      join pages p on p.collection_id = ${collectionId} and p.address = rows.address`.execute(trx);
}

/** Takes out what has come of a collection so far. */
export async function dropArrivals(trx: Write, collectionId: number): Promise<void> {
  await sql`delete from pages where collection_id = ${collectionId}`.execute(trx);
  await sql`delete from assets where collection_id = ${collectionId}`.execute(trx);
}

/** Tells the planner what has just come in: with none of it known, it would read thousands of rows for each page. */
export async function learnArrivals(db: Database): Promise<void> {
  await sql`analyze pages, page_status, page_references, assets, arrivals`.execute(db);
}

/** Pages of a collection that have not been examined yet. */
export async function arrivalsOf(db: Database | Write, collectionId: number): Promise<number[]> {
  const { rows } = await sql<{ id: number }>`select a.page_id as id from arrivals a join pages p on p.id = a.page_id
    where p.collection_id = ${collectionId} order by p.position`.execute(db);
  return rows.map((row) => row.id);
}

export interface Arriving {
  page_id: number;
  collection_id: number;
  title: string;
  address: string;
  scope: 'document' | 'fragment';
  content_type: string;
  /** 0 for a page that has no revision yet. */
  head: number;
  html: string;
  encoding: string;
  bom: boolean;
}

/** Of some pages those that wait to be examined, with their texts. */
export async function arrivingAmong(db: Database | Write, pages: readonly number[]): Promise<Arriving[]> {
  const { rows } = await sql<Arriving>`select a.page_id, p.collection_id, p.title, p.address, p.scope, p.content_type, p.head, a.html,
    a.encoding, a.bom from arrivals a join pages p on p.id = a.page_id where a.page_id = any(${pages}::integer[])
    order by p.position`.execute(db);
  return rows;
}

/** Takes a page's waiting text, and lets the page stand in its ledger; false when another worker has taken it. */
export async function takeArrival(trx: Write, pageId: number): Promise<boolean> {
  const { rows } = await sql`with taken as (delete from arrivals where page_id = ${pageId} returning page_id)
    update page_status s set collection_id = p.collection_id from taken join pages p on p.id = taken.page_id
    where s.page_id = taken.page_id returning s.page_id`.execute(trx);
  return rows.length > 0;
}

/** How the trouble of a page begins that could not be examined. */
export const NOT_EXAMINED = 'could not be examined';

/** Leaves a page out of what arrives, or as it was before, and says so. */
export async function leaveOut(trx: Write, id: number, { page_id: page, address, head }: Arriving, why: string): Promise<void> {
  if (head === 0) await sql`delete from pages where id = ${page}`.execute(trx);
  else await sql`delete from arrivals where page_id = ${page}`.execute(trx);
  const trouble = JSON.stringify([{ path: address, what: `${NOT_EXAMINED}, and was left ${head === 0 ? 'out' : 'as it was'}: ${why}` }]);
  await sql`update packages set troubles = troubles || ${trouble}::jsonb where id = ${id}`.execute(trx);
}

/**
 * Says that a package is all here, once none of its pages waits; its pasted texts are revisions by now, and are not kept twice. Whether
 * this was the moment.
 */
export async function endArrival(trx: Write, id: number, collectionId: number): Promise<boolean> {
  const { rows } = await sql`with ended as (update packages set state = 'here', here_at = now() where id = ${id} and state = 'arriving'
      and job_id is not null and not exists (select 1 from arrivals a join pages p on p.id = a.page_id
        where p.collection_id = ${collectionId}) returning collection_id),
    arrived as (update collections set arrived_at = now() where id in (select collection_id from ended) and arrived_at is null),
    read as (update package_pasted set html = '' where package_id = ${id} and exists (select 1 from ended))
    select 1 from ended`.execute(trx);
  return rows.length > 0;
}

/** What was brought in and is another text now, by entry: each page's text as it came, and the newest one. */
export interface MendedPage {
  entry: string;
  inside: string | null;
  before: string;
  after: string;
}

/** Entries of a collection's package on whose pages something changed. */
export async function mendedEntries(db: Database | Write, collectionId: number): Promise<string[]> {
  const { rows } = await sql<{ entry: string }>`select distinct p.entry from pages p
    join revisions f on f.page_id = p.id and f.number = p.base join revisions h on h.page_id = p.id and h.number = p.head
    where p.collection_id = ${collectionId} and p.entry is not null and p.gone_at is null and f.text_sha256 <> h.text_sha256`.execute(db);
  return rows.map((row) => row.entry);
}

export async function mendedIn(db: Database | Write, collectionId: number, entries: readonly string[]): Promise<MendedPage[]> {
  const { rows } = await sql<MendedPage>`select p.entry, p.inside, ft.html as before, ht.html as after from pages p
    join revisions f on f.page_id = p.id and f.number = p.base join revisions h on h.page_id = p.id and h.number = p.head
    join texts ft on ft.sha256 = f.text_sha256 join texts ht on ht.sha256 = h.text_sha256
    where p.collection_id = ${collectionId} and p.gone_at is null and p.entry = any(${entries}::text[])
      and f.text_sha256 <> h.text_sha256`.execute(db);
  return rows;
}

/** A page as a file of its own. `encoding`: what its bytes came in; null for one that was pasted. */
export interface LoosePage {
  address: string;
  html: string;
  encoding: string | null;
  bom: boolean;
}

const LOOSE = sql`p.address, t.html, h.encoding, h.bom from pages p
    join revisions h on h.page_id = p.id and h.number = p.head join texts t on t.sha256 = h.text_sha256`;

/** Pages of a collection that came alone, and belong to no package. */
export async function loosePages(db: Database | Write, collectionId: number): Promise<LoosePage[]> {
  const { rows } = await sql<LoosePage>`select ${LOOSE} where p.collection_id = ${collectionId} and p.entry is null
    and p.gone_at is null order by p.position`.execute(db);
  return rows;
}

/** One page as it is now. */
export async function pageAsFile(db: Database | Write, collectionId: number, slug: string): Promise<LoosePage | undefined> {
  const { rows } = await sql<LoosePage>`select ${LOOSE} where p.collection_id = ${collectionId} and p.slug = ${slug}
    and p.gone_at is null`.execute(db);
  return rows[0];
}

/** Pages that are whole files in a folder of a collection, behind one of them by address. */
export async function pagesInFolder(
  db: Database | Write,
  collectionId: number,
  folder: string,
  after: string,
  limit: number,
): Promise<LoosePage[]> {
  const { rows } = await sql<LoosePage>`select ${LOOSE} where p.collection_id = ${collectionId} and p.inside is null and p.gone_at is null
    and starts_with(p.address, ${folder}) and p.address > ${after} order by p.address limit ${limit}`.execute(db);
  return rows;
}

/** Folders of a collection with how many files and pages lie in each and below. */
export async function foldersOf(db: Database | Write, collectionId: number, limit: number): Promise<{ folder: string; files: number }[]> {
  const { rows } = await sql<{ folder: string; files: number }>`with paths as (
      select path from assets where collection_id = ${collectionId} and not ${isAlias(sql`assets.collection_id`, sql`path`)}
      union all select address from pages where collection_id = ${collectionId} and inside is null and gone_at is null),
    folders as (select array_to_string(steps[1:n], '/') || '/' as folder
      from (select string_to_array(path, '/') as steps from paths) p, generate_series(1, array_length(steps, 1) - 1) n)
    select folder, count(*)::integer as files from folders group by 1 order by 1 limit ${limit}`.execute(db);
  return rows;
}

/** The newest package a collection came in, with its file. */
export async function packageOf(db: Database | Write, collectionId: number): Promise<Package | undefined> {
  return db
    .selectFrom('packages')
    .selectAll()
    .where('collection_id', '=', collectionId)
    .where('state', '=', 'here')
    .orderBy('here_at', 'desc')
    .orderBy('id', 'desc')
    .limit(1)
    .executeTakeFirst();
}
