import { strayRun } from '../semantics/strayItems.ts';
import { insertAt, NO_SOURCE, missingEnd } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';
import { elementsIn, elementParent, closestWithin, type ElementNode } from '../document/tree.ts';
import { isBlock } from '../semantics/blocks.ts';
import { headingLevel } from '../semantics/outline.ts';

const LISTS = new Set(['ul', 'ol', 'menu', 'dl']);

function elementsOf(item: ElementNode): ElementNode[] {
  return [...elementsIn(item)];
}

/** Puts loose items into a list of their own. */
export const remedy: Remedy = {
  name: 'wrap-list',
  label: 'Put them into a list',
  certain: true,
  fields: [],
  plan({ page, element }) {
    const run = strayRun(element);
    const first = run[0]!.range;
    const last = run.at(-1)!;
    if (!first || !last.range || !run.every((item) => item.startTag)) return decline(NO_SOURCE);
    const parent = elementParent(element)!;
    if (!isBlock(parent) || parent.tag === 'p' || closestWithin(element, 3, (up) => LISTS.has(up.tag)))
      return decline('The items stand inside other markup that has to go first; put them into a list in Source.');
    if (element.tag !== 'li' && (run[0]!.tag !== 'dt' || last.tag !== 'dd'))
      return decline('Terms and descriptions do not go together here; put them in order first.');
    if (run.some((item) => elementsOf(item).some((inner) => headingLevel(inner) !== null)))
      return decline('These items hold headings: they may be sections, and no list.');
    const tag = element.tag === 'li' ? 'ul' : 'dl';
    let { end } = last.range;
    while (end > last.range.start && /\s/.test(page.source[end - 1]!)) end--;
    return planned(insertAt(first.start, `<${tag}>`), insertAt(end, `${missingEnd(last)}</${tag}>`));
  },
};
