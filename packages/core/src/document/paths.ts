import { childElements, elementParent, type ElementNode, type ParentNode } from './tree.ts';
import { carried, fact, type Page } from './page.ts';
import { groupedBy } from './grouped.ts';

/** Place of each element among its same-named siblings, 1-based, by `order`: one pass over the page. */
const places = fact((page: Page) => {
  const found = new Int32Array(page.elements.length);
  const counts = new Map<string, number>();
  const count = ({ children }: ParentNode) => {
    if (children.length > 1) counts.clear();
    for (const child of children) {
      if (child.kind !== 'element') continue;
      const place = children.length === 1 ? 1 : (counts.get(child.tag) ?? 0) + 1;
      if (children.length > 1) counts.set(child.tag, place);
      found[child.order] = place;
    }
  };
  count(page.root);
  page.elements.forEach(count);
  return found;
}, carried);

/** Paths found so far, by `order`: those of one part of a page begin alike. */
const paths = fact((): (string | undefined)[] => [], carried);

/** Names an element: `/html[1]/body[1]/p[2]`, each step a tag and its place among its same-named siblings. */
export function pathOf(page: Page, element: ElementNode): string {
  const known = paths(page);
  const missing: ElementNode[] = [];
  let up: ElementNode | null = element;
  for (; up && known[up.order] === undefined; up = elementParent(up)) missing.push(up);
  let path = up ? known[up.order]! : '';
  for (let at = missing.length - 1; at >= 0; at--) {
    const { tag, order } = missing[at]!;
    path = known[order] = `${path}/${tag}[${places(page)[order]}]`;
  }
  return path;
}

const indexes = fact((): Map<ParentNode, Map<string, ElementNode[]>> => new Map(), carried);

/** Child elements by tag; those of a parent with many are sorted once. */
function childrenByTag(page: Page, parent: ParentNode): Map<string, ElementNode[]> {
  const known = indexes(page);
  let found = known.get(parent);
  if (!found) known.set(parent, (found = groupedBy(childElements(parent), (child) => child.tag)));
  return found;
}

/** The element a path names, or null when the page has none. */
export function elementAt(page: Page, path: string): ElementNode | null {
  let here: ParentNode = page.root;
  for (const step of path.split('/').slice(1)) {
    const parts = /^(.+)\[(\d+)\]$/.exec(step);
    if (!parts) return null;
    const next: ElementNode | undefined = childrenByTag(page, here).get(parts[1]!)?.[Number(parts[2]) - 1];
    if (!next) return null;
    here = next;
  }
  return here.kind === 'element' ? here : null;
}
