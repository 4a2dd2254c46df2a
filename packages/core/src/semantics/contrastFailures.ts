import { closestWithin, elementParent, has, tidy, valueOf, type ElementNode } from '../document/tree.ts';
import { fact, type Page } from '../document/page.ts';
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
export function contrastFailures(page: Page, level: 'AA' | 'AAA'): readonly ContrastFailure[] {
  return allFailures(page)[level];
}

const allFailures = fact((page: Page) => {
  const found: Record<'AA' | 'AAA', ContrastFailure[]> = { AA: [], AAA: [] };
  const seen = new Set<ElementNode>();
  for (const node of shownTexts(page)) {
    const element = elementParent(node)!;
    const { color, background, ratio, certain, large } = coloursIn(page, element);
    const size = large ? 'large' : 'other';
    if (!certain || ratio >= REQUIRED.AAA[size] || seen.has(element) || !/[\p{L}\p{N}]/u.test(node.text) || isInactive(element)) continue;
    seen.add(element);
    const level = ratio < REQUIRED.AA[size] ? 'AA' : 'AAA';
    found[level].push({
      element,
      text: tidy(node.text).slice(0, 120),
      values: {
        color: hexOf(color),
        background: hexOf(background),
        ratio: (Math.floor(ratio * 100) / 100).toFixed(2),
        required: REQUIRED[level][size],
      },
    });
  }
  return found;
});

/** Controls that cannot be used need no contrast. */
function isInactive(element: ElementNode): boolean {
  const off = (one: ElementNode) =>
    (has(one, 'disabled') && ['button', 'fieldset', 'input'].includes(one.tag)) || valueOf(one, 'aria-disabled') === 'true';
  return off(element) || closestWithin(element, 5, off) !== null;
}
