'use client';
import type { GateRow, GateShown, Look } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Tick } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { Small, Table, TableFrame } from '@/ui/Table';
import { ReleaseWord, VerdictWord } from '@/ui/Verdict';
import { When } from '@/ui/When';
import type { Gate } from './useGate';
import { HOST_STATES, lapsedBecause, lifts, LOOK_WORDS, mayAct } from './words';

const Looks = styled.ul`
  display: grid;
  gap: 0.2rem;
  padding: 0.3rem 0 0.6rem;
`;
const Name = styled.div`
  display: flex;
  align-items: start;
  gap: 0.5rem;
`;
const Lines = styled.ul`
  font-size: 0.875rem;
`;

/** Pages before the gate, each with its list of what is to be seen to. */
export function GateTable({ shown, gate }: { shown: GateShown; gate: Gate }) {
  const mayChoose = mayAct(shown);
  return (
    <TableFrame tabIndex={0} role="region" aria-label="Pages before the gate">
      <Table>
        <caption className="aside-from-view">Pages before the gate</caption>
        <thead>
          <tr>
            <th scope="col">Page</th>
            <th scope="col">Stands</th>
            <th scope="col">{shown.group === 'held' ? 'What holds it' : 'Looked at by people'}</th>
            <th scope="col">Signed</th>
            <th scope="col">On the host</th>
          </tr>
        </thead>
        <tbody>
          {gate.rows.map((row) => (
            <PageRow key={row.id} row={row} shown={shown} gate={gate} mayChoose={mayChoose} />
          ))}
        </tbody>
      </Table>
    </TableFrame>
  );
}

function PageRow({ row, shown, gate, mayChoose }: { row: GateRow; shown: GateShown; gate: Gate; mayChoose: boolean }) {
  return (
    <tr>
      <th scope="row">
        <Name>
          {mayChoose && (
            <Tick label="" name={`Choose ${row.title}`} on={gate.chosen.has(row.id)} onChange={(on) => gate.choose(row.id, on)} />
          )}
          <div>
            <Link href={`/collections/${row.collection}/${row.slug}`}>{row.title}</Link>
            <Small>{`revision ${row.head}${shown.collection ? '' : `, ${row.collectionTitle}`}`}</Small>
          </div>
        </Name>
      </th>
      <td>
        <VerdictWord verdict={row.verdict} /> <ReleaseWord release={row.release} />
      </td>
      <td>{row.verdict === 'ready' ? <Checklist row={row} gate={gate} /> : <Holders row={row} />}</td>
      <td>
        <SignedBy row={row} wanted={shown.rules.signatures} />
      </td>
      <td>
        <OnHost row={row} gate={gate} />
      </td>
    </tr>
  );
}

function Holders({ row }: { row: GateRow }) {
  return (
    <Lines>
      {row.holders.map((one) => (
        <li key={one.title}>
          {`${one.title}${one.many > 1 ? ` (${one.many})` : ''}`}
          <Small>{lifts(one)}</Small>
        </li>
      ))}
    </Lines>
  );
}

function Checklist({ row, gate }: { row: GateRow; gate: Gate }) {
  const [open, setOpen] = useState(false);
  // What was just ticked shows at once, and goes back where the server says no.
  const [mine, setMine] = useState<Partial<Record<Look, boolean>>>({});
  const by = new Map(row.looks.map((one) => [one.item, one.name]));
  const all = Object.entries(LOOK_WORDS) as [Look, (typeof LOOK_WORDS)[Look]][];
  const isDone = (item: Look) => mine[item] ?? by.has(item);
  const many = all.filter(([item]) => isDone(item)).length;
  const tick = async (item: Look, done: boolean) => {
    setMine((now) => ({ ...now, [item]: done }));
    const kept = await gate.ask('/api/gate/looked', { page: row.id, revision: row.head, item, done });
    if (!kept) setMine((now) => ({ ...now, [item]: !done }));
  };
  const said = many === all.length ? 'everything' : `${many} of ${all.length}`;
  return (
    <>
      <Button $look="quiet" onPress={() => setOpen(!open)} aria-expanded={open} aria-label={`${said} looked at: ${row.title}`}>
        {said}
      </Button>
      {open && (
        <Looks>
          {all.map(([item, { label, how }]) => (
            <li key={item}>
              <Tick label={label} on={isDone(item)} disabled={!row.can.sign} onChange={(done) => void tick(item, done)} />
              <Small>{by.has(item) ? `by ${by.get(item)}` : how}</Small>
            </li>
          ))}
        </Looks>
      )}
    </>
  );
}

function SignedBy({ row: { signOff, signatures, release }, wanted }: { row: GateRow; wanted: number }) {
  if (signOff && !signOff.lapsedAt)
    return (
      <>
        {`revision ${signOff.revision} by ${signOff.name}`}
        <Small>
          <When at={signOff.at} />, {`${signOff.profile}, version ${signOff.version}`}
        </Small>
      </>
    );
  return (
    <>
      {wanted > 1 && signatures.length > 0 && `${signatures.map(({ name }) => name).join(', ')}; one more is wanted`}
      {release === 'lapsed' && signOff?.lapsedAt && (
        <>
          {`revision ${signOff.revision} lapsed: ${lapsedBecause(signOff.lapsedBecause ?? '')}`}
          <Small>
            <When at={signOff.lapsedAt} />, {signOff.lapsedBy}
          </Small>
        </>
      )}
    </>
  );
}

function OnHost({ row, gate }: { row: GateRow; gate: Gate }) {
  const { host, publication, publishedRevision } = row;
  if (!host) return <Small>no host</Small>;
  const waits = publication?.state === 'waiting';
  return (
    <>
      {host.publicAddress?.startsWith('http') ? (
        <a href={host.publicAddress} target="_blank" rel="noreferrer">
          {publishedRevision === null ? 'what readers see (new tab)' : `revision ${publishedRevision}, as readers see it (new tab)`}
        </a>
      ) : (
        publishedRevision !== null && `revision ${publishedRevision}`
      )}
      {host.driftedAt && (
        <Small>
          shows something else since <When at={host.driftedAt} />
        </Small>
      )}
      {host.state && host.state !== 'same' && <Small>{HOST_STATES[host.state]}</Small>}
      {waits && (
        <Small>
          {publication.act === 'publish' ? 'goes out ' : 'goes off '}
          <When at={publication.due} />
          {publication.problem && `; tried ${publication.tries}×: ${publication.problem}`}
        </Small>
      )}
      {publication?.state === 'failed' && (
        <Small>{`did not go ${publication.act === 'publish' ? 'out' : 'off'}: ${publication.problem}`}</Small>
      )}
      {host.state === 'changed on both' && row.can.change && (
        <Row>
          <Button onPress={() => void gate.ask('/api/hosts/settle', { collection: row.collection, page: row.id, take: 'theirs' })}>
            Take the host’s text
          </Button>
          <Button onPress={() => void gate.ask('/api/hosts/settle', { collection: row.collection, page: row.id, take: 'ours' })}>
            Keep the text here
          </Button>
        </Row>
      )}
    </>
  );
}
