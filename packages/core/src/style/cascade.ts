import { elementParent, rawText, valueOf, type ElementNode } from '../document/tree.ts';
import { carried, fact, type Page } from '../document/page.ts';
import { tagged } from '../document/tagged.ts';
import { computeStyle, initialStyle, type Style } from './computed.ts';
import { looksBeside, signatureOf, vocabularyOf, type Vocabulary } from './contexts.ts';
import { browserStyle, legacyColour, presentationalHints } from './defaults.ts';
import { inlineDeclarations } from './inline.ts';
import { Matcher } from './matching.ts';
import { mediaHolds, DESKTOP } from './media.ts';
import { expandDeclaration, type Declared } from './properties.ts';
import { filterHash, lookupKey, type Complex } from './selectors.ts';
import { readSheet, ruleHolds, type Sheet, type SheetRule } from './sheets.ts';
import { append } from '../source/lists.ts';

/** A page with endless @imports is not followed further than this. */
const MOST_SHEETS = 100;

/** The sheets of a page in their order: its own `style` elements and the linked ones that its surroundings know. */
export const sheetsOf = fact((page: Page): Sheet[] => {
  const found: Sheet[] = [];
  let read = 0;
  const add = (text: string, address: string, depth: number) => {
    if (++read > MOST_SHEETS) return;
    const sheet = readSheet(text);
    for (const imported of sheet.imports) if (depth < 5 && mediaHolds(imported.media)) addFrom(imported.address, address, depth + 1);
    found.push(sheet);
  };
  const addFrom = (address: string, from: string, depth: number) => {
    const linked = page.surroundings.sheetAt?.(address, from);
    if (linked) add(linked.text, linked.address, depth);
  };
  for (const text of page.surroundings.extraSheets ?? []) add(text, '', 0);
  for (const element of tagged(page, 'style', 'link')) {
    if (!mediaHolds(valueOf(element, 'media') ?? '')) continue;
    const type = valueOf(element, 'type');
    if (element.tag === 'style' && (!type || type.toLowerCase() === 'text/css')) add(rawText(element), '', 0);
    else if (isSheetLink(element)) addFrom(valueOf(element, 'href') ?? '', '', 0);
  }
  return found;
}, carried);

/** Addresses of style sheets the page asks for and that nobody could read: what they say of colours is not known. */
export const unreadSheets = fact((page: Page): string[] => {
  const missing: string[] = [];
  const look = (address: string, from: string, depth: number): void => {
    const linked = page.surroundings.sheetAt?.(address, from);
    if (!linked) missing.push(address);
    else if (depth < 5)
      for (const one of readSheet(linked.text).imports) if (mediaHolds(one.media)) look(one.address, linked.address, depth + 1);
  };
  for (const element of tagged(page, 'style', 'link')) {
    if (!mediaHolds(valueOf(element, 'media') ?? '')) continue;
    if (element.tag === 'style') {
      const text = rawText(element);
      if (/@import/i.test(text)) for (const one of readSheet(text).imports) if (mediaHolds(one.media)) look(one.address, '', 1);
    } else if (isSheetLink(element) && (valueOf(element, 'href') ?? '').trim() !== '') look(valueOf(element, 'href')!, '', 0);
  }
  return missing;
}, carried);

/** The texts of the page's own style elements and of the sheets it links to, each with its element; what they import is left out. */
export const sheetTexts = fact((page: Page): { element: ElementNode; text: string }[] =>
  tagged(page, 'style', 'link').flatMap((element) => {
    if (!mediaHolds(valueOf(element, 'media') ?? '')) return [];
    if (element.tag === 'style') return [{ element, text: rawText(element) }];
    const linked = isSheetLink(element) ? page.surroundings.sheetAt?.(valueOf(element, 'href') ?? '', '') : undefined;
    return linked ? [{ element, text: linked.text }] : [];
  }),
);

export function isSheetLink(element: ElementNode): boolean {
  if (element.tag !== 'link') return false;
  const words = (valueOf(element, 'rel') ?? '').toLowerCase().split(/\s+/);
  return words.includes('stylesheet') && !words.includes('alternate');
}

