import type { Edit } from '../source/edits.ts';
import { outline } from '../semantics/outline.ts';
import { repairedLevels } from './repairedLevels.ts';
import { levelPlan } from './set-level.remedy.ts';
import { decline, planned, type Remedy } from './types.ts';
import { append } from '../source/lists.ts';

/** Relevels the whole outline: order and nesting stay, no level leaps, the first level is right, level 1 stands once. */
export const remedy: Remedy = {
  name: 'repair-outline',
  label: 'Repair the outline',
  certain: false,
  fields: [],
  plan({ page }) {
    const headings = outline(page);
    const levels = repairedLevels(
      headings.map((heading) => heading.level),
      page.scope,
    );
    const edits: Edit[] = [];
    for (const [i, heading] of headings.entries()) {
      if (levels[i] === heading.level) continue;
      const plan = levelPlan(page, heading.element, levels[i]!);
      if (!plan.ok) return plan;
      append(edits, plan.value);
    }
    return edits.length > 0 ? planned(edits) : decline('The outline is sound already.');
  },
};
