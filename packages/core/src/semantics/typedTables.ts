import { rawText } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { isInside, IN } from './inside.ts';
import type { Passage } from './passages.ts';

export interface TypedTable {
  rows: readonly (readonly string[])[];
  columns: number;
}

/** Fewer lines than this are no table. */
const FEWEST = 3;
const GAP = /(?:[ \u00a0]{2,}|\t+[ \u00a0]*)/;

/**
 * Reads a passage as a table whose columns are held apart by runs of spaces or tabs; null when it is none. In preformatted text the
 * columns have to begin at the same place in every line.
 */
export function typedTableIn(page: Page, passage: Passage): TypedTable | null {
  if (passage.kept)
    return isInside(page, passage.block, IN.code) && passage.texts.some((text) => text.parent !== passage.block)
      ? null
      : fromKept(rawText(passage.block));
  return passage.breaks.length >= FEWEST - 1 ? fromBroken(passage) : null;
}

function fromKept(text: string): TypedTable | null {
  const lines = text.split(/\r?\n/).filter((line) => line.trim() !== '');
  if (lines.length < FEWEST || /[{};=()<>$#]|=>|\\/.test(text)) return null;
  const starts = lines.map(startsOf);
  const first = starts[0]!;
  if (first.length < 2 || !starts.every((one) => one.length === first.length && one.every((at, i) => Math.abs(at - first[i]!) <= 1)))
    return null;
  return shaped(lines.map((line) => line.trim().split(GAP)));
}

/** Where each column of a line begins. */
function startsOf(line: string): number[] {
  const starts: number[] = [];
  const cell = /\S+(?: \S+)*/g;
  for (let found = cell.exec(line); found; found = cell.exec(line)) starts.push(found.index);
  return starts;
}

/** Lines broken by `br`, whose raw text keeps its no-break spaces. */
function fromBroken(passage: Passage): TypedTable | null {
  const lines: string[] = [];
  let line = '';
  for (const node of [...passage.texts, ...passage.breaks].sort((a, b) => (a.range?.start ?? 0) - (b.range?.start ?? 0))) {
    if (node.kind === 'text') line += node.text.replace(/[\r\n]+/g, ' ');
    else {
      lines.push(line);
      line = '';
    }
  }
  lines.push(line);
  const rows = lines.filter((one) => one.trim() !== '').map((one) => one.trim().split(/(?:[ ]*\u00a0[ \u00a0]+|\u00a0{2,}|\t+)/));
  return rows.length >= FEWEST ? shaped(rows) : null;
}

function shaped(rows: string[][]): TypedTable | null {
  const columns = rows[0]!.length;
  // A name and a colon in each line is what a program prints of one thing.
  if (columns === 2 && rows.every((row) => row[0]!.trim().endsWith(':'))) return null;
  return columns >= 2 && rows.every((row) => row.length === columns && row.every((cell) => cell.trim() !== ''))
    ? { rows: rows.map((row) => row.map((cell) => cell.trim())), columns }
    : null;
}
