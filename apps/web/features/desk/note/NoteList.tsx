'use client';
import type { Note } from '@inkwell/review';
import { memo, useEffect, useMemo, useRef, useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Drop, WEIGHT_WORDS } from '@/ui/Drop';
import { Day } from '@/ui/When';
import { FAMILY_WORDS } from '@/ui/words';
import type { DeskActions, DeskState } from '../useDesk';
import { keyOf, pageTextOf } from '../engine/pageText';
import { useAnswer, type Engine } from '../engine/useEngine';
import type { Permissions } from '../StandingLine';
import { Filters } from './Filters';
import { StepStrip } from './StepStrip';
import { ManySheet } from './ManySheet';
import { filters, isOpen, isToJudge } from './filter';

/** It keeps room for four rows whatever the note in hand needs, and takes what that leaves. */
const Section = styled.section`
  display: flex;
  flex-direction: column;
  padding-top: 0.35rem;
  background: var(--paper);
  && {
    flex: 1 0 auto;
  }
  min-height: 0;
  > * {
    flex: none;
  }
  @media (max-width: 60rem), (max-height: 30rem) {
    display: block;
  }
`;
/** What scrolls of the list: its head stays. */
const Body = styled.div`
  && {
    flex: 1 1 auto;
  }
  min-height: 0;
  overflow-y: auto;
  @media (max-width: 60rem), (max-height: 30rem) {
    overflow: visible;
  }
`;
const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 0.3rem 0.75rem;
  padding: 0 1.25rem 0.4rem;
  h2 {
    font-size: 1rem;
  }
  span {
    font-size: 0.875rem;
  }
`;
const Row = styled.button<{ $current: boolean }>`
  display: grid;
  grid-template-columns: 2rem 1.25rem minmax(0, 1fr) auto;
  gap: 0.5rem;
  align-items: center;
  width: 100%;
  padding: 0.35rem 1.25rem 0.35rem 0.75rem;
  text-align: left;
  border: 0;
  border-top: 1px solid var(--line);
  background: ${({ $current }) => ($current ? 'var(--gallWash)' : 'none')};
  box-shadow: ${({ $current }) => ($current ? 'inset 5px 0 0 var(--gall)' : 'none')};
  cursor: pointer;
  font-size: 0.90625rem;
  &:hover {
    background: var(--gallWash);
  }
  &:focus-visible {
    outline-offset: -3px;
  }
  b {
    text-align: right;
  }
  em {
    font-style: normal;
    color: var(--quiet);
    font-size: 0.84375rem;
  }
`;
const Settled = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.25rem 0.75rem;
  padding: 0.35rem 1.25rem;
  border-top: 1px solid var(--line);
  color: var(--quiet);
  font-size: 0.875rem;
  button {
    margin-left: auto;
  }
`;
/** Rows that are not in view are laid out when they come into it: a long page has hundreds. */
const Rows = styled.ol`
  li {
    content-visibility: auto;
    contain-intrinsic-size: auto 2.1rem;
  }
`;
const Empty = styled.p`
  padding: 0.75rem 1.25rem;
  border-top: 1px solid var(--line);
`;

/** Every note of the page in its order, and below them those that a person has ruled out. */
export function NoteList({ state, actions, engine, can }: { state: DeskState; actions: DeskActions; engine: Engine; can: Permissions }) {
  const { open, settled, inHand, filter, desk } = state;
  const body = useInSight(inHand?.note.id);
  return (
    <Section aria-labelledby="notes-heading">
      <Head>
        <h2 id="notes-heading">{`Notes, in page order: ${open.length} open`}</h2>
        {desk.fixedHere > 0 && <span>{`${desk.fixedHere} fixed`}</span>}
        {open.some(({ note }) => note.sure) && <AllCertain state={state} actions={actions} engine={engine} mayChange={can.change} />}
      </Head>
      <StepStrip state={state} actions={actions} mayLook={can.change} />
      {desk.notes.length > 0 && <Filters notes={desk.notes} filter={filter} onChange={actions.setFilter} />}
      <Body ref={body} style={{ flexBasis: roomFor(open.length + settled.length) }}>
        {open.length === 0 && <Empty>{filters(filter) ? 'Nothing open is left by this choice.' : 'Nothing is open on this page.'}</Empty>}
        {open.length > 0 && (
          <Rows>
            {open.map(({ number, note }) => (
              <NoteRow key={note.id} number={number} note={note} current={note.id === inHand?.note.id} onChoose={actions.choose} />
            ))}
          </Rows>
        )}
        {settled.map((note) => (
          <SettledRow key={note.id} note={note} can={can} actions={actions} />
        ))}
      </Body>
    </Section>
  );
}

