import type { Desk, Note } from '@inkwell/review';
import type { FindingKey, PageText } from './protocol';

/** A page as the engine's worker takes it; `source` in place of what is saved. */
export function pageTextOf(desk: Desk, source = desk.html): PageText {
  return { source, scope: desk.scope, title: desk.title, address: desk.address, neighbours: desk.neighbours };
}

export function keyOf({ rule, at }: Note): FindingKey {
  return { rule, path: at.path, start: at.start };
}

/** Whether a key names a note. */
export function isKeyOf({ rule, path, start }: FindingKey, note: Note): boolean {
  return note.rule === rule && note.at.path === path && note.at.start === start;
}
