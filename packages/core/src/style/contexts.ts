import type { ElementNode } from '../document/tree.ts';
import { PSEUDO_TESTS } from './pseudoClasses.ts';
import type { Complex, Simple } from './selectors.ts';

/** The names a page's selectors speak of: only these tell one element's surroundings from another's. */
export interface Vocabulary {
  ids: Set<string>;
  classes: Set<string>;
  attributes: Set<string>;
}

/** Attributes that the browser's own style, old presentation or the tests of pseudo-classes look at. */
const ALWAYS = [
  'style',
  'hidden',
  'type',
  'open',
  'bgcolor',
  'background',
  'text',
  'color',
  'size',
  'align',
  'face',
  'border',
  'nowrap',
  'checked',
  'selected',
  'disabled',
  'required',
  'readonly',
  'placeholder',
  'lang',
  'xml:lang',
  'multiple',
];
/** Of these it matters only whether they are there. */
const PRESENCE = new Set(['href', 'xlink:href', 'title', 'value']);

export function vocabularyOf(selectors: Iterable<Complex>): Vocabulary {
  const words: Vocabulary = { ids: new Set(), classes: new Set(), attributes: new Set(ALWAYS) };
  for (const complex of selectors) collect(complex, words);
  return words;
}

function collect(complex: Complex, words: Vocabulary): void {
  for (const simple of complex.compounds.flat()) {
    if (simple.kind === 'id') words.ids.add(simple.name.toLowerCase());
    else if (simple.kind === 'class') words.classes.add(simple.name.toLowerCase());
    else if (simple.kind === 'attribute') words.attributes.add(simple.name);
    for (const inner of innerLists(simple)) collect(inner, words);
  }
}

function innerLists(simple: Simple): readonly Complex[] {
  return simple.kind === 'any' || simple.kind === 'has' ? simple.list : simple.kind === 'nth' ? (simple.of ?? []) : [];
}

/** Whether a selector looks at more than an element and what is around it: at siblings, places, or what is inside. */
export function looksBeside(complex: Complex): boolean {
  return (
    complex.combinators.some((sign) => sign === '+' || sign === '~') ||
    complex.compounds
      .flat()
      .some(
        (simple) =>
          simple.kind === 'nth' ||
          simple.kind === 'has' ||
          (simple.kind === 'test' && simple.passes === PSEUDO_TESTS.empty) ||
          innerLists(simple).some(looksBeside),
      )
  );
}

/**
 * What selectors can see of one element: equal signatures under equal surroundings match the same rules, but for those that look beside.
 */
export function signatureOf(element: ElementNode, words: Vocabulary): string {
  let signature = element.space === 'html' ? element.tag : `${element.space}:${element.tag}`;
  for (const { name, value } of element.attributes) {
    if (name === 'class') {
      for (const one of value.split(/\s+/)) if (words.classes.has(one.toLowerCase())) signature += ` .${one}`;
    } else if (name === 'id') {
      if (words.ids.has(value.toLowerCase())) signature += ` #${value}`;
    }
    if (words.attributes.has(name)) signature += ` ${name}=${value}`;
    else if (PRESENCE.has(name)) signature += ` ${name}`;
  }
  return signature;
}
