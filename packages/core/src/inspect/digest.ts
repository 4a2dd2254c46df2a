import { resolveAddress, type Neighbours } from '../document/addresses.ts';
import type { Page } from '../document/page.ts';
import { images } from '../semantics/imageContext.ts';
import { anchors } from '../semantics/links.ts';
import { addressOf, writtenAlternative } from '../semantics/images.ts';
import { titleText } from '../semantics/title.ts';

/** What other pages of a collection need to know of a page. */
export interface Digest {
  address: string;
  title: string;
  anchors: string[];
  /** Images of the collection with the words they are given here. */
  images: { path: string; alt: string }[];
}

export function digestOf(page: Page, address: string): Digest {
  const shown = images(page).flatMap((image) => {
    const path = resolveAddress(address, addressOf(image));
    const alt = writtenAlternative(image);
    return path && alt ? [{ path, alt }] : [];
  });
  return { address, title: titleText(page), anchors: [...anchors(page).keys()], images: shown };
}

/** What the pages of a whole collection know of one another. `files` are the paths of all its files. */
export function neighboursFrom(digests: readonly Digest[], files: readonly string[], sheets: Readonly<Record<string, string>>): Neighbours {
  const alternatives: Record<string, { page: string; alt: string }[]> = {};
  for (const { address, images } of digests) for (const { path, alt } of images) (alternatives[path] ??= []).push({ page: address, alt });
  return {
    titles: Object.fromEntries(digests.map((digest) => [digest.address, digest.title])),
    anchors: Object.fromEntries(digests.map((digest) => [digest.address, digest.anchors])),
    alternatives,
    files,
    sheets,
  };
}
