// eslint-disable-next-line @typescript-eslint/triple-slash-reference -- whoever compiles this file needs the declarations, and they cannot be imported
/// <reference path="./css-tree.d.ts" />
import generate from 'css-tree/generator';
import type { CssNode, List, PseudoClassSelector, PseudoElementSelector, SelectorList } from 'css-tree';
import { has, valueOf, type ElementNode } from '../document/tree.ts';
import { PSEUDO_TESTS } from './pseudoClasses.ts';
import { lookup } from '../source/lookup.ts';

/** One condition on an element. */
export type Simple =
  | { kind: 'tag' | 'id' | 'class'; name: string }
  | { kind: 'attribute'; name: string; matcher: string | null; value: string; ignoreCase: boolean }
  | { kind: 'any'; not: boolean; list: readonly Complex[] }
  | { kind: 'has'; list: readonly Complex[] }
  | { kind: 'nth'; a: number; b: number; last: boolean; ofType: boolean; of: readonly Complex[] | null }
  | { kind: 'lang'; ranges: readonly string[] }
  | { kind: 'test'; passes: (element: ElementNode) => boolean };

export type Combinator = ' ' | '>' | '+' | '~';

/** A selector: compounds from left to right with the combinators between them. A leading one only inside :has(). */
export interface Complex {
  compounds: readonly (readonly Simple[])[];
  combinators: readonly Combinator[];
  leading: Combinator;
  pseudoElement: 'before' | 'after' | 'placeholder' | null;
  specificity: number;
  /** Hashes of names that some ancestor must bear. */
  ancestors: readonly number[];
}

const ID = 1_000_000;
const CLASS = 1_000;

/** How a list is read: `relative` selectors may begin with a combinator, a `forgiving` list leaves out what it does not understand. */
type Reading = 'strict' | 'relative' | 'forgiving';

/** Compiles a selector list of css-tree. `parent` stands for `&`. Null when any part is not understood: browsers drop such a rule. */
export function compileSelectors(list: SelectorList, parent: readonly Complex[] | null, reading: Reading = 'strict'): Complex[] | null {
  const compiled: Complex[] = [];
  for (const selector of list.children.toArray()) {
    const complex = selector.type === 'Selector' ? compileOne(selector.children.toArray(), parent, reading === 'relative') : null;
    if (!complex && reading !== 'forgiving') return null;
    if (complex && complex !== 'silent') compiled.push(complex);
  }
  return compiled;
}

interface Draft {
  compounds: Simple[][];
  combinators: Combinator[];
  leading: Combinator | null;
  pseudoElement: Complex['pseudoElement'];
  specificity: number;
}

/** `silent`: valid, but of a part of the page that is not drawn from the source (::selection and its like). */
function compileOne(nodes: readonly CssNode[], parent: readonly Complex[] | null, relative: boolean): Complex | 'silent' | null {
  const draft: Draft = { compounds: [[]], combinators: [], leading: null, pseudoElement: null, specificity: 0 };
  const nests = parent !== null && !nodes.some((node) => node.type === 'NestingSelector');
  if (nests) {
    draft.compounds[0]!.push({ kind: 'any', not: false, list: parent });
    draft.specificity += highest(parent);
    if (nodes[0]?.type !== 'Combinator') nextCompound(draft, ' ');
  }
  for (const node of nodes) {
    if (node.type === 'Combinator') {
      const sign = (node.name.trim() || ' ') as Combinator;
      if (!' >+~'.includes(sign)) return null;
      if (node !== nodes[0] || nests) nextCompound(draft, sign);
      else if (relative) draft.leading = sign;
      else return null;
    } else if (isPseudoElement(node)) {
      const name = node.name.toLowerCase();
      if (name !== 'before' && name !== 'after' && name !== 'placeholder') return 'silent';
      draft.pseudoElement = name;
      draft.specificity += 1;
    } else if (!addSimple(draft, node, parent)) return null;
  }
  return { ...draft, leading: draft.leading ?? ' ', ancestors: ancestorHashes(draft) };
}

const OLD_PSEUDO_ELEMENTS = new Set(['before', 'after', 'first-line', 'first-letter']);

function isPseudoElement(node: CssNode): node is PseudoElementSelector | PseudoClassSelector {
  return node.type === 'PseudoElementSelector' || (node.type === 'PseudoClassSelector' && OLD_PSEUDO_ELEMENTS.has(node.name.toLowerCase()));
}

