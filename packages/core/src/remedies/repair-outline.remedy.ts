import type { Edit } from '../source/edits.ts';
import type { Scope } from '../document/page.ts';
import { outline } from '../semantics/outline.ts';
import { levelPlan } from './set-level.remedy.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Relevels the whole outline: order and nesting stay, no level leaps, the first level is right, level 1 stands once. */
export const remedy: Remedy = {
  name: 'repair-outline',
  label: 'Repair the outline',
  certain: false,
  fields: [],
  plan({ page }) {
    const headings = outline(page);
    const levels = repairedLevels(headings.map((heading) => heading.level), page.scope);
    const edits: Edit[] = [];
    for (const [i, heading] of headings.entries()) {
      if (levels[i] === heading.level) continue;
      const plan = levelPlan(page, heading.element, levels[i]!);
      if (!plan.ok) return plan;
      edits.push(...plan.value);
    }
    return edits.length > 0 ? planned(...edits) : decline('The outline is sound already.');
  },
};

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