interface Entry {
  complex: Complex;
  rule: SheetRule;
  /** Rank of its layer; rules outside layers come last. */
  layer: number;
  order: number;
  /** It looks at siblings, places or contents, so equal surroundings do not settle it. */
  beside: boolean;
}

/** Rules that ask for one name: those that also ask for a class or id further up are found by that. */
interface Bucket {
  any: Entry[];
  byAncestor: Map<number, Entry[]>;
}

/** Rules by the name their last compound asks for. */
type Index = Map<string, Bucket>;

interface Ruleset {
  index: Index;
  pseudo: Index;
  empty: boolean;
  words: Vocabulary;
}

/** One kind of element in one kind of surroundings: what holds for all such elements is found once. */
interface Context {
  below: Map<string, Context>;
  matched: readonly Entry[];
  /** Rules that hold here or not by what is beside the element. */
  beside: readonly Entry[];
  generated: readonly Entry[] | null;
  /** The style it computes to under a parent's, when nothing beside matters. */
  style: Style | null;
  under: Style | null;
}

const rulesetOf = fact((page: Page): Ruleset => {
  const sheets = sheetsOf(page);
  const layers = new Map([...new Set(sheets.flatMap((sheet) => sheet.layers))].map((layer, i) => [layer, i]));
  const entries: Entry[] = [];
  for (const sheet of sheets) {
    for (const rule of sheet.rules) {
      if (!ruleHolds(rule, DESKTOP)) continue;
      const layer = rule.layer === null ? layers.size : layers.get(rule.layer)!;
      for (const complex of rule.selectors) entries.push({ complex, rule, layer, order: entries.length, beside: looksBeside(complex) });
    }
  }
  return {
    index: indexOf(entries.filter((entry) => !entry.complex.pseudoElement)),
    pseudo: indexOf(entries.filter((entry) => entry.complex.pseudoElement === 'before' || entry.complex.pseudoElement === 'after')),
    empty: entries.length === 0,
    words: vocabularyOf(entries.map((entry) => entry.complex)),
  };
}, carried);

/** Each rule is filed under its rarest name further up, so that a page looks only at rules whose surroundings it has. */
function indexOf(entries: readonly Entry[]): Index {
  const uses = new Map<number, number>();
  for (const { complex } of entries) for (const hash of complex.ancestors) uses.set(hash, (uses.get(hash) ?? 0) + 1);
  const index: Index = new Map();
  for (const entry of entries) {
    const key = lookupKey(entry.complex);
    let bucket = index.get(key);
    if (!bucket) index.set(key, (bucket = { any: [], byAncestor: new Map() }));
    const rarest = entry.complex.ancestors.reduce<number | null>(
      (best, hash) => (best === null || uses.get(hash)! < uses.get(best)! ? hash : best),
      null,
    );
    const same = rarest === null ? bucket.any : bucket.byAncestor.get(rarest);
    if (same) same.push(entry);
    else bucket.byAncestor.set(rarest!, [entry]);
  }
  return index;
}

interface Styled {
  byElement: Style[];
  generated: Map<ElementNode, { before?: string; after?: string }>;
}

/** One walk from the top: what each element matches, and the style that follows from it. */
const styled = fact((page: Page): Styled => {
  const walk = new Walk(page);
  for (const element of page.elements) walk.enter(element);
  return { byElement: walk.styles, generated: walk.generated };
}, carried);

export function styleOf(page: Page, element: ElementNode): Style {
  return styled(page).byElement[element.order]!;
}

/** The elements that something is declared for, by the page or by the standard's own sheet, in document order. */
export const declaring = fact(
  (page: Page): readonly ElementNode[] => page.elements.filter((element) => styleOf(page, element).declared.size > 0),
  carried,
);

/** Text that ::before and ::after put around an element's content, where it is text. */
export function generatedText(page: Page, element: ElementNode): { before?: string; after?: string } | undefined {
  const { generated } = styled(page);
  return generated.size === 0 ? undefined : generated.get(element);
}

/** Whether a style sheet puts text anywhere on the page. */
export function generatesText(page: Page): boolean {
  return styled(page).generated.size > 0;
}

const linkColour = fact((page: Page) => {
  const written = valueOf(page.body, 'link');
  return written === null ? null : legacyColour(written);
}, carried);

const NO_ENTRIES: readonly Entry[] = [];

