'use client';
import { defaultKeymap, history, historyKeymap, indentWithTab } from '@codemirror/commands';
import { html } from '@codemirror/lang-html';
import { bracketMatching, HighlightStyle, syntaxHighlighting } from '@codemirror/language';
import { EditorState } from '@codemirror/state';
import { openSearchPanel, search, searchKeymap } from '@codemirror/search';
import { tags } from '@lezer/highlight';
import { drawSelection, EditorView, highlightActiveLine, keymap, lineNumbers } from '@codemirror/view';
import { useEffect, useRef } from 'react';
import { changeBetween } from '@inkwell/core';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { DraftBar } from './DraftBar';
import { Places, separatorOf } from './lineEnds';
import { showNotes, sourceNotes, type SourceNote } from './sourceNotes';
import type { SourceDraft } from './useSourceDraft';

const Frame = styled.div`
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  min-height: 0;
  border: 1px solid var(--line);
  border-right: 0;
  background: var(--sheet);
  color: var(--ink);
  .cm-editor {
    height: 100%;
    min-height: 20rem;
    font-size: 0.84375rem;
  }
  .cm-editor.cm-focused {
    outline: 3px solid var(--gall);
    outline-offset: -3px;
  }
  .cm-scroller {
    font-family: var(--mono);
    contain: layout paint;
  }
  .cm-gutters {
    background: var(--paper);
    color: var(--quiet);
    border-right: 1px solid var(--line);
  }
  .cm-editor .cm-activeLine,
  .cm-editor .cm-activeLineGutter {
    background: var(--gallWash);
  }
  .cm-editor .cm-cursor {
    border-left-color: var(--ink);
  }
  .cm-editor .cm-selectionBackground.cm-selectionBackground {
    background: var(--edge);
  }
  .cm-editor .cm-matchingBracket {
    outline: 1px solid var(--edge);
    background: none;
  }
  .cm-panels {
    background: var(--paper);
    color: var(--ink);
    border-bottom: 1px solid var(--line);
  }
  .cm-search.cm-search {
    padding: 0.5rem 2.25rem 0.4rem 0.75rem;
    font: 400 0.875rem/1.6 var(--sans);
    label,
    input,
    button {
      font: inherit;
      margin: 0.15rem 0.35rem 0.15rem 0;
    }
    .cm-textfield {
      min-height: 1.75rem;
      padding: 0.1rem 0.5rem;
      border: 1px solid var(--edge);
      border-radius: var(--round);
      background: var(--sheet);
      color: var(--ink);
    }
    button {
      min-height: 1.75rem;
      min-width: 1.75rem;
      padding: 0.1rem 0.6rem;
      border: 1px solid var(--edge);
      border-radius: var(--round);
      background: var(--sheet);
      color: var(--ink);
      cursor: pointer;
    }
  }
  .cm-editor .cm-searchMatch {
    background: var(--gallWash);
    outline: 1px solid var(--gall);
  }
  .cm-editor .cm-searchMatch-selected {
    background: var(--edge);
  }
  .note-gutter .cm-gutterElement {
    padding: 0 2px;
  }
  .drop {
    display: inline-grid;
    place-items: center;
    min-width: 1.25rem;
    height: 1.25rem;
    border: 0;
    background: none;
    font: 700 0.6875rem/1 var(--sans);
    color: var(--ink);
    cursor: pointer;
    position: relative;
    isolation: isolate;
  }
  /* A drop as in the proof's margin, its point above: the more ink, the heavier. */
  .drop::before {
    content: '';
    position: absolute;
    inset: 1px;
    border: 1.5px solid var(--ink);
    border-radius: 0 50% 50% 50%;
    transform: rotate(45deg) scale(0.88);
    z-index: -1;
  }
  /* It is taken hold of a bit beyond its edge: lines are 20 px high, targets 24. */
  .drop::after {
    content: '';
    position: absolute;
    inset: -3px;
  }
  .drop.must {
    color: var(--paper);
  }
  .drop.must::before {
    background: var(--ink);
  }
  .drop.should::before {
    border-width: 2.5px;
  }
  .note {
    text-decoration: underline solid var(--ink) 1px;
    text-underline-offset: 3px;
  }
  .note.must {
    text-decoration-thickness: 2px;
  }
  .note.should {
    text-decoration-style: dashed;
  }
  .note.consider {
    text-decoration-style: dotted;
  }
  .cm-tooltip {
    background: var(--sheet);
    color: var(--ink);
    border: 1px solid var(--edge);
    max-width: 28rem;
    padding: 0.4rem 0.6rem;
    font: 400 0.875rem/1.4 var(--sans);
  }
  .notes-here p + p {
    margin-top: 0.3rem;
  }
  .notes-here button {
    border: 0;
    background: none;
    color: var(--gall);
    text-decoration: underline;
    font-weight: 600;
    min-height: 1.5rem;
    cursor: pointer;
  }
`;

