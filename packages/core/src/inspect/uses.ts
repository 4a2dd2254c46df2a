import parse from 'css-tree/parser';
import generate from 'css-tree/generator';
import type { CssNode } from 'css-tree';
import { resolveAddress } from '../document/addresses.ts';
import { childElements, closest, has, rawText, tidy, valueOf, type ElementNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { pathOf } from '../document/paths.ts';
import { figureOf } from '../semantics/imageContext.ts';
import { candidatesIn, showsImage } from '../semantics/images.ts';
import { anchorOf, anchors, links } from '../semantics/links.ts';
import { roleOf } from '../semantics/roles.ts';
import { lookup } from '../source/lookup.ts';
import { append } from '../source/lists.ts';

export type ImageUseKind = 'img' | 'srcset' | 'background' | 'input' | 'object' | 'svg' | 'poster' | 'icon';

/** One place where a page shows an image file. */
export interface ImageUseRow {
  /** A path in the collection, or the whole address of an image elsewhere. */
  file: string;
  borrowed: boolean;
  /** Path of the element; of a background in a style element its selector. */
  path: string;
  kind: ImageUseKind;
  alt: string | null;
  decorative: boolean;
  linked: boolean;
  caption: string | null;
}

/** Every image file a page shows, in document order; `data:` images are left out. `address`: where the page lies in its collection. */
export function inspectImageUses(page: Page, address: string): ImageUseRow[] {
  return imagesShown(page, address).map(({ element, selector, ...row }) => ({ ...row, path: selector ?? pathOf(page, element) }));
}

/** An image file where an element shows it; `selector`: of the rule in a style element that does. */
export type ImageShown = Omit<ImageUseRow, 'path'> & { element: ElementNode; selector: string | null };

export function imagesShown(page: Page, address: string): ImageShown[] {
  const rows: ImageShown[] = [];
  for (const element of page.elements) {
    const named: (readonly [ImageUseKind, string, string?])[] = addressesOf(element);
    if (element.tag === 'style')
      append(
        named,
        backgroundsIn(rawText(element)).map(({ selector, url }) => ['background', url, selector] as const),
      );
    const seen = new Set<string>();
    for (const [kind, written, selector = null] of named) {
      const file = fileAt(written, address);
      // One file that an element names twice is one use of it.
      if (file === null || seen.has(file.file)) continue;
      seen.add(file.file);
      rows.push({ ...file, element, selector, kind, ...(UNTOLD_KINDS.has(kind) ? UNTOLD : toldOf(page, element)) });
    }
  }
  return rows;
}

/** Kinds of use that readers are told nothing of, whatever is written. */
export const UNTOLD_KINDS: ReadonlySet<ImageUseKind> = new Set(['background', 'icon', 'poster']);

const UNTOLD = { alt: null, decorative: false, linked: false, caption: null };

/** A file as a use names it, seen from where it is used; null for data in the address itself. */
export function fileAt(written: string, from: string): { file: string; borrowed: boolean } | null {
  const href = tidy(written);
  if (href === '' || /^data:/i.test(href)) return null;
  const path = resolveAddress(from, href);
  return path === null ? { file: href, borrowed: true } : { file: path, borrowed: false };
}

function toldOf(page: Page, element: ElementNode): Pick<ImageUseRow, 'alt' | 'decorative' | 'linked' | 'caption'> {
  // A source of a picture is told by the picture's image.
  const image =
    element.tag === 'source' ? (childElements(element.parent as ElementNode).find(({ tag }) => tag === 'img') ?? element) : element;
  const alt = valueOf(image, 'alt');
  return {
    alt,
    decorative: roleOf(image) === 'presentation' || (alt !== null && tidy(alt) === ''),
    linked: closest(image, (up) => up.tag === 'a' && has(up, 'href')) !== null,
    caption: figureOf(page, image)?.caption || null,
  };
}

type Named = readonly (readonly [ImageUseKind, string])[];

/** Addresses of images that elements name, by tag. */
const BY_TAG: Readonly<Record<string, (element: ElementNode, value: (name: string) => string) => Named>> = {
  img: (_element, value) => [['img', value('src')], ...candidates(value('srcset'))],
  source: (element, value) => (isInPicture(element) ? candidates(value('srcset')) : []),
  input: (_element, value) => (value('type').trim().toLowerCase() === 'image' ? [['input', value('src')]] : []),
  object: (element, value) => (showsImage(element) ? [['object', value('data')]] : []),
  embed: (element, value) => (showsImage(element) ? [['object', value('src')]] : []),
  image: ({ space }, value) => (space === 'svg' ? [['svg', value('href') || value('xlink:href')]] : []),
  video: (_element, value) => [['poster', value('poster')]],
  link: (_element, value) => (/\b(?:icon|apple-touch-icon)\b/i.test(value('rel')) ? [['icon', value('href')]] : []),
};

/** Addresses of images an element names, each with how. */
function addressesOf(element: ElementNode): [ImageUseKind, string][] {
  const value = (name: string) => valueOf(element, name) ?? '';
  const found = [...(lookup(BY_TAG, element.tag)?.(element, value) ?? [])].map(([kind, written]): [ImageUseKind, string] => [
    kind,
    written,
  ]);
  if (has(element, 'background')) found.push(['background', value('background')]);
  if (has(element, 'style')) for (const { url } of backgroundsIn(`*{${value('style')}}`)) found.push(['background', url]);
  return found;
}

function candidates(srcset: string): Named {
  return candidatesIn(srcset).map(({ address }) => ['srcset', address] as const);
}

function isInPicture({ parent }: ElementNode): boolean {
  return parent?.kind === 'element' && parent.tag === 'picture';
}

/** Images a style sheet sets, each with the selectors of its rule. */
export function backgroundsIn(sheet: string): { selector: string; url: string }[] {
  if (!/url\(/i.test(sheet)) return [];
  const found: { selector: string; url: string }[] = [];
  const waiting: { node: CssNode; selector: string }[] = [];
  try {
    waiting.push({ node: parse(sheet, { parseCustomProperty: false }), selector: '' });
    for (let next = waiting.shift(); next; next = waiting.shift()) {
      const { node, selector } = next;
      if (node.type === 'Url') found.push({ selector, url: node.value });
      // Fonts and imported sheets are no images.
      if (node.type === 'Atrule' && /^(?:font-face|import|namespace)$/i.test(node.name)) continue;
      const own = node.type === 'Rule' ? generate(node.prelude) : selector;
      waiting.unshift(...childrenOf(node).map((child) => ({ node: child, selector: own })));
    }
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
  }
  return found;
}

function childrenOf(node: CssNode): CssNode[] {
  const inner: CssNode[] = [];
  if ('block' in node && node.block) inner.push(node.block);
  if ('value' in node && typeof node.value === 'object' && node.value && 'type' in node.value) inner.push(node.value as CssNode);
  if ('children' in node && node.children && node.type !== 'SelectorList' && node.type !== 'AtrulePrelude')
    append(inner, node.children.toArray() as CssNode[]);
  return inner;
}

export interface LinkUseRow {
  name: string;
  /** A path in the collection with the id or name there, or the whole address. */
  to: string;
  href: string;
  path: string;
  state: 'ok' | 'missing-page' | 'missing-anchor' | 'outside' | 'no-destination';
}

/** Where each link of a page leads, and whether there is something there. */
export function inspectLinkUses(page: Page, address: string): LinkUseRow[] {
  return links(page).map(({ element, name, href }) => ({
    name,
    ...destinationOf(page, tidy(href), address),
    href,
    path: pathOf(page, element),
  }));
}

/** Where a link on a page leads, and whether there is something there. */
export function destinationOf(page: Page, href: string, address: string): Pick<LinkUseRow, 'to' | 'state'> {
  if (href === '' || /^javascript:/i.test(href)) return { to: '', state: 'no-destination' };
  if (/^[a-z][a-z0-9+.-]*:|^\/\//i.test(href)) return { to: href, state: 'outside' };
  const anchor = anchorOf(href);
  const path = href.startsWith('#') ? address : resolveAddress(address, href);
  if (path === null) return { to: href, state: 'outside' };
  const to = `${path}${anchor === '' ? '' : `#${anchor}`}`;
  if (!href.startsWith('#') && page.surroundings.leadsSomewhere?.(href) === false) return { to, state: 'missing-page' };
  const names = path === address ? anchors(page) : page.surroundings.anchorsIn?.(href);
  // The top of a page is always there (HTML Living Standard, 7.4.6.4).
  const lost = anchor !== '' && anchor.toLowerCase() !== 'top' && names !== undefined && !names.has(anchor);
  return { to, state: lost ? 'missing-anchor' : 'ok' };
}
