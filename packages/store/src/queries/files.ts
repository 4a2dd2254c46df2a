import { createHash } from 'node:crypto';
import { sql } from 'kysely';
import type { Database, Write } from '../database.ts';
import { rowsFrom } from '../rows.ts';

/** Bytes of one piece of a file. */
export const PIECE = 262_144;

export function hashOf(data: Uint8Array | string): string {
  return createHash('sha256').update(data).digest('hex');
}

export interface NewFile {
  path: string;
  mediaType: string;
  bytes: Uint8Array;
}

/** Keeps a file under the hash of its bytes. The same bytes are kept once. */
export async function keepFile(trx: Write | Database, mediaType: string, bytes: Uint8Array): Promise<string> {
  await keepFiles(trx, [{ mediaType, bytes }]);
  return hashOf(bytes);
}

/** Keeps files and lets each lie at its path in a collection, in place of what lay there. */
export async function placeFiles(trx: Write | Database, collectionId: number, files: readonly NewFile[]): Promise<void> {
  if (files.length === 0) return;
  await keepFiles(trx, files);
  await placeKept(
    trx,
    collectionId,
    files.map(({ path, bytes }) => ({ path, sha256: hashOf(bytes) })),
  );
}

/** A file that is kept, and where it is to lie. */
export interface KeptAt {
  path: string;
  sha256: string;
}

/** Lets files that are kept lie at their paths in a collection, in place of what lay there. */
export async function placeKept(trx: Write | Database, collectionId: number, files: readonly KeptAt[]): Promise<void> {
  await sql`insert into assets (collection_id, path, sha256) select ${collectionId}::integer, path, sha256
    from ${rowsFrom(files, 'path text, sha256 text')} on conflict (collection_id, path) do update set sha256 = excluded.sha256`.execute(
    trx,
  );
}

/** Takes files away from their paths in a collection. */
export async function displace(trx: Write, collectionId: number, paths: readonly string[]): Promise<void> {
  await sql`delete from assets where collection_id = ${collectionId} and path = any(${paths}::text[])`.execute(trx);
}

/**
 * Keeps a file whose bytes come in parts, under the hash they are known to have: a long one is never held whole. To be called in a
 * transaction: half a file is none.
 */
export async function keepStream(
  trx: Write,
  file: { sha256: string; mediaType: string; size: number },
  parts: AsyncIterable<Buffer>,
): Promise<void> {
  const { sha256, mediaType, size } = file;
  const made = await trx
    .insertInto('files')
    .values({ sha256, media_type: mediaType, size })
    .onConflict((on) => on.doNothing())
    .returning('sha256')
    .executeTakeFirst();
  if (!made) return;
  let [waiting, length, nth]: [Buffer[], number, number] = [[], 0, 0];
  /** Writes whole pieces; at the end what is left, too. */
  const write = async (last: boolean) => {
    const bytes = Buffer.concat(waiting);
    const whole = last ? length : length - (length % PIECE);
    for (let at = 0; at < whole; at += PIECE * AT_ONCE) {
      const pieces = piecesOf(sha256, bytes.subarray(at, Math.min(whole, at + PIECE * AT_ONCE)));
      await trx
        .insertInto('file_pieces')
        .values(pieces.map((piece) => ({ ...piece, nth: piece.nth + nth })))
        .execute();
      nth += pieces.length;
    }
    [waiting, length] = [[bytes.subarray(whole)], length - whole];
  };
  for await (const part of parts) {
    waiting.push(part);
    length += part.length;
    if (length >= PIECE * AT_ONCE) await write(false);
  }
  await write(true);
  if (nth === 0)
    await trx
      .insertInto('file_pieces')
      .values({ sha256, nth: 0, bytes: Buffer.alloc(0) })
      .execute();
}

/** A kept file by its hash. */
export function fileByHash(db: Database | Write, sha256: string): Promise<StoredFile | undefined> {
  return db.selectFrom('files').select(['sha256', 'media_type as mediaType', 'size']).where('sha256', '=', sha256).executeTakeFirst();
}

