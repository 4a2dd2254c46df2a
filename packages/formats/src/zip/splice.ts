import { open, type FileHandle } from 'node:fs/promises';
import { promisify } from 'node:util';
import { crc32, deflateRaw } from 'node:zlib';
import { END_SIGNATURE, LOCAL, LOCAL_SIGNATURE, type Directory, type PackedEntry } from './directory.ts';
import { exactly } from './entry.ts';

export interface Mended {
  entry: PackedEntry;
  /** Null when only its name changes: its packed bytes are copied. */
  bytes: Uint8Array | null;
  /** Its name from now on. */
  name?: string;
}

/** A file that the archive did not hold. */
export interface Added {
  path: string;
  bytes: Uint8Array;
}

/** What a mended entry's headers say from now on. */
interface Written {
  crc32: number;
  packed: number;
  size: number;
}

interface Changed {
  now: Written;
  name: string | null;
}

/** Bytes copied at once. */
const BLOCK = 1024 * 1024;

/**
 * Writes an archive anew with some entries mended. All other entries are copied as they lie, headers and packed bytes, in their order;
 * a mended one keeps its name, method, date, attributes and extra fields. Of the directory only sizes, checksums and offsets change
 * (APPNOTE.TXT 6.3.10). `mended` comes in the order of the entries' places in the archive, and is taken one at a time; what is `added`
 * comes after all others.
 */
export async function spliceZip(
  directory: Directory,
  mended: AsyncIterable<Mended>,
  to: string,
  added: AsyncIterable<Added> | readonly Added[] = [],
): Promise<void> {
  const [from, out] = [await open(directory.file, 'r'), await open(to, 'w')];
  try {
    const splice = new Splice(from, out, directory);
    for await (const one of mended) await splice.replace(one);
    await splice.copyAll();
    for await (const one of added) await splice.add(one);
    await splice.finish();
  } finally {
    await from.close();
    await out.close();
  }
}

class Splice {
  /** How far the old archive has been copied. */
  private copied = 0;
  /** How much has been written. */
  private written = 0;
  /** Records of what was added. */
  private readonly newRecords: Buffer[] = [];
  private readonly placed: PackedEntry[];
  private readonly order: Map<PackedEntry, number>;
  private readonly changed = new Map<PackedEntry, Changed>();
  /** By how much what lies from an offset on has moved, the latest last. */
  private readonly shifts: { from: number; by: number }[] = [];

  constructor(
    private readonly from: FileHandle,
    private readonly out: FileHandle,
    private readonly directory: Directory,
  ) {
    this.placed = [...directory.entries].sort((a, b) => a.at - b.at);
    this.order = new Map(this.placed.map((entry, nth) => [entry, nth]));
  }

  async replace({ entry, bytes, name }: Mended): Promise<void> {
    await this.copyTo(entry.at);
    const start = await exactly(this.from, entry.at, LOCAL);
    const header = await exactly(this.from, entry.at, LOCAL + start.readUInt16LE(26) + start.readUInt16LE(28));
    const packed = bytes && (entry.method === 0 ? Buffer.from(bytes) : await promisify<Uint8Array, Buffer>(deflateRaw)(bytes));
    const now: Written =
      bytes && packed
        ? { crc32: crc32(bytes), packed: packed.length, size: bytes.length }
        : { crc32: entry.crc32, packed: entry.packed, size: entry.size };
    await this.write(withName(localHeader(header, now), name ?? null, LOCAL_NAME));
    if (packed) await this.write(packed);
    else {
      this.copied = entry.at + header.length;
      await this.copyTo(entry.at + header.length + entry.packed);
    }
    this.changed.set(entry, { now, name: name ?? null });
    this.copied = this.placed[this.order.get(entry)! + 1]?.at ?? this.directory.at;
    this.shifts.push({ from: this.copied, by: this.written - this.copied });
  }

  copyAll(): Promise<void> {
    return this.copyTo(this.directory.at);
  }

  async add({ path, bytes }: Added): Promise<void> {
    const packed = await promisify<Uint8Array, Buffer>(deflateRaw)(bytes);
    const { local, record } = newHeaders(path, { crc32: crc32(bytes), packed: packed.length, size: bytes.length }, this.written);
    this.newRecords.push(record);
    await this.write(local);
    await this.write(packed);
  }

