import { defineRule } from '../../types.ts';
import { knownTables, firstRowOf } from '../../../semantics/dataTables.ts';
import { descriptionOf, shownText } from '../../../semantics/names.ts';
import { tidy, valueOf, type ElementNode } from '../../../document/tree.ts';
import type { Page } from '../../../document/page.ts';
import { countWords } from '../../../semantics/passages.ts';
export const rule = defineRule({
  id: 'tables/large',
  title: 'Large table with no words on how to read it',
  why: 'A listener has to walk through hundreds of cells to learn how it is built.',
  fix: 'Say before the table what its rows and columns are, and what matters in it.',
  question: {
    ask: 'Does a reader need a word on how this table is built?',
    yes: 'Yes, it should be described',
    no: 'No, it is plain',
    same: ['piece'],
  },
  criteria: ['1.3.1'],
  techniques: [],
  practice: true,
  weight: 'consider',
  scope: 'any',
  remedies: ['describe-in-text'],
  messages: {
    large: 'This table has {rows} rows and {columns} columns, and nothing says how to read it',
  },
  end(page, tell) {
    for (const { element, use, grid } of knownTables(page)) {
      if (use !== 'data' || (grid.rows <= MANY_ROWS && grid.columns <= MANY_COLUMNS)) continue;
      if (descriptionOf(page, element) || tidy(valueOf(element, 'summary') ?? '') || wordsBefore(page, element) >= ENOUGH) continue;
      tell({
        at: element,
        message: 'large',
        values: { rows: grid.rows, columns: grid.columns },
        subject: firstRowOf(page, grid),
        outcome: 'cantTell',
      });
    }
  },
});

/** More than this is not taken in at once. Common practice. */
const MANY_ROWS = 40;
const MANY_COLUMNS = 12;
const ENOUGH = 12;

/** Words by which a paragraph speaks of the table after it. */
const SPEAKS_OF_IT =
  /\b(?:rows?|columns?|cells?|table|lists?|tabelle|zeilen?|spalten?|tableau|lignes?|colonnes?|tabla|filas?|columnas?|tabel|rijen|kolommen|tabela|linhas?|colunas?|tabella|righe)\b/i;

/** Words of the paragraph right before a table, when it speaks of the table. */
function wordsBefore(page: Page, table: ElementNode): number {
  const before = table.parent!.children.slice(0, table.index).findLast((node) => node.kind === 'element');
  const text = before?.kind === 'element' && before.tag === 'p' ? shownText(page, before, 400) : '';
  return SPEAKS_OF_IT.test(text) ? countWords(text) : 0;
}
