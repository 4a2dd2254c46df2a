import type { Scope } from '../document/page.ts';

/**
 * New levels for a run of headings. Each keeps the heading it is under and comes one level below it; headings under none go to the
 * first level the scope allows: 2 in a fragment, whose title is shown at level 1; in a document 1 once, else 2. Given that the
 * nesting stays, no relevelling changes fewer headings.
 */
export function repairedLevels(levels: readonly number[], scope: Scope): number[] {
  const open: { was: number; is: number }[] = [];
  let hasTitle = false;
  return levels.map((was, i) => {
    while (open.length > 0 && open[open.length - 1]!.was >= was) open.pop();
    const under = open[open.length - 1];
    let is = under ? Math.min(6, under.is + 1) : 2;
    if (!under && scope === 'document' && !hasTitle && (was === 1 || (i === 0 && was > 2 && !levels.includes(1)))) is = 1;
    hasTitle ||= is === 1;
    open.push({ was, is });
    return is;
  });
}
