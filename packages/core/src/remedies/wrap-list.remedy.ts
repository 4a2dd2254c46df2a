import { strayRun } from '../semantics/strayItems.ts';
import { insertAt, NO_SOURCE } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

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
    const tag = element.tag === 'li' ? 'ul' : 'dl';
    let { end } = last.range;
    while (end > last.range.start && /\s/.test(page.source[end - 1]!)) end--;
    return planned(insertAt(first.start, `<${tag}>`), insertAt(end, `${last.endTag ? '' : `</${last.tag}>`}</${tag}>`));
  },
};
