'use client';
import dynamic from 'next/dynamic';
import { memo, useMemo } from 'react';
import { Tab, TabList, TabPanel, Tabs } from 'react-aria-components';
import styled from 'styled-components';
import { ChangesFace } from './changes/ChangesFace';
import type { Engine } from './engine/useEngine';
import type { Kept } from './outline/kept';
import { OutlineFace } from './outline/OutlineFace';
import { FACES, type Face, type Pair } from './place';
import { Proof } from './proof/Proof';
import type { ProofView } from './proof/views';
import { useDraft, useSourceNotes } from './source/DraftHolder';
import { SpokenFace } from './spoken/SpokenFace';
import type { Permissions } from './StandingLine';
import type { DeskActions, DeskState } from './useDesk';

/** Editors come when they are asked for: most visits to a page need neither. */
const Conflict = dynamic(() => import('./source/Conflict').then((face) => face.Conflict), { ssr: false });
const TextFace = dynamic(() => import('./text/TextFace').then((face) => face.TextFace), { ssr: false });
const SourceFace = dynamic(() => import('./source/SourceFace').then((face) => face.SourceFace), { ssr: false });

const Left = styled(Tabs)`
  /* What is in it shows where the focus is. */
  &[data-focus-visible] {
    outline: none;
  }
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  min-height: 0;
  padding-left: 1.25rem;
  background: var(--ground);
  > [role='tabpanel'] {
    display: grid;
    grid-template-rows: auto;
    grid-auto-rows: minmax(0, 1fr);
    min-height: 0;
    outline-offset: -3px;
  }
  > [role='tabpanel'] > :last-child {
    min-height: 0;
  }
  @media (max-width: 60rem), (max-height: 30rem) {
    padding-left: 0;
    > [role='tabpanel'] > * {
      max-height: 32rem;
    }
  }
`;
const Row = styled(TabList)`
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  min-height: 2.75rem;
  padding-top: 0.3rem;
  [role='tab'] {
    padding: 0.5rem 0.9rem;
    font-size: 0.875rem;
    color: var(--quiet);
    border: 1px solid transparent;
    border-bottom: 0;
    cursor: pointer;
  }
  [role='tab'][data-selected] {
    background: var(--sheet);
    border-color: var(--line);
    color: var(--ink);
    font-weight: 700;
    border-radius: var(--round) var(--round) 0 0;
  }
  [role='tab'][data-focus-visible] {
    outline: 3px solid var(--gall);
    outline-offset: -3px;
  }
`;

export interface DeskFacesProps {
  state: DeskState;
  actions: DeskActions;
  engine: Engine;
  can: Permissions;
  view: ProofView;
  onView(view: ProofView): void;
  pair: Pair | null;
  onPair(pair: Pair | null): void;
}

/** The page in its faces, one key each. */
export const DeskFaces = memo(function DeskFaces({ state, actions, engine, can, view, onView, pair, onPair }: DeskFacesProps) {
  // A new revision begins with nothing wanted; going to another face and back does not.
  const { number } = state.desk.revision;
  const kept: Kept = useMemo(() => new Map([['revision', number]]), [number]);
  return (
    <Left selectedKey={state.face} onSelectionChange={(face) => actions.setFace(face as Face)}>
      <Row aria-label="Faces of the page">
        {FACES.map((face) => (
          <Tab key={face.id} id={face.id}>
            {face.label}
          </Tab>
        ))}
      </Row>
      <TabPanel id="proof">
        <Proof state={state} actions={actions} view={view} onView={onView} />
      </TabPanel>
      <TabPanel id="text">
        <TextOfDraft state={state} engine={engine} can={can} />
      </TabPanel>
      <TabPanel id="outline">
        <OutlineFace state={state} actions={actions} engine={engine} mayChange={can.change} kept={kept} />
      </TabPanel>
      <TabPanel id="spoken">
        <SpokenFace state={state} actions={actions} engine={engine} />
      </TabPanel>
      <TabPanel id="source">
        <SourceOfDraft state={state} actions={actions} can={can} />
      </TabPanel>
      <TabPanel id="changes">
        <ChangesFace state={state} actions={actions} mayChange={can.change} pair={pair} onPair={onPair} />
      </TabPanel>
    </Left>
  );
});

function TextOfDraft({ state, engine, can }: Pick<DeskFacesProps, 'state' | 'engine' | 'can'>) {
  const { draft } = useDraft();
  if (draft.theirs) return <Conflict draft={draft} theirs={draft.theirs} />;
  return <TextFace desk={state.desk} draft={draft} engine={engine} mayChange={can.change} busy={state.busy} />;
}

function SourceOfDraft({ state, actions, can }: Pick<DeskFacesProps, 'state' | 'actions' | 'can'>) {
  const { draft, take, goTo } = useDraft();
  const notes = useSourceNotes(state, draft);
  if (draft.theirs) return <Conflict draft={draft} theirs={draft.theirs} />;
  return (
    <SourceFace
      draft={draft}
      notes={notes}
      file={`/api/collections/${encodeURIComponent(state.desk.collection.slug)}/page?page=${encodeURIComponent(state.desk.slug)}`}
      goTo={goTo}
      mayChange={can.change}
      busy={state.busy}
      onTake={(id) => (draft.changed ? take(id, null) : actions.choose(Number(id)))}
    />
  );
}
