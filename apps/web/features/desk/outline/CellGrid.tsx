'use client';
import type { TableView } from '@inkwell/core';
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
  small:empty {
    display: none;
  }
`;

/** A table's grid, each cell with the headers that are read before it. */
export function CellGrid({ table, label }: { table: TableView; label: string }) {
  return (
    <Frame tabIndex={0} role="region" aria-label={label}>
      <table>
        <caption>{label}</caption>
        <tbody>
          {table.lines.map((line, i) => (
            <tr key={i}>
              {line.map((cell) => {
                const Cell = cell.header ? 'th' : 'td';
                const read = <small>{cell.heads.length > 0 ? `read with: ${cell.heads.join(', ')}` : ''}</small>;
                return (
                  <Cell
                    key={cell.path}
                    rowSpan={cell.rowSpan}
                    colSpan={cell.colSpan}
                    {...(cell.header ? { scope: i === 0 ? 'col' : 'row' } : {})}
                  >
                    {cell.text}
                    {!cell.header && read}
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
