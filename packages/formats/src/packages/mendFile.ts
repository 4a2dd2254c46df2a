import { append, applyEdits, changeBetween, type Edit } from '@inkwell/core';
import { decodeHtml } from '../html/decode.ts';
import { encodeEdits } from '../html/encode.ts';
import { editsInXml, pagesInXml } from './insideXml.ts';

/** A page of a file: what it was when it was read, and what it is now. */
export interface MendedText {
  /** The element of an XML file that holds it; null when it is the file. */
  inside: string | null;
  before: string;
  after: string;
}

/**
 * A file's bytes with its pages mended: whoever mends, the same texts give the same bytes. Every byte outside what differs stays. Fails
 * with the end of a sentence.
 */
export function mendFile(bytes: Uint8Array, pages: readonly MendedText[]): { ok: true; bytes: Uint8Array } | { ok: false; why: string } {
  const read = decodeHtml(bytes);
  if (!read.ok) return { ok: false, why: 'is no text any more' };
  const edits: Edit[] = [];
  const found = pages.some(({ inside }) => inside !== null) ? new Map(pagesInXml(read.text).map((one) => [one.path, one])) : null;
  for (const { inside, before, after } of pages) {
    const change = changeBetween(before, after).edits;
    if (inside === null) {
      if (read.text !== before) return { ok: false, why: CHANGED };
      append(edits, change);
      continue;
    }
    const held = found!.get(inside);
    if (held?.html !== before) return { ok: false, why: CHANGED };
    append(edits, editsInXml(read.text, held, change));
  }
  edits.sort((a, b) => a.start - b.start);
  if (found && !readsBack(read.text, edits, pages)) return { ok: false, why: 'could not be fixed in its XML, and was left as it is' };
  const written = encodeEdits(bytes, read, edits);
  if (written.ok) return written;
  const letters = written.letters.map((letter) => `“${letter}” (write &#${letter.codePointAt(0)};)`).join(', ');
  return {
    ok: false,
    why: `is in ${read.encoding}, which has no ${letters}; write it as that character reference, or save the page as UTF-8 first`,
  };
}

const CHANGED = 'is not what it was when its pages were read';

/** Whether each page in an XML file is what it was to become; one that was emptied is none any more. */
function readsBack(xml: string, edits: readonly Edit[], pages: readonly MendedText[]): boolean {
  const now = new Map(pagesInXml(applyEdits(xml, edits)).map(({ path, html }) => [path, html]));
  return pages.every(({ inside, after }) => inside === null || (now.get(inside) ?? '').trim() === after.trim());
}
