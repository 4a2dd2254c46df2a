import { open, type FileHandle } from 'node:fs/promises';
import { promisify } from 'node:util';
import { fromRandomAccessReader, RandomAccessReader, type Entry, type Options, type ZipFile } from 'yauzl';
import type { Limits } from './limits.ts';
import { leadsOutside, nameFrom } from './names.ts';

/** An entry as the directory has it; sizes in bytes. */
export interface PackedEntry {
  path: string;
  size: number;
  packed: number;
  /** 0 stored, 8 deflated; others cannot be read. */
  method: number;
  crc32: number;
  encrypted: boolean;
  /** A symbolic link: its bytes name another place, and are never followed. */
  link: boolean;
  /** Offset of its local header in the archive. */
  at: number;
  /** Where its record in the directory is. */
  record: { at: number; length: number };
}

export interface Directory {
  file: string;
  bytes: number;
  /** Offset of the directory. */
  at: number;
  /** Every record, in the directory's order; folders too. */
  entries: PackedEntry[];
}

export type ZipRefusal = 'not a zip' | 'damaged' | 'too many entries' | 'too large' | 'bomb' | 'outside';

/** Why an archive is not opened at all. */
export class RefusedZip extends Error {
  constructor(
    readonly reason: ZipRefusal,
    detail: string,
  ) {
    super(detail);
  }
}

/** Whether a file begins as an archive does, an empty one too; what it is called does not matter. */
export async function isZip(path: string): Promise<boolean> {
  const file = await open(path, 'r');
  try {
    const head = Buffer.alloc(4);
    await file.read(head, 0, 4, 0);
    return [LOCAL_SIGNATURE, END_SIGNATURE].includes(head.readUInt32LE(0));
  } finally {
    await file.close();
  }
}

/**
 * Reads a zip's directory, and nothing else (APPNOTE.TXT 6.3.10, 4.3.12 and on). Throws RefusedZip for one that has none, is beyond the
 * limits, or would write outside its folder.
 */
export async function readDirectory(file: string, limits: Limits): Promise<Directory> {
  const handle = await open(file, 'r');
  try {
    const { size } = await handle.stat();
    const zip = await opened(file, handle, size);
    if (zip.entryCount > limits.entries)
      throw new RefusedZip('too many entries', `${zip.entryCount} entries, and ${limits.entries} are allowed`);
    const at = Number(zip.readEntryCursor);
    const entries = await entriesOf(zip, at);
    refuseHarm(entries, at, limits);
    return { file, bytes: size, at, entries };
  } finally {
    await handle.close();
  }
}

async function opened(file: string, handle: FileHandle, size: number): Promise<ZipFile> {
  try {
    return await promisify<RandomAccessReader, number, Options, ZipFile>(fromRandomAccessReader)(new Window(handle), size, OPTIONS);
  } catch (error) {
    throw new RefusedZip((await isZip(file)) ? 'damaged' : 'not a zip', (error as Error).message);
  }
}

/** Bytes read at once: a directory has two small reads for each entry. */
const WINDOW = 1024 * 1024;

/** Reads ahead, and answers from what it has. */
class Window extends RandomAccessReader {
  private bytes = Buffer.alloc(0);
  private from = 0;

  constructor(private readonly handle: FileHandle) {
    super();
  }

  override read(to: Buffer, offset: number, length: number, position: number, callback: (error: Error | null) => void): void {
    const answer = () => {
      const at = position - this.from;
      const there = this.bytes.copy(to, offset, at, at + length);
      callback(there < length ? new Error('it ends too early') : null);
    };
    if (position >= this.from && position + length <= this.from + this.bytes.length) return queueMicrotask(answer);
    const ahead = Buffer.alloc(Math.max(WINDOW, length));
    this.handle.read(ahead, 0, ahead.length, position).then(({ bytesRead }) => {
      [this.bytes, this.from] = [ahead.subarray(0, bytesRead), position];
      answer();
    }, callback);
  }

