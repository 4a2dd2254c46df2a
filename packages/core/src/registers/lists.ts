import type { Page } from '../document/page.ts';
import { listsOn } from '../inspect/views.ts';
import { childElements } from '../document/tree.ts';
import { shownText } from '../semantics/names.ts';
import { cut, traitsOf, type Use } from './types.ts';

/** Longest beginning of a list kept, in characters. */
const BEGINNING = 120;

/** Lists by how they begin; lines that only look like one among them. */
export function listUses(page: Page): Use[] {
  return listsOn(page).map(({ element, kind, items, depth, typed }) => {
    const first = typed ? element : (childElements(element)[0] ?? element);
    return {
      name: cut(shownText(page, first, BEGINNING) || 'Empty list', BEGINNING),
      place: kind,
      says: null,
      traits: traitsOf('lists', [kind, typed === true && 'typed', depth > 0 && 'nested']),
      facts: { items, depth, typed: typed === true },
      elements: [element],
    };
  });
}
