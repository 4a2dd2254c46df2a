import { childElements, descendants, elementParent, valueOf, type ElementNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { inlineBold, inlineFontSize, inlineStyle } from '../style/inline.ts';
import { isGone } from './visibility.ts';

/** How the whole of a block's text is dressed, as far as tags and inline styles tell. */
export interface Looks {
  bold: boolean;
  large: boolean;
  capitals: boolean;
}

/** Text this much larger than the 16 px default stands out as a heading does. Common practice. */
const STANDS_OUT = 18.5;
const FONT_TAG_SIZES = [10, 13, 16, 18, 24, 32, 48];

/** Looks shared by every visible character of a block; null when the block shows no text. */
export function sharedLooks(page: Page, block: ElementNode): Looks | null {
  let text = '';
  let bold = true;
  let large = true;
  for (const node of descendants(block)) {
    if (node.kind !== 'text' || !/[^\s\u00a0]/.test(node.text) || isGone(page, node)) continue;
    const looks = looksAt(elementParent(node)!, block);
    text += node.text;
    bold &&= looks.bold;
    large &&= looks.size >= STANDS_OUT;
    if (!bold && !large && !isCapitals(text)) return { bold: false, large: false, capitals: false };
  }
  return text === '' ? null : { bold, large, capitals: isCapitals(text) };
}

function isCapitals(text: string): boolean {
  return /\p{Lu}.*\p{Lu}.*\p{Lu}.*\p{Lu}/su.test(text) && !/\p{Ll}/u.test(text);
}

/** Weight and size of text in `element`, walking from the block down to it. */
function looksAt(element: ElementNode, block: ElementNode): { bold: boolean; size: number } {
  const chain: ElementNode[] = [];
  for (let up: ElementNode | null = element; up; up = elementParent(up)) {
    chain.unshift(up);
    if (up === block) break;
  }
  let bold = false;
  let size = 16;
  for (const step of chain) {
    if (step.tag === 'b' || step.tag === 'strong') bold = true;
    if (step.tag === 'big') size *= 1.2;
    if (step.tag === 'small') size /= 1.2;
    if (step.tag === 'font') size = FONT_TAG_SIZES[Math.min(6, fontTagSize(valueOf(step, 'size')))] ?? size;
    const style = inlineStyle(step);
    bold = inlineBold(style) ?? bold;
    size = inlineFontSize(style, size) ?? size;
  }
  return { bold, size };
}

/** Place in the seven sizes of the font tag: "5", "+2" or "-1" (HTML Living Standard, "rules for parsing a legacy font size"). */
function fontTagSize(written: string | null): number {
  const parts = /^\s*([+-]?)(\d+)/.exec(written ?? '');
  if (!parts) return 2;
  const number = Number(parts[2]);
  const size = parts[1] === '+' ? 3 + number : parts[1] === '-' ? 3 - number : number;
  return Math.min(7, Math.max(1, size)) - 1;
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
