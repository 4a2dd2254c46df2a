'use client';
import { startTransition, useCallback, useEffect, useRef, useState } from 'react';
import type { Desk, Problem } from '@inkwell/review';
import { measured } from '../engine/measured';
import type { DraftNote } from '../engine/protocol';
import type { Engine } from '../engine/useEngine';
import { dropDraft, keepDraft, readDraft } from './drafts';
import { pageTextOf } from '../engine/pageText';
import type { DeskActions } from '../useDesk';

export interface SourceDraft {
  text: string;
  /** The revision that saving builds on. */
  base: number;
  changed: boolean;
  kept: boolean;
  /** When the draft was made that an earlier visit left. */
  found: string | null;
  /** What the engine sees in the text as it is being typed. */
  notes: readonly DraftNote[];
  /** The text those notes are of: what was typed since is not in them yet. */
  noted: string;
  theirs: NonNullable<Problem['theirs']> | null;
  type(text: string): void;
  /** Someone may type soon: the engine is made ready. */
  readyToType(): void;
  save(): Promise<void>;
  drop(): void;
  /** After a conflict: build on their revision, or take it in place of one's own. */
  settle(how: 'keep mine' | 'take theirs'): void;
}

/** The source as it is being typed: kept as a draft at every keystroke, audited in the worker, saved on demand. */
export function useSourceDraft(desk: Desk, actions: DeskActions, engine: Engine): SourceDraft {
  const [text, setText] = useState(desk.html);
  const [base, setBase] = useState(desk.revision.number);
  const [kept, setKept] = useState(true);
  const [found, setFound] = useState<string | null>(null);
  const [theirs, setTheirs] = useState<SourceDraft['theirs']>(null);
  const changed = text !== desk.html;
  const { notes, noted, look } = useDraftNotes(desk, engine, text);
  const known = useRef({ html: desk.html, number: desk.revision.number });

  useEffect(() => {
    const draft = readDraft(localStorage, desk.pageId);
    if (!draft || draft.html === desk.html) return;
    setText(draft.html);
    setBase(draft.base);
    setFound(draft.at);
    // Only at the first showing: later drafts are this screen's own.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [desk.pageId]);

  useEffect(() => {
    // A fix or an undo made a new revision: an untouched source follows it.
    if (text === known.current.html && desk.html !== known.current.html) setText(desk.html);
    if (base === known.current.number) setBase(text === known.current.html || text === desk.html ? desk.revision.number : base);
    known.current = { html: desk.html, number: desk.revision.number };
  }, [desk.html, desk.revision.number, text, base]);

  const type = useCallback((next: string) => {
    // The engine is asked before anything is drawn: it looks while the screen paints.
    look(next);
    setText(next);
    if (next === desk.html) dropDraft(localStorage, desk.pageId);
    else setKept(keepDraft(localStorage, desk.pageId, { base, html: next, at: new Date().toISOString() }));
  }, [desk.html, desk.pageId, base, look]);

  const save = async () => {
    const sent = await actions.save(text, base);
    if (sent.ok) {
      dropDraft(localStorage, desk.pageId);
      setBase(sent.value.desk.revision.number);
      setFound(null);
      setTheirs(null);
    } else if (sent.problem.theirs) setTheirs(sent.problem.theirs);
  };

  const drop = () => {
    dropDraft(localStorage, desk.pageId);
    setText(desk.html);
    setBase(desk.revision.number);
    setFound(null);
  };

  const settle = (how: 'keep mine' | 'take theirs') => {
    if (!theirs) return;
    setBase(theirs.revision);
    if (how === 'take theirs') {
      setText(theirs.html);
      dropDraft(localStorage, desk.pageId);
    } else setKept(keepDraft(localStorage, desk.pageId, { base: theirs.revision, html: text, at: new Date().toISOString() }));
    setTheirs(null);
    actions.dismiss();
    if (how === 'take theirs') void actions.lookAgain();
  };

  const readyToType = useCallback(() => void engine.ask<'typing-ahead'>({ kind: 'typing-ahead', page: pageTextOf(desk) }), [desk, engine]);

  return { text, base, changed, kept, found, notes, noted, theirs, type, readyToType, save, drop, settle };
}

interface DraftNotes {
  notes: readonly DraftNote[];
  noted: string;
  /** Asks for the notes of a text at once. */
  look(source: string): void;
}

/** One audit at a time: while one runs, only the newest text waits. */
function useDraftNotes(desk: Desk, engine: Engine, text: string): DraftNotes {
  const [seenIn, setSeenIn] = useState<Pick<DraftNotes, 'notes' | 'noted'>>({ notes: [], noted: desk.html });
  const running = useRef(false);
  const asked = useRef<string | null>(null);
  const waiting = useRef<{ source: string; began: number } | null>(null);
  const look = useCallback((source: string) => {
    if (source === desk.html || source === asked.current) return;
    asked.current = source;
    const run = async (typed: { source: string; began: number }): Promise<void> => {
      running.current = true;
      try {
        const notes = await engine.ask<'audit'>({ kind: 'audit', page: pageTextOf(desk, typed.source) });
        measured('keystroke to notes', typed.began);
        startTransition(() => setSeenIn({ notes, noted: typed.source }));
      } finally {
        // After a failure too: the next key is looked at again.
        running.current = false;
      }
      const next = waiting.current;
      waiting.current = null;
      if (next !== null) await run(next);
    };
    const typed = { source, began: performance.now() };
    if (running.current) waiting.current = typed;
    else void run(typed);
  }, [desk, engine]);
  // A draft that was left, or taken over from elsewhere, is looked at too.
  useEffect(() => look(text), [look, text]);
  return { ...seenIn, look };
}
