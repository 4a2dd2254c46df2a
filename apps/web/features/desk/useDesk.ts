'use client';
import { useCallback, useMemo, useState } from 'react';
import type { Desk, Note, Problem } from '@inkwell/review';
import type { Family, Inputs } from '@inkwell/core';
import { send, type Sent } from '@/ui/send';
import { counted } from '@/ui/words';

export type Face = 'proof' | 'source' | 'changes';

interface Acted {
  result: unknown;
  desk: Desk;
}

const OPEN = new Set(['open', 'in hand', 'returned']);

/** A note with its number in the margin: open notes are numbered in document order. */
export interface Numbered {
  number: number;
  note: Note;
}

export interface DeskState {
  desk: Desk;
  open: Numbered[];
  settled: Note[];
  inHand: Numbered | null;
  family: Family | null;
  face: Face;
  busy: boolean;
  problem: Problem | null;
  /** What to tell those who listen. */
  said: string;
}

export interface DeskActions {
  choose(noteId: number): void;
  step(by: 1 | -1): void;
  setFace(face: Face): void;
  setFamily(family: Family | null): void;
  mend(note: Note, remedy: string, inputs: Inputs): Promise<boolean>;
  rule(note: Note, answer: 'stands' | 'no problem'): Promise<boolean>;
  takeBack(note: Note): Promise<boolean>;
  save(html: string, base: number): Promise<Sent<Acted>>;
  undo(): Promise<boolean>;
  redo(): Promise<boolean>;
  restore(revision: number): Promise<boolean>;
  signOff(): Promise<boolean>;
  lookAgain(): Promise<boolean>;
  dismiss(): void;
}

export interface InitialPlace {
  note: number | null;
  face: Face;
  family: Family | null;
}

function numbered(desk: Desk, family: Family | null): Numbered[] {
  const open = desk.notes.filter((note) => OPEN.has(note.standing)).map((note, i) => ({ number: i + 1, note }));
  return family ? open.filter(({ note }) => note.family === family) : open;
}

/** The page under review and everything that can be done to it. One action at a time; its answer is the page as it stands then. */
export function useDesk(initial: Desk, place: InitialPlace): [DeskState, DeskActions] {
  const [desk, setDesk] = useState(initial);
  const [chosen, setChosen] = useState(place.note);
  const [face, setFace] = useState(place.face);
  const [family, setFamily] = useState(place.family);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [said, setSaid] = useState('');

  const open = useMemo(() => numbered(desk, family), [desk, family]);
  const settled = useMemo(() => desk.notes.filter((note) => !OPEN.has(note.standing)), [desk]);
  const inHand = open.find(({ note }) => note.id === chosen) ?? open[0] ?? null;

  const act = useCallback(async (name: string, body: unknown, after: (now: Desk) => void): Promise<Sent<Acted>> => {
    setBusy(true);
    const sent = await send<Acted>(`/api/pages/${desk.pageId}/${name}`, body);
    setBusy(false);
    if (sent.ok) {
      setProblem(null);
      setDesk(sent.value.desk);
      after(sent.value.desk);
    } else setProblem(sent.problem);
    return sent;
  }, [desk.pageId]);

  /** After a note is settled, the one that stood behind it comes to hand. */
  const goOn = (from: Note, done: string) => (now: Desk) => {
    const left = numbered(now, family);
    const at = open.findIndex(({ note }) => note.id === from.id);
    const stillOpen = left.some(({ note }) => note.id === from.id);
    setChosen(stillOpen ? from.id : (left[Math.min(Math.max(at, 0), left.length - 1)]?.note.id ?? null));
    setSaid(stillOpen ? 'Done, and this note still stands.' : `${done}, ${left.length === 0 ? 'none left' : `${left.length} left`}.`);
  };
  const tell = (words: string) => (now: Desk) => setSaid(`${words} ${counted(numbered(now, family).length, 'note')} open.`);
  const ok = async (sent: Promise<Sent<Acted>>) => (await sent).ok;
  const base = desk.revision.number;

  return [
    { desk, open, settled, inHand, family, face, busy, problem, said },
    {
      choose: setChosen,
      step(by) {
        const at = open.findIndex(({ note }) => note.id === inHand?.note.id);
        const next = open[(at + by + open.length) % Math.max(1, open.length)];
        if (next) setChosen(next.note.id);
      },
      setFace,
      setFamily,
      mend: (note, remedy, inputs) => ok(act('mend', { base, findingId: note.id, remedy, inputs }, goOn(note, 'Fixed'))),
      rule: (note, answer) => ok(act('rule', { base, findingId: note.id, answer }, goOn(note, 'Ruled out'))),
      takeBack: (note) => ok(act('take-back', { findingId: note.id }, tell('The answer is taken back.'))),
      save: (html, from) => act('source', { base: from, html }, tell('Saved.')),
      undo: () => ok(act('undo', { base }, tell('Undone.'))),
      redo: () => ok(act('redo', { base }, tell('Done again.'))),
      restore: (revision) => ok(act('restore', { base, revision }, tell(`Revision ${revision} is restored.`))),
      signOff: () => ok(act('sign-off', { base }, () => setSaid('Signed off.'))),
      lookAgain: () => ok(act('look', {}, tell('This is the newest revision.'))),
      dismiss: () => setProblem(null),
    },
  ];
}
