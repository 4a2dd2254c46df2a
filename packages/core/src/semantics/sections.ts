import { fact, type Page } from '../document/page.ts';
import { tagged } from '../document/tagged.ts';
import { FURNITURE, IN, isInside } from './inside.ts';
import { outline, type Heading } from './outline.ts';
import { passages, type Passage } from './passages.ts';
import { isExposed } from './visibility.ts';

/** What stands between a heading and the next heading of any level. */
export interface Section {
  /** Null for what comes before the first heading. */
  heading: Heading | null;
  passages: Passage[];
  /** Images, players, tables, fields and the like. */
  things: number;
  /** Of its running text: tables, fields and pairs of terms are looked up, not read through. */
  words: number;
}

const LOOKED_UP = new Set(['dt', 'dd', 'td', 'th', 'caption']);
const THINGS = new Set([
  'img',
  'video',
  'audio',
  'iframe',
  'object',
  'embed',
  'svg',
  'canvas',
  'input',
  'select',
  'textarea',
  'math',
  'hr',
  'table',
  'button',
  'details',
  'progress',
  'meter',
  'output',
  'picture',
  'frame',
]);

/** The page cut at its headings, in document order. */
export const sections = fact((page: Page): Section[] => {
  const headings = outline(page);
  const found: Section[] = [{ heading: null, passages: [], things: 0, words: 0 }];
  const headed = new Set(headings.map((heading) => heading.element));
  const starts = headings.map((heading) => heading.element.order);
  for (const heading of headings) found.push({ heading, passages: [], things: 0, words: 0 });
  // Of two neighbours in the source, what begins later belongs to the later heading.
  const at = (order: number, start: number | undefined) => found[sectionIndex(starts, headings, order, start)]!;
  for (const passage of passages(page)) {
    if (isInside(page, passage.block, FURNITURE) || headed.has(passage.block)) continue;
    const section = at(passage.block.order, passage.first.range?.start);
    section.passages.push(passage);
    if (!passage.kept && !LOOKED_UP.has(passage.block.tag) && !isInside(page, passage.block, IN.table | IN.form))
      section.words += passage.words;
  }
  for (const element of tagged(page, ...THINGS)) if (isExposed(page, element)) at(element.order, element.range?.start).things++;
  return found;
});

function sectionIndex(starts: readonly number[], headings: readonly Heading[], order: number, start: number | undefined): number {
  const isAfter = (i: number) => {
    const range = headings[i]!.element.range;
    return start !== undefined && range ? start >= range.end : order > starts[i]!;
  };
  let low = 0;
  let high = starts.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (isAfter(middle)) low = middle + 1;
    else high = middle;
  }
  return low;
}
