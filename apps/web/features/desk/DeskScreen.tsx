'use client';
import type { Desk, Problem } from '@inkwell/review';
import type { KeySettings } from '@inkwell/store';
import dynamic from 'next/dynamic';
import { useRouter, useSearchParams } from 'next/navigation';
import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import styled from 'styled-components';
import { OnThisPage } from '@/ui/live/OnThisPage';
import { Button } from '@/ui/Button';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { isSigned } from '@/ui/Verdict';
import { counted } from '@/ui/words';
import { DeskFaces } from './DeskFaces';
import { useEngine, useHealth, type Engine } from './engine/useEngine';
import { filters } from './note/filter';
import { useAhead } from './note/ahead';
import { CriterionPane, type AskedCriterion } from './note/CriterionPane';
import { NoteInHand } from './note/NoteInHand';
import { keysElsewhere, keysOfNote } from './keys';
import { NoteList } from './note/NoteList';
import { DeskPalette } from './palette/DeskPalette';
import { TakenOut } from './page/TakenOut';
import { FACES, placeFrom, queryOf, type DeskPlace } from './place';
import { ShortcutSheet } from './ShortcutSheet';
import { DraftHolder, useDraft } from './source/DraftHolder';
import { DraftPanel } from './source/DraftPanel';
import { addressBeside, StandingLine, type Permissions } from './StandingLine';
import { useTimeLog } from './time/useTimeLog';
import { useDesk, type DeskActions, type DeskState } from './useDesk';
import { usePaletteKey, useShortcuts, withOwnKeys } from './useShortcuts';

/** Fetched when somebody wants it: most never do. */
const PageSheet = dynamic(() => import('./page/PageSheet').then(({ PageSheet: sheet }) => sheet), { ssr: false });

const Layout = styled.main`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 31rem);
  height: calc(100dvh - 2.875rem);
  grid-template-rows: auto minmax(0, 1fr);
  > section:first-child {
    grid-column: 1 / -1;
  }
  @media (max-width: 60rem), (max-height: 30rem) {
    display: block;
    height: auto;
  }
`;
/** The page, and beside it what a criterion says, while that is looked up. */
const Beside = styled.div`
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
  min-height: 0;
  @media (max-width: 60rem), (max-height: 30rem) {
    display: block;
  }
`;
/** The note in hand and the list, each with a place of its own: neither ever scrolls the other out of sight. */
const Right = styled.div`
  display: flex;
  flex-direction: column;
  background: var(--paper);
  border-left: 1px solid var(--line);
  overflow: hidden;
  min-height: 0;
  > * {
    flex: none;
  }
  @media (max-width: 60rem), (max-height: 30rem) {
    display: block;
    overflow: visible;
    border-left: 0;
  }
`;
const Late = styled.div`
  display: flex;
  gap: 0.75rem;
  align-items: center;
  padding: 0.25rem 1.25rem;
  background: var(--gallWash);
  font-size: 0.875rem;
  button {
    margin-left: auto;
  }
`;
const Done = styled.div`
  padding: 1.25rem;
  background: var(--sheet);
  border-bottom: 1px solid var(--line);
  h2 {
    font-size: 1.25rem;
  }
  h2:focus {
    outline: none;
  }
  h2:focus-visible {
    outline: 3px solid var(--gall);
  }
`;
const Foot = styled.div`
  padding: 0.2rem 1rem;
  border-top: 1px solid var(--line);
`;

/** Who is at the desk, with what they set for themselves. */
export interface AtTheDesk {
  id: string;
  keepsTime: boolean;
  keys: KeySettings;
}

