import type { SpokenLine } from '@inkwell/core';
import type { Numbered } from '../useDesk';

/**
 * The notes of each line said, by its index. A note belongs to the line of its own element, else to the last line said of something
 * around it, else to the first said of something inside it; what is said nowhere comes back as `unsaid`.
 */
export function notesByLine(lines: readonly SpokenLine[], notes: readonly Numbered[]): { at: Map<number, Numbered[]>; unsaid: Numbered[] } {
  const first = new Map<string, number>();
  for (const [i, line] of lines.entries()) if (!first.has(line.path)) first.set(line.path, i);
  const at = new Map<number, Numbered[]>();
  const unsaid: Numbered[] = [];
  for (const one of notes) {
    const index = lineOf(one.note.at.path, first, lines);
    if (index === null) unsaid.push(one);
    else at.set(index, [...(at.get(index) ?? []), one]);
  }
  return { at, unsaid };
}

/** Around everything: what is only found there is said of no line in particular. */
const WHOLE = /^\/html\[1\](?:\/body\[1\]|\/head\[1\].*)?$/;

function lineOf(path: string, first: ReadonlyMap<string, number>, lines: readonly SpokenLine[]): number | null {
  if (WHOLE.test(path)) return null;
  const own = first.get(path);
  if (own !== undefined) return own;
  const inside = lines.findIndex((line) => line.path.startsWith(`${path}/`));
  if (inside >= 0) return inside;
  for (let up = path.slice(0, path.lastIndexOf('/')); up && !WHOLE.test(up); up = up.slice(0, up.lastIndexOf('/'))) {
    const around = first.get(up);
    if (around !== undefined) return around;
  }
  return null;
}
