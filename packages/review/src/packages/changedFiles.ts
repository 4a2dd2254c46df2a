import { applyEdits, changeBetween, renameInXml, type Renames } from '@inkwell/core';
import {
  decodeHtml,
  encodeEdits,
  readPlace,
  UnreadableEntry,
  type Mended,
  type PackedEntry,
  type Source,
  type SourceFile,
} from '@inkwell/formats';
import { bytesWhole, filesChanged, redirectsOf, type Database } from '@inkwell/store';

/** Longest XML file that is looked through for names of files, in bytes. */
const LONGEST = 20 * 1024 * 1024;

/** Where files of a collection lie now that have another name than in their package. */
export async function renamesOf(db: Database, collectionId: number): Promise<Renames> {
  return new Map((await redirectsOf(db, collectionId)).map(({ path, leads_to: to }) => [path, to]));
}

/**
 * Entries of a package that are no pages and changed: with another name, with other bytes, and XML that names the former, in the
 * order of their places. `isSeenTo`: pages, and what is named anew.
 */
export async function* changedFiles(
  db: Database,
  collectionId: number,
  source: Source,
  entryOf: (file: SourceFile) => PackedEntry,
  isSeenTo: (path: string, at: number) => boolean,
): AsyncGenerator<Mended> {
  const [renames, changed] = [await renamesOf(db, collectionId), await filesChanged(db, collectionId)];
  if (renames.size === 0 && changed.length === 0) return;
  const now = new Map(changed.map((file) => [file.path, file]));
  const files = source.files.filter((file) => !isSeenTo(file.path, entryOf(file).at)).sort((a, b) => entryOf(a).at - entryOf(b).at);
  for (const file of files) {
    const name = renames.get(file.path);
    const other = now.get(name ?? file.path);
    const bytes = other ? await bytesWhole(db, { ...other, mediaType: '' }) : await namingAgain(file, renames);
    if (bytes || name !== undefined) yield { entry: entryOf(file), bytes, ...(name === undefined ? {} : { name }) };
  }
}

/** An XML file in which names of renamed files follow; null where it names none. */
async function namingAgain(file: SourceFile, renames: Renames): Promise<Uint8Array | null> {
  if (renames.size === 0 || !/\.(?:xml|opf|ncx)$/i.test(file.path)) return null;
  try {
    return renamedIn(await readPlace(file.place, LONGEST), file.path, renames);
  } catch (error) {
    if (error instanceof UnreadableEntry) return null;
    throw error;
  }
}

/** An XML file's bytes with the names of renamed files following; null where it names none of them. */
export function renamedIn(bytes: Uint8Array, path: string, renames: Renames): Uint8Array | null {
  const read = decodeHtml(bytes);
  if (!read.ok) return null;
  const edits = renameInXml(read.text, path, renames);
  if (edits.length === 0) return null;
  const written = encodeEdits(bytes, read, changeBetween(read.text, applyEdits(read.text, edits)).edits);
  return written.ok ? written.bytes : null;
}
