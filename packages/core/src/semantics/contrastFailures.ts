import { closestWithin, elementParent, has, valueOf, type ElementNode } from '../document/tree.ts';
import { fact, type Page } from '../document/page.ts';
import { hexOf } from '../style/colour.ts';
import { coloursIn, shownTexts } from '../style/contrast.ts';
import { unreadSheets } from '../style/cascade.ts';
import { labels } from './fields.ts';

/** One pair of colours that stand apart too little, wherever it stands. */
export interface ContrastFailure {
  /** Elements whose own text is set so, in document order. */
  elements: ElementNode[];
  /** `ratio` is cut, never rounded up: 4.499 shows as 4.49. */
  values: { color: string; background: string; ratio: string; required: number };
  /** False where a style sheet that nobody could read may say otherwise. */
  certain: boolean;
}

/** Large and other text, by level (WCAG 2.2, 1.4.3 and 1.4.6). */
const REQUIRED = { AA: { large: 3, other: 4.5 }, AAA: { large: 4.5, other: 7 } } as const;

/** Pairs of colours that stand out too little, where both are known; at AAA those only that pass AA. */
export function contrastFailures(page: Page, level: 'AA' | 'AAA'): readonly ContrastFailure[] {
  return allFailures(page)[level];
}

const allFailures = fact((page: Page) => {
  const found: Record<'AA' | 'AAA', Map<string, ContrastFailure>> = { AA: new Map(), AAA: new Map() };
  const seen = new Set<ElementNode>();
  const known = unreadSheets(page).length === 0;
  for (const node of shownTexts(page)) {
    const element = elementParent(node)!;
    const { color, background, ratio, certain, large } = coloursIn(page, element);
    const size = large ? 'large' : 'other';
    if (!certain || ratio >= REQUIRED.AAA[size] || seen.has(element) || !/[\p{L}\p{N}]/u.test(node.text) || isExempt(page, element))
      continue;
    seen.add(element);
    const level = ratio < REQUIRED.AA[size] ? 'AA' : 'AAA';
    const values = {
      color: hexOf(color),
      background: hexOf(background),
      ratio: (Math.floor(ratio * 100) / 100).toFixed(2),
      required: REQUIRED[level][size],
    };
    const key = `${values.color} ${values.background} ${values.required}`;
    const same = found[level].get(key);
    if (same) same.elements.push(element);
    else found[level].set(key, { elements: [element], values, certain: known });
  }
  return { AA: [...found.AA.values()], AAA: [...found.AAA.values()] };
});

/** Text that needs no contrast: of a control that cannot be used, or of the label of one (WCAG 2.2, 1.4.3, "incidental"). */
export function isExempt(page: Page, element: ElementNode): boolean {
  if (isInactive(element)) return true;
  const label = element.tag === 'label' ? element : closestWithin(element, 4, (up) => up.tag === 'label');
  if (!label) return false;
  const field = labels(page).find((one) => one.label === label)?.field;
  return field !== null && field !== undefined && isInactive(field);
}

/** Controls that cannot be used need no contrast. */
export function isInactive(element: ElementNode): boolean {
  const off = (one: ElementNode) =>
    (has(one, 'disabled') && ['button', 'fieldset', 'input', 'select', 'textarea', 'option', 'optgroup'].includes(one.tag)) ||
    valueOf(one, 'aria-disabled') === 'true';
  return off(element) || closestWithin(element, 5, off) !== null;
}