/** One page under review: the proof and its other faces on the left, the note in hand and the list on the right. */
export function DeskScreen({ initial, can, person }: { initial: Desk; can: Permissions; person: AtTheDesk }) {
  const asked = useSearchParams();
  const [place] = useState(() => placeFrom(asked));
  const [state, actions] = useDesk(initial, place);
  const [view, setView] = useState(place.view);
  const [pair, setPair] = useState(place.pair);
  const engine = useEngine();
  const [asks, setAsks] = useState<AskedCriterion | null>(null);
  const [sheetOpen, setSheetOpen] = useState(false);
  const [paletteOpen, setPaletteOpen] = useState(false);
  const [pageOpen, setPageOpen] = useState(false);
  const [keepsTime, setKeepsTime] = useState(person.keepsTime);
  useTimeLog(state.desk, state.inHand?.note ?? null, keepsTime);
  useFocusKept(state.desk, state.inHand?.note.id);
  useLedToNote(state.taken);
  useAddress({ note: state.inHand?.note.id ?? null, face: state.face, filter: state.filter, view, pair });

  const onward = queryOf({ note: null, face: state.face, filter: state.filter, view, pair: null });
  const router = useRouter();
  const { before, after, open } = state.desk.beside;
  const shortcuts = useMemo(() => {
    const goTo = (page: { slug: string }) => router.push(addressBeside(state.desk, page.slug, onward));
    return [
      { key: 'n', does: 'Next note', run: () => actions.step(1) },
      { key: 'b', does: 'Note before', run: () => actions.step(-1) },
      { key: 'u', does: 'Undo', run: () => void actions.undo() },
      { key: 'r', does: 'Redo', run: () => void actions.redo() },
      ...keysOfNote(state, actions, can),
      ...(after ? [{ key: ']', does: `Page after: ${after.title}`, run: () => goTo(after) }] : []),
      ...(open ? [{ key: 'o', does: `Next page with something open: ${open.title}`, run: () => goTo(open) }] : []),
      ...(before ? [{ key: '[', does: `Page before: ${before.title}`, run: () => goTo(before) }] : []),
      ...FACES.map((face, i) => ({ key: String(i + 1), does: `Show ${face.label.toLowerCase()}`, run: () => actions.setFace(face.id) })),
      ...(can.change || can.bringIn ? [{ key: 'p', does: 'This page: title, place, sort', run: () => setPageOpen(true) }] : []),
      { key: '?', does: 'The sheet of keys', run: () => setSheetOpen(true) },
    ];
  }, [actions, router, before, after, open, onward, state, can]);
  useTitle(state.desk.title);
  const [unkept, setUnkept] = useState<Problem | null>(null);
  const [keySettings, setKeySettings] = useState(person.keys);
  const keyed = useShortcuts(shortcuts, keySettings);
  usePaletteKey(useCallback(() => setPaletteOpen(true), []));

  return (
    <DraftHolder key={person.id} state={state} actions={actions} engine={engine} person={person.id}>
      <Layout id="content">
        <StandingLine state={state} actions={actions} can={can} query={onward} onPage={() => setPageOpen(true)} />
        <Beside>
          <DeskFaces state={state} actions={actions} engine={engine} can={can} view={view} onView={setView} pair={pair} onPair={setPair} />
          {asks && <CriterionPane asked={asks} onClose={() => setAsks(null)} />}
        </Beside>
        <Right>
          <Notes state={state} actions={actions} engine={engine} can={can} onCriterion={setAsks} />
          <Foot>
            <Button $look="quiet" onPress={() => setPaletteOpen(true)}>
              Find what to do
            </Button>
            <Button $look="quiet" onPress={() => setSheetOpen(true)}>
              Keys
            </Button>
            <OnThisPage page={state.desk.pageId} version={state.desk.version} busy={state.busy} onShow={() => void actions.lookAgain()} />
          </Foot>
        </Right>
        <p role="status" className="aside-from-view">
          {state.said}
        </p>
        <ShortcutSheet
          open={sheetOpen}
          onClose={() => setSheetOpen(false)}
          shortcuts={keyed}
          elsewhere={withOwnKeys(keysElsewhere(shortcuts, can), keySettings)}
          settings={keySettings}
          onSettings={(next) => void keepSetting('/api/keys', next, [next, keySettings, setKeySettings], setUnkept)}
          problem={unkept}
          keepsTime={keepsTime}
          onKeepTime={(keep) => void keepSetting('/api/time-log', { keep }, [keep, keepsTime, setKeepsTime], setUnkept)}
        />
        {pageOpen && <PageSheet state={state} actions={actions} can={can} onClose={() => setPageOpen(false)} />}
        {paletteOpen && (
          <DeskPalette
            state={state}
            actions={actions}
            shortcuts={keyed}
            view={view}
            onView={setView}
            onClose={() => setPaletteOpen(false)}
          />
        )}
      </Layout>
    </DraftHolder>
  );
}

