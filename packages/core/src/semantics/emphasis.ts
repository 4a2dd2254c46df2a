import { elementParent, tidy, valueOf, type ElementNode } from '../document/tree.ts';
import { fact, type Page } from '../document/page.ts';
import { tagged } from '../document/tagged.ts';
import { shownTexts } from '../style/contrast.ts';
import { IN, isInside } from './inside.ts';
import { isExposed } from './visibility.ts';

/**
 * The `b` or `i` elements that stress by look only. Icons, foreign words and names of taxa are rightly in `i`, keywords with a class of
 * their own rightly in `b` (HTML Living Standard, 4.5.25 and 4.5.26).
 */
export function emphasisByLook(page: Page, tag: 'b' | 'i'): ElementNode[] {
  return tagged(page, tag).filter(
    (element) =>
      isEmphasis(element) && lettered(page).has(element) && isExposed(page, element) && !isInside(page, element, IN.heading | IN.code),
  );
}

/** Elements in which a letter is shown. */
const lettered = fact((page: Page): ReadonlySet<ElementNode> => {
  const found = new Set<ElementNode>();
  for (const text of shownTexts(page)) {
    if (!/\p{L}/u.test(text.text)) continue;
    for (let up = elementParent(text); up && !found.has(up); up = elementParent(up)) found.add(up);
  }
  return found;
});

function isEmphasis(element: ElementNode): boolean {
  return (
    element.startTag !== null &&
    element.attributes.every((attribute) => attribute.name === 'style') &&
    tidy(valueOf(element, 'lang') ?? '') === ''
  );
}
