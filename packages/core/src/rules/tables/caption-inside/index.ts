import { tidy, type ElementNode } from '../../../document/tree.ts';
import { firstRowOf, knownTables, type KnownTable } from '../../../semantics/dataTables.ts';
import { shownText } from '../../../semantics/names.ts';
import { tableName } from '../../../semantics/tables.ts';
import { phrasesOf } from '../../../standards/phrases/index.ts';
import type { Page } from '../../../document/page.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'tables/caption-inside',
  title: 'Caption typed into or above the table',
  why: 'It names the table for those who see it, and the list of tables shows a nameless one.',
  fix: 'Make these words the table’s caption.',
  question: { ask: 'Do these words name the table?', yes: 'Yes, they are its caption', no: 'No, they are something else', same: ['piece'] },
  criteria: ['1.3.1'],
  techniques: ['H39'],
  weight: 'should',
  scope: 'any',
  remedies: ['caption-from-row'],
  messages: {
    row: 'The first row spans the whole table and seems to name it: “{text}”',
    above: 'The line above seems to name the table: “{text}”',
  },
  end(page, tell) {
    for (const table of knownTables(page)) {
      if (table.use === 'layout' || tableName(page, table.element)) continue;
      const found = inFirstRow(page, table) ?? lineAbove(page, table.element);
      if (found) tell({ at: table.element, ...found, subject: firstRowOf(page, table.grid), outcome: 'cantTell' });
    }
  },
});

function inFirstRow(page: Page, { grid }: KnownTable): { message: 'row'; values: { text: string } } | null {
  const [first, second] = grid.cells;
  if (!first || grid.columns < 2 || grid.rows < 3 || first.colSpan < grid.columns || second?.row === 0) return null;
  const text = shownText(page, first.element, 200);
  return text ? { message: 'row', values: { text } } : null;
}

/** A short paragraph right above that begins as captions do: “Table 2: …”. */
function lineAbove(page: Page, table: ElementNode): { message: 'above'; values: { text: string } } | null {
  const siblings = table.parent!.children;
  let at = table.index - 1;
  while (at >= 0 && siblings[at]!.kind !== 'element') {
    const node = siblings[at--]!;
    if (node.kind === 'text' && tidy(node.text) !== '') return null;
  }
  const line = siblings[at];
  if (line?.kind !== 'element' || !['p', 'div', 'center'].includes(line.tag)) return null;
  const text = shownText(page, line, 240);
  const lower = text.toLowerCase();
  const begins = [...phrasesOf('captionWords')].some(
    (word) => lower.startsWith(word) && /^\s*\d+\s*[.:–-]?\s+\S|^\s*\d+[.:]/.test(lower.slice(word.length)),
  );
  return begins && text.length <= 200 ? { message: 'above', values: { text } } : null;
}