function nextCompound(draft: Draft, combinator: Combinator): void {
  draft.combinators.push(combinator);
  draft.compounds.push([]);
}

function addSimple(draft: Draft, node: CssNode, parent: readonly Complex[] | null): boolean {
  const simples = draft.compounds.at(-1)!;
  const add = (simple: Simple, weight: number) => {
    simples.push(simple);
    draft.specificity += weight;
    return true;
  };
  switch (node.type) {
    case 'TypeSelector': {
      const name = node.name.replace(/^.*\|/, '').toLowerCase();
      return name === '*' ? true : add({ kind: 'tag', name }, 1);
    }
    case 'IdSelector':
      return add({ kind: 'id', name: node.name }, ID);
    case 'ClassSelector':
      return add({ kind: 'class', name: node.name }, CLASS);
    case 'AttributeSelector': {
      const value = node.value ? (node.value.type === 'String' ? node.value.value : node.value.name) : '';
      return add(
        {
          kind: 'attribute',
          name: node.name.name.toLowerCase(),
          matcher: node.matcher,
          value,
          ignoreCase: node.flags?.toLowerCase() === 'i' || CASELESS_ATTRIBUTES.has(node.name.name.toLowerCase()),
        },
        CLASS,
      );
    }
    case 'NestingSelector':
      return parent
        ? add({ kind: 'any', not: false, list: parent }, highest(parent))
        : add({ kind: 'test', passes: PSEUDO_TESTS.root! }, CLASS);
    case 'PseudoClassSelector':
      return addPseudo(node.name.toLowerCase(), node.children, add, parent);
    default:
      return false;
  }
}

/** Attributes whose values HTML compares without case in selectors, of those pages style by. */
const CASELESS_ATTRIBUTES = new Set([
  'type',
  'align',
  'lang',
  'dir',
  'method',
  'rel',
  'rev',
  'media',
  'face',
  'color',
  'bgcolor',
  'valign',
  'scope',
  'shape',
  'checked',
  'disabled',
  'selected',
]);

type Add = (simple: Simple, weight: number) => boolean;

function addPseudo(name: string, children: List<CssNode> | null, add: Add, parent: readonly Complex[] | null): boolean {
  const test = lookup(PSEUDO_TESTS, name);
  if (test) return add({ kind: 'test', passes: test }, CLASS);
  const first = children?.first;
  if (lookup(NTH, name)) return first?.type === 'Nth' && addNth(name, first, add, parent);
  const fixed = lookup(FIXED_NTH, name);
  if (fixed) return fixed.every((simple, i) => add(simple, i === 0 ? CLASS : 0));
  if (name === 'lang' || name === 'dir') return addLanguage(name, children, add);
  return MATCHING.has(name) && first?.type === 'SelectorList' && addMatching(name, first, add, parent);
}

