'use client';
import type { CriterionTold } from '@/server/criteria';
import { Link } from '@/ui/Link';
import { useEffect, useRef, useState, type RefObject } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { ask, type Sent } from '@/ui/send';

/** A criterion that is looked up from a note. */
export interface AskedCriterion {
  criterion: string;
  rule: string;
}

const Pane = styled.aside`
  margin-left: 1.25rem;
  max-height: min(22rem, 45vh);
  overflow: auto;
  padding: 0.75rem 1.25rem 1rem;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-top: 3px solid var(--gall);
  h2 {
    font-size: 1.125rem;
  }
  p {
    max-width: 70ch;
  }
  dl {
    display: grid;
    grid-template-columns: max-content minmax(0, 1fr);
    gap: 0.2rem 0.75rem;
    margin-top: 0.5rem;
    font-size: 0.9375rem;
  }
  dt {
    font-weight: 600;
  }
  blockquote {
    margin: 0.5rem 0 0;
    padding-left: 0.75rem;
    border-left: 3px solid var(--line);
    white-space: pre-line;
  }
  @media (max-width: 60rem), (max-height: 30rem) {
    margin-left: 0;
    max-height: none;
  }
`;
const Head = styled.div`
  display: flex;
  gap: 0.75rem;
  align-items: center;
  button {
    margin-left: auto;
  }
`;

/** What a criterion says, beside the work: number, title, level, our words on it and on each technique its rule cites. Escape closes it. */
export function CriterionPane({ asked, onClose }: { asked: AskedCriterion; onClose(): void }) {
  const sent = useTold(asked);
  const told = sent?.ok ? sent.value : null;
  const heading = useRef<HTMLHeadingElement>(null);
  useFocusWhile(told, heading);
  if (sent && !sent.ok)
    return (
      <Pane aria-label="What the criterion says">
        <ProblemNotice problem={sent.problem}>
          <p>
            <Button onPress={onClose}>Close</Button>
          </p>
        </ProblemNotice>
      </Pane>
    );
  if (!told) return null;
  return (
    <Pane aria-label="What the criterion says" onKeyDown={(event) => event.key === 'Escape' && onClose()}>
      <Head>
        <h2 ref={heading} tabIndex={-1}>{`${told.id} ${told.title}, level ${told.level}`}</h2>
        <Button onPress={onClose}>Close</Button>
      </Head>
      <p>{told.asks}</p>
      {told.standard && <blockquote>{told.standard}</blockquote>}
      <dl>
        {told.techniques.map(({ code, says }) => (
          <div key={code} style={{ display: 'contents' }}>
            <dt>{code.startsWith('F') ? `Failure ${code}` : code}</dt>
            <dd>{says}</dd>
          </div>
        ))}
      </dl>
      <p>
        <Link href={`/criteria/${told.id}`} target="_blank">
          All that is examined for it (opens a new tab)
        </Link>
      </p>
    </Pane>
  );
}

/** The pane has the focus when it comes, and gives it back to what asked for it. */
function useFocusWhile(told: CriterionTold | null, heading: RefObject<HTMLElement | null>): void {
  const [opener] = useState(() => document.activeElement);
  useEffect(() => heading.current?.focus(), [told, heading]);
  useEffect(() => () => void (opener instanceof HTMLElement && opener.isConnected && opener.focus()), [opener]);
}

function useTold({ criterion, rule }: AskedCriterion): Sent<CriterionTold> | null {
  const [sent, setSent] = useState<Sent<CriterionTold> | null>(null);
  useEffect(() => {
    let current = true;
    void ask<CriterionTold>(`/api/criteria/${criterion}?rule=${encodeURIComponent(rule)}`).then((answer) => current && setSent(answer));
    return () => void (current = false);
  }, [criterion, rule]);
  return sent;
}
