'use client';
import type { Desk } from '@inkwell/review';
import { useRouter, useSearchParams } from 'next/navigation';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { Tab, TabList, TabPanel, Tabs } from 'react-aria-components';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { ChangesFace } from './changes/ChangesFace';
import { Conflict } from './source/Conflict';
import { draftNoteId } from './source/DraftNotes';
import { DraftPanel } from './source/DraftPanel';
import { NoteInHand } from './note/NoteInHand';
import { NoteList } from './note/NoteList';
import { DeskPalette } from './palette/DeskPalette';
import { Proof } from './proof/Proof';
import { ShortcutSheet } from './ShortcutSheet';
import { addressBeside, StandingLine, type Permissions } from './StandingLine';
import { useEngine } from './engine/useEngine';
import { filters } from './note/filter';
import { OutlineFace } from './outline/OutlineFace';
import { FACES, placeFrom, queryOf, type DeskPlace, type Face } from './place';
import dynamic from 'next/dynamic';
import { SpokenFace } from './spoken/SpokenFace';
import { useDesk, type DeskState } from './useDesk';
import { usePaletteKey, useShortcuts } from './useShortcuts';
import { useSourceDraft } from './source/useSourceDraft';

/** Editors come when they are asked for: most visits to a page need neither. */
const TextFace = dynamic(() => import('./text/TextFace').then((face) => face.TextFace), { ssr: false });
const SourceFace = dynamic(() => import('./source/SourceFace').then((face) => face.SourceFace), { ssr: false });

const Layout = styled.main`
  display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 31rem); height: calc(100dvh - 2.875rem); grid-template-rows: auto minmax(0, 1fr);
  > section:first-child { grid-column: 1 / -1; }
  @media (max-width: 60rem), (max-height: 30rem) { display: block; height: auto; }
`;
const Left = styled(Tabs)`
  display: grid; grid-template-rows: auto minmax(0, 1fr); min-height: 0; padding-left: 1.25rem; background: var(--ground);
  > [role='tabpanel'] { display: grid; grid-template-rows: auto; grid-auto-rows: minmax(0, 1fr); min-height: 0; outline-offset: -3px; }
  > [role='tabpanel'] > :last-child { min-height: 0; }
  @media (max-width: 60rem), (max-height: 30rem) { padding-left: 0; > [role='tabpanel'] > * { max-height: 32rem; } }
`;
const Faces = styled(TabList)`
  display: flex; flex-wrap: wrap; align-items: end; min-height: 2.75rem; padding-top: 0.3rem;
  [role='tab'] { padding: 0.5rem 0.9rem; font-size: 0.875rem; color: var(--quiet); border: 1px solid transparent; border-bottom: 0; cursor: pointer; }
  [role='tab'][data-selected] { background: var(--sheet); border-color: var(--line); color: var(--ink); font-weight: 700; border-radius: var(--round) var(--round) 0 0; }
  [role='tab'][data-focus-visible] { outline: 3px solid var(--gall); outline-offset: -3px; }
`;
const Right = styled.div`
  background: var(--paper); border-left: 1px solid var(--line); overflow-y: auto; min-height: 0;
  @media (max-width: 60rem), (max-height: 30rem) { overflow: visible; border-left: 0; }
`;
const Done = styled.div`padding: 1.25rem; background: var(--sheet); border-bottom: 1px solid var(--line); h2 { font-size: 1.25rem; } h2:focus { outline: none; } h2:focus-visible { outline: 3px solid var(--gall); }`;
const Foot = styled.div`padding: 0.5rem 1rem;`;