class Walk {
  readonly styles: Style[] = [];
  readonly generated: Styled['generated'] = new Map();
  private readonly set: Ruleset;
  private readonly matcher: Matcher;
  private readonly above = new Uint16Array(4096);
  /** The hashes whose count is not 0. */
  private readonly present = new Set<number>();
  private readonly open: { element: ElementNode; hashes: number[] }[] = [];
  private readonly opened = new Set<ElementNode>();
  private readonly contexts: Context[] = [];
  private readonly top = new Map<string, Context>();
  private readonly initial = initialStyle();
  private rootSize = 16;

  constructor(private readonly page: Page) {
    this.set = rulesetOf(page);
    this.matcher = new Matcher(page.quirks);
  }

  enter(element: ElementNode): void {
    const parent = elementParent(element);
    const above = parent ? this.styles[parent.order]! : this.initial;
    const context = this.contextOf(element, parent);
    this.contexts[element.order] = context;
    const style = context.under === above && context.style ? context.style : this.styleIn(context, element, above);
    this.styles[element.order] = style;
    if (!parent) this.rootSize = style.fontSize;
    if (context.generated) this.generate(element, style, context.generated);
  }

  private contextOf(element: ElementNode, parent: ElementNode | null): Context {
    const siblings = parent ? this.contexts[parent.order]!.below : this.top;
    const signature = signatureOf(element, this.set.words);
    let context = siblings.get(signature);
    if (!context) siblings.set(signature, (context = this.newContext(element)));
    return context;
  }

  private newContext(element: ElementNode): Context {
    if (!this.set.empty) this.surround(elementParent(element));
    const found = this.set.empty ? NO_ENTRIES : this.candidates(element, this.set.index);
    const generated = this.set.pseudo.size > 0 ? this.candidates(element, this.set.pseudo) : [];
    return {
      below: new Map(),
      matched: inOrder(found.filter((entry) => !entry.beside && this.matcher.matches(element, entry.complex))),
      beside: found.filter((entry) => entry.beside),
      generated: generated.length > 0 ? generated : null,
      style: null,
      under: null,
    };
  }

  private styleIn(context: Context, element: ElementNode, above: Style): Style {
    const beside = context.beside.filter((entry) => this.matcher.matches(element, entry.complex));
    const matched = beside.length > 0 ? inOrder([...context.matched, ...beside]) : context.matched;
    const hints = element.attributes.length > 0 ? presentationalHints(element) : [];
    const inline = element.attributes.length > 0 ? valueOf(element, 'style') : null;
    const key = keyOf(element, matched, hints, inline);
    let style = above.below.get(key);
    if (!style) above.below.set(key, (style = this.compute(element, above, matched, hints)));
    if (context.beside.length === 0) {
      context.style = style;
      context.under = above;
    }
    return style;
  }

  /** Rules that may hold for an element by the name they ask for and those of what is around it. */
  private candidates(element: ElementNode, index: Index): Entry[] {
    const found: Entry[] = [];
    this.take(index.get('*'), found);
    this.take(index.get(`<${element.tag.toLowerCase()}`), found);
    const names = new Set<string>();
    for (const { name, value } of element.attributes) {
      names.add(`[${name}`);
      if (name === 'id') names.add(`#${value.toLowerCase()}`);
      else if (name === 'class') for (const one of this.matcher.classesOf(element)) names.add(`.${one.toLowerCase()}`);
    }
    for (const name of names) this.take(index.get(name), found);
    return found;
  }

  private take(bucket: Bucket | undefined, found: Entry[]): void {
    if (!bucket) return;
    this.takeFrom(bucket.any, found);
    if (bucket.byAncestor.size === 0) return;
    if (bucket.byAncestor.size < this.present.size) {
      for (const [hash, entries] of bucket.byAncestor) if (this.above[hash]! > 0) this.takeFrom(entries, found);
    } else for (const hash of this.present) this.takeFrom(bucket.byAncestor.get(hash), found);
  }

  private takeFrom(entries: readonly Entry[] | undefined, found: Entry[]): void {
    if (!entries) return;
    for (const entry of entries) if (!entry.complex.ancestors.some((hash) => this.above[hash] === 0)) found.push(entry);
  }

