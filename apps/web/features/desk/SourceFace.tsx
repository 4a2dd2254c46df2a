'use client';
import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { html } from '@codemirror/lang-html';
import { bracketMatching, HighlightStyle, syntaxHighlighting } from '@codemirror/language';
import { EditorState } from '@codemirror/state';
import { tags } from '@lezer/highlight';
import { drawSelection, EditorView, highlightActiveLine, keymap, lineNumbers } from '@codemirror/view';
import { useEffect, useRef } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { When } from '@/ui/When';
import type { SourceDraft } from './useSourceDraft';

const Frame = styled.div`
  display: grid; grid-template-rows: auto minmax(0, 1fr); min-height: 0; border: 1px solid var(--line); border-right: 0; background: var(--sheet); color: var(--ink);
  .cm-editor { height: 100%; min-height: 20rem; font-size: 0.84375rem; } .cm-editor.cm-focused { outline: 3px solid var(--gall); outline-offset: -3px; }
  .cm-scroller { font-family: var(--mono); } .cm-gutters { background: var(--paper); color: var(--quiet); border-right: 1px solid var(--line); }
  .cm-editor .cm-activeLine, .cm-editor .cm-activeLineGutter { background: var(--gallWash); } .cm-editor .cm-cursor { border-left-color: var(--ink); }
  .cm-editor .cm-selectionBackground.cm-selectionBackground { background: var(--edge); } .cm-editor .cm-matchingBracket { outline: 1px solid var(--edge); background: none; }
`;
const Bar = styled.div`display: flex; flex-wrap: wrap; gap: 0.5rem; align-items: center; padding: 0.4rem 0.75rem; background: var(--paper); color: var(--ink); border-bottom: 1px solid var(--line); font-size: 0.875rem;`;

/** Markup in the house's inks: tags stand out, values recede. */
const INKS = HighlightStyle.define([
  { tag: [tags.tagName, tags.angleBracket], color: 'var(--gall)', fontWeight: '600' },
  { tag: tags.attributeName, color: 'var(--quiet)' },
  { tag: [tags.attributeValue, tags.string], color: 'var(--rubric)' },
  { tag: [tags.comment, tags.documentMeta], color: 'var(--quiet)', fontStyle: 'italic' },
]);

/** The page's own source. While one types the engine re-audits in its worker; saving makes a revision. */
export function SourceFace({ draft, goTo, mayChange, busy }: { draft: SourceDraft; goTo: number | null; mayChange: boolean; busy: boolean }) {
  const holder = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView | null>(null);
  const { text, type } = draft;
  const latest = useRef({ type, save: draft.save });
  latest.current = { type, save: draft.save };

  useEffect(() => {
    const nonce = document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce ?? '';
    const editor = new EditorView({
      parent: holder.current!,
      state: EditorState.create({
        doc: text,
        extensions: [
          EditorView.cspNonce.of(nonce), lineNumbers(), history(), drawSelection(), highlightActiveLine(), bracketMatching(), html(), syntaxHighlighting(INKS),
          EditorView.lineWrapping, EditorView.contentAttributes.of({ 'aria-label': 'Source of the page' }), EditorView.editable.of(mayChange),
          // Tab is left alone: it moves on, so that nobody is caught in the editor.
          keymap.of([{ key: 'Mod-s', preventDefault: true, run: () => (void latest.current.save(), true) }, ...defaultKeymap, ...historyKeymap]),
          EditorView.updateListener.of((update) => update.docChanged && latest.current.type(update.state.doc.toString())),
        ],
      }),
    });
    view.current = editor;
    return () => editor.destroy();
    // The editor owns its text from here on; what comes from outside is put in by the effect below.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [mayChange]);

  useEffect(() => {
    const editor = view.current;
    if (editor && editor.state.doc.toString() !== text) editor.dispatch({ changes: { from: 0, to: editor.state.doc.length, insert: text } });
  }, [text]);

  useEffect(() => {
    const editor = view.current;
    if (!editor || goTo === null) return;
    const at = Math.min(goTo, editor.state.doc.length);
    editor.dispatch({ selection: { anchor: at }, effects: EditorView.scrollIntoView(at, { y: 'center' }) });
  }, [goTo]);

  return (
    <Frame>
      <Bar>
        <Button $look="main" isDisabled={!draft.changed || !mayChange || busy} onPress={() => void draft.save()}>{`Save as revision ${draft.base + 1}`}</Button>
        <Button isDisabled={!draft.changed} onPress={draft.drop}>Drop the draft</Button>
        <span role="status">{draft.changed ? (draft.kept ? 'Not saved; kept as a draft in this browser.' : 'Not saved, and this browser keeps no drafts.') : 'As saved.'}</span>
        {draft.found && <span>{'A draft of '}<When at={draft.found} />{' was taken up.'}</span>}
      </Bar>
      <div ref={holder} />
    </Frame>
  );
}