interface NotesProps {
  state: DeskState;
  actions: DeskActions;
  engine: Engine;
  can: Permissions;
  onCriterion(asked: AskedCriterion): void;
}

/** A setting of one's own, set at once; it is as before, and why is told, when it cannot be stored. */
async function keepSetting<T>(
  address: string,
  body: object,
  [now, before, set]: readonly [T, T, (value: T) => void],
  tell: (problem: Problem | null) => void,
): Promise<void> {
  set(now);
  const sent = await send(address, body);
  if (!sent.ok) set(before);
  tell(sent.ok ? null : sent.problem);
}

/** The note in hand and the list; while a draft is being changed, the notes of the draft. */
function Notes({ state, actions, engine, can, onCriterion }: NotesProps) {
  const { draft, taken, take } = useDraft();
  const ahead = useAhead();
  const drafting = (state.face === 'source' || state.face === 'text') && draft.changed;
  return (
    <>
      {state.problem && (
        <ProblemNotice problem={state.problem}>
          {state.problem.code === 'conflict' && !draft.theirs && (
            <p>
              <Button onPress={() => void actions.lookAgain()}>Show the newest revision</Button>
            </p>
          )}
          {(state.problem.code === 'away' || state.problem.code === 'fault') && (
            <p>
              <Button onPress={() => void actions.tryAgain()}>Try again</Button>{' '}
              <Button onPress={() => void actions.lookAgain()}>Show the page as it is now</Button>
            </p>
          )}
        </ProblemNotice>
      )}
      {state.desk.out && <TakenOut desk={state.desk} may={can.bringIn} onBack={() => void actions.lookAgain()} />}
      {state.besides && (
        <Late role="status">{`${state.besides.by} made revision ${state.besides.revision} meanwhile: both are in the page now.`}</Late>
      )}
      <Waiting busy={state.busy} onLeave={actions.leaveOff} />
      <EngineTrouble engine={engine} />
      {state.desk.failedRules.length > 0 && (
        <ProblemNotice
          problem={{
            what: `${counted(state.desk.failedRules.length, 'rule')} failed on this page`,
            why: `What it would find is not known: ${state.desk.failedRules.join('; ')}.`,
            kept: 'All other rules were run.',
            next: 'Check the page for this yourself, and tell an administrator.',
          }}
        />
      )}
      {drafting ? (
        <DraftPanel desk={state.desk} draft={draft} engine={engine} mayChange={can.change} taken={taken} onTake={take} />
      ) : (
        <>
          {state.inHand ? (
            <NoteInHand
              key={state.inHand.note.id}
              state={state}
              actions={actions}
              engine={engine}
              can={can}
              inHand={state.inHand}
              ahead={ahead}
              onCriterion={onCriterion}
            />
          ) : (
            <NothingOpen state={state} />
          )}
          <NoteList state={state} actions={actions} engine={engine} can={can} />
        </>
      )}
    </>
  );
}

/** After so many seconds an answer is late: it is said, and nobody has to wait for it. */
const LATE = 1;

