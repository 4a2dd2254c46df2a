'use client';
import { diffLines } from 'diff';
import { useMemo } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { When } from '@/ui/When';
import type { SourceDraft } from './useSourceDraft';

const Section = styled.section`
  padding: 1rem 1.25rem;
  background: var(--sheet);
  border: 1px solid var(--line);
  overflow: auto;
  min-height: 0;
  h2 {
    font-size: 1.25rem;
  }
`;
const Both = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 18rem), 1fr));
  gap: 0.75rem;
  margin: 0.75rem 0;
  h3 {
    font-size: 1rem;
    margin-bottom: 0.3rem;
  }
  pre {
    margin: 0;
    padding: 0.6rem;
    max-height: 22rem;
    overflow: auto;
    background: var(--paper);
    border: 1px solid var(--line);
    font: 0.8125rem/1.5 var(--mono);
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }
  mark {
    background: var(--gallWash);
    color: var(--ink);
    border-left: 4px solid var(--gall);
    display: block;
    padding-left: 0.4rem;
  }
`;
const Actions = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
`;

/** Two people changed one page: both texts, with what differs marked, and the choice. Nothing is lost either way. */
export function Conflict({ draft, theirs }: { draft: SourceDraft; theirs: NonNullable<SourceDraft['theirs']> }) {
  const parts = useMemo(() => diffLines(theirs.html, draft.text), [theirs.html, draft.text]);
  return (
    <Section aria-labelledby="conflict-heading">
      <h2 id="conflict-heading">Two versions of this page</h2>
      <p>
        {`You began at revision ${draft.base}; ${theirs.by} saved revision ${theirs.revision} `}
        <When at={theirs.at} />. Lines that differ are marked on both sides.
      </p>
      <Both>
        <div>
          <h3>Yours, not saved</h3>
          <pre tabIndex={0} role="region" aria-label="Your version">
            {parts
              .filter((part) => !part.removed)
              .map((part, i) => (part.added ? <mark key={i}>{part.value}</mark> : <span key={i}>{part.value}</span>))}
          </pre>
        </div>
        <div>
          <h3>{`Theirs, revision ${theirs.revision}`}</h3>
          <pre tabIndex={0} role="region" aria-label="Their version">
            {parts
              .filter((part) => !part.added)
              .map((part, i) => (part.removed ? <mark key={i}>{part.value}</mark> : <span key={i}>{part.value}</span>))}
          </pre>
        </div>
      </Both>
      <Actions>
        <Button $look="main" onPress={() => draft.settle('keep mine')}>{`Go on with mine, on top of revision ${theirs.revision}`}</Button>
        <Button onPress={() => draft.settle('take theirs')}>Take theirs, drop mine</Button>
      </Actions>
    </Section>
  );
}
