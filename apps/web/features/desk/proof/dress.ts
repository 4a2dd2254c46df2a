import { addStyle, allIn, styleOf, viewOf } from './natives';

/** Doubles the text alone, as a reader's browser can (WCAG 1.4.4): every size as computed, times so much. */
export function enlargeText(page: Document, times: number): void {
  const view = viewOf(page)!;
  const elements = allIn(page, 'body, body *').filter((element) => styleOf(element));
  const sizes = elements.map((element) => Number.parseFloat(view.getComputedStyle(element).fontSize));
  for (const [i, element] of elements.entries())
    if (sizes[i]! > 0) styleOf(element)!.setProperty('font-size', `${sizes[i]! * times}px`, 'important');
}

/** What stands where an image has no alternative: that it is missed, not that it adds nothing. */
const MISSED = 'Image, nothing said';

/** Puts its alternative in the place of every image: what someone gets who does not see them. A decorative one leaves nothing. */
export function imagesAsWords(page: Document): void {
  for (const image of allIn<HTMLImageElement>(page, 'img, input[type="image" i]')) {
    image.alt = image.getAttribute('alt') ?? MISSED;
    for (const name of ['src', 'srcset', 'width', 'height', 'style', 'title']) image.removeAttribute(name);
    if (image.alt) image.style.cssText = 'outline: 1px dashed currentColor; padding: 0 0.25em; font-style: italic;';
  }
  for (const source of allIn(page, 'picture source')) source.remove();
  addStyle(page, '*, *::before, *::after { background-image: none !important; list-style-image: none !important; }');
}
