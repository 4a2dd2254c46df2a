'use client';
import type { DoorAnswers } from '@inkwell/core';
import type { Brought, Problem } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState, type FormEvent } from 'react';
import styled from 'styled-components';
import { base64Of } from '@/ui/base64';
import { Button } from '@/ui/Button';
import { Choice, fieldLabel, TextBox } from '@/ui/Field';
import { Panel, Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { Main } from '@/ui/Shell';
import { useEngine } from '@/features/desk/engine/useEngine';
import type { SizedUp } from '@/features/desk/engine/protocol';
import { takeFromClipboard } from '@/ui/clipboard';
import { PastedText } from './PastedText';

const FileLabel = styled.label`
  ${fieldLabel} input {
    display: block;
    margin-top: 0.4rem;
    max-width: 100%;
  }
`;
const Aside = styled.p`
  color: var(--quiet);
  font-size: 0.875rem;
`;

const WAYS = [
  { value: 'paste', label: 'Paste it' },
  { value: 'file', label: 'Choose its file' },
];
const LARGEST_FILE = 32_000_000;

interface ChosenFile {
  name: string;
  bytes: string;
  text: string;
}

/** Brings one page into a collection: pasted as markup, as rich text, or as a file. */
export function BringInScreen({ collection }: { collection: { slug: string; title: string } }) {
  const router = useRouter();
  const [way, setWay] = useState('paste');
  const [text, setText] = useState('');
  const [rich, setRich] = useState(false);
  const [file, setFile] = useState<ChosenFile | null>(null);
  const [title, setTitle] = useState('');
  const [problem, setProblem] = useState<Pick<Problem, 'what' | 'why' | 'kept' | 'next'> | null>(null);
  const [busy, setBusy] = useState(false);
  const titleBox = useRef<HTMLDivElement>(null);
  const source = way === 'paste' ? text : (file?.text ?? '');
  const sized = useSizeUp(source);
  const [door, setDoor] = useState<DoorAnswers | null>(null);

  const submit = async (event: FormEvent) => {
    event.preventDefault();
    setBusy(true);
    const given = way === 'paste' ? { text } : file ? { bytes: file.bytes, fileName: file.name } : { text: '' };
    const sent = await send<Brought>('/api/bring-in', { collection: collection.slug, title, ...given, ...(door ? { door } : {}) });
    if (sent.ok) return router.push(`/collections/${collection.slug}/${sent.value.slug}`);
    setBusy(false);
    setProblem(sent.problem);
    if (sent.problem.what.includes('title')) titleBox.current?.querySelector('input')?.focus();
  };

  const chooseFile = async (chosen: File | undefined) => {
    setProblem(null);
    if (!chosen) return setFile(null);
    if (chosen.size > LARGEST_FILE)
      return setProblem({
        what: 'This file is too large to be one page',
        why: `It holds ${Math.round(chosen.size / 1_000_000)} MB; a page may hold up to 20 MB.`,
        kept: 'Nothing was sent.',
        next: 'Split it, or save its images as files, and choose it again.',
      });
    setFile(await readFile(chosen));
  };

  return (
    <Main id="content">
      <h1>Bring in a page</h1>
      <p>{`It joins ${collection.title} as revision 1 and is audited at once.`}</p>
      <Panel as="form" onSubmit={(event) => void submit(event)}>
        <Choice label="How" hideLabel value={way} onChange={setWay} options={WAYS} />
        {way === 'paste' ? (
          <TextBox
            label="The page’s content"
            passage
            code
            rows={12}
            value={text}
            onChange={setText}
            hint={rich ? 'Taken as formatted text: this is its markup.' : 'HTML, or text copied from a page or a word processor.'}
            onPaste={(event) => {
              const taken = takeFromClipboard(event.clipboardData);
              setRich(taken.rich);
              if (!taken.rich) return;
              event.preventDefault();
              const { selectionStart, selectionEnd, value } = event.currentTarget;
              setText(value.slice(0, selectionStart) + taken.text + value.slice(selectionEnd));
            }}
          />
        ) : (
          <FileLabel>
            The page’s file (.html)
            <input type="file" accept=".html,.htm,.xhtml,text/html" onChange={(event) => void chooseFile(event.target.files?.[0])} />
          </FileLabel>
        )}
        <div ref={titleBox}>
          <TextBox label="Title" value={title} onChange={setTitle} hint={titleHint(sized)} />
        </div>
        {sized && sized.pasted > 0 && <PastedText source={source} marks={sized.pasted} onClean={setDoor} />}
        {problem && <ProblemNotice problem={problem} />}
        <Row>
          <Button type="submit" $look="main" isDisabled={busy || (way === 'paste' ? text.trim() === '' : file === null)}>
            {busy ? 'Bringing it in …' : 'Bring it in'}
          </Button>
          <Link href={`/collections/${collection.slug}`}>Back to the ledger</Link>
          {sized && <Aside role="status">{sizeWords(sized)}</Aside>}
        </Row>
      </Panel>
    </Main>
  );
}

function useSizeUp(text: string): SizedUp | null {
  const engine = useEngine();
  const [sized, setSized] = useState<SizedUp | null>(null);
  useEffect(() => {
    if (!text.trim()) {
      setSized(null);
      return;
    }
    const timer = setTimeout(() => void engine.ask<'size-up'>({ kind: 'size-up', source: text }).then(setSized), 250);
    return () => clearTimeout(timer);
  }, [engine, text]);
  return sized;
}

function titleHint(sized: SizedUp | null): string {
  if (sized?.scope === 'document')
    return sized.title ? `Left blank, it keeps its own: ${sized.title}` : 'The page names none of its own: write one.';
  return 'Part of a page has no title of its own: write the one its platform shows above it.';
}

function sizeWords(sized: SizedUp): string {
  const kind = sized.scope === 'document' ? 'A whole page' : 'Part of a page';
  return `${kind}, ${sized.notes === 1 ? '1 note' : `${sized.notes} notes`} so far.`;
}

async function readFile(file: File): Promise<ChosenFile> {
  // The text only tells what kind of page it is: the server reads the bytes by their own encoding.
  return { name: file.name, bytes: await base64Of(file), text: new TextDecoder().decode(await file.arrayBuffer()) };
}
