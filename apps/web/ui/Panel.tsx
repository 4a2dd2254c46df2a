'use client';
import styled from 'styled-components';

/** A sheet of paper that something is filled in on. */
export const Panel = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 1.1rem;
  max-width: 52rem;
  margin-top: 1.25rem;
  background: var(--sheet);
  border: 1px solid var(--line);
  padding: 1.25rem;
`;

/** Buttons and the like, side by side as far as there is room. */
export const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1rem;
  align-items: center;
`;

/** A ruled list: what a line is about on its left, what may be said to it on its right. */
export const Lines = styled.ul`
  margin-top: 0.75rem;
  background: var(--sheet);
  border: 1px solid var(--line);
  li {
    display: flex;
    flex-wrap: wrap;
    gap: 0.3rem 1rem;
    justify-content: space-between;
    align-items: center;
    padding: 0.4rem 0.75rem;
    border-top: 1px solid var(--line);
  }
  li:first-child {
    border-top: 0;
  }
`;

/** How far something is: its words, its bar, and what may be done about it. */
export const ProgressLine = styled(Row)`
  progress {
    width: 16rem;
    max-width: 100%;
    accent-color: var(--gall);
  }
`;
