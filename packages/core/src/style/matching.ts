import { childElements, elementsIn, elementParent, valueOf, type ElementNode, type ParentNode } from '../document/tree.ts';
import { attributeHolds, type Complex, type Simple } from './selectors.ts';

/** Steps that :has() and `nth-child(… of …)` may take on one page before they answer no: no page can ask for endless time. */
const MOST_STEPS = 3_000_000;

const MATCH = 0;
const LOCAL = 1;
const SIBLINGS = 2;
const COMPLETE = 3;
type Outcome = typeof MATCH | typeof LOCAL | typeof SIBLINGS | typeof COMPLETE;

interface Scan {
  at: number;
  found: number;
}

/**
 * Matches selectors on the elements of one page, right to left. Failures say how far they reach, so that no chain of descendant
 * steps is tried twice over; what precedes a `~` is looked for once for each parent.
 */
export class Matcher {
  private steps = 0;
  private readonly counts = new Map<ParentNode, ElementNode[]>();
  private readonly places = new Map<ElementNode, number>();
  private readonly scans = new Map<readonly Simple[], Map<ParentNode, Scan>>();
  private readonly classes = new Map<string, readonly string[]>();
  private readonly quirks: boolean;

  /** `quirks`: ids and classes are compared without case, as browsers do on pages with no doctype. */
  constructor(quirks: boolean) {
    this.quirks = quirks;
  }

  matches(element: ElementNode, complex: Complex): boolean {
    return this.from(element, complex, complex.compounds.length - 1) === MATCH;
  }

  /** The names of an element's classes. */
  classesOf(element: ElementNode): readonly string[] {
    const written = valueOf(element, 'class');
    if (written === null) return [];
    let names = this.classes.get(written);
    if (!names) this.classes.set(written, (names = written.split(/[\s]+/).filter((name) => name !== '')));
    return names;
  }

  private from(element: ElementNode, complex: Complex, at: number): Outcome {
    if (!this.holds(element, complex.compounds[at]!)) return LOCAL;
    if (at === 0) return MATCH;
    switch (complex.combinators[at - 1]!) {
      case ' ':
        for (let up = elementParent(element); up; up = elementParent(up)) {
          const outcome = this.from(up, complex, at - 1);
          if (outcome === MATCH || outcome === COMPLETE) return outcome;
        }
        return COMPLETE;
      case '>': {
        const up = elementParent(element);
        return up ? this.from(up, complex, at - 1) : COMPLETE;
      }
      case '+': {
        const before = this.siblings(element)[this.place(element) - 1];
        return before ? this.from(before, complex, at - 1) : SIBLINGS;
      }
      case '~':
        return this.someBefore(element, complex, at - 1) ? MATCH : SIBLINGS;
    }
  }

  private someBefore(element: ElementNode, complex: Complex, at: number): boolean {
    const key = complex.compounds[at]!;
    let byParent = this.scans.get(key);
    if (!byParent) this.scans.set(key, (byParent = new Map()));
    let scan = byParent.get(element.parent!);
    if (!scan) byParent.set(element.parent!, (scan = { at: 0, found: Infinity }));
    const siblings = this.siblings(element);
    const place = this.place(element);
    for (; scan.found === Infinity && scan.at < place; scan.at++)
      if (this.from(siblings[scan.at]!, complex, at) === MATCH) scan.found = scan.at;
    return scan.found < place;
  }

  private siblings(element: ElementNode): ElementNode[] {
    const parent = element.parent!;
    let found = this.counts.get(parent);
    if (!found) {
      this.counts.set(parent, (found = childElements(parent)));
      found.forEach((child, i) => this.places.set(child, i));
    }
    return found;
  }

  private place(element: ElementNode): number {
    this.siblings(element);
    return this.places.get(element)!;
  }

  private holds(element: ElementNode, simples: readonly Simple[]): boolean {
    for (const simple of simples) if (!this.one(element, simple)) return false;
    return true;
  }

  private one(element: ElementNode, simple: Simple): boolean {
    switch (simple.kind) {
      case 'tag':
        return element.tag.toLowerCase() === simple.name;
      case 'id':
        return this.same(valueOf(element, 'id'), simple.name);
      case 'class':
        return this.classesOf(element).some((name) => this.same(name, simple.name));
      case 'attribute':
        return attributeHolds(element, simple);
      case 'any':
        return simple.list.some((complex) => this.matches(element, complex)) !== simple.not;
      case 'has':
        return simple.list.some((complex) => this.hasBelow(element, complex));
      case 'nth':
        return this.nth(element, simple);
      case 'lang':
        return languageFits(element, simple.ranges);
      case 'test':
        return simple.passes(element);
    }
  }

  private same(actual: string | null, wanted: string): boolean {
    return actual === wanted || (this.quirks && actual !== null && actual.toLowerCase() === wanted.toLowerCase());
  }

  /** :has(): whether something below (or, with a leading + or ~, after) matches. */
  private hasBelow(element: ElementNode, complex: Complex): boolean {
    const after = complex.leading === '+' || complex.leading === '~';
    const candidates = after
      ? this.siblings(element).slice(this.place(element) + 1)
      : complex.leading === '>' && complex.compounds.length === 1
        ? childElements(element)
        : elementsIn(element);
    for (const candidate of candidates) {
      if (++this.steps > MOST_STEPS) return false;
      if (this.matches(candidate, complex)) return true;
      if (complex.leading === '+') return false;
    }
    return false;
  }

  private nth(element: ElementNode, simple: Extract<Simple, { kind: 'nth' }>): boolean {
    const siblings = this.siblings(element);
    const place = this.place(element);
    if (!simple.ofType && !simple.of) return fitsFormula(simple, simple.last ? siblings.length - place : place + 1);
    if (simple.of && !simple.of.some((complex) => this.matches(element, complex))) return false;
    let count = 1;
    for (let i = simple.last ? place + 1 : place - 1; i >= 0 && i < siblings.length; i += simple.last ? 1 : -1) {
      if (++this.steps > MOST_STEPS) return false;
      const other = siblings[i]!;
      if (simple.ofType ? other.tag === element.tag : simple.of!.some((complex) => this.matches(other, complex))) count++;
      // A fixed place that is passed cannot be reached again.
      if (simple.a === 0 && count > simple.b) return false;
    }
    return fitsFormula(simple, count);
  }
}

function fitsFormula({ a, b }: { a: number; b: number }, place: number): boolean {
  return a === 0 ? place === b : (place - b) % a === 0 && (place - b) / a >= 0;
}

function languageFits(element: ElementNode, ranges: readonly string[]): boolean {
  for (let up: ElementNode | null = element; up; up = elementParent(up)) {
    const language = valueOf(up, 'lang')?.toLowerCase();
    if (language !== undefined) return ranges.some((range) => language === range || language.startsWith(`${range}-`));
  }
  return false;
}
