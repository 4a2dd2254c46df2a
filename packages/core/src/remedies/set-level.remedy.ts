import { headingLevel } from '../semantics/outline.ts';
import { NO_SOURCE, renameTag, setAttribute } from './markup.ts';
import { decline, planned, type Plan, type Remedy, type Target } from './types.ts';
import type { ElementNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';

const LEVELS = [1, 2, 3, 4, 5, 6];

/** Gives one heading another level. */
export const remedy: Remedy = {
  name: 'set-level',
  label: 'Set its level',
  certain: false,
  needs: ['level'],
  fields: ({ page }) => [
    {
      name: 'level',
      label: 'Level',
      kind: 'choice',
      options: LEVELS.filter((level) => level > 1 || page.scope === 'document').map((level) => ({
        value: String(level),
        label: String(level),
      })),
    },
  ],
  propose: (target) => ({ level: String(fittingLevel(target)) }),
  plan({ page, element }, inputs) {
    const level = Number(inputs.level);
    if (!LEVELS.includes(level)) return decline('Choose a level from 1 to 6.');
    return levelPlan(page, element, level);
  },
};

/** The level that fixes the finding: just below the heading it is under, or the top that the page allows. */
function fittingLevel({ page, element, finding }: Target): number {
  if (finding.rule === 'headings/leap') return Number(finding.values.from) + 1;
  if (finding.rule === 'headings/first-level') return page.scope === 'document' ? 1 : 2;
  return Math.min(6, Math.max(2, headingLevel(element) ?? 2));
}

/** Edits that give a heading element a level, by its tag or by aria-level. */
export function levelPlan(page: Page, element: ElementNode, level: number): Plan {
  if (!/^h[1-6]$/.test(element.tag) || element.attributes.some((attribute) => attribute.name === 'aria-level')) {
    const edit = setAttribute(element, 'aria-level', String(level));
    return edit ? planned(edit) : decline(NO_SOURCE);
  }
  const edits = renameTag(page, element, `h${level}`);
  return edits ? planned(edits) : decline(NO_SOURCE);
}