  /** Counts the names borne by the elements around one whose surroundings are new. */
  private surround(parent: ElementNode | null): void {
    const missing: ElementNode[] = [];
    let known = parent;
    while (known && !this.opened.has(known)) {
      missing.push(known);
      known = elementParent(known);
    }
    while (this.open.length > 0 && this.open.at(-1)!.element !== known) {
      const { element, hashes } = this.open.pop()!;
      this.opened.delete(element);
      for (const hash of hashes) if (--this.above[hash]! === 0) this.present.delete(hash);
    }
    for (const element of missing.reverse()) this.push(element);
  }

  private push(element: ElementNode): void {
    const hashes = [filterHash('<', element.tag.toLowerCase())];
    const id = valueOf(element, 'id');
    if (id) hashes.push(filterHash('#', id.toLowerCase()));
    for (const name of this.matcher.classesOf(element)) hashes.push(filterHash('.', name.toLowerCase()));
    for (const hash of hashes) if (this.above[hash]!++ === 0) this.present.add(hash);
    this.open.push({ element, hashes });
    this.opened.add(element);
  }

  private compute(element: ElementNode, above: Style, matched: readonly Entry[], hints: readonly Declared[]): Style {
    const inline = inlineDeclarations(element);
    const layers: (readonly Declared[])[] = [browserStyle(element, this.page.quirks)];
    const linked = linkColour(this.page);
    if (linked && element.tag === 'a' && valueOf(element, 'href') !== null) layers.push([{ property: 'color', value: linked }]);
    layers.push(hints, ...matched.map((entry) => entry.rule.normal), inline.normal);
    if (matched.some((entry) => entry.rule.important.length > 0))
      append(
        layers,
        [...matched].sort((a, b) => b.layer - a.layer).map((entry) => entry.rule.important),
      );
    layers.push(inline.important);
    const custom = customProperties(above, layers);
    return computeStyle(above, cascaded(layers, custom, layers[0]!), custom, element.parent?.kind === 'root' ? 16 : this.rootSize);
  }

  private generate(element: ElementNode, style: Style, candidates: readonly Entry[]): void {
    if (style.gone) return;
    const matched = inOrder(candidates.filter((entry) => this.matcher.matches(element, entry.complex)));
    for (const side of ['before', 'after'] as const) {
      let content: string | undefined;
      for (const { complex, rule } of matched) {
        if (complex.pseudoElement !== side) continue;
        for (const { property, value } of [...rule.normal, ...rule.important]) if (property === 'content') content = value;
      }
      const text = content && contentText(element, content);
      if (text) this.generated.set(element, { ...this.generated.get(element), [side]: text });
    }
  }
}

/** Rules in the order of the cascade. */
function inOrder(entries: Entry[]): Entry[] {
  return entries.length < 2
    ? entries
    : entries.sort((a, b) => a.layer - b.layer || a.complex.specificity - b.complex.specificity || a.order - b.order);
}

function keyOf(element: ElementNode, matched: readonly Entry[], hints: readonly Declared[], inline: string | null): string {
  let key = element.tag;
  if (element.attributes.length > 0) {
    if (element.tag === 'a' && valueOf(element, 'href') !== null) key += '^';
    if (element.tag === 'input' || element.tag === 'dialog' || element.tag === 'abbr' || element.tag === 'acronym')
      key += element.attributes
        .map(({ name, value }) => (name === 'type' || name === 'open' || name === 'title' ? `${name}=${name === 'type' ? value : ''}` : ''))
        .join('');
    if (valueOf(element, 'hidden') !== null) key += '?';
    if (inline !== null) key += `|${inline}`;
    for (const { property, value } of hints) key += `;${property}:${value}`;
  }
  if (element.space !== 'html') key += `~${element.space}`;
  for (const entry of matched) key += `,${entry.order}`;
  return key;
}

/** The element's custom properties over its parent's; var() inside them put in. */
function customProperties(above: Style, layers: readonly (readonly Declared[])[]): ReadonlyMap<string, string> | null {
  let own: Map<string, string> | null = null;
  for (const layer of layers)
    for (const { property, value } of layer) if (property.startsWith('--')) (own ??= new Map(above.custom ?? [])).set(property, value);
  if (!own) return above.custom;
  for (const [name, value] of own) {
    if (value === 'inherit' || value === 'unset') {
      if (above.custom?.has(name)) own.set(name, above.custom.get(name)!);
      else own.delete(name);
    } else if (value.includes('var(')) {
      const put = withVariables(value, own, new Set([name]));
      if (put === null) own.delete(name);
      else own.set(name, put);
    }
  }
  return own;
}

