'use client';
import { lookup } from '@inkwell/core';
import type { Became, PackageView, Problem } from '@inkwell/review';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { Button, ButtonLink } from '@/ui/Button';
import { Pick, TextBox } from '@/ui/Field';
import { Panel, ProgressLine, Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { Main } from '@/ui/Shell';
import { Small, Table, TableFrame } from '@/ui/Table';
import { AttachedFiles, Folded, TroublesOf } from './Folded';
import { CONTENT_TYPES, costBasis, costWords, counted, sizeWords, tallyWords } from '@/ui/words';

const Line = styled(ProgressLine)`
  margin-top: 1.25rem;
`;
const Choice = styled(Row)`
  margin-top: 1.25rem;
`;

/** What became of pages in a newer version, in the order a reviewer looks at it. */
const BECAME: readonly { value: Became; label: string }[] = [
  { value: 'changed', label: 'changed' },
  { value: 'moved and changed', label: 'moved and changed' },
  { value: 'new', label: 'new' },
  { value: 'back', label: 'came back' },
  { value: 'moved', label: 'moved' },
  { value: 'as it was', label: 'as it was' },
];
const BECAME_WORDS = new Map(BECAME.map(({ value, label }) => [value, label]));

const KINDS = { course: 'Course', site: 'Site', book: 'Book' } as const;
const EVERY_MS = 1_000;

type Trouble = Omit<Problem, 'code'>;

/** What a package came to: whether all its pages are here, or which are not. */
function whatCame({ newer, pages, notExamined }: PackageView): string {
  if (notExamined === 0) return newer ? 'It is the version the collection is at.' : 'All its pages are here and audited.';
  if (notExamined >= pages) return 'None of its pages could be examined. The reason for each is below.';
  return `${notExamined} of ${pages} pages could not be examined. The reason for each is below; the other pages are audited.`;
}

/** What a package holds, and the word that brings it in; then how far it is. It may be left and come back to. */
export function PackageScreen({ atFirst }: { atFirst: PackageView }) {
  const [view, setView] = useState(atFirst);
  const [problem, setProblem] = useState<Trouble | null>(null);
  const router = useRouter();
  const { id, state } = view;
  useEffect(() => {
    if (state !== 'waiting' && state !== 'arriving') return;
    const ask = () => void send<PackageView>(`/api/packages/${id}/show`, { after: 0 }).then((sent) => sent.ok && setView(sent.value));
    const timer = setInterval(ask, EVERY_MS);
    return () => clearInterval(timer);
  }, [id, state]);
  const dismiss = async () => {
    const sent = await send<null>(`/api/packages/${id}/dismiss`, {});
    if (sent.ok) router.push('/bring-in');
    else setProblem(sent.problem);
  };
  return (
    <Main id="content">
      <h1>{view.title || view.name}</h1>
      <p>{headline(view)}</p>
      {view.newer && <WhatBecame newer={view.newer} />}
      {state === 'waiting' && <Waiting view={view} onDismiss={() => void dismiss()} />}
      {state === 'refused' && (
        <ProblemNotice
          problem={{
            what: 'This package was not opened',
            why: view.problem ?? '',
            kept: 'Nothing of it became a page, and nothing already here was touched.',
            next: 'Get it again from where it came, and send it again.',
          }}
        />
      )}
      {state === 'read' && view.pasted.pages > 0 && <PastedPages view={view} />}
      {state === 'read' && <AcceptForm view={view} onAccepted={setView} onProblem={setProblem} onDismiss={() => void dismiss()} />}
      {state === 'arriving' && <Arriving view={view} onCancel={() => void dismiss()} />}
      {state === 'here' && view.collection && (
        <Line role="status">
          {whatCame(view)}
          <ButtonLink $look="main" href={`/collections/${view.collection}`}>
            Open its ledger
          </ButtonLink>
        </Line>
      )}
      {problem && <ProblemNotice problem={problem} />}
      {view.troubles.length > 0 && <TroublesOf troubles={view.troubles} />}
      {view.attached.files.length > 0 && <AttachedFiles view={view} />}
      {view.shown.length > 0 && <Pages view={view} />}
    </Main>
  );
}

function Waiting({ view: { fetched }, onDismiss }: { view: PackageView; onDismiss(): void }) {
  const far = fetched && fetched.pages > 0 ? `: ${counted(fetched.pages, 'page')} so far, ${counted(fetched.files, 'file')} in all` : '';
  return (
    <Line role="status">
      {fetched ? `Fetching from its host${far} …` : 'Reading what it holds …'}
      <Button onPress={onDismiss}>Send it away</Button>
    </Line>
  );
}

/** Pages with pasted markup: cleaned before anything else is done with them, if a person says so. */
function PastedPages({ view: { id, pasted } }: { view: PackageView }) {
  const { pages, toClean, toLeave } = pasted;
  const said = toClean + toLeave === 0 ? '' : ` ${toClean} will be cleaned, ${pages - toClean} come in as they are.`;
  return (
    <Line>
      {`${counted(pages, 'page carries', 'pages carry')} markup that was pasted from elsewhere.${said}`}
      <ButtonLink href={`/bring-in/${id}/clean`}>Look at them first</ButtonLink>
    </Line>
  );
}

function headline({ kind, pages, files, size, name }: PackageView): string {
  const what = kind === null ? '' : `${KINDS[kind]}: ${counted(pages, 'page')} in ${counted(files, 'file')}, `;
  return `${what}${name}, ${sizeWords(size)}`;
}

interface AcceptProps {
  view: PackageView;
  onAccepted(view: PackageView): void;
  onProblem(problem: Trouble): void;
  onDismiss(): void;
}

function AcceptForm({ view, onAccepted, onProblem, onDismiss }: AcceptProps) {
  const [title, setTitle] = useState(view.title);
  const [types, setTypes] = useState<Record<string, string>>({});
  const [busy, setBusy] = useState(false);
  const accept = async () => {
    setBusy(true);
    const sent = await send<null>(`/api/packages/${view.id}/accept`, { title, types });
    if (sent.ok) return onAccepted({ ...view, title, state: 'arriving' });
    setBusy(false);
    onProblem(sent.problem);
    // It may be read anew, or have been accepted by somebody else.
    const now = await send<PackageView>(`/api/packages/${view.id}/show`, { after: 0 });
    if (now.ok) onAccepted(now.value);
  };
  return (
    <Panel>
      {view.newer ? (
        <p>
          Pages that are as they were stay untouched. What was fixed here is made again on those that changed, as a revision of its own,
          where the author did not change the same place.
        </p>
      ) : (
        <TextBox label="Title of the collection" value={title} onChange={setTitle} />
      )}
      {!view.newer && (
        <Row role="group" aria-label="Content types">
          {view.types.map(({ type, many }) => (
            <Pick
              key={type}
              label={`${counted(many, 'page')} taken for`}
              value={lookup(types, type) ?? type}
              onChange={(chosen) => setTypes({ ...types, [type]: chosen })}
              options={[...new Set([type, ...CONTENT_TYPES])].map((value) => ({ value, label: value }))}
            />
          ))}
        </Row>
      )}
      {view.cost && (
        <p>
          {`${view.cost.looked < view.pages ? `${counted(view.cost.looked, 'page')} of it were` : 'All of it was'} looked at: ${counted(view.cost.open, 'open finding')}. Until all are fixed it would take ${costWords(view.cost.cost)}. ${costBasis(view.cost.cost)}`}
        </p>
      )}
      <Row>
        <Button $look="main" isDisabled={busy || title.trim() === ''} onPress={() => void accept()}>
          {busy ? 'Bringing it in …' : view.newer ? 'Bring in the newer version' : `Bring in ${counted(view.pages, 'page')}`}
        </Button>
        <Button onPress={onDismiss}>Send it away</Button>
      </Row>
    </Panel>
  );
}

function Arriving({ view, onCancel }: { view: PackageView; onCancel(): void }) {
  const { progress, pages } = view;
  const left = useSecondsLeft(progress?.done ?? 0, pages);
  return (
    <Line role="status">
      <label htmlFor="arriving">
        {progress ? `${progress.done.toLocaleString('en')} of ${pages.toLocaleString('en')} pages audited` : 'Putting its files in place …'}
      </label>
      <progress id="arriving" value={progress?.done ?? 0} max={Math.max(1, pages)} />
      {left !== null && <span>{`about ${left} s left`}</span>}
      {!view.newer && <Button onPress={onCancel}>Cancel, and take out what has come</Button>}
    </Line>
  );
}

/** Seconds left by the pace so far; null while there is none to go by. */
function useSecondsLeft(done: number, total: number): number | null {
  const [first, setFirst] = useState<{ at: number; done: number } | null>(null);
  useEffect(() => {
    if (done > 0) setFirst((was) => was ?? { at: Date.now(), done });
  }, [done]);
  if (!first || done <= first.done) return null;
  return Math.ceil(((total - done) * (Date.now() - first.at)) / (done - first.done) / 1_000);
}

/** How many pages of a newer version became what, those that went with their names. */
function WhatBecame({ newer: { became, gone, openBefore } }: { newer: NonNullable<PackageView['newer']> }) {
  const parts = BECAME.filter(({ value }) => became[value]).map(({ value, label }) => `${became[value]} ${label}`);
  const went = became.gone ?? 0;
  return (
    <>
      <p>{[...parts, went > 0 && `${went} no longer there`].filter(Boolean).join(', ') || 'Nothing has been compared yet'}</p>
      {openBefore && <p>{`Before it came there was open: ${tallyWords(openBefore)}.`}</p>}
      {gone.length > 0 && (
        <Folded open={gone.length <= 5}>
          <summary>{`${counted(went, 'page is', 'pages are')} not in it`}</summary>
          <ul>
            {gone.map(({ slug, title, address }) => (
              <li key={slug}>
                {title} <Small as="span">{address}</Small>
              </li>
            ))}
          </ul>
          <p>
            What is not in it leaves the ledger with all that was decided on it, and is the same page again when a later version has it.
          </p>
        </Folded>
      )}
    </>
  );
}

function usePages(view: PackageView) {
  const [became, setBecame] = useState<Became | undefined>(undefined);
  const [pages, setPages] = useState({ shown: view.shown, next: view.next });
  useEffect(() => {
    if (became === undefined) setPages({ shown: view.shown, next: view.next });
  }, [view.shown, view.next, became]);
  const ask = async (wish: { after: number; became?: Became }, before: PackageView['shown']) => {
    const sent = await send<PackageView>(`/api/packages/${view.id}/show`, wish);
    if (sent.ok) setPages({ shown: [...before, ...sent.value.shown], next: sent.value.next });
  };
  const only = became === undefined ? {} : { became };
  return {
    pages,
    became,
    more: () => ask({ after: pages.next ?? 0, ...only }, pages.shown),
    choose: (chosen: Became | undefined) => {
      setBecame(chosen);
      void ask({ after: 0, ...(chosen === undefined ? {} : { became: chosen }) }, []);
    },
  };
}

function Pages({ view }: { view: PackageView }) {
  const { pages, became, more, choose } = usePages(view);
  const counts = view.newer?.became;
  return (
    <>
      {counts && (
        <Choice>
          <Pick
            label="Show"
            value={became ?? ''}
            onChange={(value) => choose(BECAME.find((one) => one.value === value)?.value)}
            options={[
              { value: '', label: 'all pages' },
              ...BECAME.filter(({ value }) => counts[value]).map(({ value, label }) => ({ value, label: `${label} (${counts[value]})` })),
            ]}
          />
        </Choice>
      )}
      <TableFrame tabIndex={0} role="region" aria-label="Pages in reading order">
        <Table>
          <caption>Pages in reading order</caption>
          <thead>
            <tr>
              <th scope="col" className="number">
                Place
              </th>
              <th scope="col">Page</th>
              <th scope="col">Taken for</th>
              <th scope="col">Scope</th>
              {counts && <th scope="col">In this version</th>}
            </tr>
          </thead>
          <tbody>
            {pages.shown.map((page) => (
              <tr key={page.position}>
                <td className="number">{page.position}</td>
                <th scope="row">
                  {page.title}
                  <Small>{`${page.path}${page.listed === false ? ', named by no manifest' : ''}`}</Small>
                </th>
                <td>{page.content_type}</td>
                <td>{page.scope === 'document' ? 'whole page' : 'part of a page'}</td>
                {counts && <td>{BECAME_WORDS.get(page.became)}</td>}
              </tr>
            ))}
          </tbody>
        </Table>
      </TableFrame>
      {pages.next !== null && <Button onPress={() => void more()}>Show more pages</Button>}
    </>
  );
}
