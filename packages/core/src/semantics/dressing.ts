import { groupedBy } from '../document/grouped.ts';
import { elementParent, has, valueOf, type ElementNode } from '../document/tree.ts';
import { attributed } from '../document/tagged.ts';
import { carried, fact, type Page } from '../document/page.ts';
import { styleOf } from '../style/cascade.ts';
import { hexOf, parseColour } from '../style/colour.ts';
import type { Style } from '../style/computed.ts';
import { inlineStyle } from '../style/inline.ts';
import { IN, isInside } from './inside.ts';
import { shownText } from './names.ts';
import { isExposed, isSeen } from './visibility.ts';
import { isExempt } from './contrastFailures.ts';

/** Properties that only dress text. */
export const LOOKS = new Set([
  'font',
  'font-family',
  'font-size',
  'font-weight',
  'font-style',
  'color',
  'background',
  'background-color',
  'line-height',
  'letter-spacing',
  'text-decoration',
  'text-align',
  'text-indent',
  'margin',
  'margin-top',
  'margin-bottom',
  'margin-left',
  'margin-right',
  'padding',
  'white-space',
  'word-spacing',
  'text-transform',
  'orphans',
  'widows',
  'caret-color',
  'font-variant',
  'font-variant-ligatures',
  'font-variant-caps',
  'float',
  'display',
  'vertical-align',
  'border',
  'tab-stops',
  'page-break-before',
  'break-before',
]);

/** Whether an element is a span or font tag that sets nothing but looks; in code it colours syntax. */
export function setsLooksOnly(element: ElementNode): boolean {
  if (element.tag === 'font') return true;
  if (element.tag !== 'span' || element.attributes.length === 0) return false;
  return (
    element.attributes.every(
      (attribute) =>
        attribute.name === 'style' || (attribute.name === 'class' && /^(?:mso|apple-|xdefault|kix|docs)/i.test(attribute.value)),
    ) &&
    [...inlineStyle(element).keys()].every(
      (property) => LOOKS.has(property) || property.startsWith('mso-') || property.startsWith('-webkit-'),
    )
  );
}

/** Whether a word processor left its mark on an element: its classes, properties or tags. */
export function isPasted(element: ElementNode): boolean {
  if (/^(?:o|w|m|v|st1):/.test(element.tag)) return true;
  if (element.attributes.length === 0) return false;
  const className = valueOf(element, 'class');
  if (className !== null && /(?:^|\s)(?:Mso|xmso|OutlineElement|TextRun|NormalTextRun|SCXW|EOP)/i.test(className)) return true;
  return /(?:^|[;\s])mso-/i.test(valueOf(element, 'style') ?? '');
}

/** Elements on which something is set by a style attribute or an old tag, by the value: the same slip many times over. */
function dressedBy(page: Page, read: (element: ElementNode) => string | null | undefined): Map<string, ElementNode[]> {
  return groupedBy(dressed(page), (element) => read(element) || null);
}

/** Elements with a style attribute, and font tags. */
const dressed = fact(
  (page: Page) =>
    attributed(page).filter(
      (element) => element.space === 'html' && (element.tag === 'font' || has(element, 'style')) && isExposed(page, element),
    ),
  carried,
);

/** Pieces of text whose size is set in fixed units or to a tiny keyword, by the size as written. */
export const forcedSizes = fact((page: Page) =>
  dressedBy(page, (element) => {
    if (element.tag === 'font') return valueOf(element, 'size');
    const style = inlineStyle(element);
    const size = style.get('font-size') ?? /(?:^|\s)(\d+(?:\.\d+)?(?:px|pt))(?:\/|\s)/.exec(style.get('font') ?? '')?.[1];
    return size && /^[\d.]+(?:px|pt|pc|cm|mm|in)$|^xx?-small$/.test(size) && shownText(page, element, 1) !== '' ? size : null;
  }),
);

/** Pieces of text with a typeface of their own, by its name in lower case; code is left out. */
export const forcedFaces = fact((page: Page) =>
  dressedBy(page, (element) => {
    if (isInside(page, element, IN.code)) return null;
    const face = element.tag === 'font' ? valueOf(element, 'face') : inlineStyle(element).get('font-family');
    return face && !/^(?:inherit|initial|unset|revert)$|monospace/.test(face) ? face.toLowerCase() : null;
  }),
);

/** Pieces of text with a colour of their own, by the colour; black and white are the absence of a choice, and code is left out. */
export const inlineColours = fact((page: Page) =>
  dressedBy(page, (element) => {
    if (isInside(page, element, IN.code)) return null;
    const colour = parseColour((element.tag === 'font' ? valueOf(element, 'color') : inlineStyle(element).get('color')) ?? '');
    return colour && hexOf(colour) !== '#000000' && hexOf(colour) !== '#ffffff' ? hexOf(colour) : null;
  }),
);

/**
 * Elements whose own style attribute sets a text colour or a ground, where nothing around sets the other half; by `text` or `ground` and
 * the value.
 */
export const halfSetColours = fact((page: Page) =>
  dressedBy(page, (element) => {
    const own = inlineStyle(element);
    if (own.size === 0 || !isSeen(page, element) || shownText(page, element, 1) === '' || isExempt(page, element)) return null;
    const [color, ground] = [own.get('color'), own.get('background-color') ?? own.get('background')];
    if (color && !ground && color !== 'inherit' && !someAround(page, element, (style) => style.background.a > 0 || style.image !== null))
      return `text ${color}`;
    const plain = ground && /^#|^rgb|^hsl|^[a-z]+$/.test(ground) && !/^(?:none|transparent|inherit|initial)$/.test(ground);
    return plain && !color && !someAround(page, element, (style) => style.declared.has('color')) ? `ground ${ground}` : null;
  }),
);

function someAround(page: Page, element: ElementNode, holds: (style: Style) => boolean): boolean {
  for (let up: ElementNode | null = element; up; up = elementParent(up)) if (holds(styleOf(page, up))) return true;
  return false;
}
