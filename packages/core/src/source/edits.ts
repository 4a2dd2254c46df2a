import { hashText } from './hash.ts';

/** Replace the UTF-16 units from `start` up to `end` by `text`. */
export interface Edit {
  start: number;
  end: number;
  text: string;
}

/** Edits that belong to one text: in order, never overlapping, applied all or none. */
export interface Change {
  /** Hash of the text the offsets speak of. */
  of: string;
  /** Length of that text. */
  length: number;
  edits: readonly Edit[];
}

/** What a change does to places: which stretches it replaces, and by how much text. A `Change` is one. */
export interface Moves {
  edits: readonly { start: number; end: number; text: { readonly length: number } }[];
}

export type ChangeFailure = 'overlap' | 'out-of-range' | 'other-text';
export type Outcome<T, F extends string = string> = { ok: true; value: T } | { ok: false; reason: F };

const failure = <F extends string>(reason: F) => ({ ok: false, reason }) as const;
const success = <T>(value: T) => ({ ok: true, value }) as const;

/**
 * Ties edits to a text. Edits may come in any order; insertions at one point keep the order given.
 * Fails with `overlap` or `out-of-range`; edits that change nothing are dropped.
 */
export function changeOf(text: string, edits: readonly Edit[]): Outcome<Change, ChangeFailure> {
  const sorted = edits
    .map((edit, order) => ({ edit, order }))
    .sort((a, b) => a.edit.start - b.edit.start || a.edit.end - b.edit.end || a.order - b.order)
    .map(({ edit }) => edit);
  let reached = 0;
  for (const { start, end } of sorted) {
    if (!Number.isInteger(start) || !Number.isInteger(end) || start > end || end > text.length || start < 0) return failure('out-of-range');
    if (start < reached) return failure('overlap');
    reached = end;
  }
  const real = sorted.filter((edit) => text.slice(edit.start, edit.end) !== edit.text);
  return success({ of: hashText(text), length: text.length, edits: real });
}

/** The text after the change; refuses any text but the one the change was made for. */
export function applyChange(text: string, change: Change): Outcome<string, ChangeFailure> {
  if (text.length !== change.length || hashText(text) !== change.of) return failure('other-text');
  return success(splice(text, change.edits));
}

/** A text after edits that do not overlap, in whatever order they come. For edits of unknown making see `changeOf`. */
export function applyEdits(text: string, edits: readonly Edit[]): string {
  return splice(
    text,
    [...edits].sort((a, b) => a.start - b.start),
  );
}

function splice(text: string, edits: readonly Edit[]): string {
  const parts: string[] = [];
  let reached = 0;
  for (const edit of edits) {
    parts.push(text.slice(reached, edit.start), edit.text);
    reached = edit.end;
  }
  parts.push(text.slice(reached));
  return parts.join('');
}

/** The change that takes the changed text back, byte for byte. `before` is the text the change belongs to. */
export function invertChange(before: string, change: Change): Change {
  let drift = 0;
  const edits = change.edits.map((edit) => {
    const start = edit.start + drift;
    drift += edit.text.length - (edit.end - edit.start);
    return { start, end: start + edit.text.length, text: before.slice(edit.start, edit.end) };
  });
  return { of: hashText(splice(before, change.edits)), length: before.length + drift, edits };
}

/**
 * Where an offset of the old text lies in the new one. `side` says which way an offset goes that sits at an
 * insertion: -1 stays before what was inserted, 1 goes after it. An offset inside replaced text has no place: null.
 */
export function mapOffset(change: Moves, offset: number, side: -1 | 1 = 1): number | null {
  let drift = 0;
  for (const edit of change.edits) {
    if (offset < edit.start || (offset === edit.start && side === -1)) break;
    if (offset < edit.end && offset > edit.start) return null;
    if (offset === edit.start && edit.end > edit.start) break;
    drift += edit.text.length - (edit.end - edit.start);
  }
  return offset + drift;
}

/**
 * Where what begins at an offset stands under a change: null when an edit replaces the place itself, so that the change does not say
 * what became of it. What is put in right before it goes before it.
 */
export function placeUnder(change: Moves, offset: number): number | null {
  let drift = 0;
  for (const edit of change.edits) {
    if (edit.start > offset) break;
    if (offset < edit.end) return null;
    drift += edit.text.length - (edit.end - edit.start);
  }
  return offset + drift;
}

