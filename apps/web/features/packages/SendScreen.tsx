'use client';
import { lookup } from '@inkwell/core';
import type { Problem } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState, type DragEvent } from 'react';
import styled from 'styled-components';
import { Button, buttonFace } from '@/ui/Button';
import { fieldLabel } from '@/ui/Field';
import { Panel, ProgressLine } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { Main } from '@/ui/Shell';
import { FromHost } from './FromHost';
import { asPackage, chosenIn, droppedIn, type Chosen } from './zipped';
import { upload } from './upload';

const Place = styled(Panel)<{ $over: boolean }>`
  ${({ $over }) => $over && 'outline: 3px dashed var(--gall); outline-offset: -6px;'}
`;
const FileLabel = styled.label`
  ${fieldLabel}
  small {
    display: block;
    font-weight: 400;
    font-size: 0.875rem;
    color: var(--quiet);
  }
  input {
    display: block;
    margin-top: 0.4rem;
    max-width: 100%;
    font: 400 0.875rem var(--sans);
    color: var(--quiet);
  }
  input::file-selector-button {
    ${buttonFace}
    margin-right: 0.6rem;
  }
`;
const Waiting = styled.ul`
  margin: 0.5rem 0 0 1.25rem;
  max-width: 52rem;
  li {
    padding: 0.2rem 0;
  }
`;

const STATES: Readonly<Record<string, string>> = { waiting: 'is being read', read: 'waits for your word', arriving: 'is coming in' };

export interface WaitingPackage {
  id: number;
  name: string;
  state: string;
  title: string;
}

type Trouble = Pick<Problem, 'what' | 'why' | 'kept' | 'next'>;

/** A collection of which a newer version is brought in. */
export interface Renewed {
  slug: string;
  title: string;
}

export interface SendScreenProps {
  waiting: readonly WaitingPackage[];
  newerOf: Renewed | null;
  /** Hosts pages may be fetched from. */
  hosts: readonly string[];
}

/**
 * Sends a whole site, course or book, or the newer version of one: as its package, its folder, or several files. Nothing becomes a page
 * before it was shown.
 */
export function SendScreen({ waiting, newerOf, hosts }: SendScreenProps) {
  const { sending, problem, send, stop } = useSending(newerOf?.slug ?? null);
  const [over, setOver] = useState(false);
  const drop = async (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    await send(await droppedIn(event.dataTransfer));
  };
  return (
    <Main id="content">
      {newerOf ? (
        <>
          <h1>{`A newer version of ${newerOf.title}`}</h1>
          <p>
            You see what came, changed, moved and went before anything is changed. Answers, exceptions and what was fixed here stay where
            they still fit.
          </p>
        </>
      ) : (
        <>
          <h1>Bring in a collection</h1>
          <p>A whole site, course or book. You see what it holds before anything of it becomes a page.</p>
        </>
      )}
      <Place
        $over={over}
        onDragOver={(event) => {
          event.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(event) => void drop(event)}
      >
        <FileLabel>
          A package
          <small>
            A zip of a site, a course package (Common Cartridge, Content Package, SCORM), an EPUB, a word-processor document (.docx), or a
            page that a browser saved as one file (.mhtml).
          </small>
          <input
            type="file"
            accept=".zip,.imscc,.epub,.docx,.mht,.mhtml,application/zip,application/epub+zip"
            disabled={sending !== null}
            onChange={(event) => void send(chosenIn(event.target.files))}
          />
        </FileLabel>
        <FileLabel>
          A folder
          <small>All its pages, images and style sheets; or images alone, to be named and described. You may also drop one here.</small>
          <input type="file" ref={folderInput} disabled={sending !== null} onChange={(event) => void send(chosenIn(event.target.files))} />
        </FileLabel>
        <FileLabel>
          Several pages
          <small>HTML files that belong together, with their images.</small>
          <input type="file" multiple disabled={sending !== null} onChange={(event) => void send(chosenIn(event.target.files))} />
        </FileLabel>
        {sending !== null && (
          <ProgressLine role="status">
            <label htmlFor="sending">{`Sending ${sending.name}`}</label>
            <progress id="sending" value={sending.share} max={1} />
            <Button onPress={stop}>Stop</Button>
          </ProgressLine>
        )}
        {problem && <ProblemNotice problem={problem} />}
      </Place>
      <FromHost hosts={hosts} newerOf={newerOf?.slug ?? null} />
      {waiting.length > 0 && (
        <>
          <h2>Sent before, and not finished</h2>
          <Waiting>
            {waiting.map(({ id, name, state, title }) => (
              <li key={id}>
                <Link href={`/bring-in/${id}`}>{title || name}</Link> {lookup(STATES, state)}
              </li>
            ))}
          </Waiting>
        </>
      )}
    </Main>
  );
}

/** React knows no attribute that lets a folder be chosen. */
function folderInput(input: HTMLInputElement | null): void {
  if (input) input.webkitdirectory = true;
}

function useSending(newerOf: string | null) {
  const router = useRouter();
  const [sending, setSending] = useState<{ name: string; share: number } | null>(null);
  const [problem, setProblem] = useState<Trouble | null>(null);
  const stopping = useRef<AbortController | null>(null);
  useEffect(() => () => stopping.current?.abort(), []);
  const send = async (chosen: readonly Chosen[]) => {
    if (chosen.length === 0) return;
    setProblem(null);
    setSending({ name: chosen.length === 1 ? chosen[0]!.file.name : `${chosen.length} files`, share: 0 });
    const control = new AbortController();
    stopping.current = control;
    const made = await asPackage(chosen).catch(() => null);
    if (!made) {
      setSending(null);
      return setProblem(UNREADABLE);
    }
    const sent = await upload({ ...made, newerOf }, (share) => setSending({ name: made.name, share }), control.signal);
    if (sent.ok) return router.push(`/bring-in/${sent.value}`);
    setSending(null);
    if (!control.signal.aborted) setProblem(sent.problem);
  };
  return { sending, problem, send, stop: () => stopping.current?.abort() };
}

const UNREADABLE: Trouble = {
  what: 'These files could not be read',
  why: 'One of them was moved or taken away meanwhile, or this browser may not open it.',
  kept: 'Nothing was sent.',
  next: 'Choose them again.',
};
