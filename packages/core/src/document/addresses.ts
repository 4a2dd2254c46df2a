import type { Surroundings } from './page.ts';

/** What a page's collection holds, as plain data that can be sent to a worker. */
export interface Neighbours {
  /** Titles of the pages by address. */
  titles: Readonly<Record<string, string>>;
  /** Texts of the style sheets by path. */
  sheets?: Readonly<Record<string, string>>;
  /** Paths of all files, when the collection is whole: an address that leads to none of them leads nowhere. */
  files?: readonly string[];
}

/** What the engine may know of a page's place, from plain data. */
export function surroundingsFrom(page: { address: string; scope: string; title: string }, { titles, sheets = {}, files }: Neighbours): Surroundings {
  const there = files && new Set([...files, ...Object.keys(titles)]);
  return {
    ...(page.scope === 'fragment' ? { shownTitle: page.title } : {}),
    titleOf: (address) => titles[resolveAddress(page.address, address) ?? ''],
    sheetAt(address, from) {
      const path = resolveAddress(from || page.address, address);
      return path !== null && path in sheets ? { text: sheets[path]!, address: path } : undefined;
    },
    leadsSomewhere(address) {
      const path = resolveAddress(page.address, address);
      if (path === null || !there) return undefined;
      return there.has(path) || (/(?:^|\/)$/.test(path) && there.has(`${path}index.html`));
    },
  };
}

/** A relative address seen from a page, as a path in the collection; null for one that leaves it. */
export function resolveAddress(from: string, address: string): string | null {
  if (/^[a-z][a-z0-9+.-]*:|^\/\//i.test(address) || address.startsWith('#') || address === '') return null;
  const base = 'http://collection.invalid/';
  try {
    return decodeURIComponent(new URL(address, base + from).pathname.slice(1));
  } catch {
    return null;
  }
}
