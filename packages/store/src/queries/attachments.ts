import { sql } from 'kysely';
import type { Database, Write } from '../database.ts';
import { rowsFrom } from '../rows.ts';
import { BASE } from './alias.ts';
import type { AttachmentStanding } from '../schema.ts';

/**
 * Says which files of a collection are attachments. One whose bytes are others now is unseen again; who has it and by when stays. `by`:
 * who brought them.
 */
export async function listAttachments(
  trx: Write,
  collectionId: number,
  by: string,
  files: readonly { path: string; kind: string }[],
): Promise<void> {
  await sql`with was as (select path, sha256 from attachments where collection_id = ${collectionId}),
      listed as (
        insert into attachments as a (collection_id, path, kind, sha256)
        select ${collectionId}::integer, rows.path, rows.kind, s.sha256 from ${rowsFrom(files, 'path text, kind text')}
          join assets s on s.collection_id = ${collectionId} and s.path = rows.path
        on conflict (collection_id, path) do update set kind = excluded.kind, sha256 = excluded.sha256,
          standing = case when a.sha256 = excluded.sha256 then a.standing else 'unseen' end,
          version = a.version + case when a.sha256 = excluded.sha256 then 0 else 1 end
        returning path, sha256, standing, owner, due, note)
    insert into attachment_changes (collection_id, path, standing, owner, due, note, made_by)
      select ${collectionId}::integer, listed.path, listed.standing, listed.owner, listed.due, listed.note, ${by}::text
      from listed join was on was.path = listed.path where was.sha256 <> listed.sha256`.execute(trx);
}

export interface Unread {
  path: string;
  sha256: string;
  mediaType: string;
  size: number;
}

/** Attachments of some kinds that nobody has looked into yet, the same bytes once. */
export async function unreadAttachments(
  db: Database | Write,
  collectionId: number,
  kinds: readonly string[],
  limit: number,
): Promise<Unread[]> {
  const { rows } = await sql<Unread>`select distinct on (f.sha256) a.path, f.sha256, f.media_type as "mediaType", f.size
    from attachments a join files f on f.sha256 = a.sha256 where a.collection_id = ${collectionId} and a.kind = any(${kinds}::text[])
      and not exists (select 1 from file_facts t where t.sha256 = f.sha256) order by f.sha256, a.path limit ${limit}`.execute(db);
  return rows;
}

/** Writes down what was read in files; a file that is gone meanwhile is passed over. */
export async function writeFacts(db: Database | Write, read: readonly { sha256: string; facts: object }[]): Promise<void> {
  await sql`insert into file_facts (sha256, facts) select rows.sha256, rows.facts from ${rowsFrom(read, 'sha256 text, facts jsonb')}
    join files using (sha256) on conflict do nothing`.execute(db);
}

export interface AttachmentWish {
  kind?: string | undefined;
  standing?: AttachmentStanding | undefined;
  /** Who has it; '' for those nobody has. */
  owner?: string | undefined;
  /** The path behind which they are shown. */
  after?: string | undefined;
}

export interface AttachmentLine {
  path: string;
  kind: string;
  size: number;
  standing: AttachmentStanding;
  owner: string | null;
  owned_by: string | null;
  due: string | null;
  note: string;
  version: number;
  facts: object | null;
  /** Pages that lead to it, or play it. */
  pages: number;
  /** Who said last what it stands at, and when. */
  last: { by: string; at: string } | null;
}

function chosen(collectionId: number, { kind, standing, owner }: AttachmentWish) {
  const wanted = [sql`a.collection_id = ${collectionId}`];
  if (kind) wanted.push(sql`a.kind = ${kind}`);
  if (standing) wanted.push(sql`a.standing = ${standing}`);
  if (owner !== undefined) wanted.push(owner === '' ? sql`a.owner is null` : sql`a.owner = ${owner}`);
  return sql`from attachments a join assets s on s.collection_id = a.collection_id and s.path = a.path
    where ${sql.join(wanted, sql` and `)}`;
}

/** Attachments of a collection by path, those alone that still lie there. */
export async function attachmentLines(
  db: Database | Write,
  collectionId: number,
  wish: AttachmentWish & { limit: number },
): Promise<AttachmentLine[]> {
  const from = wish.after === undefined ? sql`` : sql`and a.path > ${wish.after}`;
  const { rows } = await sql<AttachmentLine>`with listed as materialized (
      select a.* ${chosen(collectionId, wish)} ${from} order by a.path limit ${wish.limit}),
    named as (select path as target from listed union all select ${BASE} || path from listed),
    used as (select n.target, count(distinct r.page_id)::integer as pages from named n
      join page_references r on r.collection_id = ${collectionId} and r.kind in ('link', 'media') and md5(r.target) = md5(n.target)
        and r.target = n.target
      join pages p on p.id = r.page_id where p.gone_at is null group by 1)
    select a.path, a.kind, f.size, a.standing, a.owner, o.name as owned_by, a.due::text, a.note, a.version, t.facts,
      coalesce((select sum(pages)::integer from used where target in (a.path, ${BASE} || a.path)), 0) as pages,
      (select jsonb_build_object('by', u.name, 'at', c.made_at) from attachment_changes c join people u on u.id = c.made_by
        where c.collection_id = a.collection_id and c.path = a.path order by c.id desc limit 1) as last
    from listed a join files f on f.sha256 = a.sha256 left join file_facts t on t.sha256 = a.sha256 left join people o on o.id = a.owner
    order by a.path`.execute(db);
  return rows;
}

/** How many attachments there are of each kind and standing, of those a choice leaves. */
export async function attachmentSums(
  db: Database | Write,
  collectionId: number,
  wish: AttachmentWish,
): Promise<{ kind: string; standing: AttachmentStanding; many: number }[]> {
  const { rows } = await sql<{ kind: string; standing: AttachmentStanding; many: number }>`select a.kind, a.standing,
    count(*)::integer as many ${chosen(collectionId, wish)} group by 1, 2 order by 1, 2`.execute(db);
  return rows;
}

export interface AttachmentChange {
  standing?: AttachmentStanding | undefined;
  owner?: string | null | undefined;
  due?: string | null | undefined;
  note?: string | undefined;
}

/**
 * Changes what is said of attachments, where nobody else did since `version`, and writes down what it was made. Gives the paths that were
 * changed.
 */
export async function setAttachments(
  trx: Write,
  collectionId: number,
  files: readonly { path: string; version: number }[],
  change: AttachmentChange,
  by: string,
): Promise<string[]> {
  const { rows } = await sql<{ path: string }>`with changed as (
      update attachments a set version = a.version + 1, standing = coalesce(${change.standing ?? null}, a.standing),
        owner = case when ${change.owner !== undefined}::boolean then ${change.owner ?? null}::text else a.owner end,
        due = case when ${change.due !== undefined}::boolean then ${change.due ?? null}::date else a.due end,
        note = coalesce(${change.note ?? null}, a.note)
      from ${rowsFrom(files, 'path text, version integer')}
      where a.collection_id = ${collectionId} and a.path = rows.path and a.version = rows.version
      returning a.path, a.standing, a.owner, a.due, a.note)
    insert into attachment_changes (collection_id, path, standing, owner, due, note, made_by)
    select ${collectionId}::integer, path, standing, owner, due, note, ${by}::text from changed returning path`.execute(trx);
  return rows.map(({ path }) => path);
}
