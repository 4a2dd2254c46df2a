'use client';
import type { Note } from '@inkwell/review';
import { memo } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Drop, WEIGHT_WORDS } from '@/ui/Drop';
import { FAMILIES, FAMILY_WORDS } from '@/ui/words';
import type { DeskActions, DeskState } from './useDesk';

const Section = styled.section`padding-top: 0.6rem; background: var(--paper);`;
const Head = styled.div`
  display: flex; flex-wrap: wrap; justify-content: space-between; align-items: center; gap: 0.3rem 0.75rem; padding: 0 1.25rem 0.4rem; h2 { font-size: 1rem; }
  label { font-size: 0.875rem; color: var(--quiet); display: flex; gap: 0.4rem; align-items: center; }
  select { background: var(--sheet); border: 1px solid var(--edge); border-radius: var(--round); min-height: 1.75rem; }
`;
const Row = styled.button<{ $current: boolean }>`
  display: grid; grid-template-columns: 2rem 1.25rem minmax(0, 1fr) auto; gap: 0.5rem; align-items: center; width: 100%; padding: 0.35rem 1.25rem 0.35rem 0.75rem; text-align: left;
  border: 0; border-top: 1px solid var(--line); background: ${({ $current }) => ($current ? 'var(--gallWash)' : 'none')}; box-shadow: ${({ $current }) => ($current ? 'inset 5px 0 0 var(--gall)' : 'none')}; cursor: pointer; font-size: 0.90625rem;
  &:hover { background: var(--gallWash); } &:focus-visible { outline-offset: -3px; }
  b { text-align: right; } em { font-style: normal; color: var(--quiet); font-size: 0.84375rem; }
`;
const Settled = styled.div`
  display: flex; flex-wrap: wrap; align-items: center; gap: 0.25rem 0.75rem; padding: 0.35rem 1.25rem; border-top: 1px solid var(--line); color: var(--quiet); font-size: 0.875rem;
  button { margin-left: auto; }
`;
const Empty = styled.p`padding: 0.75rem 1.25rem; border-top: 1px solid var(--line);`;

/** Every note of the page in its order, and below them those that a person has ruled out. */
export function NoteList({ state, actions, mayRule }: { state: DeskState; actions: DeskActions; mayRule: boolean }) {
  const { open, settled, inHand, family, desk } = state;
  const present = FAMILIES.filter((one) => desk.notes.some((note) => note.family === one));
  return (
    <Section aria-labelledby="notes-heading">
      <Head>
        <h2 id="notes-heading">{`Notes, in page order: ${open.length} open`}</h2>
        {desk.fixedHere > 0 && <span>{`${desk.fixedHere} fixed`}</span>}
        <label>
          Family
          <select value={family ?? ''} onChange={(event) => actions.setFamily((event.target.value || null) as typeof family)}>
            <option value="">all</option>
            {present.map((one) => <option key={one} value={one}>{FAMILY_WORDS[one]}</option>)}
          </select>
        </label>
      </Head>
      {open.length === 0 && <Empty>{family ? 'Nothing is open in this family.' : 'Nothing is open on this page.'}</Empty>}
      {open.length > 0 && <ol>
        {open.map(({ number, note }) => <NoteRow key={note.id} number={number} note={note} current={note.id === inHand?.note.id} onChoose={actions.choose} />)}
      </ol>}
      {settled.map((note) => <SettledRow key={note.id} note={note} mayRule={mayRule} onTakeBack={() => void actions.takeBack(note)} />)}
    </Section>
  );
}

const NoteRow = memo(function NoteRow({ number, note, current, onChoose }: { number: number; note: Note; current: boolean; onChoose(noteId: number): void }) {
  return (
    <li>
      <Row type="button" $current={current} aria-current={current ? 'true' : undefined} onClick={() => onChoose(note.id)}>
        <b>{number}</b>
        <Drop weight={note.weight} />
        <span><span className="aside-from-view">{`${WEIGHT_WORDS[note.weight]}: `}</span>{note.title}{note.standing === 'returned' ? ' (returned)' : ''}</span>
        <em>{`${FAMILY_WORDS[note.family]}${note.outcome === 'cantTell' && note.ruled === null ? ', to judge' : ''}`}</em>
      </Row>
    </li>
  );
});

function SettledRow({ note, mayRule, onTakeBack }: { note: Note; mayRule: boolean; onTakeBack(): void }) {
  return (
    <Settled>
      <span>{`${note.sentence}: ${note.standing}${note.ruling ? ` by ${note.ruling.by}` : ''}`}</span>
      {note.standing === 'ruled out' && <Button $look="quiet" isDisabled={!mayRule} onPress={onTakeBack} aria-label={`Take back the answer on: ${note.sentence}`}>Take back</Button>}
    </Settled>
  );
}
