import { closestWithin } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { firstRowOf, knownTables } from '../semantics/dataTables.ts';
import { nameOf } from '../semantics/names.ts';
import { cut, traitsOf, type Use } from './types.ts';

/** Longest beginning of a first row kept, in characters. */
const FIRST_ROW = 400;
/** Levels looked at above a table for another. */
const DEEPEST = 60;

/** Tables by their caption, or else their first row, and the row they begin with. */
export function tableUses(page: Page): Use[] {
  return knownTables(page).map(({ element, use, grid, headed }) => {
    const caption = nameOf(page, element).name;
    const first = cut(firstRowOf(page, grid), FIRST_ROW);
    return {
      name: cut(caption || first || 'Empty table'),
      place: caption ? first : '',
      says: caption || null,
      traits: traitsOf('tables', [
        use === 'layout' && 'layout',
        use !== 'layout' && caption === '' && 'no caption',
        use !== 'layout' && !headed && 'no headers',
        grid.cells.some(({ rowSpan, colSpan }) => rowSpan > 1 || colSpan > 1) && 'merged',
        closestWithin(element, DEEPEST, (up) => up.tag === 'table') !== null && 'nested',
      ]),
      facts: { use, rows: grid.rows, columns: grid.columns, headers: headed },
      elements: [element],
    };
  });
}
