'use client';
import { useEffect, useMemo, useState } from 'react';
import { Tab, TabList, TabPanel, Tabs } from 'react-aria-components';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { counted } from '@/ui/words';
import { pageTextOf } from '../engine/pageText';
import { useAnswer, type Engine } from '../engine/useEngine';
import type { DeskActions, DeskState } from '../useDesk';
import { KindList, KINDS } from './KindList';
import { LinesSaid } from './LinesSaid';
import { useVoice } from './useVoice';

const Face = styled(Tabs)`
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  min-height: 0;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-right: 0;
  [role='tabpanel'] {
    display: block;
    overflow: auto;
    min-height: 0;
  }
`;
const Bar = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.35rem 0.75rem;
  padding: 0.35rem 1rem;
  background: var(--paper);
  border-bottom: 1px solid var(--line);
  [role='tablist'] {
    display: flex;
    flex-wrap: wrap;
    gap: 0 0.25rem;
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
  > .voice {
    margin-left: auto;
    display: flex;
    gap: 0.5rem;
  }
`;
const Waiting = styled.p`
  padding: 1rem 1.25rem;
`;

/** The page as it is heard, line by line, and by kind, as someone browses it who hears it. */
export function SpokenFace({ state, actions, engine }: { state: DeskState; actions: DeskActions; engine: Engine }) {
  const { desk } = state;
  const question = useMemo(() => ({ kind: 'heard' as const, page: pageTextOf(desk) }), [desk]);
  const heard = useAnswer<'heard'>(engine, question);
  const [at, setAt] = useState(0);
  const voice = useVoice(setAt);
  const { stop } = voice;
  useEffect(() => stop, [stop, desk.revision.number]);

  return (
    <Face>
      <Bar>
        <TabList aria-label="Ways of listening">
          <Tab id="lines">In order</Tab>
          {KINDS.map(({ id, label }) => (
            <Tab key={id} id={id}>
              {heard ? `${label} ${heard.kinds[id].length}` : label}
            </Tab>
          ))}
        </TabList>
        {voice.has && heard && (
          <div className="voice">
            {voice.speaking ? (
              <Button onPress={voice.stop}>Stop reading</Button>
            ) : (
              <Button
                onPress={() =>
                  voice.start(
                    heard.lines.map((line) => line.says),
                    at,
                  )
                }
              >
                Read aloud from here
              </Button>
            )}
          </div>
        )}
      </Bar>
      <TabPanel id="lines">
        {heard ? (
          <LinesSaid
            lines={heard.lines}
            at={Math.min(at, Math.max(0, heard.lines.length - 1))}
            onAt={setAt}
            state={state}
            actions={actions}
          />
        ) : (
          <Waiting role="status">Listening to the page…</Waiting>
        )}
      </TabPanel>
      {KINDS.map(({ id, label, none }) => (
        <TabPanel key={id} id={id}>
          {heard ? (
            <KindList
              label={`${label}: ${counted(heard.kinds[id].length, 'entry', 'entries')}`}
              none={none}
              rows={heard.kinds[id]}
              open={state.open}
              onPoint={actions.point}
              onNote={actions.choose}
            />
          ) : (
            <Waiting role="status">Listening to the page…</Waiting>
          )}
        </TabPanel>
      ))}
    </Face>
  );
}
