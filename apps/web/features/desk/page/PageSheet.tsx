'use client';
import type { Scope } from '@inkwell/core';
import type { Problem } from '@inkwell/review';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import styled from 'styled-components';
import { base64Of } from '@/ui/base64';
import { Button } from '@/ui/Button';
import { Choice, Pick, TextBox } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { send } from '@/ui/send';
import { Sheet } from '@/ui/Sheet';
import { CONTENT_TYPES } from '@/ui/words';
import { PageChooser } from '../choose/PageChooser';
import type { Permissions } from '../StandingLine';
import type { DeskActions, DeskState } from '../useDesk';

const Form = styled.form`
  display: grid;
  gap: 0.75rem;
`;
const Apart = styled.section`
  display: grid;
  gap: 0.6rem;
  padding-top: 0.75rem;
  border-top: 1px solid var(--line);
  h3 {
    font-size: 1rem;
  }
  p {
    font-size: 0.875rem;
  }
`;
const SCOPES = [
  { value: 'document', label: 'a whole page' },
  { value: 'fragment', label: 'part of one: its platform frames it' },
];

interface PageSheetProps {
  state: DeskState;
  actions: DeskActions;
  can: Permissions;
  onClose(): void;
}

/** What a page is called, what it is, where it lies and stands; a newer file in its place; and the way out. */
export function PageSheet(props: PageSheetProps) {
  const [step, setStep] = useState<'page' | 'behind' | 'out'>('page');
  const { state, actions, onClose } = props;
  if (step === 'behind')
    return (
      <Sheet title="After which page?" open onClose={() => setStep('page')} problem={state.problem}>
        <PageChooser
          collection={state.desk.collection.slug}
          back="Back"
          onPage={({ slug }) => void actions.changePage({ behind: slug }).then((done) => done && onClose())}
          onCancel={() => setStep('page')}
        />
      </Sheet>
    );
  if (step === 'out') return <GoingOut {...props} onBack={() => setStep('page')} />;
  return (
    <Sheet title="This page" open onClose={onClose} problem={state.problem}>
      {props.can.change && <WhatItIs {...props} />}
      {props.can.change && <WhereItIs {...props} onBehind={() => setStep('behind')} />}
      {props.can.change && <NewerFile {...props} />}
      <Row>
        {props.can.bringIn && !state.desk.out && <Button onPress={() => setStep('out')}>Take it out…</Button>}
        <Button onPress={onClose}>Close</Button>
      </Row>
    </Sheet>
  );
}

function WhatItIs({ state: { desk, busy }, actions }: PageSheetProps) {
  const [title, setTitle] = useState(desk.title);
  const [contentType, setContentType] = useState(desk.contentType);
  const [scope, setScope] = useState<Scope>(desk.scope);
  const types = [...new Set([...CONTENT_TYPES, desk.contentType])];
  const change = {
    ...(title.trim() !== desk.title && scope === 'fragment' ? { title } : {}),
    ...(contentType === desk.contentType ? {} : { contentType }),
    ...(scope === desk.scope ? {} : { scope }),
  };
  const ready = Object.keys(change).length > 0 && title.trim() !== '';
  return (
    <Form
      onSubmit={(event) => {
        event.preventDefault();
        if (ready) void actions.changePage(change);
      }}
    >
      {scope === 'fragment' ? (
        <TextBox label="Title" value={title} onChange={setTitle} hint="What its platform shows above it." />
      ) : (
        <p>
          Its title, <b>{desk.title}</b>, is part of its own text.
        </p>
      )}
      <Pick label="Content type" value={contentType} onChange={setContentType} options={types.map((value) => ({ value, label: value }))} />
      <Choice label="It is" value={scope} onChange={(next) => setScope(next as Scope)} options={SCOPES} />
      <div>
        <Button type="submit" $look="main" isDisabled={!ready || busy}>
          Change it
        </Button>
      </div>
    </Form>
  );
}

function WhereItIs({ state: { desk, busy }, actions, onBehind }: PageSheetProps & { onBehind(): void }) {
  const [address, setAddress] = useState(desk.address);
  const { before, after } = desk.beside;
  return (
    <Apart aria-labelledby="where-it-is">
      <h3 id="where-it-is">Where it is</h3>
      {desk.packaged ? (
        <p>{`It lies at ${desk.address} in its package, and keeps that place.`}</p>
      ) : (
        <Form
          onSubmit={(event) => {
            event.preventDefault();
            if (address.trim() !== desk.address) void actions.movePage(address);
          }}
        >
          <TextBox
            label="Address in the collection"
            value={address}
            onChange={setAddress}
            hint="Pages that lead here follow: their links are changed in the background."
          />
          <div>
            <Button type="submit" isDisabled={address.trim() === desk.address || busy}>
              Move it
            </Button>
          </div>
        </Form>
      )}
      <p>{before ? `It comes after “${before.title}”.` : 'It comes first.'}</p>
      <Row>
        {(before || after) && (
          <Button isDisabled={busy} onPress={onBehind}>
            Move it after…
          </Button>
        )}
        {before && (
          <Button isDisabled={busy} onPress={() => void actions.changePage({ behind: null })}>
            Move it to the front
          </Button>
        )}
      </Row>
    </Apart>
  );
}

function NewerFile({ state: { desk, busy }, actions, onClose }: PageSheetProps) {
  const replace = async (file: File) => {
    if (await actions.replacePage(await base64Of(file))) onClose();
  };
  return (
    <Apart aria-labelledby="newer-file">
      <h3 id="newer-file">A newer file in its place</h3>
      <p>
        {`It becomes revision ${desk.revision.number + 1}. What was fixed here is fixed in it too, where it did not change the same place.`}
      </p>
      <div>
        <FileTrigger
          acceptedFileTypes={['text/html', '.html', '.htm', '.xhtml']}
          onSelect={(files) => files?.[0] && void replace(files[0])}
        >
          <Button isDisabled={busy}>Choose the file</Button>
        </FileTrigger>
      </div>
    </Apart>
  );
}

/** Asked once more before it goes; it says what stays, and how it comes back. */
function GoingOut({ state: { desk }, onBack, onClose }: PageSheetProps & { onBack(): void }) {
  const router = useRouter();
  const [problem, setProblem] = useState<Problem | null>(null);
  const collection = encodeURIComponent(desk.collection.slug);
  const take = async () => {
    const sent = await send(`/api/collections/${collection}/take-pages`, { pages: [desk.slug] });
    setProblem(sent.ok ? null : sent.problem);
    if (!sent.ok) return;
    onClose();
    router.push(`/collections/${collection}`);
  };
  return (
    <Sheet title={`Take “${desk.title}” out?`} open onClose={onBack} problem={problem}>
      <p>It stands in no ledger any more and is not published from here. Its revisions, answers and exceptions are kept.</p>
      <p>The ledger has the way back, under “Taken out”.</p>
      {desk.packaged && <p>In the package that can be downloaded its file stays, as it came.</p>}
      <Row>
        <Button $look="main" onPress={() => void take()}>
          Take it out
        </Button>
        <Button onPress={onBack}>Leave it</Button>
      </Row>
    </Sheet>
  );
}
