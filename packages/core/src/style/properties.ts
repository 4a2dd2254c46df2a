import { parseColour, splitTop } from './colour.ts';
import { lookup } from '../source/lookup.ts';

/** One longhand as a style sets it. */
export interface Declared {
  property: string;
  value: string;
  /** Where the value it was written with stands in its sheet: known of what fixes change there. */
  at?: { start: number; end: number };
}

const SIDES = ['top', 'right', 'bottom', 'left'] as const;

const COLOURS = new Set([
  'color',
  'background-color',
  '-webkit-text-fill-color',
  'text-decoration-color',
  ...SIDES.map((side) => `border-${side}-color`),
]);

/** Longhands the engine looks at; a test of their values where a bad one must lose to an earlier good one. */
const KEYWORDS: Record<string, RegExp> = {
  display:
    /^(?:none|contents|block|inline|inline-block|flow-root|list-item|run-in|(?:inline-)?(?:flex|grid|table)|table-[a-z-]+|ruby[a-z-]*|math|-webkit-(?:inline-)?(?:box|flex)|(?:block|inline)(?: [a-z-]+){1,2}|list-item [a-z ]+|flow-root list-item)$/,
  visibility: /^(?:visible|hidden|collapse)$/,
  float: /^(?:none|left|right|inline-start|inline-end)$/,
  position: /^(?:static|relative|absolute|fixed|sticky|-webkit-sticky)$/,
  'text-align': /^(?:left|right|center|justify|start|end|match-parent|justify-all|-webkit-(?:left|right|center|match-parent))$/,
  'text-transform': /^(?:none|(?:capitalize|uppercase|lowercase|full-width|full-size-kana| )+)$/,
  'font-style': /^(?:normal|italic|oblique.*)$/,
  'flex-direction': /^(?:row|column)(?:-reverse)?$/,
  opacity: /^[+-]?(?:\d+\.?\d*|\.\d+)%?$|^calc\(/,
  order: /^[+-]?\d+$|^calc\(/,
  'font-weight': /^(?:normal|bold|bolder|lighter|\d{1,4}(?:\.\d+)?)$/,
  'font-size':
    /^(?:(?:xx-|x-)?small|medium|(?:x-|xx-|xxx-)?large|smaller|larger|math|0|\+?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?(?:px|pt|pc|in|cm|mm|q|em|rem|ex|ch|lh|rlh|cap|ic|vw|vh|vmin|vmax|[sld]v[wh]|%)|(?:calc|min|max|clamp)\(.*\))$/,
};

const FREE = new Set([
  'background-image',
  'background-clip',
  'background-repeat',
  'direction',
  'background-size',
  '-webkit-background-clip',
  'font-family',
  'text-decoration-line',
  'list-style-type',
  'list-style-image',
  'clip',
  'clip-path',
  'overflow',
  'overflow-x',
  'width',
  'min-width',
  'height',
  'mix-blend-mode',
  'filter',
  'content',
  'text-shadow',
  'letter-spacing',
  'white-space',
  'left',
  'top',
  'right',
  'text-indent',
  'margin-left',
  'margin-right',
  'padding-left',
  'animation-name',
  'transform',
  'rotate',
  'backdrop-filter',
  'outline-style',
  'outline-width',
  'max-width',
  'line-height',
  'content-visibility',
  'box-shadow',
  'scale',
  ...SIDES.flatMap((side) => [`border-${side}-width`, `border-${side}-style`]),
]);

const SHORTHANDS: Record<string, (value: string) => Declared[]> = {
  background: expandBackground,
  font: expandFont,
  border: (value) => SIDES.flatMap((side) => expandBorderSide(side, value)),
  ...Object.fromEntries(SIDES.map((side) => [`border-${side}`, (value: string) => expandBorderSide(side, value)])),
  'border-color': (value) => expandSides('color', value),
  'border-style': (value) => expandSides('style', value),
  'border-width': (value) => expandSides('width', value),
  'text-decoration': expandDecoration,
  'list-style': expandListStyle,
  'flex-flow': (value) => declared('flex-direction', value.split(/\s+/).find((part) => KEYWORDS['flex-direction']!.test(part)) ?? 'row'),
  margin: (value) => expandBox('margin', value),
  padding: (value) => expandBox('padding', value),
  outline: (value) => expandBorderLike('outline', value, false),
  'border-bottom-color': (value) => declared('border-bottom-color', value),
  '-webkit-opacity': (value) => declared('opacity', value),
};

const WIDE = new Set(['inherit', 'initial', 'unset', 'revert', 'revert-layer']);

/** Whether the engine has a use for a property. */
export function isTracked(property: string): boolean {
  return (
    property.startsWith('--') ||
    Object.hasOwn(KEYWORDS, property) ||
    COLOURS.has(property) ||
    FREE.has(property) ||
    Object.hasOwn(SHORTHANDS, property) ||
    property === 'all'
  );
}

/** The longhands a declaration sets; none when its value is not valid. With var() inside it waits until that is known. */
export function expandDeclaration(property: string, written: string): Declared[] {
  if (property.startsWith('--')) return [{ property, value: written }];
  const value =
    property === 'content' || property === 'font-family' || property === 'background-image' || property === 'background'
      ? written
      : written.toLowerCase();
  if (value === '') return [];
  if (/var\(/i.test(value)) return [{ property, value }];
  const expand = lookup(SHORTHANDS, property);
  if (expand && !WIDE.has(value)) return expand(value);
  if (expand) return shorthandLonghands(property).map((name) => ({ property: name, value }));
  return isValid(property, value) ? [{ property, value }] : [];
}

function isValid(property: string, value: string): boolean {
  if (WIDE.has(value)) return true;
  if (COLOURS.has(property)) return isColour(value);
  return lookup(KEYWORDS, property)?.test(value) ?? true;
}

/** Legal as a colour, also where we cannot say which it is: browsers take it, so it must win. */
function isColour(value: string): boolean {
  return (
    value === 'currentcolor' ||
    parseColour(value) !== null ||
    /^(?:color|color-mix|light-dark|rgba?|hsla?|hwb|oklch|oklab|lab|lch|contrast-color)\(.*(?:from |calc\(|in )/.test(value) ||
    value === '-webkit-link' ||
    value === 'accentcolor'
  );
}

function shorthandLonghands(property: string): string[] {
  const sample: Record<string, string> = {
    background: 'none',
    font: '1px x',
    'text-decoration': 'none',
    'list-style': 'none',
    border: '0',
    'flex-flow': 'row',
    margin: '0',
    padding: '0',
    outline: '0',
  };
  return (lookup(SHORTHANDS, property)!(lookup(sample, property) ?? '0') ?? []).map((one) => one.property);
}

function declared(property: string, value: string): Declared[] {
  return isValid(property, value) ? [{ property, value }] : [];
}

const IMAGE = /(?:url|gradient|image-set|cross-fade|element|paint)\s*\(/i;

function expandBackground(value: string): Declared[] {
  const layers = splitTop(value, ',');
  const last = layers.at(-1);
  if (last === undefined) return [];
  const words = splitTop(last.replace(/\//g, ' / '), ' ').filter((word) => !IMAGE.test(word));
  const colour = words.find((word) => isColour(word.toLowerCase()));
  const bad = words.some((word) => /^#/.test(word) && !isColour(word.toLowerCase()));
  if (bad) return [];
  const images = layers.flatMap((layer) => splitTop(layer, ' ').filter((word) => IMAGE.test(word)));
  const clip = words.includes('text') ? 'text' : 'border-box';
  return [
    { property: 'background-color', value: colour?.toLowerCase() ?? 'transparent' },
    { property: 'background-image', value: images.length > 0 ? images.join(', ') : 'none' },
    { property: 'background-clip', value: clip },
    { property: 'background-repeat', value: /no-repeat/i.test(value) ? 'no-repeat' : 'repeat' },
    { property: 'background-size', value: /\/\s*(?:cover|contain|100%)/i.test(value) ? 'cover' : 'auto' },
  ];
}

function expandFont(value: string): Declared[] {
  if (/^(?:caption|icon|menu|message-box|small-caption|status-bar)$/.test(value))
    return [
      { property: 'font-size', value: '13.3333px' },
      { property: 'font-weight', value: 'normal' },
      { property: 'font-style', value: 'normal' },
      { property: 'font-family', value: 'system-ui' },
    ];
  const words = splitTop(value.replace(/\s*\/\s*/g, '/'), ' ');
  const at = words.findIndex((word) => KEYWORDS['font-size']!.test(word.split('/')[0]!));
  if (at < 0 || at === words.length - 1) return [];
  // A bare number before the size is the weight; `0` alone would be read as a size.
  const before = words.slice(0, at);
  const weight = before.find((word) => KEYWORDS['font-weight']!.test(word) && word !== 'normal') ?? 'normal';
  return [
    { property: 'font-style', value: before.find((word) => /^(?:italic|oblique)$/.test(word)) ?? 'normal' },
    { property: 'font-weight', value: weight },
    { property: 'font-size', value: words[at]!.split('/')[0]! },
    { property: 'line-height', value: words[at]!.split('/')[1] ?? 'normal' },
    { property: 'font-family', value: words.slice(at + 1).join(' ') },
  ];
}

const LINE_STYLES = new Set(['none', 'hidden', 'dotted', 'dashed', 'solid', 'double', 'groove', 'ridge', 'inset', 'outset']);

function expandBorderSide(side: string, value: string): Declared[] {
  return expandBorderLike(`border-${side}`, value, true);
}

function expandBorderLike(prefix: string, value: string, withColour: boolean): Declared[] {
  const words = splitTop(value, ' ');
  const style = words.find((word) => LINE_STYLES.has(word)) ?? 'none';
  const colour = words.find((word) => isColour(word)) ?? 'currentcolor';
  const width = words.find((word) => /^[\d.]|^(?:thin|medium|thick|calc)/.test(word)) ?? 'medium';
  const all = [
    { property: `${prefix}-width`, value: width },
    { property: `${prefix}-style`, value: style },
  ];
  return withColour ? [...all, { property: `${prefix}-color`, value: colour }] : all;
}

function expandSides(kind: 'color' | 'style' | 'width', value: string): Declared[] {
  const [top, right = top, bottom = top, left = right] = splitTop(value, ' ');
  if (top === undefined || (kind === 'color' && [top, right, bottom, left].some((one) => !isColour(one!)))) return [];
  return SIDES.map((side, i) => ({ property: `border-${side}-${kind}`, value: [top, right, bottom, left][i]! }));
}

function expandBox(name: 'margin' | 'padding', value: string): Declared[] {
  const [top, right = top, , left = right] = splitTop(value, ' ');
  if (top === undefined) return [];
  const all = [{ property: `${name}-left`, value: left! }];
  return name === 'margin' ? [...all, { property: 'margin-right', value: right! }] : all;
}

function expandDecoration(value: string): Declared[] {
  const lines = value.split(/\s+/).filter((word) => ['underline', 'overline', 'line-through', 'blink'].includes(word));
  return [{ property: 'text-decoration-line', value: lines.length > 0 ? lines.join(' ') : 'none' }];
}

function expandListStyle(value: string): Declared[] {
  const words = splitTop(value, ' ');
  const type = words.find((word) => !IMAGE.test(word) && word !== 'inside' && word !== 'outside') ?? 'disc';
  return [
    { property: 'list-style-type', value: type },
    { property: 'list-style-image', value: words.find((word) => IMAGE.test(word)) ?? 'none' },
  ];
}
