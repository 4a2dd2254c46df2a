import { closest } from '../../../document/tree.ts';
import { knownTables } from '../../../semantics/dataTables.ts';
import { shownText } from '../../../semantics/names.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'tables/nested',
  title: 'Table inside a table of data',
  why: 'A listener loses which table, row and column they are in.',
  fix: 'Take the inner table out and let the cell point to it.',
  criteria: ['1.3.1'],
  techniques: [],
  practice: true,
  weight: 'should',
  scope: 'any',
  remedies: [],
  messages: { inside: 'A cell of this data table holds another table' },
  end(page, tell) {
    const tables = knownTables(page);
    const data = new Set(tables.filter((table) => table.use === 'data').map((table) => table.element));
    for (const { element } of tables)
      if (data.size > 0 && closest(element, (up) => data.has(up)))
        tell({ at: element, message: 'inside', subject: shownText(page, element, 80) });
  },
});
