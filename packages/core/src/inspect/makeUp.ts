import type { Page } from '../document/page.ts';
import type { ElementNode } from '../document/tree.ts';
import { figureOf, images } from '../semantics/imageContext.ts';
import { FURNITURE, IN, isInside } from '../semantics/inside.ts';
import { outline, type Heading } from '../semantics/outline.ts';
import { passages } from '../semantics/passages.ts';
import { least } from '../source/lists.ts';

/** How a page is made up, in the traits by which pages of one sort are alike or differ. Each value is a short word, compared as it is. */
export interface MakeUp {
  /** What its content begins with. */
  opens: 'a heading' | 'text' | 'an image' | 'a list' | 'a table' | 'nothing';
  /** Level of its first heading. */
  firstHeading: string;
  /** Levels of its headings, each once: "2 3". */
  levels: string;
  /** Whether text stands before the first heading of a section. */
  introduction: 'yes' | 'no';
  /** Whether an image stands before the second heading of a section, or in the first words. */
  imageAtTop: 'yes' | 'no';
  /** How many of its images have a caption. */
  captions: 'all' | 'some' | 'none' | 'no images';
  /** What its first section is called, and its last; '' where it has none. */
  firstSection: string;
  lastSection: string;
}

export type Trait = keyof MakeUp;

/** Words at the top in which an image counts as standing there. */
const TOP = 60;
/** Longest name of a section that is kept. */
const LONGEST = 80;

/** How a page is made up; what a site repeats around its content is left out. */
export function makeUpOf(page: Page): MakeUp {
  const inContent = (element: ElementNode) => !isInside(page, element, FURNITURE);
  const headings = outline(page).filter(({ element }) => inContent(element));
  const shown = images(page).filter(inContent);
  const sections = sectionsOf(headings);
  const captioned = shown.filter((image) => figureOf(page, image)?.caption).length;
  const levels = [...new Set(headings.map(({ level }) => level))].sort();
  return {
    opens: opening(page, headings[0], shown[0]),
    firstHeading: headings[0] ? String(headings[0].level) : 'none',
    levels: levels.join(' ') || 'none',
    introduction: textBefore(page, sections[0]?.element) ? 'yes' : 'no',
    imageAtTop: shown[0] && isAtTop(page, shown[0], sections[1]?.element) ? 'yes' : 'no',
    captions: shown.length === 0 ? 'no images' : captioned === shown.length ? 'all' : captioned > 0 ? 'some' : 'none',
    firstSection: nameOf(sections[0]),
    lastSection: nameOf(sections.at(-1)),
  };
}

/** Headings of sections: those below the page's own title, of the highest level that is left. */
function sectionsOf(headings: readonly Heading[]): Heading[] {
  const below = headings.filter(({ level }) => level > 1);
  const highest = least(below.map(({ level }) => level));
  return below.filter(({ level }) => level === highest);
}

const nameOf = (heading: Heading | undefined) =>
  heading?.name
    .toLowerCase()
    .replace(/^[\d.\s]+/, '')
    .slice(0, LONGEST) ?? '';

/** What stands first: a page's own title, a heading of level 1, opens nothing. */
function opening(page: Page, heading: Heading | undefined, image: ElementNode | undefined): MakeUp['opens'] {
  const title = heading?.level === 1 ? heading.element : undefined;
  const passage = passages(page).find(
    ({ block, words, images: many }) => words + many > 0 && !isInside(page, block, FURNITURE) && !isWithin(block, title),
  );
  const first = passage?.block;
  if (!first) return image ? 'an image' : 'nothing';
  if (image && passage.words === 0) return 'an image';
  if (isInside(page, first, IN.heading)) return 'a heading';
  if (isInside(page, first, IN.item)) return 'a list';
  if (isInside(page, first, IN.table)) return 'a table';
  return 'text';
}

function isWithin(element: ElementNode, outer: ElementNode | undefined): boolean {
  for (let up: ElementNode | null = element; up && outer; up = up.parent?.kind === 'element' ? up.parent : null)
    if (up === outer) return true;
  return false;
}

/** Whether running text stands before an element, or anywhere where there is none. */
function textBefore(page: Page, end: ElementNode | undefined): boolean {
  return passages(page).some(
    ({ block, words }) => words > 0 && !isInside(page, block, FURNITURE | IN.heading) && (end === undefined || block.order < end.order),
  );
}

function isAtTop(page: Page, image: ElementNode, second: ElementNode | undefined): boolean {
  let words = 0;
  for (const passage of passages(page)) {
    if (passage.block.order >= image.order) break;
    if (!isInside(page, passage.block, FURNITURE | IN.heading)) words += passage.words;
  }
  return words <= TOP && (second === undefined || image.order < second.order);
}