function addLanguage(name: 'lang' | 'dir', children: List<CssNode> | null, add: Add): boolean {
  const ranges = (children?.toArray() ?? [])
    .map((child) => generate(child).replace(/["']/g, '').toLowerCase())
    .filter((range) => range !== ',');
  return name === 'dir' ? add({ kind: 'test', passes: () => ranges[0] === 'ltr' }, CLASS) : add({ kind: 'lang', ranges }, CLASS);
}

/** :is(), :where(), :not() and :has(). */
function addMatching(name: string, first: SelectorList, add: Add, parent: readonly Complex[] | null): boolean {
  const forgiving = name === 'is' || name === 'where';
  const list = compileSelectors(
    first,
    name !== 'has' && parent && usesNesting(first) ? parent : null,
    name === 'has' ? 'relative' : forgiving ? 'forgiving' : 'strict',
  );
  if (!list) return false;
  if (name === 'has') return add({ kind: 'has', list }, highest(list));
  return add({ kind: 'any', not: name === 'not', list }, name === 'where' ? 0 : highest(list));
}

const MATCHING = new Set(['is', 'where', 'not', 'has', 'matches', '-webkit-any', '-moz-any']);

function usesNesting(list: SelectorList): boolean {
  return generate(list).includes('&');
}

type NthSimple = Extract<Simple, { kind: 'nth' }>;
const nth = (a: number, b: number, last: boolean, ofType: boolean): NthSimple => ({ kind: 'nth', a, b, last, ofType, of: null });
const NTH: Record<string, NthSimple> = {
  'nth-child': nth(0, 0, false, false),
  'nth-last-child': nth(0, 0, true, false),
  'nth-of-type': nth(0, 0, false, true),
  'nth-last-of-type': nth(0, 0, true, true),
};
const FIXED_NTH: Record<string, NthSimple[]> = {
  'first-child': [nth(0, 1, false, false)],
  'last-child': [nth(0, 1, true, false)],
  'only-child': [nth(0, 1, false, false), nth(0, 1, true, false)],
  'first-of-type': [nth(0, 1, false, true)],
  'last-of-type': [nth(0, 1, true, true)],
  'only-of-type': [nth(0, 1, false, true), nth(0, 1, true, true)],
};

function addNth(name: string, node: Extract<CssNode, { type: 'Nth' }>, add: Add, parent: readonly Complex[] | null): boolean {
  const formula = node.nth;
  const [a, b] =
    formula.type === 'Identifier' ? [2, formula.name.toLowerCase() === 'odd' ? 1 : 0] : [Number(formula.a ?? 0), Number(formula.b ?? 0)];
  const of = node.selector ? compileSelectors(node.selector, parent) : null;
  if (node.selector && !of) return false;
  return add({ ...lookup(NTH, name)!, a, b, of }, CLASS + (of ? highest(of) : 0));
}

function highest(list: readonly Complex[]): number {
  return list.reduce((most, complex) => Math.max(most, complex.specificity), 0);
}

/** A small hash of a name, for the filter of ancestors. */
export function filterHash(kind: '#' | '.' | '<', name: string): number {
  let hash = kind.charCodeAt(0);
  for (let i = 0; i < name.length; i++) hash = (Math.imul(hash, 31) + name.charCodeAt(i)) | 0;
  return (hash ^ (hash >>> 13)) & 4095;
}

const SIGNS = { id: '#', class: '.', tag: '<' } as const;

function ancestorHashes({ compounds, combinators }: Draft): number[] {
  const hashes: number[] = [];
  let above = false;
  for (let i = compounds.length - 2; i >= 0; i--) {
    // Past a sibling step, what stands further left is above only once a descendant or child step follows.
    above ||= combinators[i] === ' ' || combinators[i] === '>';
    if (combinators[i] === '+' || combinators[i] === '~') continue;
    for (const simple of compounds[i]!)
      if (simple.kind === 'id' || simple.kind === 'class' || simple.kind === 'tag')
        hashes.push(filterHash(SIGNS[simple.kind], simple.name.toLowerCase()));
  }
  return above ? hashes.slice(0, 4) : [];
}

/** Where a selector's last compound can be looked up: one name that every match bears, or `*`. */
export function lookupKey(complex: Complex): string {
  const last = complex.compounds.at(-1)!;
  for (const kind of ['id', 'class', 'tag'] as const) {
    const simple = last.find((one): one is Extract<Simple, { kind: 'tag' | 'id' | 'class' }> => one.kind === kind);
    if (simple) return SIGNS[kind] + simple.name.toLowerCase();
  }
  const attribute = last.find((one) => one.kind === 'attribute');
  return attribute?.kind === 'attribute' ? `[${attribute.name}` : '*';
}

/** Whether an attribute condition holds (Selectors 4, 6). */
export function attributeHolds(element: ElementNode, simple: Extract<Simple, { kind: 'attribute' }>): boolean {
  if (!has(element, simple.name)) return false;
  if (simple.matcher === null) return true;
  const fold = (text: string) => (simple.ignoreCase ? text.toLowerCase() : text);
  const actual = fold(valueOf(element, simple.name)!);
  const wanted = fold(simple.value);
  switch (simple.matcher) {
    case '=':
      return actual === wanted;
    case '~=':
      return wanted !== '' && !/\s/.test(wanted) && actual.split(/\s+/).includes(wanted);
    case '|=':
      return actual === wanted || actual.startsWith(`${wanted}-`);
    case '^=':
      return wanted !== '' && actual.startsWith(wanted);
    case '$=':
      return wanted !== '' && actual.endsWith(wanted);
    case '*=':
      return wanted !== '' && actual.includes(wanted);
    default:
      return false;
  }
}
