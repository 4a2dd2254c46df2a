import { resolveAddress } from '../document/addresses.ts';
import { tidy, valueOf, type ElementNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { images } from '../semantics/imageContext.ts';
import { anchorOf, anchors } from '../semantics/links.ts';
import { addressOf, writtenAlternative } from '../semantics/images.ts';
import { readSheet } from '../style/sheets.ts';
import { lookup } from '../source/lookup.ts';

/** Something a page refers to, or that others may refer to on it. */
export interface Reference {
  kind: 'link' | 'image' | 'anchor' | 'sheet' | 'media';
  /** A path in the collection, or the address as written where it leads outside. An anchor's is the page's own. */
  target: string;
  /** What a link names in its target; an anchor's own name; else ''. */
  fragment: string;
  /** An image's alternative text; null for none. */
  alternative: string | null;
}

/** What plays or holds another file, and the attribute that names it. */
const MEDIA: Readonly<Record<string, string>> = {
  audio: 'src',
  embed: 'src',
  iframe: 'src',
  object: 'data',
  source: 'src',
  track: 'src',
  video: 'src',
};

/** Longer addresses hold data, not places. */
const LONGEST = 2_000;

/**
 * What a page at an address of its collection refers to, each thing once: links out of it, images with what is said of them, anchors
 * that others may lead to, style sheets, and what it plays or holds in a frame.
 */
export function referencesOf(page: Page, address: string): Reference[] {
  const found = new Map<string, Reference>();
  const add = (kind: Reference['kind'], target: string, fragment = '', alternative: string | null = null) => {
    if (target !== '' && target.length <= LONGEST && fragment.length <= LONGEST)
      found.set(`${kind}\n${target}\n${fragment}\n${alternative}`, { kind, target, fragment, alternative });
  };
  const resolved = (written: string) => resolveAddress(address, written) ?? written.split('#')[0]!;
  for (const element of page.elements) {
    if (element.tag === 'link' && isSheet(element)) add('sheet', resolved(tidy(valueOf(element, 'href') ?? '')));
    const played = lookup(MEDIA, element.tag);
    if (played) {
      const written = tidy(valueOf(element, played) ?? '');
      if (!/^(?:javascript|data|about):/i.test(written)) add('media', resolved(written));
    }
    if (element.tag !== 'a' && element.tag !== 'area') continue;
    const href = tidy(valueOf(element, 'href') ?? '');
    if (/^(?:javascript|data):/i.test(href)) continue;
    if (href.startsWith('#')) add('link', address, anchorOf(href));
    else add('link', resolved(href), anchorOf(href));
  }
  for (const image of images(page)) {
    const written = addressOf(image);
    if (!/^data:/i.test(written)) add('image', resolved(written), '', writtenAlternative(image));
  }
  for (const name of anchors(page).keys()) add('anchor', address, name);
  return [...found.values()];
}

function isSheet(link: ElementNode): boolean {
  return (valueOf(link, 'rel') ?? '').toLowerCase().split(/\s+/).includes('stylesheet');
}

/** Addresses of the sheets a style sheet imports, as written. */
export function importsOf(sheet: string): string[] {
  return /@import/i.test(sheet) ? readSheet(sheet).imports.map((one) => one.address) : [];
}
