import type { FileHandle } from 'node:fs/promises';
import { pipeline, Readable } from 'node:stream';
import { promisify } from 'node:util';
import { crc32, createInflateRaw, inflateRaw } from 'node:zlib';
import { LOCAL, LOCAL_SIGNATURE, type PackedEntry } from './directory.ts';

/** Why one entry could not be read; a sentence's end. */
export class UnreadableEntry extends Error {}

export type EntryData = Pick<PackedEntry, 'at' | 'size' | 'packed' | 'method' | 'crc32' | 'encrypted' | 'link'>;

/** An entry's bytes, unpacked and checked. Throws UnreadableEntry when they are not what the directory says, or more than `most`. */
export async function unpack(zip: FileHandle, entry: EntryData, most: number): Promise<Buffer> {
  refuseUnreadable(entry);
  if (entry.size > most) throw new UnreadableEntry(`is larger than ${Math.floor(most / 1024 / 1024)} MB, and was not read`);
  const packed = await exactly(zip, await dataStart(zip, entry), entry.packed);
  const bytes = entry.method === 0 ? packed : await inflated(packed, entry.size);
  if (bytes.length !== entry.size) throw new UnreadableEntry('is not as long as the package says; its data is damaged');
  if (crc32(bytes) !== entry.crc32) throw new UnreadableEntry('does not fit its checksum; its data is damaged');
  return bytes;
}

/** The same in parts, for one that is not to be held whole: what is wrong may be found only at its end. */
export async function* unpackInParts(zip: FileHandle, entry: EntryData): AsyncGenerator<Buffer> {
  refuseUnreadable(entry);
  const raw = Readable.from(packedParts(zip, await dataStart(zip, entry), entry.packed));
  // What fails in reading fails in unpacking.
  const parts = entry.method === 0 ? raw : pipeline(raw, createInflateRaw(), () => undefined);
  let [size, sum] = [0, 0];
  try {
    for await (const part of parts as AsyncIterable<Buffer>) {
      size += part.length;
      if (size > entry.size) throw new UnreadableEntry('unpacks to more than the package says, and was not read');
      sum = crc32(part, sum);
      yield part;
    }
  } catch (error) {
    if (error instanceof UnreadableEntry) throw error;
    throw new UnreadableEntry('cannot be unpacked; its data is damaged');
  }
  if (size !== entry.size || sum !== entry.crc32) throw new UnreadableEntry('does not fit its checksum; its data is damaged');
}

/** Bytes read at once. */
const PART = 256 * 1024;

async function* packedParts(zip: FileHandle, start: number, length: number): AsyncGenerator<Buffer> {
  for (let at = 0; at < length; at += PART) yield exactly(zip, start + at, Math.min(PART, length - at));
}

function refuseUnreadable({ encrypted, link, method }: EntryData): void {
  if (encrypted) throw new UnreadableEntry('is encrypted, and was not read');
  if (link) throw new UnreadableEntry('is a link to another place, and is not followed');
  if (method !== 0 && method !== 8) throw new UnreadableEntry(`is packed by a method (${method}) that cannot be read`);
}

/** Where an entry's own data begin: after its local header. */
export async function dataStart(zip: FileHandle, { at }: Pick<PackedEntry, 'at'>): Promise<number> {
  const head = await exactly(zip, at, LOCAL);
  if (head.readUInt32LE(0) !== LOCAL_SIGNATURE) throw new UnreadableEntry('is not where the package says; its data is damaged');
  return at + LOCAL + head.readUInt16LE(26) + head.readUInt16LE(28);
}

export async function exactly(zip: FileHandle, from: number, length: number): Promise<Buffer> {
  const bytes = Buffer.alloc(length);
  const { bytesRead } = await zip.read(bytes, 0, length, from);
  if (bytesRead < length) throw new UnreadableEntry('ends too early; its data is damaged');
  return bytes;
}

async function inflated(packed: Buffer, size: number): Promise<Buffer> {
  try {
    return await promisify<Buffer, { maxOutputLength: number }, Buffer>(inflateRaw)(packed, { maxOutputLength: Math.max(1, size) });
  } catch (error) {
    const more = (error as NodeJS.ErrnoException).code === 'ERR_BUFFER_TOO_LARGE';
    throw new UnreadableEntry(more ? 'unpacks to more than the package says, and was not read' : 'cannot be unpacked; its data is damaged');
  }
}
