import { stat } from 'node:fs/promises';
import {
  decodeHtml,
  folderSource,
  isZip,
  LARGEST_PAGE,
  limitsFrom,
  pagesInXml,
  readCollection,
  readPlace,
  RefusedZip,
  UnreadableEntry,
  zipSource,
  type Collection,
  type DecodeFailure,
  type Directory,
  type EntryPlace,
  type ZipRefusal,
} from '@inkwell/formats';
import { CallError } from './call.ts';

export interface PageFile {
  /** As it is reported: its name in its collection, or the path that was given. */
  path: string;
  /** Where its file is read from; null for standard input. */
  place: EntryPlace | null;
  /** The element of an XML file that holds it; null when the file is the page. */
  inside: string | null;
  /** What its manifest calls it; '' when nothing does. */
  title: string;
  /** Whether a manifest names it; null where there is none. */
  listed: boolean | null;
  /** Of the collections of a call, which one it is in: its pages know of one another. Null for a page alone. */
  of: number | null;
}

/** A folder or a package of a call. */
export interface Whole extends Collection {
  /** The path that was given. */
  root: string;
  /** The archive's directory; null for a folder. */
  directory: Directory | null;
}

export interface Opened {
  pages: PageFile[];
  wholes: Whole[];
}

/** The pages behind the paths of a call; those of folders and packages in reading order, but for a site's, whose links are not read yet. */
export async function openPaths(paths: readonly string[]): Promise<Opened> {
  const opened: Opened = { pages: [], wholes: [] };
  for (const path of paths) {
    const whole = await wholeAt(path);
    if (whole) {
      const of = opened.wholes.push(whole) - 1;
      for (const { path: name, file, inside, title, listed } of whole.pages)
        opened.pages.push({ path: name, place: file.place, inside, title, listed, of });
    } else opened.pages.push(alone(path));
  }
  return opened;
}

/** The page at a path that is no folder and no package. */
function alone(path: string): PageFile {
  return { path, place: path === '-' ? null : { in: 'folder', file: path }, inside: null, title: '', listed: null, of: null };
}

/** The collection at a path; null when there is one page. What it is is told from what is inside. */
async function wholeAt(path: string): Promise<Whole | null> {
  const kind = path === '-' ? 'page' : await kindOf(path);
  if (kind === 'page') return null;
  const source = kind === 'folder' ? await folderSource(path) : await zipAt(path);
  const collection = await readCollection(source);
  if (kind === 'folder' && collection.pages.length === 0)
    throw new CallError(`${path} holds no HTML pages; name a folder with .html files in it`);
  return { ...collection, root: path, directory: source.directory };
}

async function kindOf(path: string): Promise<'folder' | 'zip' | 'page'> {
  const about = await stat(path).catch((error: NodeJS.ErrnoException) => {
    throw new CallError(
      `${path} ${error.code === 'ENOENT' ? 'does not exist' : `cannot be read (${error.code})`}; name an HTML file, a folder or a package`,
    );
  });
  if (about.isDirectory()) return 'folder';
  const zip = await isZip(path).catch((error: NodeJS.ErrnoException) => {
    throw new CallError(`${path} cannot be read (${error.code ?? error.message})`);
  });
  return zip ? 'zip' : 'page';
}

const REFUSALS: Record<ZipRefusal, string> = {
  'not a zip': 'is no zip archive; name a .zip, a course package or an EPUB',
  damaged: 'cannot be opened: its directory is missing or damaged; get it anew from where it came',
  'too many entries': 'holds too many entries; split it, or raise INKWELL_MOST_ENTRIES',
  'too large': 'is too large unpacked; split it, or raise INKWELL_MOST_UNPACKED_MB',
  bomb: 'unpacks to far more than a collection of pages would, and was not opened; raise INKWELL_MOST_RATIO if you trust it',
  outside: 'would write outside its own folder, and was not opened',
};

async function zipAt(path: string) {
  try {
    return await zipSource(path, limitsFrom(process.env));
  } catch (error) {
    if (!(error instanceof RefusedZip)) throw error;
    throw new CallError(`${path} ${REFUSALS[error.reason]} (${error.message})`);
  }
}

const FAILURES: Record<DecodeFailure, string> = {
  empty: 'is empty; there is nothing to examine',
  'too-large': `is larger than ${LARGEST_PAGE / 1024 / 1024} MB; split it`,
  'not-html': 'is no page of text; name an HTML file',
};

/** A page as it was read: its HTML, and the bytes of the file it lies in. */
export interface PageRead {
  html: string;
  bytes: Uint8Array;
}

/** Why a page could not be read: the end of a sentence. */
export class PageTrouble extends Error {}

/** A page's text; PageTrouble when it cannot be had. */
export async function readPage({ place, inside }: Pick<PageFile, 'place' | 'inside'>): Promise<PageRead> {
  const bytes = place === null ? await standardInput() : await bytesAt(place);
  const read = decodeHtml(bytes);
  if (!read.ok) throw new PageTrouble(FAILURES[read.reason]);
  if (inside === null) return { html: read.text, bytes };
  const found = pagesInXml(read.text).find(({ path }) => path === inside);
  if (!found) throw new PageTrouble('is not in its XML file any more');
  return { html: found.html, bytes };
}

async function bytesAt(place: EntryPlace): Promise<Uint8Array> {
  try {
    return await readPlace(place, LARGEST_PAGE);
  } catch (error) {
    if (error instanceof UnreadableEntry) throw new PageTrouble(error.message);
    throw error;
  }
}

/** What came on standard input: it can be read once, and may be asked for again. */
let standard: Promise<Uint8Array> | undefined;
const standardInput = () => (standard ??= readStandardInput());

async function readStandardInput(): Promise<Uint8Array> {
  const parts: Buffer[] = [];
  for await (const part of process.stdin) parts.push(part as Buffer);
  return Buffer.concat(parts);
}
