import { elementParent, tidy, type ElementNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { unreadSheets } from '../style/cascade.ts';
import { hexOf } from '../style/colour.ts';
import { coloursIn, shownTexts } from '../style/contrast.ts';
import { originOf, type Origin } from '../style/origin.ts';
import { cut, traitsOf, type Use } from './types.ts';

/** Longest sample of text kept, in characters. */
const SAMPLE = 60;

/** Pairs of text colour and background as seen, each told once a page for each place its text colour comes from. */
export function colourUses(page: Page): Use[] {
  const known = unreadSheets(page).length === 0;
  const pairs = new Map<string, { element: ElementNode; sample: string; elements: Set<ElementNode>; from: string }>();
  for (const text of shownTexts(page)) {
    const element = elementParent(text)!;
    const { color, background, large } = coloursIn(page, element);
    const from = sourceOf(page, element);
    const key = `${hexOf(color)} ${hexOf(background)} ${large} ${from}`;
    const pair = pairs.get(key);
    if (pair) pair.elements.add(element);
    else pairs.set(key, { element, sample: tidy(text.text), elements: new Set([element]), from });
  }
  return [...pairs.values()].map(({ element, sample, elements, from }) => {
    const { color, background, ratio, required, certain, large } = coloursIn(page, element);
    const [kind, ...address] = from.split(' ');
    const sure = certain && known;
    return {
      name: `${hexOf(color)} on ${hexOf(background)}`,
      place: large ? 'large' : '',
      // Cut, never rounded up: 4.499 does not pass.
      says: (Math.floor(ratio * 100) / 100).toFixed(2),
      traits: traitsOf('colours', [
        sure && ratio < required && 'too little',
        sure && ratio >= required && 'passes',
        !sure && 'uncertain',
        large && 'large',
        kind === 'linked' && 'linked sheet',
        kind === 'page' && 'page style',
        (kind === 'inline' || kind === 'attribute') && 'inline',
        kind === 'browser' && 'browser',
      ]),
      facts: { from: kind!, sheet: address.join(' '), required, sample: cut(sample, SAMPLE), many: elements.size },
      elements: [...elements],
    };
  });
}

/** Where a text's colour comes from, as one word and the address of its sheet. */
function sourceOf(page: Page, element: ElementNode): string {
  const origin: Origin = originOf(page, element, 'color', true);
  return origin.kind === 'linked' ? `linked ${origin.address}` : origin.kind;
}
