'use client';
import styled from 'styled-components';
import { Choice, Pick, Tick } from '@/ui/Field';
import { EYES, WIDTHS, type ProofView } from './views';

const Bar = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.35rem 1.1rem;
  padding: 0.35rem 1rem;
  background: var(--paper);
  border: 1px solid var(--line);
  border-right: 0;
  border-bottom: 0;
  font-size: 0.875rem;
  /* The bar keeps to one line: a long name shows whole in the open list. */
  select {
    max-width: 7.4rem;
  }
`;

/** How the proof is looked at. */
export function ProofBar({ view, onChange }: { view: ProofView; onChange(view: ProofView): void }) {
  return (
    <Bar role="group" aria-label="How the proof is shown">
      <Choice
        label="Width"
        hideLabel
        value={view.width}
        onChange={(width) => onChange({ ...view, width: width as ProofView['width'] })}
        options={WIDTHS}
      />
      <Pick
        label="Seen with"
        value={view.eyes}
        onChange={(eyes) => onChange({ ...view, eyes: eyes as ProofView['eyes'] })}
        options={EYES}
      />
      <Tick label="Text doubled" on={view.text === '200'} onChange={(on) => onChange({ ...view, text: on ? '200' : '100' })} />
      <Tick label="Images in words" on={view.images === 'words'} onChange={(on) => onChange({ ...view, images: on ? 'words' : 'shown' })} />
    </Bar>
  );
}
