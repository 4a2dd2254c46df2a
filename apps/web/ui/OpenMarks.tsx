'use client';
import type { Tally } from '@inkwell/review';
import styled from 'styled-components';
import { tallyWords } from './words';

const KEYS = ['must', 'should', 'consider', 'judge'] as const;
const NAMES: Record<(typeof KEYS)[number], string> = { must: 'must', should: 'should', consider: 'consider', judge: 'to judge' };

const Columns = styled.span`
  display: grid;
  grid-template-columns: 2.75rem 3.4rem 3.75rem 3.75rem;
  text-align: right;
  font-variant-numeric: tabular-nums;
  th & {
    font-size: 0.75rem;
  }
`;
const Marks = styled.span`
  display: inline-grid;
  gap: 0.2rem;
  .none {
    color: var(--quiet);
  }
`;
/** How much is open beside the most there is in the list; the heavier, the more ink. */
const Ink = styled.span`
  display: flex;
  width: 13.65rem;
  height: 5px;
  > i {
    height: 100%;
    border: 1px solid var(--ink);
    border-left-width: 0;
  }
  > i:first-child {
    border-left-width: 1px;
  }
  > .must {
    background: var(--ink);
  }
  > .should {
    background: repeating-linear-gradient(90deg, var(--ink) 0 1px, transparent 1px 3px);
  }
  > .judge {
    border-style: dotted;
  }
`;

/** What the columns of numbers are: for the head of a table. */
export function OpenHead() {
  return (
    <>
      <span className="aside-from-view">Open</span>
      <Columns>
        {KEYS.map((key) => (
          <span key={key}>{NAMES[key]}</span>
        ))}
      </Columns>
    </>
  );
}

/** What is open, by weight: numbers in columns, and as ink of a length. `most`: the most that is open on any line of the list. */
export function OpenMarks({ tally, most }: { tally: Tally; most: number }) {
  return (
    <Marks>
      <span className="aside-from-view">{tallyWords(tally)}</span>
      <Columns aria-hidden="true">
        {KEYS.map((key) => (
          <span key={key} className={tally[key] ? undefined : 'none'}>
            {tally[key] ? tally[key].toLocaleString('en') : '·'}
          </span>
        ))}
      </Columns>
      <Ink aria-hidden="true">
        {KEYS.map(
          (key) => tally[key] > 0 && <i key={key} className={key} style={{ width: `${(100 * tally[key]) / Math.max(1, most)}%` }} />,
        )}
      </Ink>
    </Marks>
  );
}

export const openIn = ({ must, should, consider, judge }: Tally) => must + should + consider + judge;
