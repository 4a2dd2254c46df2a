import { repairedLevels, type OutlineLine, type Scope } from '@inkwell/core';

/** Levels a person wants by path: 0 for a paragraph. What is not in it stays as it is. */
export type Wanted = ReadonlyMap<string, number>;

/** The level a line would have: null for one that is no heading and stays none. */
export function levelOf(line: OutlineLine, wanted: Wanted): number | null {
  const level = wanted.get(line.path) ?? line.level;
  return level === 0 ? null : level;
}

/**
 * One step deeper or less deep. A line that is no heading becomes one beside the heading before it; less deep than level 2 it stays none,
 * as it was or by taking the heading away.
 */
export function moved(lines: readonly OutlineLine[], wanted: Wanted, index: number, by: 1 | -1): Wanted {
  const line = lines[index]!;
  const level = levelOf(line, wanted);
  const before = lines
    .slice(0, index)
    .map((one) => levelOf(one, wanted))
    .findLast((one) => one !== null);
  const next = level === null ? (by === 1 ? Math.max(2, before ?? 2) : null) : level + by;
  if (next === null || next > 6 || (next < 1 && line.level !== null)) return wanted;
  return withLevel(wanted, line, next);
}

export function withLevel(wanted: Wanted, line: OutlineLine, level: number): Wanted {
  const next = new Map(wanted);
  if (level === (line.level ?? 0)) next.delete(line.path);
  else next.set(line.path, level);
  return next;
}

/** The least change that makes the outline sound, on top of what is wanted already. Lines that are no headings stay none. */
export function repaired(lines: readonly OutlineLine[], wanted: Wanted, scope: Scope): Wanted {
  const headings = lines.filter((line) => levelOf(line, wanted) !== null);
  const levels = repairedLevels(
    headings.map((line) => levelOf(line, wanted)!),
    scope,
  );
  return headings.reduce((next, line, i) => withLevel(next, line, levels[i]!), wanted);
}

/** By path, what is wrong with the place of a heading, in words; a fragment stands under its title, shown at level 1. */
export function troubles(lines: readonly OutlineLine[], wanted: Wanted, scope: Scope): Map<string, string> {
  const found = new Map<string, string>();
  let before = scope === 'fragment' ? 1 : null;
  for (const line of lines) {
    const level = levelOf(line, wanted);
    if (level === null) continue;
    if (before !== null && level > before + 1) found.set(line.path, `leaps from ${before} to ${level}`);
    else if (before === null && level > 2) found.set(line.path, `the first heading is at level ${level}`);
    else if (scope === 'fragment' && level === 1) found.set(line.path, 'level 1 is the title’s, which the platform shows');
    before = level;
  }
  return found;
}
