'use client';
import type { ShelfRow } from '@inkwell/review';
import styled from 'styled-components';

const Bar = styled.div`
  display: flex;
  height: 0.6rem;
  max-width: 14rem;
  margin-bottom: 0.3rem;
  border: 1px solid var(--edge);
  background: var(--sheet);
  span {
    display: block;
  }
  .signed {
    background: var(--gall);
  }
  .ready {
    background: repeating-linear-gradient(90deg, var(--gall) 0 2px, transparent 2px 5px);
  }
  .judge {
    background: repeating-linear-gradient(45deg, var(--quiet) 0 1px, transparent 1px 4px);
  }
`;

/** A collection's way to done as a bar that fills from the left; the words beside it say the same. */
export function Way({ row: { pages, verdicts, signedOff, published } }: { row: ShelfRow }) {
  const signed = signedOff + published;
  if (pages === 0) return null;
  const parts = [
    ['signed', signed],
    ['ready', Math.max(0, verdicts.ready - signed)],
    ['judge', verdicts.judge],
  ] as const;
  return (
    <Bar aria-hidden="true">
      {parts.map(([name, many]) => (
        <span key={name} className={name} style={{ width: `${(100 * many) / pages}%` }} />
      ))}
    </Bar>
  );
}
