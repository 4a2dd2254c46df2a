import { childElements } from '../document/tree.ts';
import { isBlock } from '../semantics/blocks.ts';
import { gridOf, type Cell } from '../semantics/tables.ts';
import { contentRange, lineStyle, NO_SOURCE } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Puts the contents of a layout table one after the other, in the order in which they are to be read. */
export const remedy: Remedy = {
  name: 'flatten',
  label: 'Take the table away',
  certain: false,
  fields: [
    {
      name: 'order',
      label: 'Read',
      kind: 'choice',
      options: [
        { value: 'rows', label: 'row by row' },
        { value: 'columns', label: 'column by column' },
      ],
    },
  ],
  propose: ({ finding }) => ({ order: finding.rule === 'tables/layout-order' ? 'columns' : 'rows' }),
  plan({ page, element: table }, inputs) {
    if (!table.range || !table.endTag) return decline(NO_SOURCE);
    const byColumn = inputs.order === 'columns';
    const cells = [...gridOf(table).cells].sort((a, b) =>
      byColumn ? a.column - b.column || a.row - b.row : a.row - b.row || a.column - b.column,
    );
    const pieces: string[] = [];
    for (const cell of cells) {
      const piece = contentOf(page.source, cell);
      if (piece === null) return decline(NO_SOURCE);
      if (piece) pieces.push(piece);
    }
    const caption = childElements(table).find((child) => child.tag === 'caption');
    const named = caption && contentRange(caption);
    if (named) pieces.unshift(`<p>${page.source.slice(named.start, named.end).trim()}</p>`);
    if (pieces.length === 0) return decline('This table holds nothing; take it out in Source.');
    const { newline, indent } = lineStyle(page, table.range.start);
    return planned({ ...table.range, text: pieces.join(`${newline}${indent}`) });
  },
};

/** A cell's content as written; text without a block of its own becomes a paragraph. */
function contentOf(source: string, { element }: Cell): string | null {
  const range = contentRange(element);
  if (!range) return null;
  const content = source.slice(range.start, range.end).trim();
  if (content === '' || content === '&nbsp;') return '';
  return childElements(element).some(isBlock) ? content : `<p>${content}</p>`;
}
