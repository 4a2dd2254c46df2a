'use client';
import type { GateShown } from '@inkwell/review';
import { useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { fieldBox, fieldLabel, Tick } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { Sheet } from '@/ui/Sheet';
import type { Gate } from './useGate';
import { mayAct, SIGNED_HERE, TAKEN_OFF_HERE } from './words';

const Moment = styled.label`
  span {
    ${fieldLabel}
  }
  input {
    ${fieldBox} max-width: 16rem;
  }
`;

/** What can be done to pages that were chosen. */
export function GateActs({ shown, gate }: { shown: GateShown; gate: Gate }) {
  const [later, setLater] = useState(false);
  const { group, counts, can } = shown;
  if (gate.rows.length === 0 || !mayAct(shown)) return null;
  const many = gate.all ? counts[group] : gate.chosen.size;
  const none = many === 0 || gate.busy;
  const of = many === 0 ? '' : ` (${many.toLocaleString('en')})`;
  return (
    <Row role="group" aria-label="What to do with the pages chosen">
      <Tick label={`All ${counts[group].toLocaleString('en')}`} on={gate.all} onChange={(on) => gate.chooseAll(on)} />
      {SIGNED_HERE.includes(group) && can.sign && (
        <Button $look="main" isDisabled={none} onPress={() => void gate.act('Signed', '/api/gate/sign')}>{`Sign off${of}`}</Button>
      )}
      {group === 'to publish' && can.publish && (
        <>
          <Button
            $look="main"
            isDisabled={none}
            onPress={() => void gate.act('On their way out', '/api/gate/publish', { act: 'publish', at: null })}
          >{`Publish now${of}`}</Button>
          <Button isDisabled={none} onPress={() => setLater(true)}>
            Publish at a time…
          </Button>
        </>
      )}
      {TAKEN_OFF_HERE.includes(group) && can.publish && (
        <Button isDisabled={none} onPress={() => void gate.act('On their way off', '/api/gate/publish', { act: 'unpublish', at: null })}>
          {`Take off the host${of}`}
        </Button>
      )}
      {group === 'going out' && can.publish && (
        <Button isDisabled={none} onPress={() => void gate.act('Called off', '/api/gate/call-off')}>{`Call off${of}`}</Button>
      )}
      {later && (
        <LaterSheet
          many={many}
          onClose={() => setLater(false)}
          onChoose={(at) => {
            setLater(false);
            void gate.act('Put down to go out', '/api/gate/publish', { act: 'publish', at });
          }}
        />
      )}
    </Row>
  );
}

function LaterSheet({ many, onClose, onChoose }: { many: number; onClose(): void; onChoose(at: string): void }) {
  const [at, setAt] = useState('');
  const when = at === '' ? null : new Date(at);
  const isGood = when !== null && !Number.isNaN(when.getTime());
  return (
    <Sheet
      title={many === 1 ? 'When is the page to go out?' : `When are the ${many.toLocaleString('en')} pages to go out?`}
      open
      onClose={onClose}
    >
      <p>A page whose sign-off has lapsed by then stays in, and you are told.</p>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (isGood) onChoose(when.toISOString());
        }}
      >
        <Moment>
          <span>Day and time, as your own clock has it</span>
          <input type="datetime-local" value={at} onChange={(event) => setAt(event.target.value)} required />
        </Moment>
        <Row style={{ marginTop: '0.75rem' }}>
          <Button type="submit" $look="main" isDisabled={!isGood}>
            Put it down
          </Button>
          <Button onPress={onClose}>Cancel</Button>
        </Row>
      </form>
    </Sheet>
  );
}
