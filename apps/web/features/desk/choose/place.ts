import { FILE_BASE_FOLDER, relativeTo, resolveAddress } from '@inkwell/core';
import type { PageText } from '../engine/protocol';
import { proofAddress } from '../proof/Proof';

/** Where a page stands: its collection, its own path, and its text. */
export interface PagePlace {
  collection: string;
  address: string;
  source: string;
}

/** The same from a page's text as the engine is given it. */
export function placeOf(collection: string, { address, source }: PageText): PagePlace {
  return { collection, address, source };
}

/** A course's own name for the folder of its files (IMS Common Cartridge 1.1). */
const FILE_BASE = '$IMS-CC-FILEBASE$';

/** How a page writes the path of a file: by the name its course has for its files where the page uses that, else seen from the page. */
export function addressOfFile({ address, source }: PagePlace, path: string): string {
  if (source.includes('IMS-CC-FILEBASE'))
    return `${FILE_BASE}/${path.startsWith(`${FILE_BASE_FOLDER}/`) ? path.slice(FILE_BASE_FOLDER.length + 1) : path}`;
  return addressOfPage({ address }, path);
}

/** How a page writes the path of another page, seen from where it lies itself. */
export function addressOfPage({ address }: Pick<PagePlace, 'address'>, path: string): string {
  return relativeTo(address.replace(/[^/]*$/, ''), path);
}

/** How a page leads to another, or to a heading of it or of itself. */
export function addressOfDestination(
  { address }: Pick<PagePlace, 'address'>,
  { page, heading }: { page: { address: string }; heading: { id: string } | null },
): string {
  const itself = page.address === address && heading !== null;
  return `${itself ? '' : addressOfPage({ address }, page.address)}${heading ? `#${encodeURIComponent(heading.id)}` : ''}`;
}

/** Where what a page names is shown from; null for what lies outside its collection. */
export function shownFrom({ collection, address }: Omit<PagePlace, 'source'>, written: string): string | null {
  const path = resolveAddress(address, written);
  return path === null ? null : proofAddress(collection, path);
}