  async finish(): Promise<void> {
    const directoryAt = this.written;
    const { entries, at, bytes } = this.directory;
    const end = entries.reduce((furthest, { record }) => Math.max(furthest, record.at + record.length), at);
    // Records are small: a directory of 200,000 is some 20 MB.
    const records = await exactly(this.from, at, end - at);
    const written: Buffer[] = [];
    for (const entry of entries) {
      const record = records.subarray(entry.record.at - at, entry.record.at - at + entry.record.length);
      const changed = this.changed.get(entry);
      mendRecord(record, changed?.now, entry.at + this.shiftAt(entry.at));
      written.push(withName(record, changed?.name ?? null, RECORD_NAME));
    }
    await this.write(Buffer.concat([...written, ...this.newRecords]));
    await this.write(tail(await exactly(this.from, end, bytes - end), directoryAt, this.written, this.newRecords.length));
  }

  private shiftAt(offset: number): number {
    let [low, high] = [0, this.shifts.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.shifts[middle]!.from <= offset) low = middle + 1;
      else high = middle;
    }
    return this.shifts[low - 1]?.by ?? 0;
  }

  private async copyTo(end: number): Promise<void> {
    while (this.copied < end) {
      const block = await exactly(this.from, this.copied, Math.min(BLOCK, end - this.copied));
      await this.write(block);
      this.copied += block.length;
    }
  }

  private async write(bytes: Uint8Array): Promise<void> {
    for (let done = 0; done < bytes.length;) done += (await this.out.write(bytes, done)).bytesWritten;
    this.written += bytes.length;
  }
}

/** Sizes follow in a descriptor behind the data (APPNOTE.TXT 4.4.4, bit 3). */
const DESCRIPTOR = 0x8;
const ZIP64 = 0x0001;
const IN_ZIP64 = 0xffffffff;
const IN_ZIP64_COUNT = 0xffff;
/** Names are UTF-8 (APPNOTE.TXT 4.4.4, bit 11). */
const UTF8 = 0x800;
/** The first day a zip can tell: what is added tells none, so that the same files make the same archive. */
const NO_DAY = 0x21;

/** Headers of an entry that is new: deflated, with a name in UTF-8 (APPNOTE.TXT 4.3.7, 4.3.12). */
function newHeaders(path: string, { crc32: sum, packed, size }: Written, at: number): { local: Buffer; record: Buffer } {
  const name = Buffer.from(path);
  const local = Buffer.alloc(LOCAL);
  local.writeUInt32LE(LOCAL_SIGNATURE, 0);
  const common = [20, UTF8, 8, 0, NO_DAY];
  common.forEach((value, nth) => local.writeUInt16LE(value, 4 + nth * 2));
  [sum, packed, size].forEach((value, nth) => local.writeUInt32LE(value, 14 + nth * 4));
  local.writeUInt16LE(name.length, 26);
  const record = Buffer.alloc(46);
  record.writeUInt32LE(0x02014b50, 0);
  record.writeUInt16LE(20, 4);
  local.copy(record, 6, 4, LOCAL);
  record.writeUInt32LE(at, 42);
  return { local: Buffer.concat([local, name]), record: Buffer.concat([record, name]) };
}

function localHeader(header: Buffer, now: Written): Buffer {
  header.writeUInt16LE(header.readUInt16LE(6) & ~DESCRIPTOR, 6);
  const extra = header.subarray(LOCAL + header.readUInt16LE(26));
  writeSizes(header, 14, extra, now, null);
  return header;
}

/** Where headers have their flags, the length of their name, and how long they are without it. */
const LOCAL_NAME = { flags: 6, length: 26, start: LOCAL };
const RECORD_NAME = { flags: 8, length: 28, start: 46 };
/** The Info-ZIP Unicode Path extra field (APPNOTE.TXT 4.6.9): it tells the name once more, and goes when that changes. */
const UNICODE_PATH = 0x7075;

