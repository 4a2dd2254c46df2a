import { defineRule } from '../../types.ts';
import { shownText } from '../../../semantics/names.ts';
import { gridOf, tableName, tableUse } from '../../../semantics/tables.ts';

export const rule = defineRule({
  id: 'tables/no-caption',
  title: 'Data table with no caption',
  why: 'Someone who goes from table to table hears only their sizes and must read into each one to know what it is about.',
  fix: 'Give the table a caption that says what it lists.',
  criteria: ['1.3.1'],
  techniques: ['H39', 'H73'],
  weight: 'should',
  scope: 'any',
  remedies: ['add-caption'],
  messages: { none: 'This table, which begins “{first}”, has no caption' },
  tags: ['table'],
  visit(page, element, tell) {
    if (tableUse(page, element) !== 'data' || tableName(page, element)) return;
    const cells = gridOf(element).cells.filter((cell) => cell.row === 0);
    if (cells.length === 0) return;
    const first = cells.map((cell) => shownText(page, cell.element)).join(', ');
    tell({ at: element, message: 'none', values: { first }, subject: first });
  },
});
