import { childElements, descendants, elementParent, type ElementNode } from '../document/tree.ts';
import { fact, type Page } from '../document/page.ts';
import { styleOf } from '../style/cascade.ts';
import { shownTexts } from '../style/contrast.ts';
import { isGone } from './visibility.ts';

/** How the whole of a block's text is dressed, as its styles tell. */
export interface Looks {
  bold: boolean;
  large: boolean;
  capitals: boolean;
}

/** Text this much larger than the page's running text stands out as a heading does. Common practice. */
const STANDS_OUT = 1.15;
/** Running text is known by its amount: with less than this many characters of it, the body's own size is taken. */
const ENOUGH_TEXT = 400;

/** Size of the page's running text in px: the one that most characters are set in. */
export const runningSize = fact((page: Page): number => {
  const amounts = new Map<number, number>();
  for (const text of shownTexts(page)) {
    const { fontSize } = styleOf(page, elementParent(text)!);
    amounts.set(fontSize, (amounts.get(fontSize) ?? 0) + text.text.trim().length);
  }
  const [size, amount] = [...amounts].reduce((most, one) => (one[1] > most[1] ? one : most), [16, 0]);
  const base = styleOf(page, page.body).fontSize;
  return amount >= ENOUGH_TEXT ? Math.max(size, base) : base;
});

/** Looks shared by every visible character of a block; null when the block shows no text. */
export function sharedLooks(page: Page, block: ElementNode): Looks | null {
  let text = '';
  let bold = true;
  let large = true;
  for (const node of descendants(block)) {
    if (node.kind !== 'text' || !/[^\s\u00a0]/.test(node.text) || isGone(page, node)) continue;
    const style = styleOf(page, elementParent(node)!);
    text += style.textTransform.includes('uppercase') ? node.text.toUpperCase() : node.text;
    bold &&= style.fontWeight >= 600;
    large &&= style.fontSize >= STANDS_OUT * runningSize(page);
    if (!bold && !large && !isCapitals(text)) return { bold: false, large: false, capitals: false };
  }
  return text === '' ? null : { bold, large, capitals: isCapitals(text) };
}

/** Written in capitals, in a script that has them: a few capital letters in a line of Korean or Arabic are names. */
export function isCapitals(text: string): boolean {
  // Nearly every text has a small letter near its beginning.
  if (/\p{Ll}/u.test(text)) return false;
  const capitals = text.match(/\p{Lu}/gu)?.length ?? 0;
  return capitals >= 4 && capitals >= 0.8 * (text.match(/\p{L}/gu)?.length ?? 0);
}

/** Elements that only dress text: taken off when a real heading takes their place. */
export function onlyDresses(element: ElementNode): boolean {
  if (!['b', 'strong', 'font', 'big', 'span', 'u'].includes(element.tag)) return false;
  return element.attributes.every((attribute) => ['style', 'color', 'face', 'size'].includes(attribute.name));
}

/** The dressing elements that hold the whole content of a block, outermost first. */
export function dressing(block: ElementNode): ElementNode[] {
  const found: ElementNode[] = [];
  let here = block;
  for (;;) {
    const inside = here.children.filter((node) => node.kind !== 'comment' && !(node.kind === 'text' && !/\S/.test(node.text)));
    const only = childElements(here)[0];
    if (inside.length !== 1 || !only || !onlyDresses(only)) return found;
    found.push(only);
    here = only;
  }
}