/** An answer that takes long: how long it has taken, and a way to leave it. */
function Waiting({ busy, onLeave }: { busy: boolean; onLeave(): void }) {
  const [seconds, setSeconds] = useState(0);
  useEffect(() => {
    if (!busy) return;
    const timer = setInterval(() => setSeconds((now) => now + 1), 1_000);
    return () => {
      clearInterval(timer);
      setSeconds(0);
    };
  }, [busy]);
  if (!busy || seconds < LATE) return null;
  return (
    <Late>
      <span role="status">The server is still at work…</span>
      <span>{`${seconds} s`}</span>
      <Button $look="quiet" onPress={onLeave}>
        Do not wait for it
      </Button>
    </Late>
  );
}

/** An engine that stumbled is told of, and asked again on demand: no face waits for ever. */
function EngineTrouble({ engine }: { engine: Engine }) {
  const { trouble } = useHealth(engine);
  if (trouble === null) return null;
  return (
    <ProblemNotice
      problem={{
        what: 'The engine did not answer',
        why: trouble,
        kept: 'Nothing is lost: the page and what you typed are as they were.',
        next: 'Ask it again; if it stumbles again, Source still serves.',
      }}
    >
      <p>
        <Button onPress={() => engine.again()}>Ask again</Button>
      </p>
    </ProblemNotice>
  );
}

function NothingOpen({ state: { desk, filter } }: { state: DeskState }) {
  if (filters(filter))
    return (
      <Done>
        <h2 id="note-heading" tabIndex={-1}>
          Nothing open is left by this choice
        </h2>
        <p>The rest comes back with “Show all” below.</p>
      </Done>
    );
  const { release, signOff } = desk;
  const out = release === 'published' ? 'published, signed off' : 'signed off';
  return (
    <Done>
      <h2 id="note-heading" tabIndex={-1}>
        Nothing is open on this page
      </h2>
      <p>
        {isSigned(release) && signOff
          ? `Revision ${signOff.revision} is ${out} by ${signOff.by}. Any change to the page makes the sign-off lapse.`
          : 'Read the proof once more, then sign this revision off.'}
      </p>
    </Done>
  );
}

/** Whoever acts by keyboard stays on the Desk: when what had the focus went with a change or with its note, the note in hand takes it. */
function useFocusKept(desk: Desk, noteId: number | undefined): void {
  const first = useRef(true);
  const [took] = useState(() => () => {
    if (document.activeElement === document.body && !document.querySelector('[role="dialog"]')) focusNote();
  });
  // As soon as the new note stands on the screen, before anything is painted or the next key comes.
  useLayoutEffect(() => {
    if (!first.current) took();
  }, [desk, noteId, took]);
  useEffect(() => {
    if (first.current) return void (first.current = false);
    // A sheet that closes gives the focus back first; only what is left nowhere is taken.
    const timer = setTimeout(took, 150);
    return () => clearTimeout(timer);
  }, [desk, noteId, took]);
}

function focusNote(): void {
  document.getElementById('note-heading')?.focus({ preventScroll: true });
}

/** Whoever takes up a note is led to it: by key, from the list, or from its place on the proof. */
function useLedToNote(taken: number): void {
  const seen = useRef(taken);
  useEffect(() => {
    if (seen.current === taken) return;
    seen.current = taken;
    const inText = document.activeElement?.closest('input, textarea, [contenteditable="true"]');
    if (!inText) document.getElementById('note-heading')?.focus();
  }, [taken]);
}

/** The way back, and the window, call the page by its title as it is now. */
function useTitle(title: string): void {
  const router = useRouter();
  const shown = useRef(title);
  useEffect(() => {
    if (shown.current === title) return;
    shown.current = title;
    router.refresh();
  }, [title, router]);
}

/** Keeps the place in the address, so that it can be shared and come back to. */
function useAddress(place: DeskPlace): void {
  const query = queryOf(place);
  useEffect(() => window.history.replaceState(null, '', query || window.location.pathname), [query]);
}
