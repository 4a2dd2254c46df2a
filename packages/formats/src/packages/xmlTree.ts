import { SaxesParser, type SaxesTagPlain } from 'saxes';

/** An element of a small XML file such as a manifest; local names only. */
export interface XmlElement {
  name: string;
  attributes: Readonly<Record<string, string>>;
  children: XmlElement[];
  /** Text of its own, without that of its children. */
  text: string;
}

/** Elements nested deeper are no manifest's. */
const DEEPEST = 200;
/** Entities beyond XML's own are not expanded: a file that needs them cannot be read. */
const NOT_READ = 'is not well-formed XML';

/**
 * Reads XML 1.0 into plain elements. Nothing outside the text is fetched, and no entity of its own expanded.
 * Returns why it cannot be read, as the end of a sentence.
 */
export function readXmlTree(xml: string): { ok: true; root: XmlElement } | { ok: false; reason: string } {
  const open: XmlElement[] = [];
  let root: XmlElement | null = null;
  const parser = new SaxesParser();
  parser.on('error', (error) => {
    throw error;
  });
  parser.on('opentag', (tag) => {
    const element: XmlElement = { name: localName(tag.name), attributes: localAttributes(tag), children: [], text: '' };
    if (open.length >= DEEPEST) throw new Error('too deep');
    open.at(-1)?.children.push(element);
    root ??= element;
    open.push(element);
  });
  parser.on('closetag', () => void open.pop());
  const add = (text: string) => {
    const element = open.at(-1);
    if (element) element.text += text;
  };
  parser.on('text', add);
  parser.on('cdata', add);
  try {
    parser.write(xml).close();
  } catch (error) {
    return { ok: false, reason: `${NOT_READ} (${(error as Error).message.slice(0, 100)})` };
  }
  return root ? { ok: true, root } : { ok: false, reason: NOT_READ };
}

export function localName(name: string): string {
  return name.slice(name.indexOf(':') + 1);
}

function localAttributes(tag: SaxesTagPlain): Record<string, string> {
  return Object.fromEntries(Object.entries(tag.attributes).map(([name, value]) => [name === 'xml:base' ? name : localName(name), value]));
}

export function childrenOf(element: XmlElement | undefined, ...names: string[]): XmlElement[] {
  return element?.children.filter(({ name }) => names.includes(name)) ?? [];
}

export function childOf(element: XmlElement | undefined, name: string): XmlElement | undefined {
  return element?.children.find((child) => child.name === name);
}

/** Elements and what is below them, in document order: `children` says what to go into. */
export function* walk(
  roots: readonly XmlElement[],
  children: (element: XmlElement) => readonly XmlElement[] = (element) => element.children,
): Generator<XmlElement> {
  const waiting = [...roots].reverse();
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    yield next;
    const inner = children(next);
    for (let nth = inner.length - 1; nth >= 0; nth--) waiting.push(inner[nth]!);
  }
}

/** The first element of a name below another, in document order. */
export function firstBelow(element: XmlElement | undefined, name: string): XmlElement | undefined {
  for (const next of walk(element?.children ?? [])) if (next.name === name) return next;
  return undefined;
}

/** An element's words, those of its children too, white space made one space. */
export function wordsOf(element: XmlElement | undefined): string {
  const words = element ? [...walk([element])].map(({ text }) => text) : [];
  return words.join(' ').replace(/\s+/g, ' ').trim();
}
