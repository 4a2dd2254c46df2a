import { append, FILE_BASE_FOLDER } from '@inkwell/core';
import { decodeHtml } from '../html/decode.ts';
import { UnreadableEntry } from '../zip/entry.ts';
import { isContainer, packageDocumentIn, readPackageDocument, readTableOfContents, type Book } from './book.ts';
import { isManifest, readManifest, type Contents } from './course.ts';
import { pagesInXml } from './insideXml.ts';
import { byCodePoint, readPlace, type Source, type SourceFile, type Trouble } from './source.ts';

export type CollectionKind = 'course' | 'site' | 'book';

export interface CollectionPage {
  /** Its file's name; for HTML inside XML with `#` and the element's path behind it. */
  path: string;
  file: SourceFile;
  /** The element of an XML file that holds it. */
  inside: string | null;
  /** What the manifest calls it; '' when it does not. */
  title: string;
  /** Whether a manifest names it; null where there is none. */
  listed: boolean | null;
  /** The parts of the collection it lies in, the outermost first: a course's units, a book's parts, a site's folders. */
  part: readonly string[];
}

export interface Collection {
  kind: CollectionKind;
  /** What its manifest calls it; '' without one. */
  title: string;
  /** In reading order, but those of a site: their order comes of their links (`siteOrder`). */
  pages: CollectionPage[];
  files: readonly SourceFile[];
  /** Where its table of contents leads to. */
  led: Contents['led'];
  /** Paths that lead somewhere: its files, links to what lies elsewhere, and what `$IMS-CC-FILEBASE$` stands for. */
  known: readonly string[];
  troubles: Trouble[];
}

/** Longest manifest, or XML file that may hold pages, in bytes. */
const LONGEST_XML = 20 * 1024 * 1024;

const PAGE_NAME = /\.x?html?$|\.xht$/i;

/** Tells a collection's kind from what is inside, and its pages. */
export async function readCollection(source: Source): Promise<Collection> {
  const reading = new Reading(source);
  const outermost = (is: (path: string) => boolean) =>
    source.files.filter(({ path }) => is(path)).sort((a, b) => a.path.length - b.path.length)[0];
  const manifest = outermost(isManifest);
  if (manifest) return reading.course(manifest);
  const container = outermost(isContainer);
  return container ? reading.book(container) : reading.site();
}

class Reading {
  private readonly byPath: ReadonlyMap<string, SourceFile>;
  private readonly troubles: Trouble[];

  constructor(private readonly source: Source) {
    this.byPath = new Map(source.files.map((file) => [file.path, file]));
    this.troubles = [...source.troubles];
  }

  site(): Collection {
    const pages = this.source.files.filter(({ path }) => PAGE_NAME.test(path)).map((file) => pageOf(file, '', null));
    const top = commonFolder(pages.map(({ path }) => path)).length;
    for (const page of pages) page.part = page.path.slice(top).split('/').slice(0, -1);
    return this.collection(
      'site',
      '',
      pages.sort((a, b) => byCodePoint(a.path, b.path)),
    );
  }

  async course(manifest: SourceFile): Promise<Collection> {
    const contents = await this.read(manifest, (text) => readManifest(text, manifest.path));
    this.missing(manifest, contents);
    const pages: CollectionPage[] = [];
    for (const file of this.inOrder(contents, (path) => PAGE_NAME.test(path) || (/\.xml$/i.test(path) && path !== manifest.path)))
      append(pages, await this.pagesOfCourse(file, contents));
    return this.collection('course', contents?.title ?? '', pages);
  }

  async book(container: SourceFile): Promise<Collection> {
    const at = packageDocumentIn((await this.text(container)) ?? '', container.path);
    const file = at === null ? undefined : this.byPath.get(at);
    if (!file) this.troubles.push({ path: container.path, what: 'names no package document that is there; the pages are read by path' });
    const contents: Book | null = file ? await this.read(file, (text) => readPackageDocument(text, file.path)) : null;
    if (file) this.missing(file, contents);
    const toc = contents?.contentsAt ? this.byPath.get(contents.contentsAt) : undefined;
    const { titles, parts, led } = readTableOfContents((toc && (await this.text(toc))) ?? '', toc?.path ?? '');
    const inSpine = new Set(contents?.order);
    const known = contents && { ...contents, titles, parts };
    const pages = this.inOrder(known, (path) => inSpine.has(path) || (PAGE_NAME.test(path) && !contents?.named.has(path))).map((one) =>
      pageOf(one, titles.get(one.path) ?? '', known && inSpine.has(one.path), parts.get(one.path)),
    );
    return this.collection('book', contents?.title ?? '', pages, [...(contents?.led ?? []), ...led]);
  }

  private collection(kind: CollectionKind, title: string, pages: CollectionPage[], led: Contents['led'] = []): Collection {
    const { files, links } = this.source;
    const paths = files.map(({ path }) => path);
    const known = [...paths, ...links, ...(kind === 'course' ? fileBaseAliases(paths) : [])];
    return { kind, title, pages, files, led, known, troubles: this.troubles };
  }

