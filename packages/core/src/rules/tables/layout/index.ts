import { has } from '../../../document/tree.ts';
import { knownTables } from '../../../semantics/dataTables.ts';
import { shownText } from '../../../semantics/names.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'tables/layout',
  title: 'Table used to place things on the page',
  why: 'It is announced with rows and columns that mean nothing, and does not fit small screens.',
  fix: 'Let its contents follow one another without a table, or mark it as presentation.',
  question: {
    ask: 'Does this table only place things on the page?',
    yes: 'Yes, it holds no data',
    no: 'No, its rows and columns mean something',
  },
  criteria: ['1.3.2', '1.3.1'],
  techniques: ['F49'],
  weight: 'should',
  scope: 'any',
  remedies: ['flatten', 'keep-as-presentation'],
  messages: { places: 'This table of {rows} by {columns} cells seems only to place things' },
  end(page, tell) {
    for (const { element, use, grid } of knownTables(page)) {
      if (use === 'layout' && !has(element, 'role'))
        tell({
          at: element,
          message: 'places',
          values: { rows: grid.rows, columns: grid.columns },
          subject: shownText(page, element, 80),
          outcome: 'cantTell',
        });
    }
  },
});
