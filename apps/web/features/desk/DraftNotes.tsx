'use client';
import { memo, useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Drop, WEIGHT_WORDS } from '@/ui/Drop';
import { FAMILY_WORDS } from '@/ui/words';
import type { DraftNote } from './engine/protocol';

const Section = styled.section`padding-top: 0.9rem; background: var(--paper); h2 { font-size: 1.125rem; padding: 0 1.25rem 0.5rem; }`;
const Row = styled.button`
  display: grid; grid-template-columns: 3.5rem 1.25rem minmax(0, 1fr) auto; gap: 0.5rem; align-items: center; width: 100%; padding: 0.35rem 1.25rem; text-align: left; border: 0; border-top: 1px solid var(--line); background: none; cursor: pointer;
  &:hover { background: var(--gallWash); } &:focus-visible { outline-offset: -3px; } em { font-style: normal; color: var(--quiet); font-size: 0.84375rem; }
`;

/** Rows shown at first: every keystroke draws them anew, and nobody reads hundreds while typing. */
const AT_FIRST = 60;

/** What the engine sees in text that is not saved yet, by line. */
export const DraftNotes = memo(function DraftNotes({ notes, onGo }: { notes: readonly DraftNote[]; onGo(start: number): void }) {
  const [all, setAll] = useState(false);
  return (
    <Section aria-labelledby="draft-heading">
      <h2 id="draft-heading">{`In this draft: ${notes.length === 0 ? 'nothing found' : notes.length === 1 ? '1 note' : `${notes.length} notes`}`}</h2>
      <ol>
        {(all ? notes : notes.slice(0, AT_FIRST)).map((note) => (
          <li key={`${note.rule} ${note.path} ${note.start}`}>
            <Row type="button" onClick={() => onGo(note.start)}>
              <span>{`line ${note.line}`}</span>
              <Drop weight={note.weight} />
              <span><span className="aside-from-view">{`${WEIGHT_WORDS[note.weight]}: `}</span>{note.sentence}</span>
              <em>{FAMILY_WORDS[note.family]}</em>
            </Row>
          </li>
        ))}
      </ol>
      {!all && notes.length > AT_FIRST && <Button $look="quiet" onPress={() => setAll(true)}>{`Show ${notes.length - AT_FIRST} more`}</Button>}
    </Section>
  );
});