  /** Files that are wanted: those a manifest orders, then the rest by path. */
  private inOrder(contents: Contents | null, wanted: (path: string) => boolean): SourceFile[] {
    const ordered = (contents?.order ?? []).flatMap((path) => (wanted(path) ? (this.byPath.get(path) ?? []) : []));
    const first = new Set(ordered);
    const rest = this.source.files.filter((file) => wanted(file.path) && !first.has(file));
    return [...ordered, ...rest.sort((a, b) => byCodePoint(a.path, b.path))];
  }

  private async pagesOfCourse(file: SourceFile, contents: Contents | null): Promise<CollectionPage[]> {
    const listed = contents && contents.named.has(file.path);
    const title = contents?.titles.get(file.path) ?? '';
    const part = contents?.parts.get(file.path);
    if (PAGE_NAME.test(file.path)) return [pageOf(file, title, listed, part)];
    const text = (await this.text(file)) ?? '';
    if (!/texttype/.test(text)) return [];
    return pagesInXml(text).map((inside) => ({
      ...pageOf(file, title || inside.title, listed, part),
      path: `${file.path}#${inside.path}`,
      inside: inside.path,
    }));
  }

  private async text(file: SourceFile): Promise<string | null> {
    try {
      const read = decodeHtml(await readPlace(file.place, LONGEST_XML));
      return read.ok ? read.text : null;
    } catch (error) {
      if (!(error instanceof UnreadableEntry)) throw error;
      this.troubles.push({ path: file.path, what: error.message });
      return null;
    }
  }

  private async read<T extends Contents>(
    file: SourceFile,
    reader: (text: string) => { ok: true; contents: T } | { ok: false; reason: string },
  ): Promise<T | null> {
    const text = await this.text(file);
    if (text === null) return null;
    const read = reader(text);
    if (read.ok) return read.contents;
    this.troubles.push({ path: file.path, what: `${read.reason}; the pages are read by path` });
    return null;
  }

  private missing(manifest: SourceFile, contents: Contents | null): void {
    for (const path of contents?.named ?? [])
      if (!this.byPath.has(path)) this.troubles.push({ path: manifest.path, what: `names ${path}, which is not in the package` });
  }
}

function pageOf(file: SourceFile, title: string, listed: boolean | null, part: readonly string[] = []): CollectionPage {
  return { path: file.path, file, inside: null, title, listed, part };
}

/** Files under the folder that a course's own name for its files is resolved to, where they lie elsewhere. */
function fileBaseAliases(paths: readonly string[]): string[] {
  return paths.some((path) => path.startsWith(`${FILE_BASE_FOLDER}/`)) ? [] : paths.map((path) => `${FILE_BASE_FOLDER}/${path}`);
}

/** First pages of a site, in the order they are looked for. */
const FIRST = /^(?:index|default|home)\.(?:x?html?|xht)$/i;

/**
 * The order in which a site is read: breadth first along links from its root index, or else its first page by path; what no link leads
 * to comes after, by path.
 *
 * @param links paths each page leads to, in document order
 */
export function siteOrder<T extends { path: string }>(pages: readonly T[], links: (page: T) => readonly string[]): T[] {
  const byPath = new Map(pages.map((page) => [page.path, page]));
  const root = commonFolder(pages.map(({ path }) => path));
  const first = pages.filter(({ path }) => FIRST.test(path.slice(root.length))).sort((a, b) => rank(a.path) - rank(b.path))[0] ?? pages[0];
  const order = new Set<T>(first ? [first] : []);
  for (const page of order)
    for (const path of links(page)) {
      const next = byPath.get(path) ?? byPath.get(`${path}${path === '' || path.endsWith('/') ? '' : '/'}index.html`);
      if (next) order.add(next);
    }
  return [...order, ...pages.filter((page) => !order.has(page))];
}

const rank = (path: string) => (/index\.[^/]*$/i.test(path) ? 0 : 1);

/** The folder that all paths lie in, with its slash. */
function commonFolder(paths: readonly string[]): string {
  const folders = paths.map((path) => path.slice(0, path.lastIndexOf('/') + 1));
  let common = folders[0] ?? '';
  for (const folder of folders) while (!folder.startsWith(common)) common = common.slice(0, common.lastIndexOf('/', common.length - 2) + 1);
  return common;
}

const TYPES = { course: 'lesson', book: 'chapter', site: 'article' } as const;

/** What sort of page it most likely is, by where it lies: in which element of which kind of collection. */
export function contentTypeOf(inside: string | null, kind: CollectionKind): string {
  const holder = /^\/(\w+)/.exec(inside ?? '')?.[1];
  if (holder === 'topic') return 'discussion';
  if (holder === 'assignment') return 'assignment';
  return holder === undefined ? TYPES[kind] : 'question';
}
