import { lookup } from '@inkwell/core';
import type { DeskActions, DeskState } from './useDesk';
import type { Permissions } from './StandingLine';
import { isToJudge } from './note/filter';
import type { Shortcut } from './useShortcuts';
import { isSigned } from '@/ui/Verdict';

/** The form of the fix in hand, as it stands on the screen. */
export const fixForm = () => document.querySelector<HTMLFormElement>('section[aria-labelledby="note-heading"] form');

/** What is typed into comes before what is chosen. */
function focusField(): void {
  const form = fixForm();
  const typed = form?.querySelector<HTMLElement>('input:not([type="radio"]):not([type="checkbox"]), textarea');
  (typed ?? form?.querySelector<HTMLElement>('input:checked, input'))?.focus();
}

/** Presses a button that opens a sheet, where there is one and it can be pressed. */
function press(act: 'alike' | 'certain' | 'exception'): void {
  document.querySelector<HTMLButtonElement>(`button[data-act="${act}"]:not(:disabled)`)?.click();
}

/** Leads to the button of what decides: no single key does that by itself, wherever the focus is. */
function focusOn(act: 'sign-off' | 'theme'): void {
  document.querySelector<HTMLButtonElement>(`button[data-act="${act}"]:not(:disabled)`)?.focus();
}

/** What some notes offer and others do not, by its usual key; what is always there has its own line on the sheet of keys. */
const OF_NOTES = {
  a: 'Apply the fix, go to next',
  f: 'First field of the fix',
  l: 'All like this',
  c: 'Fix what is certain',
  y: 'Answer yes',
  x: 'Answer no',
  z: 'Answer not sure',
  k: 'Next note of the same kind',
  e: 'Let it stand for a time',
  h: 'To “For the theme or host”',
  g: 'To “Sign off”',
} as const;

/** Usual keys of what is not always there: other notes have them, or pages with others beside them. */
export const KEYS_OF_NOTES: readonly string[] = [...Object.keys(OF_NOTES), '[', ']', 'o'];

/** What the note in hand does not offer and others do, for whoever may: its keys can be changed all the same. */
export function keysElsewhere(shortcuts: readonly Shortcut[], can: Permissions): Shortcut[] {
  const allowed: Readonly<Record<string, boolean>> = {
    ...Object.fromEntries([...'aflc'].map((key) => [key, can.change])),
    ...Object.fromEntries([...'yxzh'].map((key) => [key, can.rule])),
    k: true,
    e: can.letStand,
    g: can.signOff,
  };
  return Object.entries(OF_NOTES)
    .filter(([key]) => lookup(allowed, key) && !shortcuts.some((one) => one.key === key))
    .map(([key, does]) => ({ key, does, run: () => undefined }));
}

/** What is done to the note in hand by a single key: the fix, its field, an answer, and what is done less often. */
export function keysOfNote(state: DeskState, actions: DeskActions, can: Permissions): Shortcut[] {
  const note = state.inHand?.note;
  if (!note) return signKey(state, can);
  const answers = isToJudge(note) && can.rule;
  const fix: Shortcut[] = can.change
    ? [
        { key: 'a', does: OF_NOTES.a, run: () => fixForm()?.requestSubmit() },
        { key: 'f', does: OF_NOTES.f, run: focusField },
        { key: 'l', does: OF_NOTES.l, run: () => press('alike') },
        { key: 'c', does: OF_NOTES.c, run: () => press('certain') },
      ]
    : [];
  const answer: Shortcut[] = answers
    ? [
        { key: 'y', does: OF_NOTES.y, run: () => void actions.rule(note, 'stands') },
        { key: 'x', does: OF_NOTES.x, run: () => void actions.rule(note, 'no problem') },
        { key: 'z', does: OF_NOTES.z, run: () => void actions.rule(note, 'not sure') },
      ]
    : [];
  const aside: Shortcut[] = [
    { key: 'k', does: OF_NOTES.k, run: () => nextAlike(state, actions) },
    ...(can.letStand ? [{ key: 'e', does: OF_NOTES.e, run: () => press('exception') }] : []),
    ...(can.rule ? [{ key: 'h', does: OF_NOTES.h, run: () => focusOn('theme') }] : []),
  ];
  return [...fix, ...answer, ...aside, ...signKey(state, can)];
}

function signKey({ desk: { verdict, release } }: DeskState, can: Permissions): Shortcut[] {
  const may = can.signOff && verdict === 'ready' && !isSigned(release);
  return may ? [{ key: 'g', does: OF_NOTES.g, run: () => focusOn('sign-off') }] : [];
}

/** The next open note of the same rule, round the page. */
function nextAlike({ open, inHand }: DeskState, actions: DeskActions): void {
  const at = open.findIndex(({ note }) => note.id === inHand?.note.id);
  const rest = [...open.slice(at + 1), ...open.slice(0, at)];
  const next = rest.find(({ note }) => note.rule === inHand?.note.rule);
  if (next) actions.choose(next.note.id);
}
