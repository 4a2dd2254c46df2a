import { passages } from '../../../semantics/passages.ts';
import { isInside, IN } from '../../../semantics/inside.ts';
import { typedTableIn } from '../../../semantics/typedTables.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'tables/typed',
  title: 'Columns made of spaces',
  why: 'Read line by line, what stands in one column is torn apart, and nothing is told of rows or headers.',
  fix: 'Make it a real table.',
  question: {
    ask: 'Are these lines a table whose columns are held apart by spaces?',
    yes: 'Yes, it is a table',
    no: 'No, the spacing means something else',
    same: ['piece'],
  },
  criteria: ['1.3.1'],
  techniques: ['F34', 'F48'],
  weight: 'must',
  scope: 'any',
  remedies: ['make-table'],
  messages: { spaced: '{rows} lines hold {columns} columns that only spaces keep apart' },
  end(page, tell) {
    for (const passage of passages(page)) {
      if (passage.block.tag === 'td' || passage.block.tag === 'th' || (passage.kept && isInside(page, passage.block, IN.table))) continue;
      const table = typedTableIn(page, passage);
      if (!table) continue;
      // What stands in preformatted text may as well be a program or what one printed.
      tell({
        at: passage.block,
        message: 'spaced',
        values: { rows: table.rows.length, columns: table.columns },
        subject: table.rows[0]!.join(' '),
        ...(passage.kept ? { outcome: 'cantTell' as const } : {}),
      });
    }
  },
});
