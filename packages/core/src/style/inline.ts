// eslint-disable-next-line @typescript-eslint/triple-slash-reference -- whoever compiles this file needs the declarations, and they cannot be imported
/// <reference path="./css-tree.d.ts" />
import generate from 'css-tree/generator';
import parse from 'css-tree/parser';
import { valueOf, type ElementNode } from '../document/tree.ts';
import { expandDeclaration, isTracked, type Declared } from './properties.ts';
import { append } from '../source/lists.ts';

export type Declarations = ReadonlyMap<string, string>;

const NONE: Declarations = new Map();
const LONGEST_STYLE = 20_000;
const known = new Map<string, Inline>();
const KEPT = 2_000;

interface Inline {
  written: Declarations;
  normal: readonly Declared[];
  important: readonly Declared[];
}

const EMPTY: Inline = { written: NONE, normal: [], important: [] };

/** The declarations of a style attribute: property (lower case) → value as written, the last one winning. Bad CSS is skipped. */
export function inlineStyle(element: ElementNode): Declarations {
  return readInline(element).written;
}

/** The longhands of a style attribute, as the cascade takes them. */
export function inlineDeclarations(element: ElementNode): Pick<Inline, 'normal' | 'important'> {
  return readInline(element);
}

function readInline(element: ElementNode): Inline {
  const written = element.attributes.length > 0 ? valueOf(element, 'style') : null;
  if (written === null || written.length > LONGEST_STYLE) return EMPTY;
  const seen = known.get(written);
  if (seen) return seen;
  if (known.size >= KEPT) known.clear();
  const read = readDeclarations(written);
  known.set(written, read);
  return read;
}

function readDeclarations(text: string): Inline {
  const written = new Map<string, string>();
  const beaten = new Set<string>();
  const normal: Declared[] = [];
  const important: Declared[] = [];
  const tree = parse(text, { context: 'declarationList', parseValue: false, parseCustomProperty: false, onParseError: () => undefined });
  if (tree.type !== 'DeclarationList') return EMPTY;
  tree.children.forEach((node) => {
    if (node.type !== 'Declaration') return;
    const property = node.property.startsWith('--') ? node.property : node.property.toLowerCase();
    const value = (node.value.type === 'Raw' ? node.value.value : generate(node.value)).trim();
    if (isTracked(property)) append(node.important ? important : normal, expandDeclaration(property, value));
    if (beaten.has(property) && !node.important) return;
    if (node.important) beaten.add(property);
    written.set(property, value.toLowerCase());
  });
  return { written, normal, important };
}
