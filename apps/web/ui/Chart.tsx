'use client';
import styled from 'styled-components';

/** A chart with what it shows and, folded, the same as a table. */
export const Figure = styled.figure`
  margin-top: 1.5rem;
  padding: 0.75rem 1rem;
  background: var(--sheet);
  border: 1px solid var(--line);
  figcaption {
    font: 600 1rem var(--serif);
    margin-bottom: 0.5rem;
  }
  summary {
    cursor: pointer;
    min-height: 1.75rem;
  }
  text {
    fill: var(--quiet);
    font: 400 0.8125rem var(--sans);
  }
`;

/** The weights of what is open, as they are drawn everywhere. */
export const WEIGHTS = [
  { key: 'must', name: 'must', fill: 'var(--ink)' },
  { key: 'should', name: 'should', fill: 'var(--gall)' },
  { key: 'consider', name: 'to consider', fill: 'var(--edge)' },
  { key: 'judge', name: 'to judge', fill: 'var(--marginRule)' },
] as const;

/** What stands at a place of a chart. */
export const TOOLTIP = { background: 'var(--sheet)', color: 'var(--ink)', border: '1px solid var(--edge)' };
