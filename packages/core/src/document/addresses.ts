import type { Surroundings } from './page.ts';

/** What the engine may know of a page's place, from plain data: its shown title, and the titles of the collection's pages by address. */
export function surroundingsFrom(page: { address: string; scope: string; title: string }, titles: Readonly<Record<string, string>>): Surroundings {
  return {
    ...(page.scope === 'fragment' ? { shownTitle: page.title } : {}),
    titleOf: (address) => titles[resolveAddress(page.address, address) ?? ''],
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
