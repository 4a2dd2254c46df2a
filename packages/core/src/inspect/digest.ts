import { resolveAddress, type Neighbours } from '../document/addresses.ts';
import type { Page } from '../document/page.ts';
import { tidy, valueOf } from '../document/tree.ts';
import { images } from '../semantics/imageContext.ts';
import { anchorOf, anchors } from '../semantics/links.ts';
import { addressOf, writtenAlternative } from '../semantics/images.ts';
import { titleText } from '../semantics/title.ts';
import { listsBy } from '../source/lookup.ts';

/** What other pages of a collection need to know of a page. */
export interface Digest {
  address: string;
  title: string;
  anchors: string[];
  /** Where in the collection it leads to, in document order: paths, each with the id or name there, or ''. */
  links: { path: string; anchor: string }[];
  /** Images of the collection with the words they are given here. */
  images: { path: string; alt: string }[];
}

export function digestOf(page: Page, address: string): Digest {
  const shown = images(page).flatMap((image) => {
    const path = resolveAddress(address, addressOf(image));
    const alt = writtenAlternative(image);
    return path && alt ? [{ path, alt }] : [];
  });
  return { address, title: titleText(page), anchors: [...anchors(page).keys()], links: linksOf(page, address), images: shown };
}

function linksOf(page: Page, address: string): Digest['links'] {
  const found = new Map<string, { path: string; anchor: string }>();
  for (const element of page.elements) {
    if (element.tag !== 'a' && element.tag !== 'area') continue;
    const href = tidy(valueOf(element, 'href') ?? '');
    const path = resolveAddress(address, href);
    if (path !== null && path !== address) found.set(`${path}#${anchorOf(href)}`, { path, anchor: anchorOf(href) });
  }
  return [...found.values()];
}

/**
 * What the pages of a whole collection know of one another. `files` are the paths of all its files, `more` what leads to its pages besides
 * them: a table of contents.
 */
export function neighboursFrom(
  digests: readonly Digest[],
  files: readonly string[],
  sheets: Readonly<Record<string, string>>,
  more: Digest['links'] = [],
): Neighbours {
  const links = [...digests.flatMap((digest) => digest.links), ...more].filter(({ anchor }) => anchor !== '');
  const shown = digests.flatMap(({ address, images }) => images.map(({ path, alt }) => [path, { page: address, alt }] as const));
  return {
    titles: Object.fromEntries(digests.map((digest) => [digest.address, digest.title])),
    anchors: Object.fromEntries(digests.map((digest) => [digest.address, digest.anchors])),
    ledTo: listsBy(links.map(({ path, anchor }) => [path, anchor])),
    alternatives: listsBy(shown),
    files,
    sheets,
  };
}
