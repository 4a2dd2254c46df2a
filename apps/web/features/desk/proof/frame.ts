import { bodyOf, childrenOf, localNameOf, modeOf, newRange, offsetHeightOf, rootOf, scrollHeightOf, stateOf, viewOf } from './natives';

/** A place in the sheet, in CSS pixels. */
export interface Box {
  top: number;
  left: number;
  width: number;
  height: number;
}

const indexed = new WeakMap<Document, Map<string, Element>>();

/** Every element of a document by the engine's path of it: one walk, so that hundreds of notes find their places at once. */
function pathsOf(page: Document): Map<string, Element> {
  const found = new Map<string, Element>();
  const waiting: [Element | Document, string][] = [[page, '']];
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const [parent, path] = next;
    const places = new Map<string, number>();
    for (const child of childrenOf(parent)) {
      const name = localNameOf(child);
      const place = (places.get(name) ?? 0) + 1;
      places.set(name, place);
      const own = `${path}/${name}[${place}]`;
      found.set(own, child);
      waiting.push([child, own]);
    }
  }
  return found;
}

/** The element of a loaded document that one of the engine's paths names; null when there is none. */
export function elementByPath(page: Document, path: string): Element | null {
  let paths = indexed.get(page);
  // A document may be asked before it is whole.
  if (!paths || (stateOf(page) !== 'complete' && !paths.has(path))) indexed.set(page, (paths = pathsOf(page)));
  return paths.get(path) ?? null;
}

/** How high the content of a loaded page is, in CSS pixels, with a bit of room below. */
export function contentHeight(page: Document): number {
  // In quirks mode the body is as high as its window, however little stands in it (Quirks Mode Standard, 3.6 and 3.7).
  const [body, root] = [bodyOf(page), rootOf(page)];
  if (!body || !root) return 0;
  if (modeOf(page) !== 'BackCompat') return Math.max(scrollHeightOf(body) + 24, offsetHeightOf(root));
  const range = newRange(page);
  range.selectNodeContents(body);
  return Math.ceil(range.getBoundingClientRect().bottom + (viewOf(page)?.scrollY ?? 0)) + 24;
}
