import { elementParent, type ElementNode, type TextNode } from '../document/tree.ts';
import { carried, fact, type Page } from '../document/page.ts';
import { styleOf } from './cascade.ts';
import { contrastRatio, WHITE, type Colour } from './colour.ts';
import type { Style } from './computed.ts';

/**
 * What lies behind an element, as a map from what is painted there to what is seen: seen = k·C + u + v·a for premultiplied C and
 * alpha a. Backgrounds and opacities from the element up to the canvas are folded into it, so that each costs the same at any depth.
 */
interface Ground {
  k: number;
  v: readonly [number, number, number];
  u: readonly [number, number, number];
  /** Nothing unknowable shows through. */
  certain: boolean;
  /** Address or gradient that shows through, when that is why it is not certain. */
  image: string | null;
}

const CANVAS: Ground = { k: 1, u: [WHITE.r, WHITE.g, WHITE.b], v: [-WHITE.r, -WHITE.g, -WHITE.b], certain: true, image: null };

const grounds = fact((): Map<Style, Ground> => new Map(), carried);

function groundOf(page: Page, style: Style): Ground {
  const known = grounds(page);
  const missing: Style[] = [];
  for (let up: Style | null = style; up && !known.has(up); up = up.parent) missing.push(up);
  for (let at = missing.length - 1; at >= 0; at--) {
    const one = missing[at]!;
    known.set(one, fold(one, one.parent ? known.get(one.parent)! : CANVAS));
  }
  return known.get(style)!;
}

/** Composites one element's background and opacity (CSS Compositing 1, "over") into what is behind it. */
function fold(style: Style, behind: Ground): Ground {
  const { a: b } = style.background;
  const o = style.opacity;
  const paint = [style.background.r * b, style.background.g * b, style.background.b * b] as const;
  const each = (read: (i: 0 | 1 | 2) => number) => [read(0), read(1), read(2)] as const;
  const clipped = (style.declared.get('background-clip') ?? style.declared.get('-webkit-background-clip')) === 'text';
  const blends = BLENDS.some(([property, none]) => (style.declared.get(property) ?? none) !== none);
  const covers = b === 1 && o === 1 && style.backgroundKnown;
  const floats = style.position === 'absolute' || style.position === 'fixed';
  const image = isIcon(style) ? null : style.image;
  const certain = image === null && style.backgroundKnown && !blends && !clipped && (covers || (behind.certain && !floats));
  return {
    k: behind.k * o,
    u: each((i) => behind.k * o * paint[i] + behind.u[i] + behind.v[i] * o * b),
    v: each((i) => -behind.k * o * paint[i] + behind.v[i] * o * (1 - b)),
    certain,
    image: clipped ? null : (image ?? (covers ? null : behind.image)),
  };
}

/** An image that stands once beside or behind its text, as large as it is: a sign, and no ground. */
function isIcon({ image, declared }: Style): boolean {
  return (
    image !== null &&
    /url\(/i.test(image) &&
    declared.get('background-repeat') === 'no-repeat' &&
    !/cover|contain|100%/.test(declared.get('background-size') ?? '')
  );
}

const BLENDS = [
  ['mix-blend-mode', 'normal'],
  ['filter', 'none'],
  ['backdrop-filter', 'none'],
] as const;

function seen(ground: Ground, { r, g, b, a }: Colour): Colour {
  const [x, y, z] = [r, g, b].map((channel, i) => Math.min(255, Math.max(0, ground.k * channel * a + ground.u[i]! + ground.v[i]! * a))) as [
    number,
    number,
    number,
  ];
  return { r: x, g: y, b: z, a: 1 };
}

export interface TextColours {
  /** As seen, opaque. */
  color: Colour;
  background: Colour;
  ratio: number;
  /** 3 or 4.5: WCAG 2.2, 1.4.3. */
  required: number;
  /** False where the ground or the colour cannot be known without rendering. */
  certain: boolean;
  /** The image or gradient behind it, when there is one. */
  image: string | null;
  large: boolean;
}

const NOTHING: Colour = { r: 0, g: 0, b: 0, a: 0 };
const colours = fact((): Map<Style, TextColours> => new Map(), carried);

/** The colours of text that stands directly in an element, composited, and the contrast between them. */
export function coloursIn(page: Page, element: ElementNode): TextColours {
  const style = styleOf(page, element);
  const known = colours(page);
  let found = known.get(style);
  if (!found) known.set(style, (found = computeColours(page, style)));
  return found;
}

function computeColours(page: Page, style: Style): TextColours {
  const ground = groundOf(page, style);
  const fill = style.declared.get('-webkit-text-fill-color');
  const background = seen(ground, NOTHING);
  const color = seen(ground, style.color);
  const large = isLarge(style);
  return {
    color,
    background,
    ratio: contrastRatio(color, background),
    required: large ? 3 : 4.5,
    certain: ground.certain && style.colorKnown && (fill === undefined || fill === 'currentcolor'),
    image: ground.image,
    large,
  };
}

/** How far text of another colour would stand out where an element's text stands: what is half clear is composited. */
export function ratioWith(page: Page, element: ElementNode, color: Colour): number {
  const ground = groundOf(page, styleOf(page, element));
  return contrastRatio(seen(ground, color), seen(ground, NOTHING));
}

/** WCAG 2.2's "large scale" text: 18 pt, or 14 pt and bold. 14 pt is 18.67 px; browsers round their sizes, so a hair less will do. */
export function isLarge(style: Pick<Style, 'fontSize' | 'fontWeight'>): boolean {
  return style.fontSize >= 24 || (style.fontSize >= 18.66 && style.fontWeight >= 700);
}

/** Elements whose text a browser replaces or draws in a box of its own. */
const NOT_TEXT = new Set([
  'script',
  'style',
  'iframe',
  'video',
  'audio',
  'canvas',
  'object',
  'textarea',
  'select',
  'option',
  'optgroup',
  'title',
  'noscript',
  'noembed',
  'noframes',
  'template',
  'math',
  'datalist',
  'progress',
  'meter',
]);

/** Text nodes that show text: not blank, not hidden, not replaced. */
export const shownTexts = fact((page: Page): TextNode[] => {
  const replaced: boolean[] = [];
  for (const element of page.elements) {
    const parent = elementParent(element);
    replaced[element.order] =
      (parent !== null && replaced[parent.order]!) || NOT_TEXT.has(element.tag) || (element.space === 'svg' && element.tag === 'svg');
  }
  return page.texts.filter((text) => {
    const parent = elementParent(text);
    if (!parent || replaced[parent.order] || !/[^\s\u00a0\u200b\ufeff\u00ad]/.test(text.text)) return false;
    const style = styleOf(page, parent);
    return !style.gone && style.visible && style.fontSize > 0;
  });
}, carried);
