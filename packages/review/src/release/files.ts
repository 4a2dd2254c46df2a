import { HostTrouble, type Connector } from '@inkwell/host';
import {
  bytesWhole,
  connectionOf,
  filesOf,
  hashOf,
  hostFiles,
  lapseForFiles,
  linkFiles,
  linkedPages,
  pagesNaming,
  placeFiles,
  SYSTEM,
  unlinkFiles,
  writing,
  type Connection,
  type FileOfPage,
  type HostFileRow,
  type NewFile,
} from '@inkwell/store';
import { enqueue } from '@inkwell/work';
import type { Actor } from '../actor.ts';
import { inCollection } from '../inCollection.ts';
import { auditJob, lookAtImagesJob } from '../jobs.ts';
import { mediaTypeOf } from '../packages/mediaTypes.ts';
import { done, refused, type Result } from '../problems.ts';
import type { Services } from '../services.ts';
import { connectorOf, LONGEST } from './connector.ts';
import { NOT_CONNECTED, tried } from './hosts.ts';

/** Bytes of files from a host that are written at once, about. */
const AT_ONCE = 8_000_000;

/** The sum of a file that was put on the host, and that nobody has read there yet: it is put there again. */
const UNREAD = '';

/** A file of a host as it was just read, and what is to become of it. */
interface Read {
  row: HostFileRow;
  /** Its bytes, where they are to lie here too, and whether in the place of others. */
  takes: { bytes: Uint8Array; replaces: boolean } | null;
}

/**
 * Looks at the files of a collection on its host. What is new there, or changed there alone, lies here too after it, and pages that show it
 * are looked at again; what is another one on both sides is told and left. Files longer than an answer may be stay where they are.
 */
export async function pullFiles(services: Services, connection: Connection, host: Connector): Promise<void> {
  const { collection_id: collection, place } = connection;
  const listed = (await host.files(place)).filter(({ path, size }) => isPath(path) && size <= LONGEST);
  const known = new Map((await hostFiles(services.db, collection)).map((row) => [row.path, row]));
  const here = new Map((await filesOf(services.db, collection)).map(({ path, sha256 }) => [path, sha256]));
  const pages = new Set((await linkedPages(services.db, collection)).map(({ address }) => address));
  let some: Read[] = [];
  for (const { path, tag } of listed.filter((one) => known.get(one.path)?.tag !== one.tag && !pages.has(one.path))) {
    const bytes = await host.file(place, path);
    if (bytes) some.push(judged(path, tag, bytes, known.get(path), here.get(path)));
    if (some.reduce((sum, { takes }) => sum + (takes?.bytes.length ?? 0), 0) > AT_ONCE) {
      await take(services, collection, some);
      some = [];
    }
  }
  await take(services, collection, some);
  const there = new Set(listed.map(({ path }) => path));
  const gone = [...known.keys()].filter((path) => !there.has(path));
  if (gone.length > 0) await writing(services.db, (trx) => unlinkFiles(trx, collection, gone));
}

/** A path that leads nowhere but down, as a file's of a collection. */
const isPath = (path: string) => path !== '' && path.length < 1_000 && !path.split('/').some((part) => /^\.{0,2}$|[\\\0]/.test(part));

/** `mine`: what lies at its path here. */
function judged(path: string, tag: string, bytes: Uint8Array, known: HostFileRow | undefined, mine: string | undefined): Read {
  const sha256 = hashOf(bytes);
  if (mine === sha256) return { row: { path, tag, sha256, differs: false }, takes: null };
  const isTheirs = mine === undefined || (known !== undefined && !known.differs && known.sha256 === mine);
  return { row: { path, tag, sha256, differs: !isTheirs }, takes: isTheirs ? { bytes, replaces: mine !== undefined } : null };
}

/** Lets files of the host lie here. A page that was signed while it showed another one in its place is signed no more. */
async function take(services: Services, collection: number, read: readonly Read[]): Promise<void> {
  const files = read.flatMap(({ row, takes }): NewFile[] =>
    takes ? [{ path: row.path, mediaType: mediaTypeOf(row.path), bytes: takes.bytes }] : [],
  );
  await writing(services.db, async (trx) => {
    await linkFiles(
      trx,
      collection,
      read.map(({ row }) => row),
    );
    if (files.length === 0) return;
    await placeFiles(trx, collection, files);
    const paths = files.map(({ path }) => path);
    const pages = await pagesNaming(trx, collection, 0, { links: paths, images: paths, sheets: paths });
    const replaced = read.flatMap(({ row, takes }) => (takes?.replaces ? [row.path] : []));
    await lapseForFiles(trx, await pagesNaming(trx, collection, 0, { images: replaced, sheets: replaced }), SYSTEM);
    await enqueue(trx, SYSTEM, [...pages.map(auditJob), lookAtImagesJob(collection)]);
  });
}

