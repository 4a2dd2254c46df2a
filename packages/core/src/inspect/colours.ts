import { elementParent } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { pathOf } from '../document/paths.ts';
import { styleOf, unreadSheets } from '../style/cascade.ts';
import { hexOf } from '../style/colour.ts';
import { coloursIn, shownTexts } from '../style/contrast.ts';

export interface ColourRow {
  /** Of the element the text stands in. */
  path: string;
  text: string;
  color: string;
  background: string;
  fontSizePx: number;
  fontWeight: number;
  ratio: number;
  required: number;
  certain: boolean;
}

/** One row for each text node that shows text, in document order: its colours as seen, its size and weight. */
export function inspectColours(page: Page): ColourRow[] {
  const known = unreadSheets(page).length === 0;
  return shownTexts(page).map((text) => {
    const element = elementParent(text)!;
    const { color, background, ratio, required, certain } = coloursIn(page, element);
    const style = styleOf(page, element);
    return {
      path: pathOf(page, element),
      text: text.text,
      color: hexOf(color),
      background: hexOf(background),
      fontSizePx: Math.round(style.fontSize * 1e4) / 1e4,
      fontWeight: style.fontWeight,
      ratio: Math.round(ratio * 1e4) / 1e4,
      required,
      certain: certain && known,
    };
  });
}
