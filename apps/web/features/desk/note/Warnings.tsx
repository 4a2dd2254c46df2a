'use client';
import styled from 'styled-components';
import { Drop, WEIGHT_WORDS } from '@/ui/Drop';
import { useLater } from '@/ui/useLater';
import type { Question, Warning } from '../engine/protocol';
import { useAnswer, type Engine } from '../engine/useEngine';

const List = styled.ul`
  display: grid;
  gap: 0.25rem;
  font-size: 0.875rem;
  li {
    display: flex;
    gap: 0.4rem;
    align-items: start;
  }
  svg {
    flex: none;
    margin-top: 0.1rem;
  }
`;

/** How long somebody has to pause in typing before what they wrote is looked at, in ms. */
const PAUSE_MS = 180;

/** What the engine would say of it once it is written: told while it is typed, never in the way. `question` has to keep its identity. */
export function Warnings({ engine, question }: { engine: Engine; question: Extract<Question, { kind: 'warned' | 'warned-of' }> | null }) {
  const asked = useLater(question, PAUSE_MS);
  const warned = useAnswer<'warned' | 'warned-of'>(engine, asked, true);
  return (
    <div role="status" aria-label="What would still be noted">
      {warned !== null && warned.length > 0 && (
        <List>
          {warned.map((one: Warning) => (
            <li key={one.sentence}>
              <Drop weight={one.weight} size={16} />
              <span>{`Would be noted (${WEIGHT_WORDS[one.weight].toLowerCase()}): ${one.sentence}.`}</span>
            </li>
          ))}
        </List>
      )}
    </div>
  );
}
