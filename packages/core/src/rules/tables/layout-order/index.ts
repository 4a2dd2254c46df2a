import { elementsIn } from '../../../document/tree.ts';
import { HEADING_TAGS } from '../../../semantics/blocks.ts';
import { knownTables, type KnownTable } from '../../../semantics/dataTables.ts';
import { sharedLooks } from '../../../semantics/looks.ts';
import { shownText } from '../../../semantics/names.ts';
import type { Page } from '../../../document/page.ts';
import type { Cell } from '../../../semantics/tables.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'tables/layout-order',
  title: 'Layout that does not read in order',
  why: 'Read row by row, the columns’ headings come first, all together, and their texts after that.',
  fix: 'Put each text right after its own heading.',
  question: {
    ask: 'Do the columns have to be read downwards, one after the other?',
    yes: 'Yes, the order is broken',
    no: 'No, it reads well row by row',
    same: ['piece'],
  },
  criteria: ['1.3.2'],
  techniques: ['F49'],
  weight: 'must',
  scope: 'any',
  remedies: ['flatten'],
  messages: { columns: 'The {columns} columns of this layout seem to be meant to be read downwards' },
  end(page, tell) {
    for (const table of knownTables(page)) {
      if (table.use === 'data' || table.grid.rows < 2 || table.grid.columns < 2 || !readsDown(page, table)) continue;
      tell({
        at: table.element,
        message: 'columns',
        values: { columns: table.grid.columns },
        subject: shownText(page, table.element, 80),
        outcome: 'cantTell',
      });
    }
  },
});

/** A first row of headings or bold lines, and long texts beneath. */
function readsDown(page: Page, { grid }: KnownTable): boolean {
  const [first, below] = [grid.cells.filter((cell) => cell.row === 0), grid.cells.filter((cell) => cell.row === 1)];
  if (first.length < 2 || below.length !== first.length) return false;
  return first.every((cell) => isTitle(page, cell)) && below.every((cell) => shownText(page, cell.element, 200).length > 60);
}

function isTitle(page: Page, { element }: Cell): boolean {
  const text = shownText(page, element, 100);
  return (
    text !== '' &&
    text.length < 70 &&
    ([...elementsIn(element)].some((inner) => HEADING_TAGS.includes(inner.tag)) || sharedLooks(page, element)?.bold === true)
  );
}
