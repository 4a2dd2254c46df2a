'use client';
import type { GateGroup, GateShown, HostView } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import styled from 'styled-components';
import { Button, ButtonLink } from '@/ui/Button';
import { LiveScreen } from '@/ui/live/LiveScreen';
import { Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { Main } from '@/ui/Shell';
import { When } from '@/ui/When';
import { ConnectSheet } from './ConnectSheet';
import { GateActs } from './GateActs';
import { GateTable } from './GateTable';
import { SigningSheet } from './SigningSheet';
import { useGate, type Gate } from './useGate';
import { GROUP_WORDS } from './words';

const Page = styled(Main)`
  display: grid;
  gap: 0.75rem;
  align-content: start;
`;
const Differing = styled.section`
  display: grid;
  gap: 0.6rem;
  padding: 0.6rem 1rem 0.75rem;
  background: var(--sheet);
  border: 1px solid var(--line);
`;
const Ways = styled.nav`
  ul {
    display: flex;
    flex-wrap: wrap;
    gap: 0.25rem 1.25rem;
    border-bottom: 1px solid var(--line);
  }
  a {
    display: inline-flex;
    align-items: baseline;
    gap: 0.4rem;
    min-height: 2rem;
    padding: 0.3rem 0;
    text-decoration: none;
  }
  a[aria-current] {
    font-weight: 700;
    box-shadow: inset 0 -3px 0 var(--gall);
  }
  b {
    font: 600 1.0625rem var(--serif);
    font-variant-numeric: tabular-nums;
  }
`;

const IN_ORDER = Object.keys(GROUP_WORDS) as GateGroup[];

interface GateProps {
  shown: GateShown;
  hosts: readonly HostView[];
}

/** What goes out, at which revision, what holds the rest and who can lift it. */
export function GateScreen({ shown, hosts }: GateProps) {
  const gate = useGate(shown);
  const [open, setOpen] = useState<'signing' | 'connect' | null>(null);
  const { collection, group, counts } = shown;
  const within = collection ? `&collection=${encodeURIComponent(collection.slug)}` : '';
  return (
    <Page id="content">
      {gate.rows.length <= shown.rows.length && gate.chosen.size === 0 && <LiveScreen />}
      <h1>{collection ? `Gate: ${collection.title}` : 'Gate'}</h1>
      <p>A page goes out at exactly the revision that was signed off, and counts as published once its host shows it so.</p>
      <HostLine shown={shown} gate={gate} onConnect={() => setOpen('connect')} onSigning={() => setOpen('signing')} />
      <Ways aria-label="Pages by where they stand">
        <ul>
          {IN_ORDER.map((one) => (
            <li key={one}>
              <Link href={`/gate?group=${encodeURIComponent(one)}${within}`} aria-current={one === group ? 'page' : undefined}>
                {GROUP_WORDS[one].label} <b>{counts[one].toLocaleString('en')}</b>
              </Link>
            </li>
          ))}
        </ul>
      </Ways>
      {gate.problem && <ProblemNotice problem={gate.problem} />}
      {gate.done && (
        <div role="status">
          <p>{`${gate.done.what}: ${gate.done.done === 1 ? '1 page' : `${gate.done.done.toLocaleString('en')} pages`}.`}</p>
          {gate.done.left.length > 0 && (
            <>
              <p>Left as they are:</p>
              <ul>
                {gate.done.left.slice(0, 20).map(({ title, why }, nth) => (
                  <li key={nth}>{`${title}: ${why}`}</li>
                ))}
              </ul>
            </>
          )}
        </div>
      )}
      <GateActs shown={shown} gate={gate} />
      {gate.rows.length === 0 ? <p>{GROUP_WORDS[group].none}</p> : <GateTable shown={shown} gate={gate} />}
      {gate.next !== null && (
        <Row>
          <Button onPress={() => void gate.more()} isDisabled={gate.busy}>
            More pages
          </Button>
        </Row>
      )}
      {open === 'signing' && <SigningSheet rules={shown.rules} onClose={() => setOpen(null)} ask={gate.ask} />}
      {open === 'connect' && collection && (
        <ConnectSheet collection={collection.slug} hosts={hosts} onClose={() => setOpen(null)} ask={gate.ask} />
      )}
    </Page>
  );
}

interface HostLineProps {
  shown: GateShown;
  gate: Gate;
  onConnect(): void;
  onSigning(): void;
}

/** Where a collection is published, when that was looked at, and what may be said to it. */
function HostLine({ shown: { collection, can }, gate, onConnect, onSigning }: HostLineProps) {
  const host = collection?.host;
  return (
    <>
      {collection && (
        <p>
          {host ? (
            <>
              {`Published on ${host.name}, as ${host.place}. `}
              {host.lookedAt && (
                <>
                  Drafts looked at <When at={host.lookedAt} />.{' '}
                </>
              )}
              {host.seenAt && (
                <>
                  Public pages read <When at={host.seenAt} />.
                </>
              )}
              {host.problem && ` ${host.problem} It is tried again.`}
            </>
          ) : (
            'This collection is connected to no host yet: its pages can be signed off, not published.'
          )}
        </p>
      )}
      {host && host.files.many > 0 && <FilesThatDiffer {...{ host, gate }} collection={collection} />}
      <Row>
        {host && collection.can.pull && (
          <Button onPress={() => void gate.ask('/api/hosts/look', { collection: collection.slug })}>Look for changes on the host</Button>
        )}
        {collection?.can.connect && <Button onPress={onConnect}>{host ? 'Connect it elsewhere…' : 'Connect it to a host…'}</Button>}
        {can.setRules && <Button onPress={onSigning}>How pages are signed…</Button>}
        {can.seeHosts && <ButtonLink href="/hosts">Hosts</ButtonLink>}
      </Row>
    </>
  );
}

type OnCollection = NonNullable<GateShown['collection']>;

/** Files of which others lie on the host: no page that shows one goes out until somebody says which is to stay. */
function FilesThatDiffer({ collection, host, gate }: { collection: OnCollection; host: NonNullable<OnCollection['host']>; gate: Gate }) {
  const { paths, many } = host.files;
  const settle = (take: 'theirs' | 'ours') => void gate.ask('/api/hosts/settle', { collection: collection.slug, page: null, take });
  const rest = many - paths.length;
  return (
    <Differing aria-label="Files that differ on the host">
      <p>
        {many === 1 ? 'One file is another on the host than here: ' : `${many} files are others on the host than here: `}
        {`${paths.join(', ')}${rest > 0 ? ` and ${rest} more` : ''}. `}
        {many === 1
          ? 'Pages that show it stay in until somebody says which one is right.'
          : 'Pages that show them stay in until somebody says which are right.'}
      </p>
      {collection.can.pull && (
        <Row>
          <Button onPress={() => settle('theirs')}>{many === 1 ? 'Take the host’s file' : 'Take the host’s files'}</Button>
          <Button onPress={() => settle('ours')}>{many === 1 ? 'Keep the file here' : 'Keep the files here'}</Button>
        </Row>
      )}
    </Differing>
  );
}