const LONGEST_VALUE = 10_000;

/** A value with its var() references put in; null when one is missing with no fallback, or leads back to itself (CSS Variables 1). */
function withVariables(value: string, custom: ReadonlyMap<string, string>, inside: ReadonlySet<string>): string | null {
  let result = '';
  let rest = value;
  for (let at = rest.indexOf('var('); at >= 0; at = rest.indexOf('var(')) {
    let depth = 1;
    let end = at + 4;
    while (end < rest.length && depth > 0) {
      if (rest[end] === '(') depth++;
      else if (rest[end] === ')') depth--;
      end++;
    }
    const inner = rest.slice(at + 4, depth === 0 ? end - 1 : end);
    const comma = inner.indexOf(',');
    const name = (comma < 0 ? inner : inner.slice(0, comma)).trim();
    const found = inside.has(name) || inside.size > 40 ? undefined : custom.get(name);
    let put = found === undefined ? null : found.includes('var(') ? withVariables(found, custom, new Set([...inside, name])) : found;
    if (put === null && comma >= 0) put = withVariables(inner.slice(comma + 1).trim(), custom, inside);
    if (put === null || result.length + put.length > LONGEST_VALUE) return null;
    result += rest.slice(0, at) + put;
    rest = rest.slice(end);
  }
  return result + rest;
}

const NO_CUSTOM: ReadonlyMap<string, string> = new Map();

/** Declarations in the order of the cascade, the last one winning; `revert` goes back to what the browser sets. */
function cascaded(
  layers: readonly (readonly Declared[])[],
  custom: ReadonlyMap<string, string> | null,
  browser: readonly Declared[],
): Map<string, string> {
  const found = new Map<string, string>();
  const set = ({ property, value }: Declared): void => {
    if (value === 'revert' || value === 'revert-layer') {
      const back = browser.find((one) => one.property === property);
      if (back) found.set(property, back.value);
      else found.delete(property);
    } else found.set(property, value);
  };
  for (const layer of layers) {
    for (const declared of layer) {
      if (declared.property.startsWith('--')) continue;
      if (declared.property === 'all') found.clear();
      else if (!declared.value.includes('var(')) set(declared);
      else {
        const value = withVariables(declared.value, custom ?? NO_CUSTOM, new Set());
        const expanded = value === null ? [] : expandDeclaration(declared.property, value.trim());
        // Invalid at computed-value time: as if unset, earlier declarations stay beaten.
        if (expanded.length === 0) found.set(declared.property, 'unset');
        else expanded.forEach(set);
      }
    }
  }
  return found;
}

/**
 * The text of a `content` value: its strings and attr()s; '' when it has none or is an image. The part after a slash replaces it for
 * listeners.
 */
function contentText(element: ElementNode, value: string): string {
  if (/^(?:none|normal)$/i.test(value)) return '';
  const slash = /\/\s*((?:"[^"]*"|'[^']*'|attr\([^)]*\)|\s)+)$/.exec(value);
  let text = '';
  for (const part of (slash?.[1] ?? value).matchAll(
    /"((?:[^"\\]|\\[^])*)"|'((?:[^'\\]|\\[^])*)'|attr\(\s*([\w-]+)[^)]*\)|(open-quote|close-quote)/gi,
  )) {
    text +=
      part[3] !== undefined
        ? (valueOf(element, part[3].toLowerCase()) ?? '')
        : part[4] !== undefined
          ? '"'
          : unescapeString(part[1] ?? part[2] ?? '');
  }
  return text;
}

function unescapeString(text: string): string {
  return text.replace(/\\([0-9a-f]{1,6})\s?|\\\r?\n|\\([^])/gi, (_all, hex: string | undefined, sign: string | undefined) => {
    if (hex === undefined) return sign ?? '';
    const code = parseInt(hex, 16);
    return code === 0 || code > 0x10ffff ? '\ufffd' : String.fromCodePoint(code);
  });
}
