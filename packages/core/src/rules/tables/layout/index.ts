import { has, valueOf } from '../../../document/tree.ts';
import { knownTables, marksOn } from '../../../semantics/dataTables.ts';
import { shownText } from '../../../semantics/names.ts';
import { defineRule } from '../../types.ts';
import { groupedBy } from '../../../document/grouped.ts';

export const rule = defineRule({
  id: 'tables/layout',
  title: 'Table used to place things on the page',
  why: 'It is announced with rows and columns that mean nothing, and does not fit small screens.',
  fix: 'Let its contents follow one another without a table, or mark it as presentation.',
  question: {
    ask: 'Does this table only place things on the page?',
    yes: 'Yes, it holds no data',
    no: 'No, its rows and columns mean something',
    same: ['piece'],
  },
  criteria: ['1.3.2', '1.3.1'],
  techniques: ['F49'],
  weight: 'should',
  scope: 'any',
  remedies: ['flatten', 'keep-as-presentation'],
  messages: {
    places: 'This table of {rows} by {columns} cells seems only to place things',
    several: '{many} tables built alike, the first of {rows} by {columns} cells, seem only to place things',
  },
  end(page, tell) {
    const alike = groupedBy(
      knownTables(page).filter((table) => table.use === 'layout' && !has(table.element, 'role') && marksOn(page, table).length === 0),
      ({ element, grid }) => `${valueOf(element, 'class') ?? ''} ${grid.columns}`,
    );
    for (const tables of alike.values()) {
      const { element, grid } = tables[0]!;
      tell({
        at: element,
        places: tables.map((table) => table.element),
        message: tables.length > 1 ? 'several' : 'places',
        values: { rows: grid.rows, columns: grid.columns, many: tables.length },
        subject: shownText(page, element, 80),
        outcome: 'cantTell',
      });
    }
  },
});
