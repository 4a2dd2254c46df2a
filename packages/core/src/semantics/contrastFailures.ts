import { closestWithin, elementParent, has, tidy, valueOf, type ElementNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { hexOf } from '../style/colour.ts';
import { coloursIn, shownTexts } from '../style/contrast.ts';

export interface ContrastFailure {
  element: ElementNode;
  text: string;
  /** `ratio` is cut, never rounded up: 4.499 shows as 4.49. */
  values: { color: string; background: string; ratio: string; required: number };
}

/** Large and other text, by level (WCAG 2.2, 1.4.3 and 1.4.6). */
const REQUIRED = { AA: { large: 3, other: 4.5 }, AAA: { large: 4.5, other: 7 } } as const;

/** Elements whose own text stands out too little, where both colours are certain; at AAA those only that pass AA. */
export function contrastFailures(page: Page, level: 'AA' | 'AAA'): ContrastFailure[] {
  const found: ContrastFailure[] = [];
  const seen = new Set<ElementNode>();
  for (const node of shownTexts(page)) {
    const element = elementParent(node)!;
    const { color, background, ratio, certain, large } = coloursIn(page, element);
    const required = REQUIRED[level][large ? 'large' : 'other'];
    if (!certain || ratio >= required || seen.has(element) || (level === 'AAA' && ratio < REQUIRED.AA[large ? 'large' : 'other'])) continue;
    if (!/[\p{L}\p{N}]/u.test(node.text) || isInactive(element)) continue;
    seen.add(element);
    found.push({ element, text: tidy(node.text).slice(0, 120), values: { color: hexOf(color), background: hexOf(background), ratio: (Math.floor(ratio * 100) / 100).toFixed(2), required } });
  }
  return found;
}

/** Controls that cannot be used need no contrast. */
function isInactive(element: ElementNode): boolean {
  const off = (one: ElementNode) => (has(one, 'disabled') && ['button', 'fieldset', 'input'].includes(one.tag)) || valueOf(one, 'aria-disabled') === 'true';
  return off(element) || closestWithin(element, 5, off) !== null;
}
