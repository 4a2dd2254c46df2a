'use client';
import type { HostView, Problem } from '@inkwell/review';
import { useEffect, useState } from 'react';
import { Button } from '@/ui/Button';
import { Pick } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { send } from '@/ui/send';
import { Sheet } from '@/ui/Sheet';

interface ConnectProps {
  collection: string;
  hosts: readonly HostView[];
  onClose(): void;
  ask(address: string, wish: object): Promise<boolean>;
}

/** Says on which host, and where there, a collection is published. */
export function ConnectSheet({ collection, hosts, onClose, ask }: ConnectProps) {
  const [host, setHost] = useState(String(hosts[0]?.id ?? ''));
  const [places, setPlaces] = useState<readonly { place: string; title: string }[]>([]);
  const [place, setPlace] = useState('');
  const [problem, setProblem] = useState<Problem | null>(null);
  useEffect(() => {
    if (host === '') return;
    let left = false;
    void send<{ place: string; title: string }[]>('/api/hosts/places', { host: Number(host) }).then((sent) => {
      if (left) return;
      setProblem(sent.ok ? null : sent.problem);
      setPlaces(sent.ok ? sent.value : []);
      setPlace(sent.ok ? ((sent.value.find((one) => one.place === collection) ?? sent.value[0])?.place ?? '') : '');
    });
    return () => {
      left = true;
    };
  }, [host, collection]);
  return (
    <Sheet title="Where is this collection published?" open onClose={onClose} problem={problem}>
      {hosts.length === 0 ? (
        <p>No host is known yet. An administrator adds one on the Gate, under Hosts.</p>
      ) : (
        <>
          <p>Pages are found there by their addresses. Nothing is changed there until something is published.</p>
          <Pick label="Host" value={host} onChange={setHost} options={hosts.map(({ id, name }) => ({ value: String(id), label: name }))} />
          <Pick
            label="Its place there"
            value={place}
            onChange={setPlace}
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
