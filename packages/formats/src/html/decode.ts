/** Largest page taken in, in bytes: twenty times the longest page of prose we have met. */
export const LARGEST_PAGE = 20 * 1024 * 1024;

export type DecodeFailure = 'empty' | 'too-large' | 'not-html';
export interface Decoded {
  ok: true;
  text: string;
  /** Label of the encoding the bytes were read in. */
  encoding: string;
  /** Whether the bytes began with a byte order mark, which is no part of the text. */
  bom: boolean;
  /** What had to be replaced to keep the text whole; 0 when nothing was. */
  replaced: number;
}

const MARKS: readonly (readonly [readonly number[], string])[] = [
  [[0xef, 0xbb, 0xbf], 'utf-8'],
  [[0xfe, 0xff], 'utf-16be'],
  [[0xff, 0xfe], 'utf-16le'],
];

/**
 * Reads the bytes of an HTML page: byte order mark, then the encoding the page names in its first 1,024 bytes, then UTF-8, then
 * windows-1252 (HTML Living Standard, "determining the character encoding", without transport). Fails on nothing to read, on too
 * much, and on bytes that are no text.
 */
export function decodeHtml(bytes: Uint8Array): Decoded | { ok: false; reason: DecodeFailure } {
  if (bytes.length === 0) return { ok: false, reason: 'empty' };
  if (bytes.length > LARGEST_PAGE) return { ok: false, reason: 'too-large' };
  const encoding = encodingOf(bytes);
  return cleanText(
    decodeText(bytes, encoding),
    encoding,
    MARKS.some(([mark, name]) => name === encoding && mark.every((byte, i) => bytes[i] === byte)),
  );
}

/** Bytes in an encoding as text. */
export function decodeText(bytes: Uint8Array, encoding: string): string {
  const text = new TextDecoder(encoding).decode(bytes);
  return encoding === 'windows-1252' ? withWindowsSigns(text) : text;
}

/** Signs 0x80 to 0x9f of windows-1252 (WHATWG Encoding Standard, its index). Node 20 decodes them as controls, so we set them right. */
const WINDOWS_SIGNS = '€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f\u0090‘’“”•–—˜™š›œ\u009džŸ';

function withWindowsSigns(text: string): string {
  return text.replace(/[\u0080-\u009f]/g, (sign) => WINDOWS_SIGNS[sign.charCodeAt(0) - 0x80]!);
}

/** The same checks for text that was pasted. */
export function acceptText(text: string): Decoded | { ok: false; reason: DecodeFailure } {
  if (text.length > LARGEST_PAGE) return { ok: false, reason: 'too-large' };
  return cleanText(text.replace(/^\ufeff/, ''), 'utf-8', false);
}

function encodingOf(bytes: Uint8Array): string {
  for (const [mark, name] of MARKS) if (mark.every((byte, i) => bytes[i] === byte)) return name;
  const wide = wideWithoutMark(bytes);
  if (wide) return wide;
  const named = namedEncoding(bytes);
  if (named) return named;
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return 'utf-8';
  } catch {
    return 'windows-1252';
  }
}

/** UTF-16 saved without a mark: every other byte of its first tags is zero. */
function wideWithoutMark(bytes: Uint8Array): string | null {
  if (bytes.length < 8) return null;
  if (bytes[0] === 0x3c && bytes[1] === 0 && bytes[3] === 0) return 'utf-16le';
  return bytes[0] === 0 && bytes[1] === 0x3c && bytes[2] === 0 ? 'utf-16be' : null;
}

function namedEncoding(bytes: Uint8Array): string | null {
  const start = new TextDecoder('latin1').decode(bytes.subarray(0, 1024));
  const label =
    /<meta[^>]{0,300}?charset\s*=\s*["']?\s*([\w:.-]{1,40})/i.exec(start)?.[1] ??
    /^<\?xml[^>]{0,200}?encoding\s*=\s*["']([\w:.-]{1,40})/.exec(start)?.[1];
  if (!label) return null;
  try {
    const { encoding } = new TextDecoder(label);
    // A page read as bytes that calls itself UTF-16 is not: the standard reads it as UTF-8.
    return encoding.startsWith('utf-16') ? 'utf-8' : encoding;
  } catch {
    return null;
  }
}

const BINARY_SHARE = 0.02;

function cleanText(text: string, encoding: string, bom: boolean): Decoded | { ok: false; reason: DecodeFailure } {
  if (!/\S/.test(text)) return { ok: false, reason: 'empty' };
  if (looksBinary(text)) return { ok: false, reason: 'not-html' };
  const whole = text.replaceAll('\u0000', '\ufffd').toWellFormed();
  return { ok: true, text: whole, encoding, bom, replaced: countReplaced(whole) };
}

/** A PDF, an image, a zip or the like: control characters that text does not have. */
function looksBinary(text: string): boolean {
  // eslint-disable-next-line no-control-regex -- the first bytes of an archive are controls
  if (/^(?:%PDF-|PK\u0003\u0004|[\u0089‰]PNG|GIF8[79]a|\u007fELF|\{\\rtf)/.test(text)) return true;
  const sample = text.slice(0, 4096);
  let odd = 0;
  for (let i = 0; i < sample.length; i++) {
    const unit = sample.charCodeAt(i);
    if ((unit < 32 && unit !== 9 && unit !== 10 && unit !== 12 && unit !== 13) || unit === 0xfffd) odd++;
  }
  return odd > Math.max(4, sample.length * BINARY_SHARE);
}

function countReplaced(text: string): number {
  let count = 0;
  for (let at = text.indexOf('\ufffd'); at >= 0; at = text.indexOf('\ufffd', at + 1)) count++;
  return count;
}

/** Whether a text has markup at all; plain words may still be wanted as a page. */
export function hasMarkup(text: string): boolean {
  return /<[a-z!/][^>]{0,4000}>/i.test(text);
}

/** A page whose encoding only its transport names says it itself from now on, so that what it becomes is read the same way. */
export function withCharset(bytes: Uint8Array, charset: string): Buffer {
  if (charset === '' || /^utf-?8$/i.test(charset)) return Buffer.concat([Buffer.from('\ufeff'), bytes]);
  try {
    return Buffer.from(`\ufeff${new TextDecoder(charset).decode(bytes)}`);
  } catch {
    return Buffer.from(bytes);
  }
}
