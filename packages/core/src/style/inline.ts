// eslint-disable-next-line @typescript-eslint/triple-slash-reference -- whoever compiles this file needs the declarations, and they cannot be imported
/// <reference path="./css-tree.d.ts" />
import generate from 'css-tree/generator';
import parse from 'css-tree/parser';
import { valueOf, type ElementNode } from '../document/tree.ts';

export type Declarations = ReadonlyMap<string, string>;

const NONE: Declarations = new Map();
const LONGEST_STYLE = 20_000;
const known = new Map<string, Declarations>();
const KEPT = 2_000;

/** The declarations of a style attribute: property (lower case) → value as written, the last one winning. Bad CSS is skipped. */
export function inlineStyle(element: ElementNode): Declarations {
  const written = valueOf(element, 'style');
  if (written === null || written.length > LONGEST_STYLE) return NONE;
  const seen = known.get(written);
  if (seen) return seen;
  if (known.size >= KEPT) known.clear();
  const read = readDeclarations(written);
  known.set(written, read);
  return read;
}

function readDeclarations(written: string): Declarations {
  const found = new Map<string, string>();
  const important = new Set<string>();
  const tree = parse(written, { context: 'declarationList', parseValue: false });
  if (tree.type !== 'DeclarationList') return NONE;
  tree.children.forEach((node) => {
    if (node.type !== 'Declaration') return;
    const property = node.property.toLowerCase();
    if (important.has(property) && !node.important) return;
    if (node.important) important.add(property);
    found.set(property, generate(node.value).trim().toLowerCase());
  });
  return found;
}

/** Bold as CSS means it: 600 and above, or the keywords. Undefined when the style says nothing of weight. */
export function inlineBold(style: Declarations): boolean | undefined {
  const value = style.get('font-weight') ?? /\b(bold|bolder|[1-9]00)\b/.exec(style.get('font') ?? '')?.[0];
  if (value === undefined) return undefined;
  if (value === 'bold' || value === 'bolder') return true;
  const number = Number(value);
  return Number.isFinite(number) ? number >= 600 : value === 'normal' || value === 'lighter' ? false : undefined;
}

const TO_PX: Record<string, number> = { px: 1, pt: 4 / 3, pc: 16, in: 96, cm: 96 / 2.54, mm: 96 / 25.4 };
const KEYWORDS: Record<string, number> = {
  'xx-small': 9, 'x-small': 10, small: 13, medium: 16, large: 18, 'x-large': 24, 'xx-large': 32, 'xxx-large': 48,
};

/** Font size in px where `parent` px is inherited, after CSS Fonts 4; undefined when the style sets none we can read. */
export function inlineFontSize(style: Declarations, parent: number): number | undefined {
  const value = style.get('font-size');
  if (value === undefined) return undefined;
  if (value in KEYWORDS) return KEYWORDS[value];
  if (value === 'larger') return parent * 1.2;
  if (value === 'smaller') return parent / 1.2;
  const parts = /^([\d.]+)([a-z%]+)$/.exec(value);
  if (!parts) return undefined;
  const number = Number(parts[1]);
  const unit = parts[2]!;
  if (unit === 'em') return number * parent;
  if (unit === 'rem') return number * 16;
  if (unit === '%') return (number / 100) * parent;
  return unit in TO_PX ? number * TO_PX[unit]! : undefined;
}
