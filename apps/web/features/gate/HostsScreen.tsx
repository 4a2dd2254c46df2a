'use client';
import type { HostView, Problem } from '@inkwell/review';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button } from '@/ui/Button';
import { Choice, Pick, TextBox } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { Sheet } from '@/ui/Sheet';
import { Main } from '@/ui/Shell';
import { Small, Table, TableFrame } from '@/ui/Table';
import { usePlaces } from './usePlaces';

/** Hosts pages are published on: added when they answer, and taken out. */
export function HostsScreen({ hosts, mayAdd, mayBring }: { hosts: readonly HostView[]; mayAdd: boolean; mayBring: boolean }) {
  const router = useRouter();
  const [adding, setAdding] = useState(false);
  const [bringing, setBringing] = useState<HostView | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const remove = async (host: number) => {
    const sent = await send<null>('/api/hosts/remove', { host });
    setProblem(sent.ok ? null : sent.problem);
    if (sent.ok) router.refresh();
  };
  return (
    <Main id="content">
      <h1>Hosts</h1>
      <p>Where pages are published. A collection is connected to its place on a host on its own Gate.</p>
      {mayAdd && (
        <Row>
          <Button $look="main" onPress={() => setAdding(true)}>
            Add a host…
          </Button>
        </Row>
      )}
      {problem && <ProblemNotice problem={problem} />}
      {hosts.length === 0 ? (
        <p>There is none yet.</p>
      ) : (
        <TableFrame tabIndex={0} role="region" aria-label="Hosts">
          <Table>
            <caption className="aside-from-view">Hosts by name</caption>
            <thead>
              <tr>
                <th scope="col">Name</th>
                <th scope="col">Address</th>
                <th scope="col" className="number">
                  Collections
                </th>
                {(mayAdd || mayBring) && (
                  <th scope="col">
                    <span className="aside-from-view">What can be done</span>
                  </th>
                )}
              </tr>
            </thead>
            <tbody>
              {hosts.map(({ id, name, kind, address, collections }) => (
                <tr key={id}>
                  <th scope="row">
                    {name}
                    <Small>{kind === 'folder' ? 'a folder' : 'over its API'}</Small>
                  </th>
                  <td>{address}</td>
                  <td className="number">{collections}</td>
                  {(mayAdd || mayBring) && (
                    <td>
                      <Row>
                        {mayBring && (
                          <Button
                            onPress={() => setBringing(hosts.find((one) => one.id === id)!)}
                            aria-label={`Bring a collection in from ${name}`}
                          >
                            Bring a collection in…
                          </Button>
                        )}
                        {mayAdd && (
                          <Button onPress={() => void remove(id)} aria-label={`Take it out: ${name}`}>
                            Take it out
                          </Button>
                        )}
                      </Row>
                    </td>
                  )}
                </tr>
              ))}
            </tbody>
          </Table>
        </TableFrame>
      )}
      {bringing && <BringSheet host={bringing} onClose={() => setBringing(null)} />}
      {adding && (
        <AddSheet
          onClose={() => {
            setAdding(false);
            router.refresh();
          }}
        />
      )}
    </Main>
  );
}

/** Brings the drafts of a place in: shown first, as any package. */
function BringSheet({ host, onClose }: { host: HostView; onClose(): void }) {
  const router = useRouter();
  const { places, problem: unasked } = usePlaces(String(host.id));
  const [chosen, setChosen] = useState<string | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const place = chosen ?? places[0]?.place ?? '';
  const bring = async () => {
    const sent = await send<number>('/api/hosts/bring-in', { host: host.id, place });
    setProblem(sent.ok ? null : sent.problem);
    if (sent.ok) router.push(`/bring-in/${sent.value}`);
  };
  return (
    <Sheet title={`Bring a collection in from ${host.name}`} open onClose={onClose} problem={problem ?? unasked}>
      <p>
        Its drafts are shown before anything becomes a page here. After that the collection is connected, and what changes there comes here.
      </p>
      <Pick
        label="Its place there"
        value={place}
        onChange={setChosen}
        options={places.map((one) => ({ value: one.place, label: one.title }))}
      />
      <Row>
        <Button $look="main" isDisabled={place === ''} onPress={() => void bring()}>
          Look at it
        </Button>
        <Button onPress={onClose}>Cancel</Button>
      </Row>
    </Sheet>
  );
}

function AddSheet({ onClose }: { onClose(): void }) {
  const [wish, setWish] = useState({ name: '', kind: 'host', address: '', token: '' });
  const [problem, setProblem] = useState<Problem | null>(null);
  const add = async () => {
    const sent = await send<{ id: number }>('/api/hosts/new', wish);
    setProblem(sent.ok ? null : sent.problem);
    if (sent.ok) onClose();
  };
  return (
    <Sheet title="Add a host" open onClose={onClose} problem={problem}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void add();
        }}
        style={{ display: 'grid', gap: '0.75rem' }}
      >
        <Choice
          label="Kind"
          value={wish.kind}
          onChange={(kind) => setWish({ ...wish, kind })}
          options={[
            { value: 'host', label: 'a host with an API' },
            { value: 'folder', label: 'a folder' },
          ]}
        />
        <TextBox label="Name" value={wish.name} onChange={(name) => setWish({ ...wish, name })} autoComplete="off" />
        <TextBox
          label={wish.kind === 'folder' ? 'Path of the folder on this server' : 'Address'}
          value={wish.address}
          onChange={(address) => setWish({ ...wish, address })}
          autoComplete="off"
        />
        {wish.kind === 'host' && (
          <TextBox
            label="Its token"
            type="password"
            value={wish.token}
            onChange={(token) => setWish({ ...wish, token })}
            autoComplete="off"
            hint="Kept sealed. It is asked for now, and the host is added when it lets us in."
          />
        )}
        <Row>
          <Button type="submit" $look="main" isDisabled={wish.name.trim() === '' || wish.address.trim() === ''}>
            Add it
          </Button>
          <Button onPress={onClose}>Cancel</Button>
        </Row>
      </form>
    </Sheet>
  );
}
