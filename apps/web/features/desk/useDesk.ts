'use client';
import { useCallback, useMemo, useState } from 'react';
import type { Desk, Note, Problem } from '@inkwell/review';
import type { Arrangement, Inputs, RemedyName } from '@inkwell/core';
import { send, type Sent } from '@/ui/send';
import { counted } from '@/ui/words';
import { isOpen, passes, type NoteFilter } from './note/filter';
import type { DeskPlace, Face } from './place';

interface Acted {
  result: unknown;
  desk: Desk;
}

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
  filter: NoteFilter;
  face: Face;
  /** A place on the page that another face points to; taking up a note ends it. */
  pointed: string | null;
  busy: boolean;
  problem: Problem | null;
  /** What to tell those who listen. */
  said: string;
}

export interface DeskActions {
  choose(noteId: number): void;
  step(by: 1 | -1): void;
  setFace(face: Face): void;
  /** Shows a place of the page on the proof. */
  point(path: string): void;
  setFilter(filter: NoteFilter): void;
  mend(note: Note, remedy: string, inputs: Inputs): Promise<boolean>;
  /** Mends the same slip wherever it stands on the page, as one revision. */
  mendAlike(note: Note, remedy: RemedyName, inputs: Inputs): Promise<boolean>;
  mendCertain(): Promise<boolean>;
  arrange(arrangement: Arrangement): Promise<boolean>;
  rule(note: Note, answer: 'stands' | 'no problem' | 'not sure'): Promise<boolean>;
  takeBack(note: Note): Promise<boolean>;
  waive(note: Note, reason: string, until: string): Promise<boolean>;
  endWaiver(note: Note): Promise<boolean>;
  save(html: string, base: number): Promise<Sent<Acted>>;
  undo(): Promise<boolean>;
  redo(): Promise<boolean>;
  restore(revision: number): Promise<boolean>;
  signOff(): Promise<boolean>;
  lookAgain(): Promise<boolean>;
  dismiss(): void;
}

function numbered(desk: Desk, filter: NoteFilter): Numbered[] {
  return desk.notes.filter((note) => isOpen(note)).map((note, i) => ({ number: i + 1, note })).filter(({ note }) => passes(filter, note));
}

/** The page under review and everything that can be done to it. One action at a time; its answer is the page as it stands then. */
export function useDesk(initial: Desk, place: DeskPlace): [DeskState, DeskActions] {
  const [desk, setDesk] = useState(initial);
  const [chosen, setChosen] = useState(place.note);
  const [face, setFace] = useState(place.face);
  const [filter, setFilter] = useState(place.filter);
  const [pointed, setPointed] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [said, setSaid] = useState('');

  const open = useMemo(() => numbered(desk, filter), [desk, filter]);
  const settled = useMemo(() => desk.notes.filter((note) => !isOpen(note) && passes(filter, note)), [desk, filter]);
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

  const choose = useCallback((noteId: number | null) => {
    setChosen(noteId);
    setPointed(null);
  }, []);

  /** After a note is settled, the one that stood behind it comes to hand. */
  const goOn = (from: Note, done: string) => (now: Desk) => {
    const left = numbered(now, filter);
    const at = open.findIndex(({ note }) => note.id === from.id);
    const stillOpen = left.some(({ note }) => note.id === from.id);
    choose(stillOpen ? from.id : (left[Math.min(Math.max(at, 0), left.length - 1)]?.note.id ?? null));
    setSaid(stillOpen ? 'Done, and this note still stands.' : `${done}, ${left.length === 0 ? 'none left' : `${left.length} left`}.`);
  };
  /** A note that stays open and is not for this desk: the one behind it comes to hand. */
  const goPast = (from: Note, done: string) => (now: Desk) => {
    const left = numbered(now, filter);
    const at = left.findIndex(({ note }) => note.id === from.id);
    choose(left[(at + 1) % Math.max(1, left.length)]?.note.id ?? null);
    setSaid(`${done}, ${left.length} open.`);
  };
  const tell = (words: string) => (now: Desk) => setSaid(`${words} ${counted(numbered(now, filter).length, 'note')} open.`);
  const ok = async (sent: Promise<Sent<Acted>>) => (await sent).ok;
  const base = desk.revision.number;

  return [
    { desk, open, settled, inHand, filter, face, pointed, busy, problem, said },
    {
      choose,
      point(path) {
        setPointed(path);
        setFace('proof');
      },
      step(by) {
        const at = open.findIndex(({ note }) => note.id === inHand?.note.id);
        const next = open[(at + by + open.length) % Math.max(1, open.length)];
        if (next) choose(next.note.id);
      },
      setFace,
      setFilter,
      mend: (note, remedy, inputs) => ok(act('mend', { base, findingId: note.id, remedy, inputs }, goOn(note, 'Fixed'))),
      mendAlike: (note, remedy, inputs) => ok(act('mend-alike', { base, findingId: note.id, remedy, inputs }, goOn(note, 'All fixed'))),
      mendCertain: () => ok(act('mend-certain', { base }, tell('What was certain is mended.'))),
      arrange: (arrangement) => ok(act('arrange', { base, arrangement }, tell('Changed.'))),
      rule: (note, answer) => ok(act('rule', { base, findingId: note.id, answer }, answer === 'not sure' ? goPast(note, 'Kept for a specialist') : goOn(note, 'Ruled out'))),
      takeBack: (note) => ok(act('take-back', { findingId: note.id }, tell('The answer is taken back.'))),
      waive: (note, reason, until) => ok(act('waive', { base, findingId: note.id, reason, until }, goOn(note, 'Excepted'))),
      endWaiver: (note) => ok(act('end-waiver', { findingId: note.id }, tell('The exception is ended.'))),
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
