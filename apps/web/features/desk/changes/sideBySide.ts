import { diffLines, diffWordsWithSpace } from 'diff';

export interface Piece {
  text: string;
  /** Only on this side. */
  marked: boolean;
}

export interface SideLine {
  number: number;
  pieces: Piece[];
}

/** A line of both texts beside each other, one of them null where the other has none; or a run of equal lines that is folded away. */
export type DiffRow = { left: SideLine | null; right: SideLine | null } | { folded: number };

/** Equal lines kept around a difference. */
const AROUND = 2;
/** Longest pair of lines whose words are told apart, in characters. */
const LONGEST = 4_000;

/** Lays two texts side by side: equal lines beside each other, changed ones with their changed words marked, long equal runs folded. */
export function sideBySide(from: string, to: string): DiffRow[] {
  const rows: DiffRow[] = [];
  let [left, right] = [0, 0];
  const parts = diffLines(from, to);
  for (const [i, part] of parts.entries()) {
    const lines = linesOf(part.value);
    if (part.removed) {
      const next = parts[i + 1];
      const others = next?.added ? linesOf(next.value) : [];
      for (let at = 0; at < Math.max(lines.length, others.length); at++)
        rows.push(changedRow(lines[at], others[at], left + at + 1, right + at + 1));
      left += lines.length;
      right += others.length;
    } else if (part.added) {
      if (parts[i - 1]?.removed) continue;
      for (const text of lines) rows.push(changedRow(undefined, text, left + 1, ++right));
    } else {
      rows.push(...equalRows(lines, left, right, i === 0, i === parts.length - 1));
      left += lines.length;
      right += lines.length;
    }
  }
  return rows;
}

function linesOf(text: string): string[] {
  const lines = text.split('\n');
  if (lines.at(-1) === '') lines.pop();
  return lines;
}

function changedRow(from: string | undefined, to: string | undefined, left: number, right: number): DiffRow {
  if (from === undefined || to === undefined || from.length + to.length > LONGEST) {
    const whole = (text: string | undefined, number: number) => (text === undefined ? null : { number, pieces: [{ text, marked: true }] });
    return { left: whole(from, left), right: whole(to, right) };
  }
  const words = diffWordsWithSpace(from, to);
  return {
    left: {
      number: left,
      pieces: words.filter((word) => !word.added).map((word) => ({ text: word.value, marked: Boolean(word.removed) })),
    },
    right: {
      number: right,
      pieces: words.filter((word) => !word.removed).map((word) => ({ text: word.value, marked: Boolean(word.added) })),
    },
  };
}

function equalRows(lines: readonly string[], left: number, right: number, first: boolean, last: boolean): DiffRow[] {
  const row = (at: number): DiffRow => ({
    left: { number: left + at + 1, pieces: [{ text: lines[at]!, marked: false }] },
    right: { number: right + at + 1, pieces: [{ text: lines[at]!, marked: false }] },
  });
  const head = first ? 0 : AROUND;
  const tail = last ? 0 : AROUND;
  if (lines.length <= head + tail + 1) return lines.map((_, at) => row(at));
  const folded = lines.length - head - tail;
  return [
    ...Array.from({ length: head }, (_, at) => row(at)),
    { folded },
    ...Array.from({ length: tail }, (_, at) => row(lines.length - tail + at)),
  ];
}