/** Markup in the house's inks: tags stand out, values recede. */
const INKS = HighlightStyle.define([
  { tag: [tags.tagName, tags.angleBracket], color: 'var(--gall)', fontWeight: '600' },
  { tag: tags.attributeName, color: 'var(--quiet)' },
  { tag: [tags.attributeValue, tags.string], color: 'var(--rubric)' },
  { tag: [tags.comment, tags.documentMeta], color: 'var(--quiet)', fontStyle: 'italic' },
]);

/** What the bar for finding and replacing says. */
const SEARCH_WORDS = {
  Find: 'Find',
  Replace: 'Replace by',
  next: 'Next',
  previous: 'Previous',
  all: 'Select all',
  'match case': 'Match case',
  'by word': 'Whole words',
  regexp: 'Regular expression',
  replace: 'Replace',
  'replace all': 'Replace all',
  close: 'Close',
  'current match': 'chosen',
  'replaced $ matches': '$ replaced',
  'replaced match on line $': 'Replaced in line $',
  'on line': 'in line',
};

export interface SourceFaceProps {
  draft: SourceDraft;
  /** The notes of the text as it stands in the editor, by offset. */
  notes: readonly SourceNote[];
  /** Where the page can be had as a file, as it was saved last. */
  file: string;
  /** A place to go to, as an offset; a new object goes there again. */
  goTo: { at: number } | null;
  mayChange: boolean;
  busy: boolean;
  onTake(id: string): void;
}

/** The page's own source, with its notes in the gutter. While one types the engine re-audits in its worker; saving makes a revision. */
export function SourceFace({ draft, notes, file, goTo, mayChange, busy, onTake }: SourceFaceProps) {
  const holder = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView | null>(null);
  const { text, type, readyToType } = draft;
  const separator = separatorOf(text);
  const latest = useRef({ type, save: draft.save, onTake });
  latest.current = { type, save: draft.save, onTake };

  useEffect(() => {
    const nonce = document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce ?? '';
    const editor = new EditorView({
      parent: holder.current!,
      state: EditorState.create({
        doc: text,
        extensions: [
          EditorView.cspNonce.of(nonce),
          sourceNotes((id) => latest.current.onTake(id)),
          lineNumbers(),
          history(),
          drawSelection(),
          highlightActiveLine(),
          bracketMatching(),
          html(),
          syntaxHighlighting(INKS),
          EditorState.lineSeparator.of(separator),
          search({ top: true }),
          EditorState.phrases.of(SEARCH_WORDS),
          EditorView.lineWrapping,
          EditorView.contentAttributes.of({ 'aria-label': 'Source of the page' }),
          EditorView.editable.of(mayChange),
          // Tab indents; Escape, then Tab, leaves the editor (CodeMirror's own way, WCAG 2.1.2).
          keymap.of([
            { key: 'Mod-s', preventDefault: true, run: () => (void latest.current.save(), true) },
            ...searchKeymap,
            ...defaultKeymap,
            ...historyKeymap,
            indentWithTab,
          ]),
          EditorView.updateListener.of((update) => update.docChanged && latest.current.type(update.state.sliceDoc())),
        ],
      }),
    });
    view.current = editor;
    return () => editor.destroy();
    // The editor owns its text from here on; what comes from outside is put in by the effect below.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [mayChange, separator]);

  useEffect(() => readyToType(), [readyToType]);

  useEffect(() => {
    const editor = view.current;
    const now = editor?.state.sliceDoc();
    if (!editor || now === undefined || now === text) return;
    const places = new Places(now);
    // Only what differs is put in: the caret, and what can be undone here, stay.
    editor.dispatch({
      changes: changeBetween(now, text).edits.map((edit) => ({ from: places.of(edit.start), to: places.of(edit.end), insert: edit.text })),
    });
  }, [text]);

  useEffect(() => {
    const places = new Places(text);
    if (view.current)
      showNotes(
        view.current,
        notes.map((note) => ({ ...note, from: places.of(note.from), to: places.of(note.to) })),
      );
    // Notes come after the text they are of; until then they move along with it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [notes, separator, mayChange]);

  useEffect(() => {
    const editor = view.current;
    if (!editor || goTo === null) return;
    const at = Math.min(new Places(text).of(goTo.at), editor.state.doc.length);
    editor.dispatch({ selection: { anchor: at }, effects: EditorView.scrollIntoView(at, { y: 'center' }) });
    // A place is gone to once, not again with every key.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [goTo]);

  return (
    <Frame>
      <DraftBar draft={draft} mayChange={mayChange} busy={busy}>
        <Button $look="quiet" onPress={() => view.current && openSearchPanel(view.current)}>
          Find and replace
        </Button>
        <span>
          <kbd>F8</kbd> next note
        </span>
        <a href={file} download>
          Download the page
        </a>
      </DraftBar>
      <div ref={holder} />
    </Frame>
  );
}
