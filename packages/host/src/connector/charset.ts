/** A page's bytes as text, and the way back to bytes of the same kind. */
export interface ReadBytes {
  text: string;
  /** Null where a character of the text has no place in the encoding. */
  encode(text: string): Uint8Array | null;
}

/** The encoding that a page names within its first 1,024 bytes (HTML Living Standard, prescan), as far as a browser knows it. */
function declared(bytes: Uint8Array): string | null {
  const head = Buffer.from(bytes.subarray(0, 1024)).toString('latin1');
  const label =
    /<meta[^>]+charset\s*=\s*["']?\s*([\w.:-]+)/i.exec(head)?.[1] ?? /^<\?xml[^>]+encoding\s*=\s*["']([\w.:-]+)/i.exec(head)?.[1];
  try {
    return label ? new TextDecoder(label).encoding : null;
  } catch {
    return null;
  }
}

/** 0x80 to 0x9f of windows-1252 (Encoding Standard, index windows-1252): some versions of Node.js read them as ISO 8859-1. */
const HIGH = '€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f\u0090‘’“”•–—˜™š›œ\u009džŸ';

function decodeIn(encoding: string, bytes: Uint8Array): string {
  if (encoding !== 'windows-1252') return new TextDecoder(encoding, { ignoreBOM: true }).decode(bytes);
  return Buffer.from(bytes)
    .toString('latin1')
    .replace(/[\u0080-\u009f]/g, (one) => HIGH[one.charCodeAt(0) - 0x80]!);
}

/** Reads a page in a folder: UTF-8 where its bytes are that, else as the page names it, else windows-1252 as browsers do. */
export function readBytes(bytes: Uint8Array): ReadBytes {
  try {
    // A byte order mark stays in the text, so that it goes back.
    const text = new TextDecoder('utf-8', { fatal: true, ignoreBOM: true }).decode(bytes);
    return { text, encode: (next) => Buffer.from(next) };
  } catch {
    const named = declared(bytes);
    const encoding = named === null || named === 'utf-8' ? 'windows-1252' : named;
    return { text: decodeIn(encoding, bytes), encode: (text) => encodeIn(encoding, text) };
  }
}

/** Text in an encoding of one byte a character; null where a character has none, or the encoding takes more. */
function encodeIn(encoding: string, text: string): Uint8Array | null {
  const byteOf = new Map<string, number>();
  for (let byte = 0; byte < 256; byte++) {
    const character = decodeIn(encoding, Uint8Array.of(byte));
    if (character.length === 1 && character !== '\ufffd') byteOf.set(character, byte);
  }
  const bytes = new Uint8Array(text.length);
  for (let at = 0; at < text.length; at++) {
    const byte = byteOf.get(text[at]!);
    if (byte === undefined) return null;
    bytes[at] = byte;
  }
  return bytes;
}
