import { BLACK, CLEAR, parseColour, type Colour } from './colour.ts';
import { DESKTOP } from './media.ts';
import { lookup } from '../source/lookup.ts';
import { greatest, least } from '../source/lists.ts';

/** How one or more elements are dressed: equal elements under equally dressed parents share one. */
export interface Style {
  readonly parent: Style | null;
  readonly color: Colour;
  readonly background: Colour;
  /** Value of background-image other than none. */
  readonly image: string | null;
  readonly opacity: number;
  /** px. */
  readonly fontSize: number;
  readonly fontWeight: number;
  readonly italic: boolean;
  readonly family: string;
  readonly display: string;
  /** display: none, here or above. */
  readonly gone: boolean;
  /** `visibility` is visible. */
  readonly visible: boolean;
  readonly textAlign: string;
  readonly textTransform: string;
  /** Underlined by itself or by an element around it. */
  readonly underlined: boolean;
  readonly struck: boolean;
  readonly float: string;
  readonly position: string;
  readonly listStyle: string;
  /** Declared values by longhand, var() put in, for what is looked at more rarely. */
  readonly declared: ReadonlyMap<string, string>;
  readonly custom: ReadonlyMap<string, string> | null;
  /** False where a colour is set in a way we cannot compute. */
  readonly colorKnown: boolean;
  readonly backgroundKnown: boolean;
  /** For the monospace adjustment of browsers: the size does not go back to a length or keyword other than the default. */
  readonly absoluteSize: boolean;
  readonly keywordSize: string | null;
  /** Styles of children, by what sets them apart. */
  readonly below: Map<string, Style>;
}

const NO_DECLARATIONS: ReadonlyMap<string, string> = new Map();

export function initialStyle(): Style {
  return {
    parent: null,
    color: BLACK,
    background: CLEAR,
    image: null,
    opacity: 1,
    fontSize: 16,
    fontWeight: 400,
    italic: false,
    family: 'serif',
    display: 'inline',
    gone: false,
    visible: true,
    textAlign: 'start',
    textTransform: 'none',
    underlined: false,
    struck: false,
    float: 'none',
    position: 'static',
    listStyle: 'disc',
    declared: NO_DECLARATIONS,
    custom: null,
    colorKnown: true,
    backgroundKnown: true,
    absoluteSize: false,
    keywordSize: 'medium',
    below: new Map(),
  };
}

const INHERITED_WORDS = new Set(['inherit', 'unset', 'revert', 'revert-layer']);

/** What an element computes from its parent's style and its own declarations (CSS Cascade 5, 4.4). `rootSize`: px of 1rem. */
export function computeStyle(
  parent: Style,
  declared: ReadonlyMap<string, string>,
  custom: ReadonlyMap<string, string> | null,
  rootSize: number,
): Style {
  const inherited = (property: string) => {
    const value = declared.get(property);
    return value === undefined || INHERITED_WORDS.has(value) ? undefined : value;
  };
  /** Of a property that is not inherited by itself. */
  const own = <T>(property: string, above: T, initial: T, read: (value: string) => T): T => {
    const value = declared.get(property);
    if (value === 'inherit') return above;
    return value === undefined || value === 'initial' || INHERITED_WORDS.has(value) ? initial : read(value);
  };
  const font = computeFont(parent, inherited, rootSize);
  const colour = computeColour(parent, inherited('color'));
  const display = own('display', parent.display, 'inline', (value) => value);
  const decoration = own('text-decoration-line', parent.declared.get('text-decoration-line') ?? 'none', 'none', (value) => value);
  const position = own('position', parent.position, 'static', (value) => value);
  const float = own('float', parent.float, 'none', (value) => value);
  // Decorations pass to what is inside, but not into boxes of their own.
  const passed = !(
    float !== 'none' ||
    position === 'absolute' ||
    position === 'fixed' ||
    display === 'inline-block' ||
    display === 'inline-table'
  );
  return {
    parent,
    ...font,
    ...colour,
    ...computeBackground(parent, declared.get('background-color'), colour.color),
    image: own('background-image', parent.image, null, (value) => (value === 'none' ? null : value)),
    opacity: own('opacity', parent.opacity, 1, opacityIn),
    italic: keyword(inherited('font-style'), parent.italic, (value) => value !== 'normal' && value !== 'initial'),
    display,
    gone: parent.gone || display === 'none',
    visible: keyword(inherited('visibility'), parent.visible, (value) => value === 'visible' || value === 'initial'),
    textAlign: keyword(inherited('text-align'), parent.textAlign, (value) => alignmentIn(value, parent.textAlign)),
    textTransform: keyword(inherited('text-transform'), parent.textTransform, (value) => (value === 'initial' ? 'none' : value)),
    underlined: (passed && parent.underlined) || decoration.includes('underline'),
    struck: (passed && parent.struck) || decoration.includes('line-through'),
    float,
    position,
    listStyle: keyword(inherited('list-style-type'), parent.listStyle, (value) => (value === 'initial' ? 'disc' : value)),
    declared,
    custom,
    below: new Map(),
  };
}

