'use client';
import { EditorContent, useEditor, type Editor } from '@tiptap/react';
import type { Extensions } from '@tiptap/core';
import { TextSelection } from '@tiptap/pm/state';
import { useEffect, useRef, useState } from 'react';
import styled from 'styled-components';
import { takeFromClipboard } from '@/ui/clipboard';
import type { Pasted, Scope } from '@inkwell/core';
import type { PagePlace } from '../choose/place';
import type { PageText } from '../engine/protocol';
import type { Engine } from '../engine/useEngine';
import { PasteSheet } from './PasteSheet';
import { readPasted } from './read';
import type { Piece } from './schema';
import { TextTools } from './TextTools';

const Frame = styled.div`
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  min-height: 0;
`;
const Page = styled.div`
  overflow: auto;
  background: #fffefa;
  color: #222;
  color-scheme: light;
  .ProseMirror {
    min-height: 100%;
    padding: 1rem 1.9rem 2rem;
    outline: none;
    font:
      400 1rem/1.55 Georgia,
      'Liberation Serif',
      serif;
    white-space: pre-wrap;
    overflow-wrap: break-word;
  }
  .ProseMirror-focused {
    box-shadow: inset 0 0 0 3px #22406e;
  }
  .ProseMirror > * + * {
    margin-top: 0.75em;
  }
  h1,
  h2,
  h3,
  h4,
  h5,
  h6 {
    font-weight: 700;
    line-height: 1.3;
  }
  h1 {
    font-size: 1.6rem;
  }
  h2 {
    font-size: 1.4rem;
  }
  h3 {
    font-size: 1.2rem;
  }
  h4,
  h5,
  h6 {
    font-size: 1.05rem;
  }
  h1,
  h2,
  h3,
  h4,
  h5,
  h6 {
    position: relative;
  }
  h1::before,
  h2::before,
  h3::before,
  h4::before,
  h5::before,
  h6::before {
    position: absolute;
    left: -1.1rem;
    top: 0.35em;
    font: 400 0.75rem var(--sans);
    color: #3f4858;
  }
  h1::before {
    content: '1';
  }
  h2::before {
    content: '2';
  }
  h3::before {
    content: '3';
  }
  h4::before {
    content: '4';
  }
  h5::before {
    content: '5';
  }
  h6::before {
    content: '6';
  }
  ul,
  ol {
    padding-left: 1.6rem;
  }
  ul {
    list-style: disc;
  }
  ol {
    list-style: decimal;
  }
  blockquote {
    border-left: 4px solid #d8cfba;
    padding-left: 1rem;
    margin-left: 0;
  }
  table {
    border-collapse: collapse;
  }
  table[data-kept-caption]::before {
    content: attr(data-kept-caption);
    display: table-caption;
    text-align: left;
    font-weight: 700;
    padding: 0.2rem 0;
  }
  td,
  th {
    border: 1px solid #7d7560;
    padding: 0.3rem 0.6rem;
    min-width: 3rem;
    text-align: left;
    vertical-align: top;
  }
  th {
    background: #efe8d8;
    font-weight: 700;
  }
  .selectedCell {
    background: #e3e9f1;
  }
  .link {
    color: #22406e;
    text-decoration: underline;
  }
  .phrase[lang] {
    border-bottom: 2px dotted #7d7560;
  }
  img {
    max-width: 100%;
    max-height: 22rem;
    vertical-align: bottom;
  }
  img[title='No alternative'] {
    outline: 3px dashed #7f2f16;
  }
  .ProseMirror-selectednode {
    outline: 3px solid #22406e;
    outline-offset: 2px;
  }
  .opaque {
    padding: 0.5rem 0.75rem;
    border: 1px dashed #7d7560;
    background: #faf6eb;
    font: 400 0.875rem/1.4 var(--sans);
    color: #3f4858;
    overflow-wrap: anywhere;
  }
  .ProseMirror-gapcursor {
    position: relative;
  }
  .ProseMirror-gapcursor::after {
    content: '';
    display: block;
    width: 20px;
    border-top: 2px solid #1b2536;
  }
`;
const Said = styled.p`
  padding: 0.3rem 1rem;
  font-size: 0.875rem;
  background: var(--paper);
  border-bottom: 1px solid var(--line);
  &:empty {
    display: none;
  }
`;

