import { sql, type RawBuilder, type Selectable } from 'kysely';
import type { Database, Write } from '../database.ts';
import { rowsFrom } from '../rows.ts';
import type { Connections, HostKind, HostPages, Hosts, HostState } from '../schema.ts';

export type Host = Selectable<Hosts>;
export type HostPageRow = Selectable<HostPages>;

/** Where a collection is published, with its host. */
export interface Connection extends Selectable<Connections> {
  host: Host;
  /** The collection's address in the application. */
  slug: string;
}

export function hosts(db: Database | Write): Promise<(Host & { collections: number })[]> {
  return db
    .selectFrom('hosts')
    .selectAll()
    .select(sql<number>`(select count(*)::integer from connections c where c.host_id = hosts.id)`.as('collections'))
    .where('gone_at', 'is', null)
    .orderBy('name')
    .limit(200)
    .execute();
}

export async function hostById(db: Database | Write, id: number): Promise<Host | undefined> {
  return db.selectFrom('hosts').selectAll().where('id', '=', id).where('gone_at', 'is', null).executeTakeFirst();
}

/** Adds a host; null where its address is one already. */
export async function addHost(
  trx: Write,
  host: { name: string; kind: HostKind; address: string; token: string | null; made_by: string },
): Promise<number | null> {
  const row = await trx
    .insertInto('hosts')
    .values(host)
    .onConflict((on) => on.doNothing())
    .returning('id')
    .executeTakeFirst();
  return row?.id ?? null;
}

/** Takes a host out with what is connected to it; what was published there stays there. */
export async function endHost(trx: Write, id: number): Promise<boolean> {
  await endConnections(trx, sql`host_id = ${id}`);
  const done = await trx
    .updateTable('hosts')
    .set({ gone_at: new Date(), token: null })
    .where('id', '=', id)
    .where('gone_at', 'is', null)
    .executeTakeFirst();
  return done.numUpdatedRows > 0n;
}

export async function connectionOf(db: Database | Write, collection: number): Promise<Connection | undefined> {
  const { rows } = await sql<Connection>`select c.*, to_jsonb(h) as host, o.slug from connections c join hosts h on h.id = c.host_id
    join collections o on o.id = c.collection_id
    where c.collection_id = ${collection} and o.arrived_at is not null`.execute(db);
  return rows[0];
}

export async function addConnection(
  trx: Write,
  made: { collection_id: number; host_id: number; place: string; made_by: string },
): Promise<void> {
  await trx
    .insertInto('connections')
    .values(made)
    .onConflict((on) =>
      on.column('collection_id').doUpdateSet({ host_id: made.host_id, place: made.place, made_by: made.made_by, problem: null }),
    )
    .execute();
}

export function endConnection(trx: Write, collection: number): Promise<void> {
  return endConnections(trx, sql`collection_id = ${collection}`);
}

/** What is published on a host that is looked at no more counts as published no more. */
async function endConnections(trx: Write, which: RawBuilder<unknown>): Promise<void> {
  await sql`update page_status set published_revision = null, release = case release when 'published' then 'signed off' else release end
    where published_revision is not null and collection_id in (select collection_id from connections where ${which})`.execute(trx);
  await sql`delete from connections where ${which}`.execute(trx);
}

/** Notes that a host was looked at: for changes of drafts, or its public side; and why it could not be. */
export async function noteLooked(
  db: Database | Write,
  collection: number,
  what: 'looked_at' | 'seen_at',
  problem: string | null,
): Promise<void> {
  await db
    .updateTable('connections')
    .set(problem === null ? { [what]: new Date(), problem } : { problem })
    .where('collection_id', '=', collection)
    .execute();
}

