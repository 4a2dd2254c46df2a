'use client';
import type { HostView } from '@inkwell/review';
import { useState } from 'react';
import { Button } from '@/ui/Button';
import { Pick } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { Sheet } from '@/ui/Sheet';
import { usePlaces } from './usePlaces';

interface ConnectProps {
  collection: string;
  hosts: readonly HostView[];
  onClose(): void;
  ask(address: string, wish: object): Promise<boolean>;
}

/** Says on which host, and where there, a collection is published. */
export function ConnectSheet({ collection, hosts, onClose, ask }: ConnectProps) {
  const [host, setHost] = useState(String(hosts[0]?.id ?? ''));
  const { places, problem } = usePlaces(host);
  const [chosen, setChosen] = useState<string | null>(null);
  const place = chosen ?? (places.find((one) => one.place === collection) ?? places[0])?.place ?? '';
  return (
    <Sheet title="Where is this collection published?" open onClose={onClose} problem={problem}>
      {hosts.length === 0 ? (
        <p>No host is known yet. An administrator adds one on the Gate, under Hosts.</p>
      ) : (
        <>
          <p>Pages are found there by their addresses. Nothing is changed there until something is published.</p>
          <Pick
            label="Host"
            value={host}
            onChange={(next) => {
              setHost(next);
              setChosen(null);
            }}
            options={hosts.map(({ id, name }) => ({ value: String(id), label: name }))}
          />
          <Pick
            label="Its place there"
            value={place}
            onChange={setChosen}
            options={places.map((one) => ({ value: one.place, label: one.title }))}
          />
        </>
      )}
      <Row>
        <Button
          $look="main"
          isDisabled={place === ''}
          onPress={() => void ask('/api/hosts/connect', { collection, host: Number(host), place }).then((ok) => ok && onClose())}
        >
          Connect
        </Button>
        <Button onPress={onClose}>Cancel</Button>
      </Row>
    </Sheet>
  );
}
