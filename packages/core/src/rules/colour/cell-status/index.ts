import { defineRule } from '../../types.ts';
import { knownTables, firstRowOf } from '../../../semantics/dataTables.ts';
import { showsNothing } from '../../../semantics/lists.ts';
import type { Page } from '../../../document/page.ts';
import { elementParent, type ElementNode } from '../../../document/tree.ts';
import { styleOf } from '../../../style/cascade.ts';
import { hexOf } from '../../../style/colour.ts';
import type { Cell } from '../../../semantics/tables.ts';
import { shownText } from '../../../semantics/names.ts';
export const rule = defineRule({
  id: 'colour/cell-status',
  title: 'Cells told apart by colour alone',
  why: 'Readers who see colours differently, or not at all, find empty or equal cells.',
  fix: 'Write into each cell what its colour stands for.',
  question: {
    ask: 'Does the colour of these cells say something?',
    yes: 'Yes, it has to be said in words',
    no: 'No, it only decorates',
    same: ['piece'],
  },
  criteria: ['1.4.1'],
  techniques: ['F13'],
  weight: 'should',
  scope: 'any',
  remedies: [],
  messages: {
    blank: '{many} cells of this table hold a colour and no words',
    same: 'Cells of this table with the same words have unlike colours: “{text}”',
  },
  end(page, tell) {
    for (const { element, use, grid } of knownTables(page)) {
      if (use === 'layout' || grid.rows < 2 || grid.columns < 2) continue;
      const coloured = grid.cells.filter((cell) => cell.element.tag === 'td' && ownGround(page, cell.element) !== null);
      const blank = coloured.filter((cell) => showsNothing(page, cell.element));
      const grounds = new Set(coloured.map((cell) => ownGround(page, cell.element)));
      if (blank.length >= 2 && (grounds.size >= 2 || coloured.length < grid.cells.length / 2))
        tell({ at: element, message: 'blank', values: { many: blank.length }, subject: firstRowOf(page, grid), outcome: 'cantTell' });
      else {
        const text = unlikeGrounds(page, coloured);
        if (text)
          tell({ at: element, message: 'same', values: { text }, subject: `${firstRowOf(page, grid)} ${text}`, outcome: 'cantTell' });
      }
    }
  },
});

/** The ground a cell sets itself, apart from its row's; null when it sets none. White is none. */
function ownGround(page: Page, cell: ElementNode): string | null {
  const own = styleOf(page, cell).background;
  if (own.a < 1 || hexOf(own) === '#ffffff') return null;
  const row = elementParent(cell);
  return row && hexOf(styleOf(page, row).background) === hexOf(own) && styleOf(page, row).background.a === 1 ? null : hexOf(own);
}

/** Words that stand in one column on unlike grounds; '' when none do. */
function unlikeGrounds(page: Page, cells: readonly Cell[]): string {
  const seen = new Map<string, string>();
  for (const cell of cells) {
    const text = shownText(page, cell.element, 40);
    const key = `${cell.column} ${text}`;
    const ground = ownGround(page, cell.element)!;
    if (text && text.length < 30 && seen.has(key) && seen.get(key) !== ground) return text;
    if (!seen.has(key)) seen.set(key, ground);
  }
  return '';
}