/** One page under review: the proof and its other faces on the left, the note in hand and the list on the right. */
export function DeskScreen({ initial, can }: { initial: Desk; can: Permissions }) {
  const asked = useSearchParams();
  const [place] = useState(() => placeFrom(asked));
  const [state, actions] = useDesk(initial, place);
  const [view, setView] = useState(place.view);
  const [pair, setPair] = useState(place.pair);
  const engine = useEngine();
  const draft = useSourceDraft(state.desk, actions, engine);
  const [goTo, setGoTo] = useState<{ at: number } | null>(null);
  const [sheetOpen, setSheetOpen] = useState(false);
  const [paletteOpen, setPaletteOpen] = useState(false);
  useFocusKept(state.desk);
  useAddress({ note: state.inHand?.note.id ?? null, face: state.face, filter: state.filter, view, pair });

  const onward = queryOf({ note: null, face: state.face, filter: state.filter, view, pair: null });
  const router = useRouter();
  const { before, after } = state.desk.beside;
  const shortcuts = useMemo(() => {
    const goTo = (page: { slug: string }) => router.push(addressBeside(state.desk, page.slug, onward));
    return [
      { key: 'n', does: 'Next note', run: () => actions.step(1) },
      { key: 'b', does: 'Note before', run: () => actions.step(-1) },
      { key: 'u', does: 'Undo', run: () => void actions.undo() },
      { key: 'r', does: 'Redo', run: () => void actions.redo() },
      ...(after ? [{ key: ']', does: `Page after: ${after.title}`, run: () => goTo(after) }] : []),
      ...(before ? [{ key: '[', does: `Page before: ${before.title}`, run: () => goTo(before) }] : []),
      ...FACES.map((face, i) => ({ key: String(i + 1), does: `Show ${face.label.toLowerCase()}`, run: () => actions.setFace(face.id) })),
      { key: '?', does: 'The sheet of keys', run: () => setSheetOpen(true) },
    ];
  }, [actions, router, before, after, onward, state.desk]);
  const keys = useShortcuts(shortcuts);
  usePaletteKey(useCallback(() => setPaletteOpen(true), []));

  const inHandStart = state.inHand?.note.at.start ?? null;
  useEffect(() => {
    if (!draft.changed) setGoTo(inHandStart === null ? null : { at: inHandStart });
  }, [inHandStart, draft.changed]);

  const [taken, setTaken] = useState<string | null>(null);
  const sourceNotes = useMemo(() => (draft.changed
    ? draft.notes.map((note) => ({ id: draftNoteId(note), from: note.start, to: note.end, weight: note.weight, sentence: note.sentence }))
    : state.open.map(({ note }) => ({ id: String(note.id), from: note.at.start, to: note.at.end, weight: note.weight, sentence: note.sentence }))), [draft.changed, draft.notes, state.open]);
  const takeFromSource = (id: string) => (draft.changed ? setTaken(id) : actions.choose(Number(id)));

  const drafting = (state.face === 'source' || state.face === 'text') && draft.changed;
  return (
    <Layout id="content">
      <StandingLine state={state} actions={actions} can={can} query={onward} />
      <Left selectedKey={state.face} onSelectionChange={(face) => actions.setFace(face as Face)}>
        <Faces aria-label="Faces of the page">{FACES.map((face) => <Tab key={face.id} id={face.id}>{face.label}</Tab>)}</Faces>
        <TabPanel id="proof"><Proof state={state} actions={actions} view={view} onView={setView} /></TabPanel>
        <TabPanel id="text">
          {draft.theirs ? <Conflict draft={draft} theirs={draft.theirs} /> : <TextFace desk={state.desk} draft={draft} engine={engine} mayChange={can.change} busy={state.busy} />}
        </TabPanel>
        <TabPanel id="outline"><OutlineFace state={state} actions={actions} engine={engine} mayChange={can.change} /></TabPanel>
        <TabPanel id="spoken"><SpokenFace state={state} actions={actions} engine={engine} /></TabPanel>
        <TabPanel id="source">
          {draft.theirs ? <Conflict draft={draft} theirs={draft.theirs} /> : <SourceFace draft={draft} notes={sourceNotes} goTo={goTo} mayChange={can.change} busy={state.busy} onTake={takeFromSource} />}
        </TabPanel>
        <TabPanel id="changes"><ChangesFace state={state} actions={actions} mayChange={can.change} pair={pair} onPair={setPair} /></TabPanel>
      </Left>
      <Right>
        {state.problem && (
          <ProblemNotice problem={state.problem}>
            {state.problem.code === 'conflict' && !draft.theirs && <p><Button onPress={() => void actions.lookAgain()}>Show the newest revision</Button></p>}
          </ProblemNotice>
        )}
        {drafting ? <DraftPanel desk={state.desk} draft={draft} engine={engine} mayChange={can.change} taken={taken} onTake={(id, start) => { setTaken(id); if (start !== null) setGoTo({ at: start }); }} /> : (
          <>
            {state.inHand ? <NoteInHand state={state} actions={actions} engine={engine} can={can} inHand={state.inHand} /> : <NothingOpen state={state} />}
            <NoteList state={state} actions={actions} engine={engine} can={can} />
          </>
        )}
        <Foot>
          <Button $look="quiet" onPress={() => setPaletteOpen(true)}>Find what to do</Button>
          <Button $look="quiet" onPress={() => setSheetOpen(true)}>Keys</Button>
        </Foot>
      </Right>
      <p role="status" className="aside-from-view">{state.said}</p>
      <ShortcutSheet open={sheetOpen} onClose={() => setSheetOpen(false)} shortcuts={shortcuts} on={keys.on} setOn={keys.setOn} />
      {paletteOpen && <DeskPalette state={state} actions={actions} shortcuts={shortcuts} view={view} onView={setView} onClose={() => setPaletteOpen(false)} />}
    </Layout>
  );
}

function NothingOpen({ state: { desk, filter } }: { state: DeskState }) {
  if (filters(filter)) return <Done><h2 id="note-heading" tabIndex={-1}>Nothing open is left by this choice</h2><p>The rest comes back with “Show all” below.</p></Done>;
  const { standing, signOff } = desk;
  return (
    <Done>
      <h2 id="note-heading" tabIndex={-1}>Nothing is open on this page</h2>
      <p>{standing === 'signed off' && signOff ? `Revision ${signOff.revision} is signed off by ${signOff.by}. Any change to the page makes the sign-off lapse.` : 'Read the proof once more, then sign this revision off.'}</p>
    </Done>
  );
}

/** Whoever acts by keyboard stays on the Desk: when what had the focus went with a change, the note in hand takes it. */
function useFocusKept(desk: Desk): void {
  const first = useRef(true);
  useEffect(() => {
    if (first.current) return void (first.current = false);
    // A sheet that closes gives the focus back first.
    const timer = setTimeout(() => {
      if (document.activeElement === document.body) document.getElementById('note-heading')?.focus();
    }, 150);
    return () => clearTimeout(timer);
  }, [desk]);
}

/** Keeps the place in the address, so that it can be shared and come back to. */
function useAddress(place: DeskPlace): void {
  const query = queryOf(place);
  useEffect(() => window.history.replaceState(null, '', query || window.location.pathname), [query]);
}
