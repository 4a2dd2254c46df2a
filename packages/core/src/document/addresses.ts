import type { Surroundings, Vocabulary } from './page.ts';
import { lookup } from '../source/lookup.ts';

/** What a page's collection holds, as plain data that can be sent to a worker. */
export interface Neighbours {
  /** Titles of the pages by address. */
  titles: Readonly<Record<string, string>>;
  /** Texts of the style sheets by path. */
  sheets?: Readonly<Record<string, string>>;
  /**
   * Paths of all files, when the collection is whole: an address that leads to none of them leads nowhere. One that ends in a slash is a
   * folder nobody looked into.
   */
  files?: readonly string[];
  /** Paths that `titles` and `files` were looked up for, when they are not all there are: of others nothing is known. */
  asked?: readonly string[];
  /** Ids and names that links may lead to, by page. */
  anchors?: Readonly<Record<string, readonly string[]>>;
  /** Ids and names of each page that others lead to. */
  ledTo?: Readonly<Record<string, readonly string[]>>;
  /** Alternatives given to each image, by its path; each with the page that gives it. */
  alternatives?: Readonly<Record<string, readonly { page: string; alt: string }[]>>;
  /** The house's own words, which no neighbour gives but which come the same way. */
  vocabulary?: Vocabulary;
}

interface Places {
  there: ReadonlySet<string> | undefined;
  linkedFolders: readonly string[];
}

/** A collection of 100,000 files has thousands of pages that ask of them. */
const knownPlaces = new WeakMap<Neighbours, Places>();

function placesOf(neighbours: Neighbours): Places {
  let places = knownPlaces.get(neighbours);
  if (!places) {
    const { files, titles } = neighbours;
    places = {
      there: files && new Set([...files, ...Object.keys(titles)]),
      linkedFolders: (files ?? []).filter((file) => file.endsWith('/')),
    };
    knownPlaces.set(neighbours, places);
  }
  return places;
}

/** What hosts show for a folder. */
const INDEXES = ['index.html', 'index.htm', 'index.xhtml', 'index.php', 'default.html', 'default.htm', 'Index.html'];

/** What the engine may know of a page's place, from plain data. */
export function surroundingsFrom(page: { address: string; scope: string; title: string }, neighbours: Neighbours): Surroundings {
  const { titles, sheets = {}, asked, anchors, ledTo, alternatives, vocabulary } = neighbours;
  const { there, linkedFolders } = placesOf(neighbours);
  const known = asked && new Set(asked);
  return {
    ...(page.scope === 'fragment' ? { shownTitle: page.title } : {}),
    ...(vocabulary ? { vocabulary, ...(vocabulary.colours?.length ? { houseColours: vocabulary.colours } : {}) } : {}),
    titleOf: (address) => lookup(titles, resolveAddress(page.address, address) ?? ''),
    sheetAt(address, from) {
      const path = resolveAddress(from || page.address, address);
      return path !== null && Object.hasOwn(sheets, path) ? { text: lookup(sheets, path)!, address: path } : undefined;
    },
    pagesTitled: (title) => Object.keys(titles).filter((path) => path !== page.address && lookup(titles, path) === title),
    anchorsIn(address) {
      const path = resolveAddress(page.address, address);
      const found = path === null ? undefined : (lookup(anchors, path) ?? lookup(anchors, `${path}index.html`));
      return found && new Set(found);
    },
    isLedTo: (anchor) => lookup(ledTo, page.address)?.includes(anchor) ?? false,
    alternativesOf(address) {
      const path = resolveAddress(page.address, address);
      return (path === null ? [] : (lookup(alternatives, path) ?? [])).filter((one) => one.page !== page.address).map((one) => one.alt);
    },
    leadsSomewhere(address) {
      const path = resolveAddress(page.address, address);
      if (path === null || !there || (known && !known.has(path) && !there.has(path))) return undefined;
      if (there.has(path) || INDEXES.some((index) => there.has(`${path}${path === '' || path.endsWith('/') ? '' : '/'}${index}`)))
        return true;
      // What lies behind a link to a folder elsewhere is not known.
      return linkedFolders.some((folder) => path.startsWith(folder)) ? undefined : false;
    },
  };
}

/** A course's own name for the folder of its files, as texts inside XML use it (IMS Common Cartridge 1.1). */
const FILE_BASE = /^(?:\$|%24)IMS-CC-FILEBASE(?:\$|%24)\/*/;
/** The folder it most often stands for (common practice). */
export const FILE_BASE_FOLDER = 'web_resources';

/** A relative address seen from a page, as a path in the collection; null for one that leaves it. */
export function resolveAddress(from: string, address: string): string | null {
  if (/^[a-z][a-z0-9+.-]*:|^\/\//i.test(address) || address.startsWith('#') || address === '') return null;
  const base = 'http://collection.invalid/';
  const written = /^[$%]/.test(address) ? address.replace(FILE_BASE, `/${FILE_BASE_FOLDER}/`) : address;
  try {
    // Hosts and file systems take several slashes for one.
    return decodeURIComponent(new URL(written, base + from).pathname.slice(1)).replace(/\/{2,}/g, '/');
  } catch {
    return null;
  }
}

/** A path as it is written in an address. */
export function encodedPath(path: string): string {
  return path
    .split('/')
    .map((step) => encodeURIComponent(step).replace(/%(?:40|3A|24|2B|2C|3B|3D)/g, decodeURIComponent))
    .join('/');
}

/** The address of a path seen from a folder, which ends in a slash or is ''. */
export function relativeTo(folder: string, target: string): string {
  const [from, to] = [folder.split('/').slice(0, -1), target.split('/')];
  let same = 0;
  while (same < from.length && same < to.length - 1 && from[same] === to[same]) same++;
  return [...from.slice(same).map(() => '..'), ...to.slice(same).map(encodedPath)].join('/');
}
