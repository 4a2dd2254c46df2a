/** Doubles the text alone, as a reader's browser can (WCAG 1.4.4): every size as computed, times so much. */
export function enlargeText(page: Document, times: number): void {
  const view = page.defaultView!;
  const elements = [...page.querySelectorAll<HTMLElement>('body, body *')].filter((element) => 'style' in element);
  const sizes = elements.map((element) => Number.parseFloat(view.getComputedStyle(element).fontSize));
  for (const [i, element] of elements.entries())
    if (sizes[i]! > 0) element.style.setProperty('font-size', `${sizes[i]! * times}px`, 'important');
}

/** What stands where an image has no alternative: that it is missed, not that it adds nothing. */
const MISSED = 'Image, nothing said';

/** Puts its alternative in the place of every image: what someone gets who does not see them. A decorative one leaves nothing. */
export function imagesAsWords(page: Document): void {
  for (const image of page.querySelectorAll<HTMLImageElement>('img, input[type="image" i]')) {
    image.alt = image.getAttribute('alt') ?? MISSED;
    for (const name of ['src', 'srcset', 'width', 'height', 'style', 'title']) image.removeAttribute(name);
    if (image.alt) image.style.cssText = 'outline: 1px dashed currentColor; padding: 0 0.25em; font-style: italic;';
  }
  for (const source of page.querySelectorAll('picture source')) source.remove();
  page.head.append(
    Object.assign(page.createElement('style'), {
      textContent: '*, *::before, *::after { background-image: none !important; list-style-image: none !important; }',
    }),
  );
}
