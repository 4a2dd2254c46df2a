import type { DeskActions, DeskState } from './useDesk';
import type { Permissions } from './StandingLine';
import { isToJudge } from './note/filter';
import type { Shortcut } from './useShortcuts';

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

/** Usual keys of what some notes offer and others do not; what is always there has its keys on the sheet. */
export const KEYS_OF_NOTES = ['a', 'f', 'l', 'c', 'y', 'x', 'z', 'k', 'e', 'h', 'g', '[', ']'] as const;

/** What is done to the note in hand by a single key: the fix, its field, an answer, and what is done less often. */
export function keysOfNote(state: DeskState, actions: DeskActions, can: Permissions): Shortcut[] {
  const note = state.inHand?.note;
  if (!note) return signKey(state, actions, can);
  const answers = isToJudge(note) && can.rule;
  const fix: Shortcut[] = can.change
    ? [
        { key: 'a', does: 'Apply the fix, go to next', run: () => fixForm()?.requestSubmit() },
        { key: 'f', does: 'First field of the fix', run: focusField },
        { key: 'l', does: 'All like this', run: () => press('alike') },
        { key: 'c', does: 'Fix what is certain', run: () => press('certain') },
      ]
    : [];
  const answer: Shortcut[] = answers
    ? [
        { key: 'y', does: 'Answer yes', run: () => void actions.rule(note, 'stands') },
        { key: 'x', does: 'Answer no', run: () => void actions.rule(note, 'no problem') },
        { key: 'z', does: 'Answer not sure', run: () => void actions.rule(note, 'not sure') },
      ]
    : [];
  const aside: Shortcut[] = [
    { key: 'k', does: 'Next note of the same kind', run: () => nextAlike(state, actions) },
    ...(can.letStand ? [{ key: 'e', does: 'Let it stand for a time', run: () => press('exception') }] : []),
    ...(can.rule ? [{ key: 'h', does: 'For the theme or host', run: () => void actions.setElsewhere(note, true) }] : []),
  ];
  return [...fix, ...answer, ...aside, ...signKey(state, actions, can)];
}

function signKey({ desk: { verdict, release } }: DeskState, actions: DeskActions, can: Permissions): Shortcut[] {
  const may = can.signOff && verdict === 'ready' && release !== 'signed off';
  return may ? [{ key: 'g', does: 'Sign this revision off', run: () => void actions.signOff() }] : [];
}

/** The next open note of the same rule, round the page. */
function nextAlike({ open, inHand }: DeskState, actions: DeskActions): void {
  const at = open.findIndex(({ note }) => note.id === inHand?.note.id);
  const rest = [...open.slice(at + 1), ...open.slice(0, at)];
  const next = rest.find(({ note }) => note.rule === inHand?.note.rule);
  if (next) actions.choose(next.note.id);
}
