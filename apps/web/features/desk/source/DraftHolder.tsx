'use client';
import { createContext, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';
import type { Engine } from '../engine/useEngine';
import type { DeskActions, DeskState } from '../useDesk';
import { draftNoteId } from './DraftNotes';
import { draftsOf } from './drafts';
import type { SourceNote } from './sourceNotes';
import { useSourceDraft, type SourceDraft } from './useSourceDraft';
import { useKeptOpen } from './useKeptOpen';

/** The draft with what is looked at in it. */
export interface DraftInHand {
  draft: SourceDraft;
  /** The id of the draft's note that is taken up, from the gutter or the list. */
  taken: string | null;
  take(id: string | null, start: number | null): void;
  /** Where the editor is to go; a new object goes there again. */
  goTo: { at: number } | null;
}

const Context = createContext<DraftInHand | null>(null);

/** Holds what is typed and not saved. Only what shows it is drawn anew with each key: the rest of the Desk does not hear of it. */
export function DraftHolder({
  state,
  actions,
  engine,
  person,
  children,
}: {
  state: DeskState;
  actions: DeskActions;
  engine: Engine;
  person: string;
  children: ReactNode;
}) {
  const { pageId } = state.desk;
  const drafts = useMemo(() => draftsOf(person, pageId), [person, pageId]);
  const draft = useSourceDraft(state.desk, actions, engine, drafts);
  useKeptOpen(state.desk.pageId, draft.changed);
  const [taken, setTaken] = useState<string | null>(null);
  const [goTo, setGoTo] = useState<{ at: number } | null>(null);
  const start = state.inHand?.note.at.start ?? null;
  useEffect(() => {
    if (!draft.changed) setGoTo(start === null ? null : { at: start });
  }, [start, draft.changed]);
  const value = useMemo(
    (): DraftInHand => ({
      draft,
      taken,
      goTo,
      take(id, at) {
        setTaken(id);
        if (at !== null) setGoTo({ at });
      },
    }),
    [draft, taken, goTo],
  );
  return <Context.Provider value={value}>{children}</Context.Provider>;
}

export function useDraft(): DraftInHand {
  const held = useContext(Context);
  if (!held) throw new Error('Only inside a DraftHolder is there a draft.');
  return held;
}

/** The notes the source shows: the draft's own while it is changed, else those of the revision. */
export function useSourceNotes({ open }: DeskState, draft: SourceDraft): readonly SourceNote[] {
  return useMemo(
    () =>
      draft.changed
        ? draft.notes.map((note) => ({
            id: draftNoteId(note),
            from: note.start,
            to: note.end,
            weight: note.weight,
            sentence: note.sentence,
          }))
        : open.map(({ note }) => ({
            id: String(note.id),
            from: note.at.start,
            to: note.at.end,
            weight: note.weight,
            sentence: note.sentence,
          })),
    [draft.changed, draft.notes, open],
  );
}