/** Every file of a collection by path. */
export async function filesOf(db: Database | Write, collectionId: number): Promise<(StoredFile & { path: string })[]> {
  return db
    .selectFrom('assets')
    .innerJoin('files', 'files.sha256', 'assets.sha256')
    .select(['path', 'files.sha256', 'files.media_type as mediaType', 'files.size'])
    .where('collection_id', '=', collectionId)
    .orderBy('path')
    .execute();
}

/** Keeps files under the hashes of their bytes, in one statement for those of some megabytes. */
export async function keepFiles(trx: Write | Database, files: readonly Omit<NewFile, 'path'>[]): Promise<void> {
  const byHash = new Map(files.map((file) => [hashOf(file.bytes), file]));
  const rows = [...byHash].map(([sha256, { mediaType, bytes }]) => ({ sha256, media_type: mediaType, size: bytes.length }));
  const made = await trx
    .insertInto('files')
    .values(rows)
    .onConflict((on) => on.doNothing())
    .returning('sha256')
    .execute();
  const pieces = made.flatMap(({ sha256 }) => piecesOf(sha256, byHash.get(sha256)!.bytes));
  for (let from = 0; from < pieces.length; from += AT_ONCE)
    await trx
      .insertInto('file_pieces')
      .values(pieces.slice(from, from + AT_ONCE))
      .execute();
}

function piecesOf(sha256: string, bytes: Uint8Array) {
  const many = Math.max(1, Math.ceil(bytes.length / PIECE));
  return Array.from({ length: many }, (_, nth) => ({ sha256, nth, bytes: Buffer.from(bytes.subarray(nth * PIECE, (nth + 1) * PIECE)) }));
}

/** Pieces written in one statement: at most 8 MB. */
const AT_ONCE = 32;

export interface StoredFile {
  sha256: string;
  mediaType: string;
  size: number;
}

export async function fileAt(db: Database | Write, collectionId: number, path: string): Promise<StoredFile | undefined> {
  return db
    .selectFrom('assets')
    .innerJoin('files', 'files.sha256', 'assets.sha256')
    .select(['files.sha256', 'files.media_type as mediaType', 'files.size'])
    .where('collection_id', '=', collectionId)
    .where('path', '=', path)
    .executeTakeFirst();
}

/** Bytes of a file from `from` up to `to`, a piece at a time, so that a long one is never held whole. */
export async function* bytesOf(db: Database | Write, file: StoredFile, from = 0, to = file.size): AsyncGenerator<Buffer> {
  for (let nth = Math.floor(from / PIECE); nth * PIECE < to; nth++) {
    const piece = await db
      .selectFrom('file_pieces')
      .select('bytes')
      .where('sha256', '=', file.sha256)
      .where('nth', '=', nth)
      .executeTakeFirstOrThrow();
    yield piece.bytes.subarray(Math.max(0, from - nth * PIECE), Math.min(PIECE, to - nth * PIECE));
  }
}

/** All the bytes of a file, for one that may be held whole. */
export async function bytesWhole(db: Database | Write, file: StoredFile): Promise<Buffer> {
  const parts: Buffer[] = [];
  for await (const part of bytesOf(db, file)) parts.push(part);
  return Buffer.concat(parts);
}

/**
 * Lets a file of a collection lie at a second path too; the first goes on working. Nothing happens when there is no such file, or the
 * place is taken.
 */
export async function placeFileAlsoAt(trx: Write, collectionId: number, from: string, to: string): Promise<void> {
  await trx
    .insertInto('assets')
    .columns(['collection_id', 'path', 'sha256'])
    .expression((eb) =>
      eb
        .selectFrom('assets')
        .select(['collection_id', eb.val(to).as('path'), 'sha256'])
        .where('collection_id', '=', collectionId)
        .where('path', '=', from),
    )
    .onConflict((on) => on.doNothing())
    .execute();
}
