import { relativeTo } from '@inkwell/core';
import { decodeHtml } from '../html/decode.ts';
import { encodeEdits } from '../html/encode.ts';
import { isContainer, packageDocumentIn } from './book.ts';
import { isManifest } from './course.ts';
import { readPlace, type Source } from './source.ts';

/** The file of a package that names its others: a book's package document, or a course's manifest. */
export interface Naming {
  path: string;
  kind: 'book' | 'course';
}

export interface NamedFile {
  path: string;
  mediaType: string;
}

/** The file that names the others of a package; null for one that has none, as a site has. */
export async function namingIn({ files }: Source): Promise<Naming | null> {
  const shortest = (paths: string[]) => paths.sort((a, b) => a.length - b.length)[0];
  const container = shortest(files.filter(({ path }) => isContainer(path)).map(({ path }) => path));
  if (container !== undefined) {
    const read = decodeHtml(await readPlace(files.find(({ path }) => path === container)!.place, Infinity));
    const path = read.ok ? packageDocumentIn(read.text, container) : null;
    return path === null ? null : { path, kind: 'book' };
  }
  const manifest = shortest(files.filter(({ path }) => isManifest(path)).map(({ path }) => path));
  return manifest === undefined ? null : { path: manifest, kind: 'course' };
}

/**
 * A package document or manifest that names files besides those it names already: a reader of books shows no image that is not in its
 * manifest (EPUB 3.3, 5.6.1), and a course names every file it holds (IMS Common Cartridge 1.3, 4.3). Every other byte stays. Null where
 * it has no place for them.
 */
export function nameFiles(bytes: Uint8Array, { path, kind }: Naming, files: readonly NamedFile[]): Uint8Array | null {
  const read = decodeHtml(bytes);
  if (!read.ok) return null;
  const ends = [...read.text.matchAll(kind === 'book' ? /<\/((?:[\w.-]+:)?)manifest\s*>/g : /<\/((?:[\w.-]+:)?)resources\s*>/g)];
  const end = ends.at(-1);
  if (!end) return null;
  const folder = path.slice(0, path.lastIndexOf('/') + 1);
  let nth = 0;
  const nextId = () => {
    do nth++;
    while (read.text.includes(`"added-${nth}"`) || read.text.includes(`'added-${nth}'`));
    return `added-${nth}`;
  };
  const lines = files.map((file) => lineFor(kind, end[1]!, nextId(), { ...file, path: relativeTo(folder, file.path) }));
  const written = encodeEdits(bytes, read, [{ start: end.index, end: end.index, text: `${lines.join('\n')}\n` }]);
  return written.ok ? written.bytes : null;
}

function lineFor(kind: Naming['kind'], prefix: string, id: string, { path, mediaType }: NamedFile): string {
  const href = path.replace(/&/g, '&amp;').replace(/"/g, '&quot;').replace(/</g, '&lt;');
  return kind === 'book'
    ? `<${prefix}item id="${id}" href="${href}" media-type="${mediaType}"/>`
    : `<${prefix}resource identifier="${id}" type="webcontent" href="${href}"><${prefix}file href="${href}"/></${prefix}resource>`;
}
