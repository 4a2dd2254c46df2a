import { closest, has, tidy, valueOf, type ElementNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { shownText } from '../semantics/names.ts';
import { images } from '../semantics/imageContext.ts';
import { addressOf, fileNameOf, writtenAlternative } from '../semantics/images.ts';
import { contentRange, dropAttribute, escapeText, NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';
import { placesOf } from './lastingColour.ts';

/** Writes what an image shows, in the place its element has for it. */
export const remedy: Remedy = {
  name: 'describe',
  label: 'Describe it',
  certain: false,
  needs: ['alt'],
  fields: ({ page, element }) => [
    {
      name: 'alt',
      label: `Alternative text: ${questionOf(page, element)}`,
      kind: 'passage',
      hint: 'A few words; it is announced as an image already.',
    },
  ],
  // A description that is to be looked at again is changed, not written from nothing.
  propose: ({ element, finding }) => ({ alt: finding.rule === 'images/true-to-picture' ? (writtenAlternative(element) ?? '') : '' }),
  plan({ page, element, finding }, inputs) {
    const alt = tidy(inputs.alt ?? '');
    if (!alt) return decline('Write a description, or mark the image as decorative.');
    if (alt === writtenAlternative(element) || (alt === fileNameOf(addressOf(element)) && alt.includes('.')))
      return decline('This says no more than what is there now.');
    if (element.tag === 'object' || element.tag === 'canvas') {
      const content = contentRange(element);
      return content && element.endTag ? planned({ start: content.end, end: content.end, text: escapeText(alt) }) : decline(NO_SOURCE);
    }
    // One image with one text is asked about once, so the answer goes for all of them.
    const same =
      finding.rule === 'images/true-to-picture'
        ? images(page).filter((one) => addressOf(one) === addressOf(element) && writtenAlternative(one) === writtenAlternative(element))
        : placesOf({ page, element, finding });
    const edits = same.map((one) => setAttribute(one, attributeFor(one.tag), alt));
    for (const one of same) {
      const role = tidy(valueOf(one, 'role') ?? '').toLowerCase();
      if (role === 'presentation' || role === 'none') edits.push(dropAttribute(page, one, 'role'));
    }
    if (element.tag === 'svg' && !has(element, 'role')) edits.push(setAttribute(element, 'role', 'img'));
    return edits.every((edit) => edit !== null) ? planned(edits) : decline(NO_SOURCE);
  },
};

/** What its alternative has to say: of an image that is all a link holds, where that leads (WCAG technique H30). */
function questionOf(page: Page, element: ElementNode): string {
  if (element.tag === 'area') return 'where does this part lead?';
  if (element.tag === 'input') return 'what does the button do?';
  const link = closest(element, (up) => up.tag === 'a' && has(up, 'href'));
  return link && shownText(page, link, 1) === '' ? 'where does the link lead?' : 'what does the image show?';
}

function attributeFor(tag: string): string {
  if (tag === 'img' || tag === 'area' || tag === 'input') return 'alt';
  return tag === 'embed' ? 'title' : 'aria-label';
}
