import { sql, type Selectable } from 'kysely';
import type { Database, Write } from '../database.ts';
import { rowsFrom } from '../rows.ts';
import type { HostFiles } from '../schema.ts';
import type { StoredFile } from './files.ts';
import { endSignatures } from './pages.ts';

export type HostFileRow = Omit<Selectable<HostFiles>, 'collection_id'>;

/** Files of a collection as they were last seen on its host. */
export function hostFiles(db: Database | Write, collection: number): Promise<HostFileRow[]> {
  return db.selectFrom('host_files').select(['path', 'tag', 'sha256', 'differs']).where('collection_id', '=', collection).execute();
}

/** Writes how files lie on the host, in one statement. */
export async function linkFiles(trx: Write | Database, collection: number, files: readonly HostFileRow[]): Promise<void> {
  if (files.length === 0) return;
  await sql`insert into host_files (collection_id, path, tag, sha256, differs)
    select ${collection}::integer, path, tag, sha256, differs from ${rowsFrom(files, 'path text, tag text, sha256 text, differs boolean')}
    on conflict (collection_id, path) do update set tag = excluded.tag, sha256 = excluded.sha256,
      differs = excluded.differs`.execute(trx);
}

/** Files that are on the host no more. */
export async function unlinkFiles(trx: Write, collection: number, paths: readonly string[]): Promise<void> {
  await sql`delete from host_files where collection_id = ${collection} and path = any(${paths}::text[])`.execute(trx);
}

/** A file that a page shows or leads to, and what was last seen of it on the host. */
export interface FileOfPage extends StoredFile {
  path: string;
  there: Omit<HostFileRow, 'path'> | null;
}

/** Files of its collection that the newest text of a page shows or leads to. */
export async function filesOfPage(db: Database | Write, page: number): Promise<FileOfPage[]> {
  const { rows } = await sql<FileOfPage>`select a.path, f.sha256, f.media_type as "mediaType", f.size,
      case when h.path is not null then jsonb_build_object('tag', h.tag, 'sha256', h.sha256, 'differs', h.differs) end as there
    from assets a join files f on f.sha256 = a.sha256
    left join host_files h on h.collection_id = a.collection_id and h.path = a.path
    where (a.collection_id, a.path) in (select r.collection_id, r.target from page_references r where r.page_id = ${page})
      and not exists (select 1 from pages p where p.collection_id = a.collection_id and p.address = a.path)
    order by a.path`.execute(db);
  return rows;
}

/** Files of which others lie on the host than here, until somebody says which are to stay: some of them, and how many. */
export async function filesThatDiffer(db: Database | Write, collection: number, limit: number): Promise<{ paths: string[]; many: number }> {
  const { rows } = await sql<{ paths: string[]; many: number }>`select count(*)::integer as many,
      coalesce((array_agg(path order by path))[1:${limit}::integer], '{}') as paths
    from host_files where collection_id = ${collection} and differs`.execute(db);
  return rows[0]!;
}

/** Ends the sign-offs of pages that show another file by now. */
export async function lapseForFiles(trx: Write, pages: readonly number[], by: string): Promise<void> {
  await sql`update sign_offs o set lapsed_at = now(), lapsed_by = ${by}, lapsed_because = 'file', lapsed_revision = p.head
    from pages p where p.id = o.page_id and o.lapsed_at is null and p.id = any(${pages}::integer[])`.execute(trx);
  await endSignatures(trx, sql`select unnest(${pages}::integer[])`);
  await sql`update page_status s set release = 'lapsed' where s.page_id = any(${pages}::integer[])
    and s.release in ('signed off', 'published')`.execute(trx);
}
