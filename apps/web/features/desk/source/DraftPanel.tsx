'use client';
import { useCallback, useMemo, useRef } from 'react';
import type { Inputs, RemedyName } from '@inkwell/core';
import type { Desk } from '@inkwell/review';
import { pageTextOf } from '../engine/pageText';
import type { DraftNote } from '../engine/protocol';
import type { Engine } from '../engine/useEngine';
import { RemedyForm } from '../note/RemedyForm';
import { draftNoteId, DraftNotes } from './DraftNotes';
import type { SourceDraft } from './useSourceDraft';

export interface DraftPanelProps {
  desk: Desk;
  draft: SourceDraft;
  engine: Engine;
  mayChange: boolean;
  /** The id of the note taken up, from the gutter or the list. */
  taken: string | null;
  onTake(id: string | null, start: number | null): void;
}

/** While the source is being changed: what the engine sees in it, and fixes that go into the draft. */
export function DraftPanel({ desk, draft, engine, mayChange, taken, onTake }: DraftPanelProps) {
  const note = draft.notes.find((one) => draftNoteId(one) === taken) ?? null;
  const text = useMemo(() => pageTextOf(desk, draft.noted), [desk, draft.noted]);
  const finding = useMemo(() => note && { rule: note.rule, path: note.path, start: note.start }, [note]);
  const correct = async (remedy: RemedyName, inputs: Inputs) => {
    const after = finding && (await engine.ask<'remedied'>({ kind: 'remedied', page: text, finding, remedy, inputs }));
    // Only onto the very text that was looked at: whoever typed on meanwhile sees the note again in a moment.
    if (after && draft.text === draft.noted) draft.type(after);
    onTake(null, null);
  };
  // By its id: a row that was not drawn anew still holds the place its note had then.
  const latest = useRef({ notes: draft.notes, onTake });
  latest.current = { notes: draft.notes, onTake };
  const takeUp = useCallback((one: DraftNote) => {
    const id = draftNoteId(one);
    latest.current.onTake(id, latest.current.notes.find((now) => draftNoteId(now) === id)?.start ?? one.start);
  }, []);
  return (
    <DraftNotes notes={draft.notes} taken={note} onTake={takeUp}>
      {note && finding && (
        <RemedyForm
          key={taken}
          page={{ pageId: desk.pageId, collection: desk.collection.slug }}
          text={text}
          finding={finding}
          engine={engine}
          busy={draft.text !== draft.noted}
          mayChange={mayChange}
          applyLabel="Put it into the draft"
          onApply={correct}
          onSkip={() => onTake(null, null)}
        />
      )}
    </DraftNotes>
  );
}