function computeBackground(parent: Style, value: string | undefined, color: Colour): Pick<Style, 'background' | 'backgroundKnown'> {
  if (value === undefined || value === 'initial') return { background: CLEAR, backgroundKnown: true };
  if (value === 'inherit') return { background: parent.background, backgroundKnown: parent.backgroundKnown };
  if (INHERITED_WORDS.has(value)) return { background: CLEAR, backgroundKnown: true };
  const background = value === 'currentcolor' ? color : parseColour(value);
  return { background: background ?? CLEAR, backgroundKnown: background !== null };
}

function opacityIn(value: string): number {
  const number = value.endsWith('%') ? parseFloat(value) / 100 : parseFloat(value);
  return Number.isNaN(number) ? 1 : Math.min(1, Math.max(0, number));
}

/** Header cells are centred unless text around them is aligned by an author. */
function alignmentIn(value: string, above: string): string {
  if (value === 'initial') return 'start';
  if (value !== '-internal-center') return value;
  return above === 'start' ? 'center' : above;
}

function keyword<T>(value: string | undefined, above: T, read: (value: string) => T): T {
  return value === undefined ? above : read(value);
}

function computeColour(parent: Style, value: string | undefined): Pick<Style, 'color' | 'colorKnown'> {
  if (value === undefined || value === 'currentcolor') return { color: parent.color, colorKnown: parent.colorKnown };
  if (value === 'initial') return { color: BLACK, colorKnown: true };
  if (value === '-quirk') return quirkColour(parent);
  const colour = parseColour(value);
  return colour ? { color: colour, colorKnown: true } : { color: parent.color, colorKnown: false };
}

/** Tables of pages with no doctype take the colour of the body, not of what is between. */
function quirkColour(parent: Style): Pick<Style, 'color' | 'colorKnown'> {
  let body = parent;
  while (body.parent?.parent?.parent) body = body.parent;
  return { color: body.color, colorKnown: body.colorKnown };
}

const SIZES: Record<string, number> = {
  'xx-small': 9,
  'x-small': 10,
  small: 13,
  medium: 16,
  large: 18,
  'x-large': 24,
  'xx-large': 32,
  'xxx-large': 48,
};
/** What browsers make of the keywords where the font is monospace and the default 13 px. */
const MONO_SIZES: Record<string, number> = {
  'xx-small': 9,
  'x-small': 9,
  small: 10,
  medium: 13,
  large: 16,
  'x-large': 20,
  'xx-large': 26,
  'xxx-large': 39,
};

function isMono(family: string): boolean {
  return family.trim().toLowerCase() === 'monospace';
}

function computeFont(
  parent: Style,
  inherited: (property: string) => string | undefined,
  rootSize: number,
): Pick<Style, 'fontSize' | 'fontWeight' | 'family' | 'absoluteSize' | 'keywordSize'> {
  const named = inherited('font-family');
  const family = named === undefined ? parent.family : named === 'initial' ? 'serif' : named;
  const size = sizeOf(parent, inherited('font-size'), rootSize);
  // Browsers shrink text that turns monospace by their 13 to 16 px defaults, unless the size goes back to a set length.
  if (isMono(family) !== isMono(parent.family) && !size.absoluteSize) {
    if (size.keywordSize) size.fontSize = lookup(isMono(family) ? MONO_SIZES : SIZES, size.keywordSize)!;
    else size.fontSize = isMono(family) ? (size.fontSize * 13) / 16 : (size.fontSize * 16) / 13;
  } else if (size.keywordSize && isMono(family)) size.fontSize = lookup(MONO_SIZES, size.keywordSize)!;
  return { family, fontWeight: weightOf(parent.fontWeight, inherited('font-weight')), ...size };
}

