'use client';
import { useMemo } from 'react';
import { Tab, TabList, TabPanel, Tabs, type Key } from 'react-aria-components';
import styled from 'styled-components';
import { pageTextOf } from '../engine/pageText';
import { useAnswer, type Engine } from '../engine/useEngine';
import type { DeskActions, DeskState } from '../useDesk';
import { HeadingTree } from './HeadingTree';
import { useKept, type Kept } from './kept';
import { Lists } from './Lists';
import { Tables } from './Tables';

const Face = styled(Tabs)`
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  min-height: 0;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-right: 0;
  > [role='tabpanel'] {
    display: block;
    overflow: auto;
    min-height: 0;
  }
  > [role='tablist'] {
    display: flex;
    flex-wrap: wrap;
    gap: 0 0.25rem;
    padding: 0.35rem 1rem;
    background: var(--paper);
    border-bottom: 1px solid var(--line);
  }
  [role='tab'] {
    padding: 0.25rem 0.6rem;
    font-size: 0.875rem;
    cursor: pointer;
    border-bottom: 3px solid transparent;
  }
  [role='tab'][data-selected] {
    border-bottom-color: var(--gall);
    font-weight: 700;
  }
  [role='tab'][data-focus-visible] {
    outline: 3px solid var(--gall);
    outline-offset: -3px;
  }
`;
const Waiting = styled.p`
  padding: 1rem 1.25rem;
`;

/** What the page is built of: its headings, tables and lists, to be put in order by hand. */
export function OutlineFace({
  state,
  actions,
  engine,
  mayChange,
  kept,
}: {
  state: DeskState;
  actions: DeskActions;
  engine: Engine;
  mayChange: boolean;
  kept: Kept;
}) {
  const { desk } = state;
  const question = useMemo(() => ({ kind: 'structure' as const, page: pageTextOf(desk) }), [desk]);
  const built = useAnswer<'structure'>(engine, question);
  const each = { state, actions, engine, mayChange, kept };
  const key = desk.revision.number;
  const [part, setPart] = useKept<Key>(kept, 'part', 'headings');
  return (
    <Face selectedKey={part} onSelectionChange={setPart}>
      <TabList aria-label="Parts of the page">
        <Tab id="headings">{`Headings ${built?.headings.filter((line) => line.level !== null).length ?? ''}`}</Tab>
        <Tab id="tables">{`Tables ${built?.tables.length ?? ''}`}</Tab>
        <Tab id="lists">{`Lists ${built?.lists.length ?? ''}`}</Tab>
      </TabList>
      <TabPanel id="headings">
        {built ? <HeadingTree {...each} key={key} lines={built.headings} /> : <Waiting role="status">Reading the page…</Waiting>}
      </TabPanel>
      <TabPanel id="tables">
        {built ? <Tables {...each} key={key} tables={built.tables} /> : <Waiting role="status">Reading the page…</Waiting>}
      </TabPanel>
      <TabPanel id="lists">
        {built ? <Lists {...each} key={key} lists={built.lists} /> : <Waiting role="status">Reading the page…</Waiting>}
      </TabPanel>
    </Face>
  );
}
