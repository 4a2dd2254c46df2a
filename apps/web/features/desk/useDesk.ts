'use client';
import { useCallback, useMemo, useState } from 'react';
import type { Desk, Note, Problem } from '@inkwell/review';
import type { Arrangement, Inputs, RemedyName, Scope, StepId } from '@inkwell/core';
import type { Sent } from '@/ui/send';
import { counted } from '@/ui/words';
import { isKeyOf } from './engine/pageText';
import type { FindingKey } from './engine/protocol';
import { isOpen, passes, type NoteFilter } from './note/filter';
import type { DeskPlace, Face } from './place';
import { useActs, type Acted, type OnTopOf } from './useActs';

/**
 * A note with its number in the margin. Open notes are numbered in document order when the page is opened; whoever works through them finds
 * each under its number until they leave, and what comes to light meanwhile has the next ones.
 */
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
  /** What others made of the page since it was seen here, and the last act went on top of. */
  besides: OnTopOf | null;
  /** How often somebody took up a note: whoever does is led to it. */
  taken: number;
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
  fix(note: Note, remedy: RemedyName, inputs: Inputs): Promise<boolean>;
  /** Fixes of one thing, filled in together, as one revision; `note` is the one in hand. */
  fixTogether(note: Note, parts: readonly { note: Note; remedy: RemedyName; inputs: Inputs }[]): Promise<boolean>;
  /** Fixes the same slip wherever it stands on the page, as one revision. */
  fixAlike(note: Note, remedy: RemedyName, inputs: Inputs, without: readonly FindingKey[]): Promise<boolean>;
  fixCertain(without: readonly FindingKey[]): Promise<boolean>;
  arrange(arrangement: Arrangement): Promise<boolean>;
  rule(note: Note, answer: 'stands' | 'no problem' | 'not sure'): Promise<boolean>;
  takeBack(note: Note): Promise<boolean>;
  letStand(note: Note, reason: string, until: string): Promise<boolean>;
  endException(note: Note): Promise<boolean>;
  /** Only the theme or the host can fix it, or the page can after all. */
  setElsewhere(note: Note, elsewhere: boolean): Promise<boolean>;
  /** `began`: the page as it was when one began to write. */
  save(html: string, began: { version: number; revision: number }): Promise<Sent<Acted>>;
  undo(): Promise<boolean>;
  redo(): Promise<boolean>;
  restore(revision: number): Promise<boolean>;
  signOff(): Promise<boolean>;
  /** What the page is called, what sort it is, and where it stands. */
  changePage(change: { title?: string; contentType?: string; scope?: Scope; behind?: string | null }): Promise<boolean>;
  /** Lets it lie elsewhere in its collection. */
  movePage(address: string): Promise<boolean>;
  /** Puts a newer file in its place, as base64. */
  replacePage(bytes: string): Promise<boolean>;
  lookAgain(): Promise<boolean>;
  /** Marks a step of the walk as looked at on this revision, or not. */
  lookAt(step: StepId, looked: boolean): Promise<boolean>;
  /** Waits no longer for the answer: what was asked for may be done all the same. */
  leaveOff(): void;
  /** Asks once more for what the server could not do. */
  tryAgain(): Promise<boolean>;
  dismiss(): void;
}

/** Numbers that were given, by the note. */
type Numbers = Map<number, number>;

function numbered(desk: Desk, filter: NoteFilter, numbers: Numbers): Numbered[] {
  return desk.notes
    .filter((note) => isOpen(note))
    .map((note) => {
      if (!numbers.has(note.id)) numbers.set(note.id, numbers.size + 1);
      return { number: numbers.get(note.id)!, note };
    })
    .filter(({ note }) => passes(filter, note));
}

/** Which note is in hand, and which place another face points to instead. */
function useInHand(place: DeskPlace) {
  const [chosen, setChosen] = useState(place.note);
  const [pointed, setPointed] = useState<string | null>(null);
  const [taken, setTaken] = useState(0);
  const choose = useCallback((noteId: number | null) => {
    setChosen(noteId);
    setPointed(null);
  }, []);
  /** By a person, not by what was done to another note. */
  const takeUp = useCallback(
    (noteId: number) => {
      choose(noteId);
      setTaken((many) => many + 1);
    },
    [choose],
  );
  return { chosen, pointed, taken, setPointed, choose, takeUp };
}

/** What is told to those who listen. The same words once more are another text: else nobody would hear them. */
function useSaid(): [string, (words: string) => void] {
  const [said, setSaid] = useState('');
  return [said, useCallback((words: string) => setSaid((was) => (was === words ? `${words}\u00a0` : words)), [])];
}

/** Where the house wants two signatures. */
const ONE_MORE = 'Signed. Somebody else signs it too before it is signed off.';

