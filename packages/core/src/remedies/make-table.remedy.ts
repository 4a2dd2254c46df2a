import { childElements } from '../document/tree.ts';
import { passagesByBlock } from '../semantics/passages.ts';
import { typedTableIn } from '../semantics/typedTables.ts';
import { escapeText, lineStyle, NO_SOURCE } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Makes a real table of lines whose columns only spaces keep apart. */
export const remedy: Remedy = {
  name: 'make-table',
  label: 'Make it a real table',
  certain: false,
  fields: [
    {
      name: 'headers',
      label: 'Which cells head the others?',
      kind: 'choice',
      options: [
        { value: 'row', label: 'The first row' },
        { value: 'column', label: 'The first column' },
        { value: 'both', label: 'Both' },
      ],
    },
    { name: 'caption', label: 'What does the table list?', kind: 'text' },
  ],
  propose: () => ({ headers: 'row', caption: '' }),
  plan({ page, element }, inputs) {
    const [passage, ...others] = passagesByBlock(page).get(element) ?? [];
    const table = passage && others.length === 0 ? typedTableIn(page, passage) : null;
    if (!table) return decline('The lines no longer make a table.');
    if (childElements(element).some((child) => child.tag !== 'br'))
      return decline('Markup inside these lines would be lost; make the table in Source.');
    if (!element.range || !element.startTag) return decline(NO_SOURCE);
    const { newline, indent } = lineStyle(page, element.range.start);
    const heads = inputs.headers ?? 'row';
    const cell = (text: string, row: number, column: number) => {
      const scope = row === 0 && heads !== 'column' ? 'col' : column === 0 && heads !== 'row' ? 'row' : null;
      return scope ? `<th scope="${scope}">${escapeText(text)}</th>` : `<td>${escapeText(text)}</td>`;
    };
    const rows = table.rows.map((cells, row) => `<tr>${cells.map((text, column) => cell(text, row, column)).join('')}</tr>`);
    const caption = inputs.caption?.trim() ? [`<caption>${escapeText(inputs.caption.trim())}</caption>`] : [];
    return planned({ ...element.range, text: ['<table>', ...caption, ...rows, '</table>'].join(`${newline}${indent}`) });
  },
};