function sizeOf(
  parent: Style,
  value: string | undefined,
  rootSize: number,
): { fontSize: number; absoluteSize: boolean; keywordSize: string | null } {
  const as = (fontSize: number, absoluteSize: boolean, keywordSize: string | null = null) => ({
    fontSize: Math.min(10_000, Math.max(0, fontSize)),
    absoluteSize,
    keywordSize,
  });
  if (value === undefined) return as(parent.fontSize, parent.absoluteSize, parent.keywordSize);
  if (value === 'initial') return as(16, false, 'medium');
  if (Object.hasOwn(SIZES, value)) return as(lookup(SIZES, value)!, false, value);
  if (value === 'larger') return as(parent.fontSize * 1.2, parent.absoluteSize);
  if (value === 'smaller') return as(parent.fontSize / 1.2, parent.absoluteSize);
  const length = lengthOf(value, parent.fontSize, rootSize);
  if (length === null) return as(parent.fontSize, parent.absoluteSize, parent.keywordSize);
  return as(length, parent.absoluteSize || !/(?:em|%|ex|ch)$/.test(value) || value.endsWith('rem') || value.includes('('));
}

const UNITS: Record<string, number> = {
  px: 1,
  pt: 4 / 3,
  pc: 16,
  in: 96,
  cm: 96 / 2.54,
  mm: 96 / 25.4,
  q: 96 / 101.6,
  vw: DESKTOP.width / 100,
  vh: DESKTOP.height / 100,
  vmin: DESKTOP.height / 100,
  vmax: DESKTOP.width / 100,
  svw: DESKTOP.width / 100,
  lvw: DESKTOP.width / 100,
  dvw: DESKTOP.width / 100,
  svh: DESKTOP.height / 100,
  lvh: DESKTOP.height / 100,
  dvh: DESKTOP.height / 100,
};

/** A CSS length in px, calc() and its like included; percentages of `em`. Null for what cannot be computed without layout. */
export function lengthOf(value: string, em: number, rootSize: number): number | null {
  const simple = /^([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)([a-z]+|%)?$/.exec(value);
  if (simple) return lengthIn(Number(simple[1]), simple[2] ?? '', em, rootSize);
  return calculate(value, em, rootSize);
}

function lengthIn(number: number, unit: string, em: number, rootSize: number): number | null {
  if (unit === '') return number === 0 ? 0 : null;
  if (unit === 'em') return number * em;
  if (unit === 'rem') return number * rootSize;
  if (unit === '%') return (number / 100) * em;
  if (unit === 'ex' || unit === 'ch') return number * em * 0.5;
  return Object.hasOwn(UNITS, unit) ? number * lookup(UNITS, unit)! : null;
}

/** calc(), min(), max() and clamp() of lengths (CSS Values 4, 10), numbers allowed as factors. */
function calculate(text: string, em: number, rootSize: number): number | null {
  const tokens = text.match(/[a-z-]+\(|\d*\.?\d+(?:e[+-]?\d+)?(?:[a-z]+|%)?|[-+*/(),]/g);
  if (!tokens || tokens.length > 400) return null;
  let at = 0;
  const product = (): number => {
    let value = factor();
    while (tokens[at] === '*' || tokens[at] === '/') value = tokens[at++] === '*' ? value * factor() : value / factor();
    return value;
  };
  const sum = (): number => {
    let value = product();
    while (tokens[at] === '+' || tokens[at] === '-') value = tokens[at++] === '+' ? value + product() : value - product();
    return value;
  };
  const list = (): number[] => {
    const values = [sum()];
    while (tokens[at] === ',') {
      at++;
      values.push(sum());
    }
    at++;
    return values;
  };
  const factor = (): number => {
    const token = tokens[at++];
    if (token === undefined) return NaN;
    if (token === '-') return -factor();
    if (token === '+') return factor();
    if (token.endsWith('(')) return applied(token, list());
    const parts = /^([\d.]+(?:e[+-]?\d+)?)([a-z]+|%)?$/.exec(token);
    if (!parts) return NaN;
    return parts[2] === undefined ? Number(parts[1]) : (lengthIn(Number(parts[1]), parts[2], em, rootSize) ?? NaN);
  };
  const value = sum();
  return Number.isFinite(value) && at >= tokens.length ? value : null;
}

function applied(name: string, values: number[]): number {
  if (name === '(' || name === 'calc(') return values[0]!;
  if (name === 'min(') return least(values);
  if (name === 'max(') return greatest(values);
  if (name === 'clamp(') return Math.max(values[0]!, Math.min(values[1]!, values[2]!));
  return NaN;
}

/** CSS Fonts 4, 2.4.1: relative weights. */
function weightOf(above: number, value: string | undefined): number {
  switch (value) {
    case undefined:
      return above;
    case 'normal':
    case 'initial':
      return 400;
    case 'bold':
      return 700;
    case 'bolder':
      return above < 350 ? 400 : above < 550 ? 700 : above < 900 ? 900 : above;
    case 'lighter':
      return above < 100 ? above : above < 550 ? 100 : above < 750 ? 400 : 700;
    default: {
      const number = Number(value);
      return number >= 1 && number <= 1000 ? number : above;
    }
  }
}
