'use client';
import { memo, useState, type ReactNode } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Drop, WEIGHT_WORDS } from '@/ui/Drop';
import { counted, FAMILY_WORDS } from '@/ui/words';
import type { DraftNote } from '../engine/protocol';

const Section = styled.section`
  padding-top: 0.9rem;
  background: var(--paper);
  contain: layout paint;
  h2 {
    font-size: 1.125rem;
    padding: 0 1.25rem 0.5rem;
  }
`;
const Row = styled.button`
  display: grid;
  grid-template-columns: 3.5rem 1.25rem minmax(0, 1fr) auto;
  gap: 0.5rem;
  align-items: center;
  width: 100%;
  padding: 0.35rem 1.25rem;
  text-align: left;
  border: 0;
  border-top: 1px solid var(--line);
  background: none;
  cursor: pointer;
  &:hover,
  &[aria-current] {
    background: var(--gallWash);
  }
  &:focus-visible {
    outline-offset: -3px;
  }
  em {
    font-style: normal;
    color: var(--quiet);
    font-size: 0.84375rem;
  }
`;

const Taken = styled.section`
  padding: 0 1.25rem 1rem;
  margin-bottom: 0.75rem;
  border-bottom: 1px solid var(--line);
  h2 {
    padding: 0 0 0.3rem;
  }
`;

/** Rows shown at first: every keystroke draws them anew, and nobody reads hundreds while typing. */
const AT_FIRST = 60;

export interface DraftNotesProps {
  notes: readonly DraftNote[];
  taken: DraftNote | null;
  onTake(note: DraftNote): void;
  /** The fix of the note that is taken up. */
  children?: ReactNode;
}

/** What the engine sees in text that is not saved yet, by line; one of them can be taken up and corrected in the draft. */
export const DraftNotes = memo(function DraftNotes({ notes, taken, onTake, children }: DraftNotesProps) {
  const [all, setAll] = useState(false);
  return (
    <Section aria-labelledby="draft-heading">
      {taken && (
        <Taken aria-label="Note taken up">
          <h2>{taken.sentence}</h2>
          <p>{taken.why}</p>
          {children}
        </Taken>
      )}
      <h2 id="draft-heading">{`In this draft: ${notes.length === 0 ? 'nothing found' : counted(notes.length, 'note')}`}</h2>
      {notes.length > 0 && (
        <ol>
          {(all ? notes : notes.slice(0, AT_FIRST)).map((note) => (
            <DraftRow key={draftNoteId(note)} note={note} current={note === taken} onTake={onTake} />
          ))}
        </ol>
      )}
      {!all && notes.length > AT_FIRST && (
        <Button $look="quiet" onPress={() => setAll(true)}>{`Show ${notes.length - AT_FIRST} more`}</Button>
      )}
    </Section>
  );
});

/** One note of the draft. Drawn anew only when it says something else or stands on another line: its place moves with every key. */
const DraftRow = memo(
  function DraftRow({ note, current, onTake }: { note: DraftNote; current: boolean; onTake(note: DraftNote): void }) {
    return (
      <li>
        <Row type="button" aria-current={current ? 'true' : undefined} onClick={() => onTake(note)}>
          <span>{`line ${note.line}`}</span>
          <Drop weight={note.weight} />
          <span>
            <span className="aside-from-view">{`${WEIGHT_WORDS[note.weight]}: `}</span>
            {note.sentence}
          </span>
          <em>{FAMILY_WORDS[note.family]}</em>
        </Row>
      </li>
    );
  },
  (before, now) =>
    before.current === now.current &&
    before.note.line === now.note.line &&
    before.note.weight === now.note.weight &&
    before.onTake === now.onTake &&
    draftNoteId(before.note) === draftNoteId(now.note),
);

/** Tells a draft's notes apart while their places move. */
export function draftNoteId({ rule, path, sentence }: DraftNote): string {
  return `${rule} ${path} ${sentence}`;
}
