'use client';
import { memo } from 'react';
import styled from 'styled-components';
import { Drop, WEIGHT_WORDS } from '@/ui/Drop';
import type { Numbered } from '../useDesk';

const Chip = styled.button<{ $current: boolean }>`
  display: inline-flex;
  align-items: center;
  gap: 0.2rem;
  min-height: 1.625rem;
  padding: 0 0.4rem;
  border: 1px solid ${({ $current }) => ($current ? 'var(--gall)' : 'var(--edge)')};
  background: ${({ $current }) => ($current ? 'var(--gallWash)' : 'var(--sheet)')};
  border-radius: var(--round);
  font: 700 0.8125rem var(--sans);
  cursor: pointer;
`;

/** A note by its number, wherever its thing stands on a face. */
export const NoteChip = memo(function NoteChip({
  one,
  inHand,
  onChoose,
}: {
  one: Numbered;
  inHand: Numbered | null;
  onChoose(noteId: number): void;
}) {
  const current = inHand?.note.id === one.note.id;
  return (
    <Chip
      type="button"
      $current={current}
      aria-current={current ? 'true' : undefined}
      onClick={() => onChoose(one.note.id)}
      aria-label={`Note ${one.number}, ${WEIGHT_WORDS[one.note.weight].toLowerCase()}: ${one.note.title}`}
    >
      <Drop weight={one.note.weight} size={14} />
      <span aria-hidden="true">{one.number}</span>
    </Chip>
  );
});
