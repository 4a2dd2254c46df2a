'use client';
import type { Family } from '@inkwell/core';
import type { Desk } from '@inkwell/review';
import { useSearchParams } from 'next/navigation';
import { useEffect, useMemo, useState } from 'react';
import { Tab, TabList, TabPanel, Tabs } from 'react-aria-components';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { ChangesFace } from './ChangesFace';
import { Conflict } from './Conflict';
import { DraftNotes } from './DraftNotes';
import { NoteInHand } from './NoteInHand';
import { NoteList } from './NoteList';
import { Proof } from './Proof';
import { ShortcutSheet } from './ShortcutSheet';
import { SourceFace } from './SourceFace';
import { StandingLine, type Permissions } from './StandingLine';
import { useEngine } from './engine/useEngine';
import { useDesk, type DeskState, type Face } from './useDesk';
import { useShortcuts } from './useShortcuts';
import { useSourceDraft } from './useSourceDraft';

const Layout = styled.main`
  display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 31rem); height: calc(100dvh - 2.875rem); grid-template-rows: auto minmax(0, 1fr);
  > section:first-child { grid-column: 1 / -1; }
  @media (max-width: 60rem), (max-height: 30rem) { display: block; height: auto; }
`;
const Left = styled(Tabs)`
  display: grid; grid-template-rows: auto minmax(0, 1fr); min-height: 0; padding-left: 1.25rem; background: var(--ground);
  [role='tabpanel'] { display: grid; grid-template-rows: auto; grid-auto-rows: minmax(0, 1fr); min-height: 0; outline-offset: -3px; }
  [role='tabpanel'] > :last-child { min-height: 0; }
  @media (max-width: 60rem), (max-height: 30rem) { padding-left: 0; [role='tabpanel'] > * { max-height: 32rem; } }
`;
const Faces = styled(TabList)`
  display: flex; align-items: end; min-height: 2.75rem; padding-top: 0.3rem;
  [role='tab'] { padding: 0.5rem 0.9rem; font-size: 0.875rem; color: var(--quiet); border: 1px solid transparent; border-bottom: 0; cursor: pointer; }
  [role='tab'][data-selected] { background: var(--sheet); border-color: var(--line); color: var(--ink); font-weight: 700; border-radius: var(--round) var(--round) 0 0; }
  [role='tab'][data-focus-visible] { outline: 3px solid var(--gall); outline-offset: -3px; }
`;
const Right = styled.div`
  background: var(--paper); border-left: 1px solid var(--line); overflow-y: auto; min-height: 0;
  @media (max-width: 60rem), (max-height: 30rem) { overflow: visible; border-left: 0; }
`;
const Done = styled.div`padding: 1.25rem; background: var(--sheet); border-bottom: 1px solid var(--line); h2 { font-size: 1.25rem; }`;
const Foot = styled.div`padding: 0.5rem 1rem;`;

const FACES: readonly { id: Face; label: string }[] = [{ id: 'proof', label: 'Proof' }, { id: 'source', label: 'Source' }, { id: 'changes', label: 'Changes' }];

/** One page under review: the proof and its other faces on the left, the note in hand and the list on the right. */
export function DeskScreen({ initial, can }: { initial: Desk; can: Permissions }) {
  const asked = useSearchParams();
  const [state, actions] = useDesk(initial, {
    note: Number(asked.get('note')) || null,
    face: FACES.find((face) => face.id === asked.get('face'))?.id ?? 'proof',
    family: asked.get('family') as Family | null,
  });
  const engine = useEngine();
  const draft = useSourceDraft(state.desk, actions, engine);
  const [goTo, setGoTo] = useState<number | null>(null);
  const [sheetOpen, setSheetOpen] = useState(false);
  useAddress(state);

  const shortcuts = useMemo(() => [
    { key: 'n', does: 'Next note', run: () => actions.step(1) },
    { key: 'b', does: 'Note before', run: () => actions.step(-1) },
    { key: 'u', does: 'Undo', run: () => void actions.undo() },
    { key: 'r', does: 'Redo', run: () => void actions.redo() },
    ...FACES.map((face, i) => ({ key: String(i + 1), does: `Show ${face.label.toLowerCase()}`, run: () => actions.setFace(face.id) })),
    { key: '?', does: 'This sheet', run: () => setSheetOpen(true) },
  ], [actions]);
  const keys = useShortcuts(shortcuts);

  const inHandStart = state.inHand?.note.at.start ?? null;
  useEffect(() => {
    if (!draft.changed) setGoTo(inHandStart);
  }, [inHandStart, draft.changed]);

  const drafting = state.face === 'source' && draft.changed;
  return (
    <Layout id="content">
      <StandingLine state={state} actions={actions} can={can} />
      <Left selectedKey={state.face} onSelectionChange={(face) => actions.setFace(face as Face)}>
        <Faces aria-label="Faces of the page">{FACES.map((face) => <Tab key={face.id} id={face.id}>{face.label}</Tab>)}</Faces>
        <TabPanel id="proof"><Proof state={state} actions={actions} /></TabPanel>
        <TabPanel id="source">
          {draft.theirs ? <Conflict draft={draft} theirs={draft.theirs} /> : <SourceFace draft={draft} goTo={goTo} mayChange={can.change} busy={state.busy} />}
        </TabPanel>
        <TabPanel id="changes"><ChangesFace state={state} actions={actions} mayChange={can.change} /></TabPanel>
      </Left>
      <Right>
        {state.problem && (
          <ProblemNotice problem={state.problem}>
            {state.problem.code === 'conflict' && !draft.theirs && <p><Button onPress={() => void actions.lookAgain()}>Show the newest revision</Button></p>}
          </ProblemNotice>
        )}
        {drafting ? <DraftNotes notes={draft.notes} onGo={setGoTo} /> : (
          <>
            {state.inHand ? <NoteInHand state={state} actions={actions} engine={engine} can={can} inHand={state.inHand} /> : <NothingOpen state={state} />}
            <NoteList state={state} actions={actions} mayRule={can.rule} />
          </>
        )}
        <Foot><Button $look="quiet" onPress={() => setSheetOpen(true)}>Keys</Button></Foot>
      </Right>
      <p role="status" className="aside-from-view">{state.said}</p>
      <ShortcutSheet open={sheetOpen} onClose={() => setSheetOpen(false)} shortcuts={shortcuts} on={keys.on} setOn={keys.setOn} />
    </Layout>
  );
}

function NothingOpen({ state }: { state: DeskState }) {
  const { standing, signOff } = state.desk;
  return (
    <Done>
      <h2>{state.family ? 'Nothing is open in this family' : 'Nothing is open on this page'}</h2>
      <p>{standing === 'signed off' && signOff ? `Revision ${signOff.revision} is signed off by ${signOff.by}. Any change to the page makes the sign-off lapse.` : 'Read the proof once more, then sign this revision off.'}</p>
    </Done>
  );
}

/** Keeps the note, the face and the family in the address, so that it can be shared. */
function useAddress({ inHand, face, family }: DeskState): void {
  const note = inHand?.note.id;
  useEffect(() => {
    const search = new URLSearchParams();
    if (family) search.set('family', family);
    if (face !== 'proof') search.set('face', face);
    if (note) search.set('note', String(note));
    const query = search.toString();
    window.history.replaceState(null, '', query ? `?${query}` : window.location.pathname);
  }, [note, face, family]);
}
