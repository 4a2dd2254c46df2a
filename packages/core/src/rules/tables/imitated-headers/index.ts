import { firstRowOf, imitatedHeaders, knownTables } from '../../../semantics/dataTables.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'tables/imitated-headers',
  title: 'Headers of a table only by their look',
  why: 'What is set in bold above the columns is told to nobody as their header.',
  fix: 'Mark these cells as headers.',
  question: {
    ask: 'Do these cells head the rows they stand in?',
    yes: 'Yes, they are headers',
    no: 'No, they are only set so',
    same: ['piece'],
  },
  criteria: ['1.3.1'],
  techniques: ['F91', 'H51'],
  weight: 'must',
  scope: 'any',
  remedies: ['set-headers'],
  messages: {
    row: 'The first row is dressed as headers and is not marked so: {first}',
    column: 'The first column is dressed as headers and is not marked so',
    both: 'The first row and column are dressed as headers and are not marked so',
  },
  end(page, tell) {
    for (const table of knownTables(page)) {
      const which = table.use === 'layout' ? null : imitatedHeaders(page, table);
      if (!which) continue;
      const first = firstRowOf(page, table.grid);
      // A first column in bold may be names that are simply set so: alone, and in a table that may lay out, it is asked about.
      const doubtful = which === 'column' && table.use !== 'data';
      tell({ at: table.element, message: which, values: { first }, subject: first, ...(doubtful ? { outcome: 'cantTell' as const } : {}) });
    }
  },
});