/** The page under review and everything that can be done to it. One action at a time; its answer is the page as it stands then. */
export function useDesk(initial: Desk, place: DeskPlace): [DeskState, DeskActions] {
  const { desk, busy, problem, besides, act, leaveOff, tryAgain, dismiss } = useActs(initial);
  const { chosen, pointed, taken, setPointed, choose, takeUp } = useInHand(place);
  const [face, setFace] = useState(place.face);
  const [filter, setFilter] = useState(place.filter);
  const [said, say] = useSaid();

  const [numbers] = useState<Numbers>(() => new Map());
  const open = useMemo(() => numbered(desk, filter, numbers), [desk, filter, numbers]);
  const settled = useMemo(() => desk.notes.filter((note) => !isOpen(note) && passes(filter, note)), [desk, filter]);
  const inHand = open.find(({ note }) => note.id === chosen) ?? open[0] ?? null;

  /** After a note is settled, the one that stood behind it comes to hand. */
  const goOn = (from: Note, done: string) => (now: Desk) => {
    const left = numbered(now, filter, numbers);
    const at = open.findIndex(({ note }) => note.id === from.id);
    const stillOpen = left.some(({ note }) => note.id === from.id);
    choose(stillOpen ? from.id : (left[Math.min(Math.max(at, 0), left.length - 1)]?.note.id ?? null));
    say(stillOpen ? 'Done, and this note still stands.' : `${done}, ${left.length === 0 ? 'none left' : `${left.length} left`}.`);
  };
  /** A note that stays open and is not for this desk: the one behind it comes to hand. */
  const goPast = (from: Note, done: string) => (now: Desk) => {
    const left = numbered(now, filter, numbers);
    const at = left.findIndex(({ note }) => note.id === from.id);
    choose(left[(at + 1) % Math.max(1, left.length)]?.note.id ?? null);
    say(`${done}, ${left.length} open.`);
  };
  /** Upheld with nothing to fix it by, a question is done here, as one for a specialist is. */
  const afterRuling = (note: Note, answer: 'stands' | 'no problem' | 'not sure') => {
    if (answer === 'not sure') return goPast(note, 'Kept for a specialist');
    return answer === 'stands' && note.remedies.length === 0 ? goPast(note, 'To be done elsewhere') : goOn(note, 'Ruled out');
  };
  const tell = (words: string) => (now: Desk) => say(`${words} ${counted(numbered(now, filter, numbers).length, 'note')} open.`);
  const ok = async (sent: Promise<Sent<Acted>>) => (await sent).ok;
  const based =
    (more: object) =>
    ({ version }: Desk) => ({ version, ...more });
  /** What may go on top of what others change meanwhile tells where it began. */
  const onTop =
    (more: object) =>
    ({ version, revision }: Desk) => ({ version, revision: revision.number, ...more });
  /** Many at once, but for those that were unticked. */
  const leaving = (keys: readonly FindingKey[], more: object = {}) => {
    const without = desk.notes.filter((note) => keys.some((key) => isKeyOf(key, note))).map(({ id }) => id);
    return based({ ...more, ...(without.length > 0 ? { without } : {}) });
  };

  return [
    { desk, open, settled, inHand, filter, face, pointed, busy, problem, besides, said, taken },
    {
      choose: takeUp,
      point(path) {
        setPointed(path);
        setFace('proof');
      },
      step(by) {
        const at = open.findIndex(({ note }) => note.id === inHand?.note.id);
        const next = open[(at + by + open.length) % Math.max(1, open.length)];
        if (next) takeUp(next.note.id);
      },
      setFace,
      setFilter(next) {
        setFilter(next);
        say(`${counted(numbered(desk, next, numbers).length, 'note')} shown.`);
      },
      fix: (note, remedy, inputs) => ok(act('fix', onTop({ findingId: note.id, remedy, inputs }), goOn(note, 'Fixed'))),
      fixTogether: (note, parts) =>
        ok(
          act(
            'fix-together',
            onTop({ parts: parts.map((part) => ({ findingId: part.note.id, remedy: part.remedy, inputs: part.inputs })) }),
            goOn(note, `${parts.length} fixed`),
          ),
        ),
      fixAlike: (note, remedy, inputs, without) =>
        ok(act('fix-alike', leaving(without, { findingId: note.id, remedy, inputs }), goOn(note, 'All fixed'))),
      fixCertain: (without) => ok(act('fix-certain', leaving(without), tell('What was certain is fixed.'))),
      arrange: (arrangement) => ok(act('arrange', based({ arrangement }), tell('Changed.'))),
      rule: (note, answer) => ok(act('rule', based({ findingId: note.id, answer }), afterRuling(note, answer))),
      takeBack: (note) => ok(act('take-back', based({ findingId: note.id }), tell('The answer is taken back.'))),
      letStand: (note, reason, until) => ok(act('let-stand', based({ findingId: note.id, reason, until }), goOn(note, 'Excepted'))),
      endException: (note) => ok(act('end-exception', based({ findingId: note.id }), tell('The exception is ended.'))),
      setElsewhere: (note, elsewhere) =>
        ok(
          act(
            'elsewhere',
            based({ findingId: note.id, elsewhere }),
            elsewhere ? goOn(note, 'Told apart, for the theme or the host') : tell('The page’s own again.'),
          ),
        ),
      save: (html, began) => act('source', () => ({ ...began, html }), tell('Saved.')),
      undo: () => ok(act('undo', based({}), tell('Undone.'))),
      redo: () => ok(act('redo', based({}), tell('Done again.'))),
      restore: (revision) => ok(act('restore', based({ revision }), tell(`Revision ${revision} is restored.`))),
      signOff: () =>
        ok(act('sign-off', based({}), ({ release }) => say(release === 'draft' || release === 'lapsed' ? ONE_MORE : 'Signed off.'))),
      lookAt: (step, looked) =>
        ok(act('look-at', based({ step, looked }), () => say(looked ? 'Marked as looked at.' : 'No longer marked as looked at.'))),
      changePage: (change) => ok(act('change', based(change), tell('Changed.'))),
      movePage: (address) => ok(act('move', based({ address }), tell('Moved.'))),
      replacePage: (bytes) => ok(act('replace', based({ bytes }), tell('Replaced.'))),
      lookAgain: () => ok(act('look', () => ({}), tell('This is the newest revision.'))),
      leaveOff,
      tryAgain,
      dismiss,
    },
  ];
}