/**
 * Puts the files that a page shows on its host, where they are not there as they are here, and reads each back. Gives why the page may not
 * go out, or null.
 *
 * @throws HostTrouble
 */
export async function sendFiles(
  services: Services,
  connection: Connection,
  host: Connector,
  files: readonly FileOfPage[],
): Promise<string | null> {
  const others = files.filter(({ there, sha256 }) => there?.sha256 !== sha256);
  const why = await barred(connection, host, others);
  if (why !== null) return why;
  const sent = new Map<string, HostFileRow>();
  try {
    for (const file of others.filter(({ size }) => size <= LONGEST)) {
      const bytes = await bytesWhole(services.db, file);
      const put = await host.putFile(connection.place, file.path, { mediaType: file.mediaType, bytes }, file.there?.tag ?? null);
      if (!put.ok) return `The file ${file.path} was changed on the host meanwhile. Nothing was written over it.`;
      const row = { path: file.path, tag: put.tag, sha256: UNREAD, differs: false };
      sent.set(file.path, row);
      const back = await host.file(connection.place, file.path);
      if (!back || hashOf(back) !== file.sha256)
        throw new HostTrouble('away', `The host took the file ${file.path}, and shows ${back ? 'other bytes' : 'none'}.`);
      sent.set(file.path, { ...row, sha256: file.sha256 });
    }
    return null;
  } finally {
    await linkFiles(services.db, connection.collection_id, [...sent.values()]);
  }
}

/** Why files that are not on the host as they are here keep their page in. Of those too long to be read, their length tells. */
async function barred({ place }: Connection, host: Connector, others: readonly FileOfPage[]): Promise<string | null> {
  const both = others.find(({ there }) => there?.differs);
  if (both) return `The file ${both.path} is another one on the host than here, and nobody said yet which is to stay.`;
  const long = others.filter(({ size }) => size > LONGEST);
  if (long.length === 0) return null;
  const sizes = new Map((await host.files(place)).map(({ path, size }) => [path, size]));
  const missing = long.find(({ path, size }) => sizes.get(path) !== size);
  return missing
    ? `The file ${missing.path} is longer than ${LONGEST / 1_000_000} MB, and is not on the host as it is here: put it there by hand.`
    : null;
}

/** Settles files that are others on both sides: those there lie here too from now on, or those here are to go there. */
export async function settleFiles(
  services: Services,
  actor: Actor,
  wish: { collection: string; take: 'theirs' | 'ours' },
): Promise<Result<null>> {
  const found = await inCollection(services.db, actor, 'change a page', wish.collection);
  if (!found.ok) return found;
  const connection = await connectionOf(services.db, found.value.id);
  if (!connection) return NOT_CONNECTED;
  const rows = (await hostFiles(services.db, found.value.id)).filter(({ differs }) => differs);
  if (rows.length === 0) return refused({ code: 'nothing-to-do', what: 'No file differs on the host', kept: 'Nothing was changed.' });
  const settled = await tried(() => readAgain(connectorOf(connection.host), connection.place, rows, wish.take), 'Nothing was changed.');
  if (!settled.ok) return settled;
  await take(services, found.value.id, settled.value);
  return done(null);
}

/** Ours go over the very files that were seen; theirs are read as they are now. */
async function readAgain(host: Connector, place: string, rows: readonly HostFileRow[], which: 'theirs' | 'ours'): Promise<Read[]> {
  if (which === 'ours') return rows.map((row) => ({ row: { ...row, differs: false }, takes: null }));
  const tags = new Map((await host.files(place)).map(({ path, tag }) => [path, tag]));
  const read: Read[] = [];
  for (const row of rows) {
    const bytes = await host.file(place, row.path);
    const tag = tags.get(row.path);
    if (bytes && tag !== undefined)
      read.push({ row: { path: row.path, tag, sha256: hashOf(bytes), differs: false }, takes: { bytes, replaces: true } });
  }
  return read;
}
