'use client';
import styled from 'styled-components';

/** A table of the interface: tight rows, a rule under each, numbers that stand in columns. It scrolls by itself where it is too wide. */
export const TableFrame = styled.div`
  position: relative;
  overflow-x: auto;
  margin-top: 1.25rem;
  background: var(--sheet);
  border: 1px solid var(--line);
  &:focus-visible {
    outline-offset: -3px;
  }
`;
export const Table = styled.table`
  width: 100%;
  border-collapse: collapse;
  font-variant-numeric: tabular-nums;
  caption {
    text-align: left;
    padding: 0.6rem 0.9rem;
    font: 600 1rem var(--serif);
  }
  th,
  td {
    text-align: left;
    padding: 0.5rem 0.9rem;
    border-top: 1px solid var(--line);
    vertical-align: baseline;
  }
  thead th {
    font-size: 0.8125rem;
    color: var(--quiet);
    font-weight: 600;
    white-space: nowrap;
  }
  .number {
    text-align: right;
  }
  .whole {
    white-space: nowrap;
  }
  tbody th {
    font-weight: 600;
  }
  tbody tr:hover {
    background: var(--paper);
  }
`;

/** A second line in a cell, quieter than the first. */
export const Small = styled.span`
  display: block;
  color: var(--quiet);
  font: 400 0.8125rem var(--sans);
  overflow-wrap: anywhere;
`;
