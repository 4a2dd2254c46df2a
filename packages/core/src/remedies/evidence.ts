import { elementsIn, valueOf, type ElementNode } from '../document/tree.ts';
import { fact, type Page } from '../document/page.ts';
import type { Edit } from '../source/edits.ts';
import { imitatedHeadings } from '../semantics/imitatedHeadings.ts';
import { colourMarks } from '../semantics/colourMarks.ts';
import { colourCueOf } from '../semantics/cues.ts';
import { passages } from '../semantics/passages.ts';

/** Faces whose letters are signs: without them a bullet turns into a letter. */
const SIGN_FACE = /symbol|dingbats|wingdings|webdings/i;

/** Stretches of the page whose looks may be all that tells a heading. */
const headingRanges = fact((page: Page) => imitatedHeadings(page).flatMap(({ element }) => (element.range ? [element.range] : [])));

/** Whether the page speaks of colours, or marks words by colour alone: then a colour may say something. */
export const colourMatters = fact(
  (page: Page): boolean =>
    colourMarks(page).length > 0 || passages(page).some((passage) => !passage.kept && colourCueOf(page, passage) !== null),
);

/** Why looks must not be taken away by some edits: a heading or a sign hangs on them; null when nothing does. */
export function hangsOnLooks(page: Page, edits: readonly Edit[]): string | null {
  const heading = headingRanges(page).some(({ start, end }) => edits.some((edit) => edit.start < end && edit.end > start));
  return heading ? 'A line that may be a heading is known by these looks alone; settle that first.' : null;
}

/** Whether an element, or one in it, is set in a face of signs. */
export function usesSigns(element: ElementNode): boolean {
  return [element, ...elementsIn(element)].some((one) => SIGN_FACE.test(`${valueOf(one, 'face') ?? ''} ${valueOf(one, 'style') ?? ''}`));
}
