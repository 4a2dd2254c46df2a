import { tidy, valueOf, type ElementNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { tagged } from '../document/tagged.ts';
import { IN, isInside } from './inside.ts';
import { shownText } from './names.ts';
import { isExposed } from './visibility.ts';

/**
 * The `b` or `i` elements that stress by look only. Icons, foreign words and names of taxa are rightly in `i`, keywords with a class of
 * their own rightly in `b` (HTML Living Standard, 4.5.25 and 4.5.26).
 */
export function emphasisByLook(page: Page, tag: 'b' | 'i'): ElementNode[] {
  return tagged(page, tag).filter(
    (element) =>
      isExposed(page, element) && isEmphasis(element, shownText(page, element, 200)) && !isInside(page, element, IN.heading | IN.code),
  );
}

function isEmphasis(element: ElementNode, text: string): boolean {
  return (
    /\p{L}/u.test(text) &&
    element.startTag !== null &&
    element.attributes.every((attribute) => attribute.name === 'style') &&
    tidy(valueOf(element, 'lang') ?? '') === ''
  );
}
