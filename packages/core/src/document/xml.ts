import { SaxesParser, type SaxesTagNS } from 'saxes';
import { decodeHTMLStrict } from 'entities/decode';
import { DEEPEST_NESTING } from './adapter.ts';
import type { Attribute, ElementNode, ParentNode, RootNode, TreeNode } from './tree.ts';
import { lookup } from '../source/lookup.ts';

const XHTML = 'http://www.w3.org/1999/xhtml';
const SPACES: Readonly<Record<string, ElementNode['space']>> = {
  'http://www.w3.org/2000/svg': 'svg',
  'http://www.w3.org/1998/Math/MathML': 'math',
};
/** What comes before the root element of a page is seldom longer. */
const PROLOGUE = 4_000;

/** Whether a page is XHTML by its name. */
export function isNamedXhtml(address: string): boolean {
  return /\.xht(?:ml)?$/i.test(address);
}

/** Whether a source says that it is XHTML: its first element is `html` in the XHTML namespace. */
export function saysXhtml(source: string): boolean {
  const head = source.slice(0, PROLOGUE);
  const root = /<html\b[^>]*>/i.exec(head)?.[0];
  return root !== undefined && /^<html\b/.test(root) && /\sxmlns\s*=\s*["']http:\/\/www\.w3\.org\/1999\/xhtml["']/.test(root);
}

/**
 * Reads a page as XML 1.0 with namespaces, through a kept parser, into the same tree as HTML, each node with its place in the source.
 * HTML's named character references are known, as the XHTML document types define them. Null when the source is not well formed, when its
 * document type has a subset of its own, or when it is no `html` with a `head` and a `body`: then it can only be read as HTML.
 */
export function readXml(source: string): RootNode | null {
  const reader = new Reader(source);
  return reader.read();
}

/** Document types whose entities browsers know by name. */
const KNOWN_DOCTYPE = /<!DOCTYPE\s+html\s+PUBLIC\s+["']-\/\/W3C\/\/DTD (?:XHTML|MathML)/i;
const OWN_ENTITIES = /^(?:amp|lt|gt|quot|apos)$/;

/** Whether a browser given a page as XML shows it: it is XHTML, well formed, and names no entity that browsers do not know there. */
export function browserReadsAsXml(source: string, address: string): boolean {
  if (!(isNamedXhtml(address) || saysXhtml(source)) || readXml(source) === null) return false;
  if (KNOWN_DOCTYPE.test(source.slice(0, PROLOGUE))) return true;
  for (const [, name] of source.matchAll(/&([a-z]\w*);/gi)) if (!OWN_ENTITIES.test(name!)) return false;
  return true;
}

class Reader {
  private readonly root: RootNode = { kind: 'root', children: [], parent: null };
  private readonly open: ParentNode[] = [this.root];
  /** Where the last markup ended: the next one begins at the first `<` from here on. */
  private last = 0;
  private failed = false;

  constructor(private readonly source: string) {}

  read(): RootNode | null {
    const parser = new SaxesParser({ xmlns: true, position: true });
    parser.ENTITIES = namedEntities(parser.ENTITIES);
    parser.on('error', () => this.fail());
    parser.on('doctype', (text) => (text.includes('[') ? this.fail() : this.skip('>')));
    parser.on('xmldecl', () => this.skip('?>'));
    parser.on('processinginstruction', () => this.skip('?>'));
    parser.on('comment', (text) => this.comment(text));
    parser.on('text', (text) => this.text(text, '<'));
    parser.on('cdata', (text) => this.text(text, ']]>'));
    parser.on('opentag', (tag) => this.start(tag));
    parser.on('closetag', (tag) => this.end(tag));
    try {
      parser.write(this.source).close();
    } catch (error) {
      if (error instanceof Unreadable) return null;
      throw error;
    }
    return !this.failed && isPage(this.root) ? this.root : null;
  }

  private fail(): never {
    this.failed = true;
    throw new Unreadable();
  }

  private skip(end: string): void {
    this.last = this.after(this.source.indexOf('<', this.last), end);
  }

  private after(from: number, end: string): number {
    const at = this.source.indexOf(end, from);
    if (at < 0) this.fail();
    return at + end.length;
  }

  private append(node: TreeNode): void {
    const parent = this.open.at(-1)!;
    node.parent = parent;
    parent.children.push(node);
  }

  private comment(text: string): void {
    const start = this.source.indexOf('<', this.last);
    this.last = this.after(start + 4, '-->');
    this.append({ kind: 'comment', text, parent: null, range: { start, end: this.last } });
  }

  private text(text: string, until: '<' | ']]>'): void {
    const start = this.last;
    const at = this.source.indexOf(until, start);
    this.last = at < 0 ? this.source.length : until === '<' ? at : at + until.length;
    if (this.open.length > 1 && text !== '') this.append({ kind: 'text', text, parent: null, range: { start, end: this.last } });
  }

  private start(tag: SaxesTagNS): void {
    const start = this.source.indexOf('<', this.last);
    this.last = endOfTag(this.source, start);
    const startTag = { start, end: this.last };
    const element: ElementNode = {
      kind: 'element',
      tag: tag.local,
      space: lookup(SPACES, tag.uri) ?? 'html',
      attributes: attributesOf(tag, this.source, start, this.last),
      parent: null,
      children: [],
      content: null,
      range: { ...startTag },
      startTag,
      endTag: null,
      order: -1,
      index: -1,
    };
    if (tag.isSelfClosing) element.selfClosed = true;
    if (tag.prefix) element.prefix = tag.prefix;
    this.append(element);
    this.open.push(element);
    if (this.open.length > DEEPEST_NESTING) this.fail();
  }

  private end(tag: SaxesTagNS): void {
    const element = this.open.pop();
    if (tag.isSelfClosing || element?.kind !== 'element') return;
    const start = this.source.indexOf('<', this.last);
    this.last = this.after(start, '>');
    element.endTag = { start, end: this.last };
    element.range!.end = this.last;
  }
}

class Unreadable extends Error {}

/** Behind the `>` that ends a start tag: one in a quoted value does not. */
function endOfTag(source: string, start: number): number {
  let quote = '';
  for (let at = start; at < source.length; at++) {
    const sign = source[at]!;
    if (quote) quote = sign === quote ? '' : quote;
    else if (sign === '"' || sign === "'") quote = sign;
    else if (sign === '>') return at + 1;
  }
  return source.length;
}

function attributesOf(tag: SaxesTagNS, source: string, start: number, end: number): Attribute[] {
  const places = new Map<string, { start: number; end: number }>();
  const written = /([^\s=/<>"']+)\s*=\s*(?:"[^"]*"|'[^']*')/g;
  written.lastIndex = start;
  for (let found = written.exec(source); found && found.index < end; found = written.exec(source))
    places.set(found[1]!, { start: found.index, end: found.index + found[0].length });
  return Object.entries(tag.attributes).map(([name, { value }]) => ({ name, value, range: places.get(name) ?? null }));
}

function isPage(root: RootNode): boolean {
  const html = root.children.find((node) => node.kind === 'element');
  if (html?.kind !== 'element' || html.tag !== 'html' || html.attributes.every((one) => one.name !== 'xmlns' || one.value !== XHTML))
    return false;
  const parts = html.children.filter((node): node is ElementNode => node.kind === 'element');
  return parts.some((part) => part.tag === 'head') && parts.some((part) => part.tag === 'body');
}

const entities = new Map<string, string | undefined>();

/** XML's own entities, and HTML's by name as they are asked for. */
function namedEntities(own: Record<string, string>): Record<string, string> {
  return new Proxy(own, {
    get(known, name) {
      if (typeof name !== 'string' || Object.hasOwn(known, name)) return lookup(known, name as string);
      if (!entities.has(name)) entities.set(name, decoded(name));
      return entities.get(name);
    },
  });
}

/** What HTML's table gives for a name; undefined for names it does not know. */
function decoded(name: string): string | undefined {
  const text = decodeHTMLStrict(`&${name};`);
  return text.startsWith('&') && text.endsWith(';') && text.length > 1 ? undefined : text;
}
