import { elementParent, elementsIn, valueOf, type ElementNode, type Range, type TextNode } from '../document/tree.ts';
import { fact, type Page } from '../document/page.ts';
import { tagged } from '../document/tagged.ts';
import { isSheetLink, styleOf } from './cascade.ts';
import { inlineDeclarations } from './inline.ts';
import { Matcher } from './matching.ts';
import { DESKTOP, mediaHolds } from './media.ts';
import { readSheet, ruleHolds, type SheetRule } from './sheets.ts';
import { greatest } from '../source/lists.ts';

/** Where the value of a property comes from. */
export type Origin =
  /** The style attribute of an element. */
  | { kind: 'inline'; element: ElementNode }
  /** An old attribute: `color` of a font tag, `text` of the body. */
  | { kind: 'attribute'; element: ElementNode; name: string }
  /** A declaration in one of the page's own style elements: the range of its value in the page's source. */
  | { kind: 'page'; range: Range; rule: SheetRule }
  /** A declaration in a linked sheet: the range of its value in the sheet, where it is known. */
  | { kind: 'linked'; address: string; range: Range | null }
  /** The browser's own style, or nothing at all. */
  | { kind: 'browser'; element: ElementNode };

const PASSED_ON = new Set(['inherit', 'unset', 'currentcolor', 'revert']);

/**
 * Where an element's value of a property comes from (CSS Cascade 5): the nearest element that declares it, for inherited ones, and there
 * the declaration that wins. Layers are not told apart.
 */
export function originOf(page: Page, element: ElementNode, property: 'color' | 'text-decoration-line', inherited: boolean): Origin {
  let here = element;
  while (inherited) {
    const value = styleOf(page, here).declared.get(property);
    const parent = elementParent(here);
    if ((value !== undefined && !PASSED_ON.has(value)) || !parent) break;
    here = parent;
  }
  return winnerOn(page, here, property);
}

interface Candidate {
  important: boolean;
  specificity: number;
  order: number;
  origin: Origin;
}

function winnerOn(page: Page, element: ElementNode, property: string): Origin {
  const inline = inlineDeclarations(element);
  if (inline.important.some((one) => one.property === property)) return { kind: 'inline', element };
  const winner = declarationsOn(page, element, property).sort(
    (a, b) => Number(a.important) - Number(b.important) || a.specificity - b.specificity || a.order - b.order,
  );
  const best = winner.at(-1);
  if (best?.important) return best.origin;
  if (inline.normal.some((one) => one.property === property)) return { kind: 'inline', element };
  if (best) return best.origin;
  const name = property !== 'color' ? null : element.tag === 'font' ? 'color' : element.tag === 'body' ? 'text' : null;
  if (name && valueOf(element, name) !== null) return { kind: 'attribute', element, name };
  if (property === 'color' && element.tag === 'a' && valueOf(page.body, 'link') !== null)
    return { kind: 'attribute', element: page.body, name: 'link' };
  return { kind: 'browser', element };
}

function declarationsOn(page: Page, element: ElementNode, property: string): Candidate[] {
  const found: Candidate[] = [];
  const matcher = matchers(page);
  for (const { rule, base, address, order } of rulesFor(page, property)) {
    const specificities = rule.selectors
      .filter((complex) => !complex.pseudoElement && matcher.matches(element, complex))
      .map((complex) => complex.specificity);
    if (specificities.length === 0) continue;
    for (const [important, declared] of [
      [false, rule.normal],
      [true, rule.important],
    ] as const) {
      const last = declared.findLast((one) => one.property === property);
      if (!last) continue;
      const range = base !== null && last.at ? { start: base + last.at.start, end: base + last.at.end } : null;
      const origin: Origin = range ? { kind: 'page', range, rule } : { kind: 'linked', address, range: last.at ?? null };
      found.push({ important, specificity: greatest(specificities), order, origin });
    }
  }
  return found;
}

const matchers = fact((page: Page) => new Matcher(page.quirks));

interface PlacedRule {
  rule: SheetRule;
  /** Where the text of its style element begins in the source; null for other sheets. */
  base: number | null;
  address: string;
  order: number;
}

const MOST_SHEETS = 100;

const placedRules = fact((page: Page): PlacedRule[] => {
  const found: PlacedRule[] = [];
  let read = 0;
  const add = (text: string, address: string, base: number | null, depth: number): void => {
    if (++read > MOST_SHEETS) return;
    const sheet = readSheet(text);
    for (const imported of sheet.imports) if (depth < 5 && mediaHolds(imported.media)) addFrom(imported.address, address, depth + 1);
    for (const rule of sheet.rules) if (ruleHolds(rule, DESKTOP)) found.push({ rule, base, address, order: found.length });
  };
  const addFrom = (address: string, from: string, depth: number): void => {
    const linked = page.surroundings.sheetAt?.(address, from);
    if (linked) add(linked.text, linked.address, null, depth);
  };
  for (const text of page.surroundings.extraSheets ?? []) add(text, 'a style sheet', null, 0);
  for (const element of tagged(page, 'style', 'link')) {
    if (!mediaHolds(valueOf(element, 'media') ?? '')) continue;
    const text = element.tag === 'style' ? element.children.find((node): node is TextNode => node.kind === 'text') : undefined;
    if (text) add(text.text, 'a style sheet', baseOf(page, element, text), 0);
    else if (isSheetLink(element)) addFrom(valueOf(element, 'href') ?? '', '', 0);
  }
  return found;
});

/** Where a style element's text stands in the source, when it is written there as it reads. */
function baseOf(page: Page, element: ElementNode, text: TextNode): number | null {
  const { range } = text;
  return element.children.length === 1 && range && page.source.slice(range.start, range.end) === text.text ? range.start : null;
}

const byProperty = fact((): Map<string, PlacedRule[]> => new Map());

function rulesFor(page: Page, property: string): PlacedRule[] {
  const known = byProperty(page);
  let found = known.get(property);
  if (!found) {
    const sets = ({ normal, important }: SheetRule) => [...normal, ...important].some((one) => one.property === property);
    known.set(property, (found = placedRules(page).filter(({ rule }) => sets(rule))));
  }
  return found;
}

/** The elements a rule of the page's sheets speaks of. */
export function reachedBy(page: Page, rule: SheetRule): ElementNode[] {
  const matcher = matchers(page);
  return [...elementsIn(page.root)].filter((element) =>
    rule.selectors.some((complex) => !complex.pseudoElement && matcher.matches(element, complex)),
  );
}

/** The colour the page's sheets give to a field's placeholder; null when they give it none. */
export function placeholderDeclaration(page: Page, field: ElementNode): string | null {
  const matcher = matchers(page);
  let best: { rank: number; order: number; value: string } | null = null;
  for (const { rule, order } of rulesFor(page, 'color')) {
    for (const complex of rule.selectors) {
      if (complex.pseudoElement !== 'placeholder' || !matcher.matches(field, complex)) continue;
      const important = rule.important.find((one) => one.property === 'color');
      const declared = important ?? rule.normal.find((one) => one.property === 'color');
      const rank = complex.specificity + (important ? 1e9 : 0);
      if (declared && (!best || rank > best.rank || (rank === best.rank && order > best.order)))
        best = { rank, order, value: declared.value };
    }
  }
  return best?.value ?? null;
}