/** Collections whose drafts, or whose public side, were not looked at since a moment. */
export async function connectionsDue(db: Database | Write, what: 'looked_at' | 'seen_at', since: Date): Promise<number[]> {
  const rows = await db
    .selectFrom('connections')
    .innerJoin('collections', 'collections.id', 'connections.collection_id')
    .select('collection_id')
    .where('collections.arrived_at', 'is not', null)
    .where('collections.taken_out_at', 'is', null)
    .where((where) => where.or([where(what, 'is', null), where(what, '<', since)]))
    .execute();
  return rows.map((row) => row.collection_id);
}

/** A page here beside what is known of it there. */
export interface Linked {
  id: number;
  slug: string;
  title: string;
  address: string;
  head: number;
  version: number;
  row: Pick<HostPageRow, 'remote' | 'tag' | 'revision' | 'state'> | null;
}

export async function linkedPages(db: Database | Write, collection: number): Promise<Linked[]> {
  const { rows } = await sql<Linked>`select p.id, p.slug, p.title, p.address, p.head, p.version, case when h.page_id is not null then
      jsonb_build_object('remote', h.remote, 'tag', h.tag, 'revision', h.revision, 'state', h.state) end as row
    from pages p left join host_pages h on h.page_id = p.id where p.collection_id = ${collection} and p.gone_at is null
    order by p.position, p.id`.execute(db);
  return rows;
}

export interface LinkRow {
  page_id: number;
  remote: string;
  tag: string | null;
  revision: number;
  state: HostState;
}

/** Writes how pages are on their host, in one statement. */
export async function linkPages(trx: Write, collection: number, links: readonly LinkRow[]): Promise<void> {
  if (links.length === 0) return;
  const rows = rowsFrom(links, 'page_id integer, remote text, tag text, revision integer, state text');
  await sql`insert into host_pages (page_id, collection_id, remote, tag, revision, state)
    select page_id, ${collection}::integer, remote, tag, revision, state from ${rows}
    on conflict (page_id) do update set remote = excluded.remote, tag = excluded.tag, revision = excluded.revision,
      state = excluded.state`.execute(trx);
}

export async function hostPage(db: Database | Write, page: number): Promise<HostPageRow | undefined> {
  return db.selectFrom('host_pages').selectAll().where('page_id', '=', page).executeTakeFirst();
}

/** What was published of a page, as it was read back; nulls: it is off. */
export async function notePublic(
  trx: Write,
  page: number,
  shown: { revision: number; sum: string; address: string } | null,
): Promise<void> {
  await trx
    .updateTable('page_status')
    .set({ published_revision: shown?.revision ?? null })
    .where('page_id', '=', page)
    .execute();
  await trx
    .updateTable('host_pages')
    .set({ public_sum: shown?.sum ?? null, public_address: shown?.address ?? null, drifted_at: null })
    .where('page_id', '=', page)
    .execute();
}

/** Notes where the host says it shows a page, of which nobody has read yet what it shows. */
export async function noteUnread(trx: Write, page: number, address: string): Promise<void> {
  await trx.updateTable('host_pages').set({ public_address: address }).where('page_id', '=', page).execute();
  await noteDrift(trx, page, true);
}

/** Pages whose public side is to be read, behind one. No sum: nothing of it is to be seen there. */
export function publishedPages(
  db: Database | Write,
  collection: number,
  after: number,
  limit: number,
): Promise<(Pick<HostPageRow, 'page_id' | 'public_sum' | 'public_address' | 'drifted_at'> & { title: string })[]> {
  return db
    .selectFrom('host_pages')
    .innerJoin('pages', 'pages.id', 'page_id')
    .select(['page_id', 'public_sum', 'public_address', 'drifted_at', 'title'])
    .where('host_pages.collection_id', '=', collection)
    .where('public_address', 'is not', null)
    .where('page_id', '>', after)
    .orderBy('page_id')
    .limit(limit)
    .execute();
}

export async function noteDrift(trx: Write, page: number, drifted: boolean): Promise<void> {
  await trx
    .updateTable('host_pages')
    .set({ drifted_at: drifted ? sql<Date>`coalesce(drifted_at, now())` : null })
    .where('page_id', '=', page)
    .execute();
}
