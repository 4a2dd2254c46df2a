'use client';
import type { Desk } from '@inkwell/review';
import { getSchema } from '@tiptap/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import styled from 'styled-components';
import { placeOf, shownFrom } from '../choose/place';
import { pageTextOf } from '../engine/pageText';
import type { Engine } from '../engine/useEngine';
import { DraftBar } from '../source/DraftBar';
import type { SourceDraft } from '../source/useSourceDraft';
import { partsOf, readPieces, type Parts } from './read';
import { textExtensions, type Piece } from './schema';
import { TextEditor } from './TextEditor';
import { writeText } from './write';

const Frame = styled.div`
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  min-height: 0;
  border: 1px solid var(--line);
  border-right: 0;
  background: var(--sheet);
  > p {
    padding: 1rem 1.25rem;
  }
`;

interface Loaded {
  source: string;
  parts: Parts;
  pieces: Piece[];
}

export interface TextFaceProps {
  desk: Desk;
  draft: SourceDraft;
  engine: Engine;
  mayChange: boolean;
  busy: boolean;
}

/** The page's text, edited as text with sound markup alone. It is the same draft as the source's: kept, audited and saved like it. */
export function TextFace({ desk, draft, engine, mayChange, busy }: TextFaceProps) {
  const extensions = useMemo(
    () => textExtensions((src) => shownFrom({ collection: desk.collection.slug, address: desk.address }, src)),
    [desk.address, desk.collection.slug],
  );
  const { loaded, tangled, written } = useLoaded(desk, draft, engine, extensions);
  const pageText = useMemo(() => pageTextOf(desk), [desk]);
  const place = useMemo(() => placeOf(desk.collection.slug, pageText), [desk.collection.slug, pageText]);
  const originals = useRef<readonly Piece[]>([]);

  return (
    <Frame>
      <DraftBar draft={draft} mayChange={mayChange} busy={busy} />
      {tangled && <p>{tangled}</p>}
      {!loaded && !tangled && <p role="status">Reading the text…</p>}
      {loaded && (
        <TextEditor
          key={loaded.source}
          extensions={extensions}
          pieces={loaded.pieces}
          engine={engine}
          page={pageText}
          place={place}
          mayChange={mayChange}
          scope={desk.scope}
          language={languageOf(loaded.source)}
          onReady={(pieces) => (originals.current = pieces)}
          onChange={(pieces) => {
            const text = writeText(loaded.parts, originals.current, pieces);
            written.current = text;
            draft.type(text);
          }}
        />
      )}
    </Frame>
  );
}

/** The draft taken apart for the editor: anew only when it was changed by another hand than the editor's own. */
function useLoaded(desk: Desk, draft: SourceDraft, engine: Engine, extensions: ReturnType<typeof textExtensions>) {
  const [loaded, setLoaded] = useState<Loaded | null>(null);
  const [tangled, setTangled] = useState<string | null>(null);
  const written = useRef<string | null>(null);
  const { text } = draft;
  useEffect(() => {
    if (text === written.current) return;
    let current = true;
    void engine.ask<'blocks'>({ kind: 'blocks', page: pageTextOf(desk, text) }).then((blocks) => {
      if (!current) return;
      written.current = text;
      const why =
        blocks === null
          ? 'The markup of this page is too tangled to be edited as text; it can be fixed in Source.'
          : blocks.length === 0 && desk.scope === 'document'
            ? 'This page has no text yet: begin it in Source.'
            : null;
      setTangled(why);
      setLoaded(why ? null : { source: text, parts: partsOf(text, blocks!), pieces: readPieces(getSchema(extensions), text, blocks!) });
    });
    return () => void (current = false);
  }, [text, desk, engine, extensions]);
  return { loaded, tangled, written };
}

function languageOf(source: string): string | undefined {
  return /<html[^>]*\slang\s*=\s*["']?([a-zA-Z-]+)/i.exec(source)?.[1];
}
