'use client';
import { lookup, type TableView } from '@inkwell/core';
import styled from 'styled-components';

const Frame = styled.div`
  overflow-x: auto;
  border: 1px solid var(--line);
  &:focus-visible {
    outline-offset: -3px;
  }
  table {
    border-collapse: collapse;
    font-size: 0.875rem;
  }
  caption {
    text-align: left;
    padding: 0.3rem 0.5rem;
    font-weight: 600;
  }
  td,
  th {
    border: 1px solid var(--line);
    padding: 0.3rem 0.5rem;
    text-align: left;
    vertical-align: top;
    min-width: 5rem;
    font-weight: 400;
  }
  th {
    background: var(--paper);
    font-weight: 700;
  }
  small {
    display: block;
    color: var(--quiet);
    font-size: 0.8125rem;
  }
  input {
    width: 8rem;
    min-height: 1.75rem;
    padding: 0.1rem 0.4rem;
    border: 1px solid var(--edge);
    background: var(--sheet);
    color: var(--ink);
    font: inherit;
    font-weight: 400;
  }
  small:empty {
    display: none;
  }
`;

interface CellGridProps {
  /** As it is told, or would be. */
  table: TableView;
  /** As it is: its header cells without words can be given some. */
  before: TableView;
  label: string;
  /** Words for such cells, by path. */
  fills: Readonly<Record<string, string>>;
  onFill: ((path: string, text: string) => void) | null;
}

/** A table's grid, each cell with the headers that are read before it, and a box where a header has no words. */
export function CellGrid({ table, before, label, fills, onFill }: CellGridProps) {
  return (
    <Frame tabIndex={0} role="region" aria-label={label}>
      <table>
        <caption>{label}</caption>
        <tbody>
          {table.lines.map((line, i) => (
            <tr key={i}>
              {line.map((cell, j) => {
                const Cell = cell.header ? 'th' : 'td';
                const was = before.lines[i]?.[j];
                const blank = cell.header && was?.text === '' && !(i === 0 && j === 0) ? was : null;
                return (
                  <Cell key={j} rowSpan={cell.rowSpan} colSpan={cell.colSpan} {...(cell.header ? { scope: i === 0 ? 'col' : 'row' } : {})}>
                    {blank && onFill ? (
                      <input
                        aria-label={`Words for the empty header, row ${i + 1}, cell ${j + 1}`}
                        value={lookup(fills, blank.path) ?? ''}
                        onChange={({ target }) => onFill(blank.path, target.value)}
                      />
                    ) : (
                      cell.text
                    )}
                    {!cell.header && <small>{cell.heads.length > 0 ? `read with: ${cell.heads.join(', ')}` : ''}</small>}
                  </Cell>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
      {table.rows > table.lines.length && <p>{`The first ${table.lines.length} of ${table.rows} rows.`}</p>}
    </Frame>
  );
}
