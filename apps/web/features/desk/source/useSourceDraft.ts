'use client';
import { startTransition, useCallback, useEffect, useRef, useState } from 'react';
import type { Desk, Problem } from '@inkwell/review';
import { measured } from '../engine/measured';
import type { DraftNote } from '../engine/protocol';
import type { Engine } from '../engine/useEngine';
import type { DraftShelf } from './drafts';
import { pageTextOf } from '../engine/pageText';
import type { DeskActions } from '../useDesk';

export interface SourceDraft {
  text: string;
  /** The revision that saving builds on. */
  base: number;
  /** The notes could not be found: the engine stumbled on this text. */
  stuck: boolean;
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
  /** After a conflict: build on their revision with one's own text, or one brought together, or take theirs in place of it. */
  settle(how: 'take theirs' | { mine: string }): void;
}

/** The source as it is being typed: kept as a draft at every keystroke, audited in the worker, saved on demand. */
export function useSourceDraft(desk: Desk, actions: DeskActions, engine: Engine, drafts: DraftShelf): SourceDraft {
  const [text, setText] = useState(desk.html);
  const [base, setBase] = useState<Base>({ version: desk.version, revision: desk.revision.number });
  const [kept, setKept] = useState(true);
  const [found, setFound] = useState<string | null>(null);
  const [theirs, setTheirs] = useState<SourceDraft['theirs']>(null);
  const changed = text !== desk.html;
  const { notes, noted, stuck, look } = useDraftNotes(desk, engine, text);
  const known = useRef({ html: desk.html, version: desk.version });
  const typed = useRef(false);

  useEffect(() => {
    void drafts.read().then((draft) => {
      // Who has begun to type meanwhile goes on with that.
      if (!draft || draft.html === desk.html || typed.current) return;
      setText(draft.html);
      setBase({ version: draft.base, revision: draft.revision });
      setFound(draft.at);
    });
    // Only at the first showing: later drafts are this screen's own.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [desk.pageId]);

  useEffect(() => {
    // A fix or an undo made a new revision: an untouched source follows it.
    if (text === known.current.html && desk.html !== known.current.html) setText(desk.html);
    if (base.version === known.current.version && desk.version !== base.version && (text === known.current.html || text === desk.html))
      setBase({ version: desk.version, revision: desk.revision.number });
    known.current = { html: desk.html, version: desk.version };
  }, [desk.html, desk.version, desk.revision.number, text, base]);

  const type = useCallback(
    (next: string) => {
      // The engine is asked before anything is drawn: it looks while the screen paints.
      look(next);
      typed.current = true;
      setText(next);
      if (next === desk.html) void drafts.drop();
      else void drafts.keep({ base: base.version, revision: base.revision, html: next, at: new Date().toISOString() }).then(setKept);
    },
    [desk.html, drafts, base, look],
  );

  const save = async () => {
    const sent = await actions.save(text, base);
    if (sent.ok) {
      void drafts.drop();
      // Brought together with what others changed meanwhile, it is another text than was typed.
      setText(sent.value.desk.html);
      setBase({ version: sent.value.desk.version, revision: sent.value.desk.revision.number });
      setFound(null);
      setTheirs(null);
    } else if (sent.problem.theirs) setTheirs(sent.problem.theirs);
  };

  const drop = () => {
    void drafts.drop();
    setText(desk.html);
    setBase({ version: desk.version, revision: desk.revision.number });
    setFound(null);
  };

  const settle = (how: 'take theirs' | { mine: string }) => {
    if (!theirs) return;
    setBase({ version: theirs.version, revision: theirs.revision });
    const next = how === 'take theirs' ? theirs.html : how.mine;
    setText(next);
    if (how === 'take theirs') void drafts.drop();
    else void drafts.keep({ base: theirs.version, revision: theirs.revision, html: next, at: new Date().toISOString() }).then(setKept);
    setTheirs(null);
    actions.dismiss();
    if (how === 'take theirs') void actions.lookAgain();
  };

  const readyToType = useCallback(() => void engine.ask<'typing-ahead'>({ kind: 'typing-ahead', page: pageTextOf(desk) }), [desk, engine]);

  return { text, base: base.revision, stuck, changed, kept, found, notes, noted, theirs, type, readyToType, save, drop, settle };
}

/** What saving builds on. */
interface Base {
  version: number;
  revision: number;
}

interface DraftNotes {
  notes: readonly DraftNote[];
  noted: string;
  stuck: boolean;
  /** Asks for the notes of a text at once. */
  look(source: string): void;
}

/** One audit at a time: while one runs, only the newest text waits. */
function useDraftNotes(desk: Desk, engine: Engine, text: string): DraftNotes {
  const [seenIn, setSeenIn] = useState<Omit<DraftNotes, 'look'>>({ notes: [], noted: desk.html, stuck: false });
  const running = useRef(false);
  const asked = useRef<string | null>(null);
  const waiting = useRef<{ source: string; began: number } | null>(null);
  const look = useCallback(
    (source: string) => {
      if (source === desk.html || source === asked.current) return;
      asked.current = source;
      const run = async (typed: { source: string; began: number }): Promise<void> => {
        running.current = true;
        try {
          const notes = await engine.ask<'audit'>({ kind: 'audit', page: pageTextOf(desk, typed.source) });
          measured('keystroke to notes', typed.began);
          startTransition(() => setSeenIn({ notes, noted: typed.source, stuck: false }));
        } catch {
          // The next key is looked at again; until then it is told that these notes are not of this text.
          asked.current = null;
          setSeenIn((last) => ({ ...last, stuck: true }));
        } finally {
          running.current = false;
        }
        const next = waiting.current;
        waiting.current = null;
        if (next !== null) await run(next);
      };
      const typed = { source, began: performance.now() };
      if (running.current) waiting.current = typed;
      else void run(typed);
    },
    [desk, engine],
  );
  // A draft that was left, or taken over from elsewhere, is looked at too.
  useEffect(() => look(text), [look, text]);
  return { ...seenIn, look };
}