/** Room for four rows, one of them of two lines, less where there are fewer: what is left is the note’s. */
const roomFor = (rows: number) => `${Math.min(5.2, Math.max(1.2, rows)) * 2.1}rem`;

/** Keeps the row of the note in hand in sight, moving nothing but the list, also when the note leaves it another room. */
function useInSight(noteId: number | undefined) {
  const body = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const box = body.current;
    if (!box) return;
    const show = () => showRow(box);
    show();
    const watch = new ResizeObserver(show);
    watch.observe(box);
    return () => watch.disconnect();
  }, [noteId]);
  return body;
}

/** Scrolls by whole rows: none is cut in two at the top. */
function showRow(box: HTMLElement): void {
  const row = box.querySelector<HTMLElement>('[aria-current="true"]');
  if (!row || box.scrollHeight <= box.clientHeight) return;
  const [place, around] = [row.getBoundingClientRect(), box.getBoundingClientRect()];
  if (place.top < around.top) box.scrollTop -= around.top - place.top;
  else if (place.bottom > around.bottom) {
    const fitting = Math.max(1, Math.floor(box.clientHeight / place.height));
    box.scrollTop += place.top - around.top - (fitting - 1) * place.height;
  }
}

const NoteRow = memo(function NoteRow({
  number,
  note,
  current,
  onChoose,
}: {
  number: number;
  note: Note;
  current: boolean;
  onChoose(noteId: number): void;
}) {
  return (
    <li>
      <Row type="button" $current={current} aria-current={current ? 'true' : undefined} onClick={() => onChoose(note.id)}>
        <b>{number}</b>
        <Drop weight={note.weight} />
        <span>
          <span className="aside-from-view">{`${WEIGHT_WORDS[note.weight]}: `}</span>
          {note.title}
          {note.standing === 'returned' ? ' (returned)' : ''}
        </span>
        <em>{`${FAMILY_WORDS[note.family]}${isToJudge(note) ? ', to judge' : ''}`}</em>
      </Row>
    </li>
  );
});

/** Everything on the page that needs no person, shown before it is fixed, as one revision. */
function AllCertain({ state, actions, engine, mayChange }: { state: DeskState; actions: DeskActions; engine: Engine; mayChange: boolean }) {
  const [open, setOpen] = useState(false);
  const { desk } = state;
  const settled = useMemo(() => desk.notes.filter((note) => !isOpen(note)).map(keyOf), [desk]);
  const found = useAnswer<'certain'>(
    engine,
    useMemo(() => (open ? { kind: 'certain', page: pageTextOf(desk), settled } : null), [open, desk, settled]),
  );
  return (
    <>
      <Button
        data-act="certain"
        isDisabled={!mayChange || state.busy}
        onPress={() => {
          actions.dismiss();
          setOpen(true);
        }}
      >
        Fix what is certain…
      </Button>
      <ManySheet
        title="Fix what is certain"
        open={open}
        found={found}
        none="Nothing here is certain: each open note needs a word or a choice from you."
        busy={state.busy}
        problem={state.problem}
        onClose={() => setOpen(false)}
        onFix={actions.fixCertain}
      />
    </>
  );
}

/** A note that a person has settled: who, how, and the way back. */
function SettledRow({ note, can, actions }: { note: Note; can: Permissions; actions: DeskActions }) {
  const { exception, ruling, sentence, standing } = note;
  if (standing === 'excepted' && exception) {
    return (
      <Settled>
        <span>
          {`${sentence}: let stand until `}
          <Day day={exception.until} />
          {` by ${exception.by}, “${exception.reason}”`}
        </span>
        <Button
          $look="quiet"
          isDisabled={!can.letStand}
          onPress={() => void actions.endException(note)}
          aria-label={`End the exception for: ${sentence}`}
        >
          End it now
        </Button>
      </Settled>
    );
  }
  if (standing === 'elsewhere') {
    return (
      <Settled>
        <span>{`${sentence}: only the theme or the host can fix it`}</span>
        <Button
          $look="quiet"
          isDisabled={!can.rule}
          onPress={() => void actions.setElsewhere(note, false)}
          aria-label={`The page can fix it: ${sentence}`}
        >
          The page can fix it
        </Button>
      </Settled>
    );
  }
  return (
    <Settled>
      <span>{`${sentence}: ${standing}${ruling ? ` by ${ruling.by}` : ''}`}</span>
      {standing === 'ruled out' && (
        <Button
          $look="quiet"
          isDisabled={!can.rule}
          onPress={() => void actions.takeBack(note)}
          aria-label={`Take back the answer on: ${sentence}`}
        >
          Take back
        </Button>
      )}
    </Settled>
  );
}