/** The same edits on the text that `over` made, or null where the two touch the same units. */
export function mapChange(change: Change, over: Change, after: string): Change | null {
  const edits: Edit[] = [];
  for (const edit of change.edits) {
    const touched = over.edits.some((other) => edit.start < other.end && other.start < edit.end);
    const start = mapOffset(over, edit.start, 1);
    const end = mapOffset(over, edit.end, edit.start === edit.end ? 1 : -1);
    if (touched || start === null || end === null || end < start) return null;
    edits.push({ start, end, text: edit.text });
  }
  const mapped = changeOf(after, edits);
  return mapped.ok ? mapped.value : null;
}

/** One change that does what `first` and then `second` do. `before` is the text that `first` belongs to. */
export function composeChanges(before: string, first: Change, second: Change): Outcome<Change, ChangeFailure> {
  const middle = applyChange(before, first);
  if (!middle.ok) return middle;
  const after = applyChange(middle.value, second);
  if (!after.ok) return after;
  return changeOf(
    before,
    joinedRuns(first, second).map((run) => ({ start: run.start, end: run.end, text: after.value.slice(run.from, run.to) })),
  );
}

/** The edits that make `after` out of a text along known moves: what each put in is read from `after`. */
export function editsAlong(moves: Moves, after: string): Edit[] {
  let drift = 0;
  return moves.edits.map(({ start, end, text: { length } }) => {
    const from = start + drift;
    drift += length - (end - start);
    return { start, end, text: after.slice(from, from + length) };
  });
}

/** Where places go that `first` and then `second` move. */
export function composeMoves(first: Moves, second: Moves): Moves {
  return { edits: joinedRuns(first, second).map(({ start, end, from, to }) => ({ start, end, text: { length: to - from } })) };
}

/** Walks the middle text once and joins every run of units that either change touches: as a range of the old text, and of the newest. */
function joinedRuns(first: Moves, second: Moves): { start: number; end: number; from: number; to: number }[] {
  let drift = 0;
  const made = first.edits.map((edit) => {
    const start = edit.start + drift;
    drift += edit.text.length - (edit.end - edit.start);
    return { start, end: start + edit.text.length, length: edit.end - edit.start };
  });
  const joined: { start: number; end: number }[] = [];
  for (const { start, end } of [...made, ...second.edits].sort((a, b) => a.start - b.start || a.end - b.end)) {
    const last = joined.at(-1);
    if (last && start <= last.end) last.end = Math.max(last.end, end);
    else joined.push({ start, end });
  }
  const toBefore = driftMap(made);
  const toAfter = driftMap(second.edits.map((edit) => ({ start: edit.start, end: edit.end, length: edit.text.length })));
  return joined.map((run) => ({
    start: toBefore(run.start, false),
    end: toBefore(run.end, true),
    from: toAfter(run.start, false),
    to: toAfter(run.end, true),
  }));
}

/** Maps offsets over replaced ranges; an offset at a range's edge goes outward on the side asked for. */
function driftMap(ranges: readonly { start: number; end: number; length: number }[]) {
  const drifts = [0];
  for (const range of ranges) drifts.push(drifts.at(-1)! + range.length - (range.end - range.start));
  return (offset: number, past: boolean): number => {
    // Ranges that count come first: the place of the first that does not is looked for by halves.
    let [from, to] = [0, ranges.length];
    while (from < to) {
      const middle = (from + to) >> 1;
      const { start, end } = ranges[middle]!;
      if (end < offset || (end === offset && (past || start < offset))) from = middle + 1;
      else to = middle;
    }
    return offset + drifts[from]!;
  };
}

/** Units compared at once: a machine compares a stretch far quicker than one after the other. */
const STRIDE = 2_048;

/** The smallest single span that differs between two texts, after their common start and end; null when they are the same. */
export function spanBetween(before: string, after: string): Edit | null {
  if (before === after) return null;
  const limit = Math.min(before.length, after.length);
  let head = 0;
  while (head + STRIDE < limit && before.startsWith(after.slice(head, head + STRIDE), head)) head += STRIDE;
  while (head < limit && before.charCodeAt(head) === after.charCodeAt(head)) head++;
  let tail = 0;
  while (
    tail + STRIDE < limit - head &&
    before.endsWith(after.slice(after.length - tail - STRIDE, after.length - tail), before.length - tail)
  )
    tail += STRIDE;
  while (tail < limit - head && before.charCodeAt(before.length - 1 - tail) === after.charCodeAt(after.length - 1 - tail)) tail++;
  return { start: head, end: before.length - tail, text: after.slice(head, after.length - tail) };
}

/** The smallest single-span change between two texts. */
export function changeBetween(before: string, after: string): Change {
  const span = spanBetween(before, after);
  return { of: hashText(before), length: before.length, edits: span ? [span] : [] };
}