export interface TextEditorProps {
  extensions: Extensions;
  pieces: readonly Piece[];
  engine: Engine;
  page: PageText;
  place: PagePlace;
  mayChange: boolean;
  scope: Scope;
  language: string | undefined;
  /** The pieces as the editor holds them before anybody has typed. */
  onReady(pieces: readonly Piece[]): void;
  onChange(pieces: readonly Piece[]): void;
}

/** The editor itself, with its tools. What is pasted is cleaned first, and its bold lines are asked about. */
export function TextEditor({ extensions, pieces, engine, page, place, mayChange, scope, language, onReady, onChange }: TextEditorProps) {
  const latest = useRef({ onReady, onChange });
  latest.current = { onReady, onChange };
  const [asked, setAsked] = useState<{ html: string; bold: Pasted['bold'] } | null>(null);
  const [said, setSaid] = useState('');
  const [dropped, setDropped] = useState<File | null>(null);
  const holder = useRef<Editor | null>(null);

  const insert = (html: string) => {
    const editor = holder.current;
    if (!editor) return;
    const { pieces: found, left } = readPasted(editor.schema, html);
    // One paragraph joins the words it is put into; blocks stand by themselves.
    const [only] = found;
    editor
      .chain()
      .focus()
      .insertContent(found.length === 1 && only!.type === 'paragraph' ? (only!.content ?? []) : found)
      .run();
    setSaid(left ?? '');
  };
  const paste = async (html: string) => {
    const { html: clean, bold } = await engine.ask<'pasted'>({ kind: 'pasted', html, levels: [] });
    if (bold.length === 0) insert(clean);
    else setAsked({ html, bold });
  };
  const answered = async (levels: { path: string; level: number }[]) => {
    if (!asked) return;
    setAsked(null);
    insert((await engine.ask<'pasted'>({ kind: 'pasted', html: asked.html, levels })).html);
  };

  const editor = useEditor(
    {
      extensions,
      content: { type: 'doc', content: [...pieces] },
      editable: mayChange,
      immediatelyRender: false,
      injectCSS: false,
      editorProps: {
        attributes: {
          role: 'textbox',
          'aria-multiline': 'true',
          'aria-label': 'Text of the page',
          ...(mayChange ? {} : { 'aria-readonly': 'true' }),
          ...(language ? { lang: language } : {}),
        },
        handleDrop(view, event) {
          const file = imageIn(event.dataTransfer);
          if (!file || !mayChange) return false;
          event.preventDefault();
          const at = view.posAtCoords({ left: event.clientX, top: event.clientY });
          if (at) view.dispatch(view.state.tr.setSelection(TextSelection.near(view.state.doc.resolve(at.pos))));
          setDropped(file);
          return true;
        },
        handlePaste(_view, event) {
          const file = imageIn(event.clipboardData);
          // What a word processor copies has a picture of itself with it: its text is what is meant.
          if (file && !event.clipboardData?.types.includes('text/html') && mayChange) {
            event.preventDefault();
            setDropped(file);
            return true;
          }
          const { text, rich } = event.clipboardData ? takeFromClipboard(event.clipboardData) : { text: '', rich: false };
          // What was copied in this editor is sound already.
          if (!rich || text.includes('data-pm-slice')) return false;
          event.preventDefault();
          void paste(text);
          return true;
        },
      },
      onCreate: ({ editor: made }) => {
        holder.current = made;
        latest.current.onReady(contentOf(made));
      },
      onUpdate: ({ editor: now }) => latest.current.onChange(contentOf(now)),
    },
    [],
  );

  useEffect(() => void editor?.setEditable(mayChange, false), [editor, mayChange]);

  return (
    <Frame>
      {editor && (
        <TextTools
          dropped={dropped}
          onDropped={() => setDropped(null)}
          editor={editor}
          engine={engine}
          page={page}
          place={place}
          scope={scope}
          mayChange={mayChange}
        />
      )}
      <div style={{ display: 'grid', gridTemplateRows: 'auto minmax(0, 1fr)', minHeight: 0 }}>
        <Said role="status">{said}</Said>
        <Page>
          <EditorContent editor={editor} />
        </Page>
      </div>
      {asked && <PasteSheet bold={asked.bold} onClose={() => setAsked(null)} onAnswer={(levels) => void answered(levels)} />}
    </Frame>
  );
}

/** The image among files that are dropped or pasted. */
function imageIn(carried: DataTransfer | null): File | null {
  return [...(carried?.files ?? [])].find(({ type }) => type.startsWith('image/')) ?? null;
}

function contentOf(editor: Editor): readonly Piece[] {
  return editor.getJSON().content;
}