  override _readStreamForRange(): never {
    throw new Error('Entries are not read through the directory.');
  }
}

const OPTIONS: Options = { lazyEntries: true, autoClose: false, decodeStrings: false, validateEntrySizes: false };

/** Beginning of a record, before its name (APPNOTE.TXT 4.3.12). */
const RECORD = 46;

function entriesOf(zip: ZipFile, from: number): Promise<PackedEntry[]> {
  return new Promise((resolve, reject) => {
    const entries: PackedEntry[] = [];
    let at = from;
    zip.on('error', (error: Error) => reject(new RefusedZip('damaged', error.message)));
    zip.on('end', () => resolve(entries));
    zip.on('entry', (entry: Entry) => {
      const length = RECORD + entry.fileNameLength + entry.extraFieldLength + entry.fileCommentLength;
      entries.push(packedEntry(entry, { at, length }));
      at += length;
      zip.readEntry();
    });
    zip.readEntry();
  });
}

function packedEntry(entry: Entry, record: PackedEntry['record']): PackedEntry {
  return {
    path: nameFrom(entry.generalPurposeBitFlag, entry.fileNameRaw, entry.extraFields),
    size: entry.uncompressedSize,
    packed: entry.compressedSize,
    method: entry.compressionMethod,
    crc32: entry.crc32,
    encrypted: entry.isEncrypted(),
    link: isLink(entry),
    at: entry.relativeOffsetOfLocalHeader,
    record,
  };
}

/** Unix file types in the upper half of the attributes (common practice of zip programs): 0xa000 is a link. */
function isLink({ versionMadeBy, externalFileAttributes }: Entry): boolean {
  const system = versionMadeBy >> 8;
  return (system === 3 || system === 19) && ((externalFileAttributes >>> 16) & 0xf000) === 0xa000;
}

function refuseHarm(entries: readonly PackedEntry[], directoryAt: number, limits: Limits): void {
  const outside = entries.find(({ path }) => leadsOutside(path));
  if (outside) throw new RefusedZip('outside', outside.path);
  const unpacked = sum(entries, (entry) => entry.size);
  if (unpacked > limits.unpacked)
    throw new RefusedZip('too large', `${megabytes(unpacked)} unpacked, and ${megabytes(limits.unpacked)} are allowed`);
  const blown = ({ size, packed }: { size: number; packed: number }) => size > limits.ratioFrom && size > packed * limits.ratio;
  const bomb = entries.find(blown);
  if (bomb) throw new RefusedZip('bomb', `${bomb.path} unpacks to ${megabytes(bomb.size)}, more than ${limits.ratio} times its size`);
  if (blown({ size: unpacked, packed: sum(entries, (entry) => entry.packed) }))
    throw new RefusedZip('bomb', `it unpacks to ${megabytes(unpacked)}, more than ${limits.ratio} times its size`);
  refuseOverlaps(entries, directoryAt);
}

/** Entries that share bytes unpack to far more than there is. */
function refuseOverlaps(entries: readonly PackedEntry[], directoryAt: number): void {
  const placed = [...entries].sort((a, b) => a.at - b.at);
  for (const [nth, entry] of placed.entries()) {
    const end = placed[nth + 1]?.at ?? directoryAt;
    if (entry.at + LOCAL + entry.packed > end && entry.packed > 0)
      throw new RefusedZip(nth + 1 < placed.length ? 'bomb' : 'damaged', `${entry.path} reaches into what follows it`);
  }
}

/** Beginning of a local header, before its name (APPNOTE.TXT 4.3.7). */
export const LOCAL = 30;
export const LOCAL_SIGNATURE = 0x04034b50;
/** That of the end of a directory (APPNOTE.TXT 4.3.16). */
export const END_SIGNATURE = 0x06054b50;

const sum = (entries: readonly PackedEntry[], of: (entry: PackedEntry) => number) => entries.reduce((so, entry) => so + of(entry), 0);
const megabytes = (bytes: number) => `${Math.ceil(bytes / 1024 / 1024)} MB`;
