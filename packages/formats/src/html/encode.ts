import { lookup, type Edit } from '@inkwell/core';
import { decodeText, type Decoded } from './decode.ts';

export type Encoded = { ok: true; bytes: Uint8Array } | { ok: false; letters: string[] };

/**
 * The bytes of a page after edits to its decoded text. Bytes outside the edits are copied, never made anew; what the edits put in is
 * written in the encoding the page was read in. Fails with the letters that encoding does not have.
 */
export function encodeEdits(bytes: Uint8Array, read: Pick<Decoded, 'encoding' | 'bom' | 'text'>, edits: readonly Edit[]): Encoded {
  const offsets = byteOffsets(
    bytes,
    read,
    edits.flatMap((edit) => [edit.start, edit.end]),
  );
  const parts: Uint8Array[] = [];
  const missing = new Set<string>();
  let reached = 0;
  edits.forEach((edit, i) => {
    const put = encodeText(edit.text, read.encoding);
    if (!put.ok) for (const letter of put.letters) missing.add(letter);
    else parts.push(bytes.subarray(reached, offsets[2 * i]), put.bytes);
    reached = offsets[2 * i + 1]!;
  });
  if (missing.size > 0) return { ok: false, letters: [...missing] };
  return { ok: true, bytes: joined([...parts, bytes.subarray(reached)]) };
}

/** A text in an encoding of the WHATWG Encoding Standard, without a byte order mark. Fails with the letters it does not have. */
export function encodeText(text: string, encoding: string): Encoded {
  if (encoding === 'utf-8') return { ok: true, bytes: new TextEncoder().encode(text) };
  if (encoding === 'utf-16le' || encoding === 'utf-16be') return { ok: true, bytes: wide(text, encoding === 'utf-16le') };
  const table = tableOf(encoding);
  const parts: Uint8Array[] = [];
  const missing = new Set<string>();
  for (const letter of text) {
    const bytes = table.get(letter);
    if (bytes) parts.push(bytes);
    else missing.add(letter);
  }
  return missing.size > 0 ? { ok: false, letters: [...missing] } : { ok: true, bytes: joined(parts) };
}

function wide(text: string, little: boolean): Uint8Array {
  const view = new DataView(new ArrayBuffer(text.length * 2));
  for (let i = 0; i < text.length; i++) view.setUint16(i * 2, text.charCodeAt(i), little);
  return new Uint8Array(view.buffer);
}

function joined(parts: readonly Uint8Array[]): Uint8Array {
  const all = new Uint8Array(parts.reduce((length, part) => length + part.length, 0));
  let at = 0;
  for (const part of parts) {
    all.set(part, at);
    at += part.length;
  }
  return all;
}

const MARK_LENGTHS: Record<string, number> = { 'utf-8': 3, 'utf-16le': 2, 'utf-16be': 2 };

/** Where UTF-16 offsets of the decoded text, in ascending order, lie in the bytes. */
function byteOffsets(
  bytes: Uint8Array,
  { encoding, bom, text }: Pick<Decoded, 'encoding' | 'bom' | 'text'>,
  offsets: readonly number[],
): number[] {
  const from = bom ? lookup(MARK_LENGTHS, encoding)! : 0;
  if (encoding.startsWith('utf-16')) return offsets.map((offset) => from + 2 * offset);
  if (bytes.length - from === text.length) return offsets.map((offset) => from + offset);
  return encoding === 'utf-8' ? utf8Offsets(bytes, from, offsets) : walkedOffsets(bytes, encoding, from, offsets);
}

/** The same for UTF-8, letter by letter as its decoder takes them (WHATWG Encoding Standard): a broken one counts as one unit. */
function utf8Offsets(bytes: Uint8Array, from: number, offsets: readonly number[]): number[] {
  const found: number[] = [];
  let units = 0;
  let at = from;
  for (const wanted of offsets) {
    while (units < wanted && at < bytes.length) {
      const length = letterLength(bytes, at);
      units += length === 4 ? 2 : 1;
      at += Math.abs(length);
    }
    found.push(at);
  }
  return found;
}

/** Bytes of the letter that begins at a place; those of a broken one as a negative number. */
function letterLength(bytes: Uint8Array, at: number): number {
  const lead = bytes[at]!;
  if (lead < 0x80) return 1;
  const trails = TRAILS.find(({ from, to }) => lead >= from && lead <= to)?.many ?? 0;
  for (let i = 1; i <= trails; i++) {
    const [lowest, highest] = (i === 1 && SECOND.get(lead)) || [0x80, 0xbf];
    const trail = bytes[at + i];
    if (trail === undefined || trail < lowest || trail > highest) return -i;
  }
  return trails === 0 ? -1 : trails + 1;
}

/** Bytes that follow a first one. */
const TRAILS = [
  { from: 0xc2, to: 0xdf, many: 1 },
  { from: 0xe0, to: 0xef, many: 2 },
  { from: 0xf0, to: 0xf4, many: 3 },
];
/**
 * First bytes after which the second has narrower bounds: no spelling longer than needed, no half of a pair, nothing past the last letter.
 */
const SECOND: ReadonlyMap<number, readonly [number, number]> = new Map([
  [0xe0, [0xa0, 0xbf]],
  [0xed, [0x80, 0x9f]],
  [0xf0, [0x90, 0xbf]],
  [0xf4, [0x80, 0x8f]],
]);

/** Feeds a decoder byte by byte and notes where so many units have come out. A byte that ends a broken letter begins the next one. */
function walkedOffsets(bytes: Uint8Array, encoding: string, from: number, offsets: readonly number[]): number[] {
  const decoder = new TextDecoder(encoding, { ignoreBOM: true });
  const found: number[] = [];
  let units = 0;
  let at = from;
  const one = new Uint8Array(1);
  while (found.length < offsets.length) {
    const wanted = offsets[found.length]!;
    if (units >= wanted || at >= bytes.length) {
      found.push(at);
      continue;
    }
    one[0] = bytes[at]!;
    const { length } = decoder.decode(one, { stream: true });
    // An offset between what the last letters gave and what this byte gave lies right before this byte.
    for (let next = offsets[found.length]; next !== undefined && next > units && next < units + length; next = offsets[found.length])
      found.push(at);
    units += length;
    at++;
  }
  return found;
}

const tables = new Map<string, ReadonlyMap<string, Uint8Array>>();

/** Letters of an encoding of one or two bytes a letter, read back from the decoder itself; a letter with two spellings takes the first. */
function tableOf(encoding: string): ReadonlyMap<string, Uint8Array> {
  const known = tables.get(encoding);
  if (known) return known;
  const table = new Map<string, Uint8Array>();
  const take = (...bytes: number[]) => {
    const letter = decodeText(Uint8Array.from(bytes), encoding);
    if (letter !== '' && !letter.includes('\ufffd') && [...letter].length === 1 && !table.has(letter))
      table.set(letter, Uint8Array.from(bytes));
  };
  for (let byte = 0; byte < 256; byte++) take(byte);
  // ISO-2022-JP shifts between tables inside a text: only its plain letters are written.
  if (encoding !== 'iso-2022-jp')
    for (let lead = 0x81; lead < 0xff; lead++)
      if (!table.has(decodeText(Uint8Array.of(lead), encoding))) for (let trail = 0x40; trail < 0xff; trail++) take(lead, trail);
  tables.set(encoding, table);
  return table;
}
