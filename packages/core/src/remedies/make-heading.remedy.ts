import type { Edit } from '../source/edits.ts';
import { dressing } from '../semantics/looks.ts';
import { headingBefore } from '../semantics/outline.ts';
import { dropAttribute, NO_SOURCE, renameTag, unwrap } from './markup.ts';
import { decline, planned, type Remedy, type Target } from './types.ts';

/** Turns a line that looks like a heading into one, and takes off the dressing that made it look so. */
export const remedy: Remedy = {
  name: 'make-heading',
  label: 'Make it a heading',
  certain: false,
  fields: [
    {
      name: 'level',
      label: 'Level',
      kind: 'choice',
      options: [2, 3, 4, 5, 6].map((level) => ({ value: String(level), label: String(level) })),
    },
  ],
  propose: (target) => ({ level: String(fittingLevel(target)) }),
  plan({ page, element }, inputs) {
    const level = Number(inputs.level);
    if (!(level >= 2 && level <= 6)) return decline('Choose a level from 2 to 6.');
    const renamed = renameTag(page, element, `h${level}`);
    if (!renamed) return decline(NO_SOURCE);
    const style = dropAttribute(page, element, 'style');
    const edits: Edit[] = [...renamed, ...dressing(element).flatMap(unwrap)];
    return planned(...edits, ...(style ? [style] : []));
  },
};

/** Beside the lines made headings before it: the level of the last heading, or one below it when that heads a whole page part. */
function fittingLevel({ page, element }: Target): number {
  const before = headingBefore(page, element);
  if (!before) return 2;
  return Math.min(6, Math.max(2, before.level <= 2 ? before.level + 1 : before.level));
}
