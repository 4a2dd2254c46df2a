import {
  anchorOf,
  childElements,
  nameOf,
  parsePage,
  rawText,
  resolveAddress,
  tidy,
  valueOf,
  type ElementNode,
  type Page,
} from '@inkwell/core';
import type { Contents } from './course.ts';
import { childOf, childrenOf, firstBelow, readXmlTree, walk, wordsOf, type XmlElement } from './xmlTree.ts';

const CONTAINER = 'META-INF/container.xml';

/** Whether a file is a book's container; the book may lie in a folder of its package. */
export function isContainer(path: string): boolean {
  return path === CONTAINER || path.endsWith(`/${CONTAINER}`);
}

/** Path of the package document a container names (EPUB 3.3, 4.2.6.3.1: the first rootfile). */
export function packageDocumentIn(container: string, at: string): string | null {
  const read = readXmlTree(container);
  const path = read.ok ? firstBelow(read.root, 'rootfile')?.attributes['full-path'] : undefined;
  return path ? at.slice(0, -CONTAINER.length) + path : null;
}

export interface Book extends Contents {
  /** Path of the file with the table of contents: a nav document or, in EPUB 2, an NCX. */
  contentsAt: string | null;
}

const PAGE_TYPES = ['application/xhtml+xml', 'text/html', 'text/x-oeb1-document'];

/**
 * Reads a package document (EPUB 3.3, 5; OPF 2.0.1): title, spine and where the table of contents lies.
 *
 * @param at path of the package document in the book
 */
export function readPackageDocument(xml: string, at: string): { ok: true; contents: Book } | { ok: false; reason: string } {
  const read = readXmlTree(xml);
  if (!read.ok) return read;
  const items = childrenOf(childOf(read.root, 'manifest'), 'item');
  const path = (item: XmlElement | undefined) => (item?.attributes.href === undefined ? null : resolveAddress(at, item.attributes.href));
  const byId = new Map(items.map((item) => [item.attributes.id ?? '', item]));
  const spine = childOf(read.root, 'spine');
  const order = childrenOf(spine, 'itemref').flatMap(({ attributes }) => {
    const item = byId.get(attributes.idref ?? '');
    const found = item && PAGE_TYPES.includes(item.attributes['media-type'] ?? '') ? path(item) : null;
    return found ?? [];
  });
  const nav = items.find(({ attributes }) => (attributes.properties ?? '').split(/\s+/).includes('nav'));
  const ncx =
    byId.get(spine?.attributes.toc ?? '') ?? items.find(({ attributes }) => attributes['media-type'] === 'application/x-dtbncx+xml');
  const title = wordsOf(childOf(childOf(read.root, 'metadata'), 'title'));
  const named = new Set(items.flatMap((item) => path(item) ?? []));
  return {
    ok: true,
    contents: {
      led: guideIn(read.root, at),
      title,
      order: [...new Set(order)],
      titles: new Map(),
      parts: new Map(),
      named,
      contentsAt: path(nav) ?? path(ncx),
    },
  };
}

/** Where the guide of an EPUB 2 leads to (OPF 2.0.1, 2.6). */
function guideIn(root: XmlElement, at: string): Contents['led'] {
  return childrenOf(childOf(root, 'guide'), 'reference').flatMap(({ attributes: { href = '' } }) => {
    const path = resolveAddress(at, href);
    return path === null ? [] : { path, anchor: anchorOf(href) };
  });
}

/** What a book's table of contents says: titles of pages by path, the parts they lie in, and every place it leads to. */
export function readTableOfContents(
  contents: string,
  at: string,
): { titles: Map<string, string>; parts: Map<string, readonly string[]>; led: Contents['led'] } {
  const titles = new Map<string, string>();
  const parts = new Map<string, readonly string[]>();
  const led: Contents['led'] = [];
  const add = (address: string, title: string, part: readonly string[]) => {
    const path = resolveAddress(at, address);
    if (path === null) return;
    if (title && !titles.has(path)) titles.set(path, title);
    if (!parts.has(path)) parts.set(path, part);
    led.push({ path, anchor: anchorOf(address) });
  };
  if (at.endsWith('.ncx')) {
    const read = readXmlTree(contents);
    const around = new Map<XmlElement, readonly string[]>();
    const inner = (point: XmlElement) => {
      const points = childrenOf(point, 'navPoint');
      for (const one of points) around.set(one, [...(around.get(point) ?? []), wordsOf(childOf(point, 'navLabel'))]);
      return points;
    };
    const outermost = read.ok ? childrenOf(childOf(read.root, 'navMap'), 'navPoint') : [];
    for (const point of walk(outermost, inner))
      add(childOf(point, 'content')?.attributes.src ?? '', wordsOf(childOf(point, 'navLabel')), around.get(point) ?? []);
  } else {
    const page = parsePage(contents, { xhtml: true });
    for (const element of page.elements)
      if (element.tag === 'a') add(valueOf(element, 'href') ?? '', nameOf(page, element).name, namesAround(page, element));
  }
  return { titles, parts, led };
}

/** What the entries are called that an entry of a nav document lies in (EPUB 3.3, 5.4.2: lists in lists), the outermost first. */
function namesAround(page: Page, link: ElementNode): string[] {
  const names: string[] = [];
  let own = true;
  for (let up = link.parent; up; up = up.parent) {
    if (up.kind !== 'element' || up.tag !== 'li') continue;
    const label = own ? undefined : childElements(up).find(({ tag }) => tag === 'a' || tag === 'span');
    if (label) names.unshift(nameOf(page, label).name || tidy(rawText(label)));
    own = false;
  }
  return names.filter((name) => name !== '');
}