/** A header with another name, in UTF-8; as it is when there is none. */
function withName(header: Buffer, name: string | null, { flags, length, start }: typeof LOCAL_NAME): Buffer {
  if (name === null) return header;
  const fresh = Buffer.from(name);
  const head = Buffer.from(header.subarray(0, start));
  const old = header.readUInt16LE(length);
  const extra = withoutField(header.subarray(start + old, start + old + header.readUInt16LE(length + 2)), UNICODE_PATH);
  const rest = header.subarray(start + old + header.readUInt16LE(length + 2));
  // eslint-disable-next-line no-control-regex -- ASCII is what needs no flag
  if (/[^\u0000-\u007f]/.test(name)) head.writeUInt16LE(head.readUInt16LE(flags) | UTF8, flags);
  head.writeUInt16LE(fresh.length, length);
  head.writeUInt16LE(extra.length, length + 2);
  return Buffer.concat([head, fresh, extra, rest]);
}

function withoutField(extra: Buffer, id: number): Buffer {
  const kept: Buffer[] = [];
  for (let at = 0; at + 4 <= extra.length; at += 4 + extra.readUInt16LE(at + 2))
    if (extra.readUInt16LE(at) !== id) kept.push(extra.subarray(at, at + 4 + extra.readUInt16LE(at + 2)));
  return Buffer.concat(kept);
}

function mendRecord(record: Buffer, now: Written | undefined, at: number): void {
  const name = record.readUInt16LE(28);
  const extra = record.subarray(46 + name, 46 + name + record.readUInt16LE(30));
  if (now) record.writeUInt16LE(record.readUInt16LE(8) & ~DESCRIPTOR, 8);
  writeSizes(record, 16, extra, now, { field: 42, value: at });
}

/** Writes checksum, sizes and offset where a header has them: in its own fields, or in the zip64 extra field (APPNOTE.TXT 4.5.3). */
function writeSizes(
  header: Buffer,
  crcAt: number,
  extra: Buffer,
  now: Written | undefined,
  offset: { field: number; value: number } | null,
): void {
  if (now) header.writeUInt32LE(now.crc32, crcAt);
  const wide = zip64In(extra);
  let at = 0;
  const put = (field: number, value: number | undefined) => {
    if (header.readUInt32LE(field) !== IN_ZIP64 || !wide) {
      if (value !== undefined) header.writeUInt32LE(value, field);
      return;
    }
    if (value !== undefined && at + 8 <= wide.length) wide.writeBigUInt64LE(BigInt(value), at);
    at += 8;
  };
  put(crcAt + 8, now?.size);
  put(crcAt + 4, now?.packed);
  if (offset) put(offset.field, offset.value);
}

function zip64In(extra: Buffer): Buffer | null {
  for (let at = 0; at + 4 <= extra.length;) {
    const length = extra.readUInt16LE(at + 2);
    if (extra.readUInt16LE(at) === ZIP64) return extra.subarray(at + 4, at + 4 + length);
    at += 4 + length;
  }
  return null;
}

/** What follows the directory: its zip64 end and locator where there are any, its end, the archive's comment (APPNOTE.TXT 4.3.14 to 16). */
function tail(bytes: Buffer, directoryAt: number, directoryEnd: number, added: number): Buffer {
  const size = directoryEnd - directoryAt;
  const end = endOf(bytes);
  const locator = end - 20;
  if (locator >= 0 && bytes.readUInt32LE(locator) === 0x07064b50) {
    bytes.writeBigUInt64LE(BigInt(directoryEnd), locator + 8);
    bytes.writeBigUInt64LE(BigInt(size), 40);
    bytes.writeBigUInt64LE(BigInt(directoryAt), 48);
    for (const field of [24, 32]) bytes.writeBigUInt64LE(bytes.readBigUInt64LE(field) + BigInt(added), field);
  }
  for (const field of [8, 10]) {
    const many = bytes.readUInt16LE(end + field);
    if (many !== IN_ZIP64_COUNT) bytes.writeUInt16LE(Math.min(many + added, IN_ZIP64_COUNT), end + field);
  }
  if (bytes.readUInt32LE(end + 12) !== IN_ZIP64) bytes.writeUInt32LE(size, end + 12);
  if (bytes.readUInt32LE(end + 16) !== IN_ZIP64) bytes.writeUInt32LE(directoryAt, end + 16);
  return bytes;
}

/** Where the end record begins: the one whose comment reaches to the last byte. */
function endOf(bytes: Buffer): number {
  for (let at = bytes.length - 22; at > 0; at--)
    if (bytes.readUInt32LE(at) === END_SIGNATURE && bytes.readUInt16LE(at + 20) === bytes.length - at - 22) return at;
  return 0;
}
