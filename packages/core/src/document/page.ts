import { LineIndex } from '../source/lines.ts';
import { WatchfulParser } from './adapter.ts';
import { readXml, saysXhtml } from './xml.ts';
import { childElements, type ElementNode, type ParentNode, type RootNode, type TextNode, type TreeNode } from './tree.ts';

/** `document`: a whole page. `fragment`: an author's part of one; the platform adds the rest and shows the title. */
export type Scope = 'document' | 'fragment';

/** What a house adds to the lists the engine brings: part of what an audit looks at. */
export interface Vocabulary {
  /** Link texts that say nothing, in any of the house's languages. */
  vagueLinks?: readonly string[];
  /** Alternative texts its editors leave behind. */
  placeholders?: readonly string[];
  /** Colours of the house, as #rrggbb. */
  colours?: readonly string[];
  /** Names of files that the house gives after a plan of its own, `*` for any characters: they need no words. */
  fileNames?: readonly string[];
  /** Text of its templates that stands in for something. */
  fillers?: readonly string[];
  /** Classes its own editor writes: no leftovers of a word processor. */
  allowedClasses?: readonly string[];
}

/** What the page's surroundings know and its source does not say. All optional: the engine also works on a lone file. */
export interface Surroundings {
  /** The title a platform shows above a fragment as its level 1 heading. */
  shownTitle?: string;
  /** The title of the page a link leads to, when it is known. */
  titleOf?: (address: string) => string | undefined;
  /** A linked style sheet of the collection. `from`: address of the sheet that imports it, '' for the page itself. */
  sheetAt?: (address: string, from: string) => { text: string; address: string } | undefined;
  /** Sheets that apply beside the page's own, before them. */
  extraSheets?: readonly string[];
  /** Colours of the house, as #rrggbb. */
  houseColours?: readonly string[];
  /** Words of the house beside those the engine knows. */
  vocabulary?: Vocabulary;
  /** The host the page is published on: what comes from it is not borrowed. */
  ownHost?: string;
  /** Alternatives that other pages of the collection give the image at an address. */
  alternativesOf?: (address: string) => readonly string[];
  /** Ids and names on the page that a relative address leads to, when that page is known. */
  anchorsIn?: (address: string) => ReadonlySet<string> | undefined;
  /** Whether another page, or a table of contents, leads to an id or name of this page. */
  isLedTo?: (anchor: string) => boolean;
  /** Addresses of other pages of the collection that bear a title. */
  pagesTitled?: (title: string) => readonly string[];
  /** Whether a relative address leads to a page or file of the collection; undefined when that is not known. */
  leadsSomewhere?: (address: string) => boolean | undefined;
}

/** A parsed page. Facts about it are computed once, on demand: see `fact`. */
export interface Page {
  readonly source: string;
  readonly scope: Scope;
  readonly root: RootNode;
  /** Read as XML: it is XHTML and well formed. `broken`: it says that it is XHTML, is not well formed, and was read as HTML. */
  readonly xml: 'read' | 'broken' | null;
  /** It was said to be XHTML by whoever opened it, not only by its root. */
  readonly xhtml: boolean;
  /** No doctype, or one of the old ones: browsers keep old habits. */
  readonly quirks: boolean;
  readonly html: ElementNode;
  readonly head: ElementNode;
  readonly body: ElementNode;
  /** Every element and every text in document order, template content left out. */
  readonly elements: readonly ElementNode[];
  readonly texts: readonly TextNode[];
  readonly surroundings: Surroundings;
  readonly facts: unknown[];
  readonly lines: LineIndex;
}

export interface ParseOptions {
  /** Overrides what the source's own tags say. */
  scope?: Scope;
  /** It is XHTML whatever its root says: a page of a book, or a file that is named so. */
  xhtml?: boolean;
  surroundings?: Surroundings;
}

/**
 * Parses a page as a browser does: XHTML that is well formed as XML, anything else as HTML (HTML Living Standard, through parse5). Any text
 * is a page: this never fails. Without an html, head or body tag of its own it is a fragment, unless `scope` says otherwise.
 */
export function parsePage(source: string, options: ParseOptions = {}): Page {
  const xhtml = options.xhtml === true || saysXhtml(source);
  const xml = xhtml ? readXml(source) : null;
  const { root, ownDocumentTags, quirks } = xml ? { root: xml, ownDocumentTags: true, quirks: false } : WatchfulParser.read(source);
  const html = childElements(root)[0]!;
  const top = childElements(html);
  const elements: ElementNode[] = [];
  const texts: TextNode[] = [];
  collect(root, elements, texts);
  return {
    source,
    root,
    html,
    elements,
    texts,
    quirks,
    xml: xml ? 'read' : xhtml ? 'broken' : null,
    scope: options.scope ?? (ownDocumentTags ? 'document' : 'fragment'),
    head: top.find((child) => child.tag === 'head')!,
    body: top.find((child) => child.tag === 'body' || child.tag === 'frameset')!,
    surroundings: options.surroundings ?? {},
    xhtml: options.xhtml === true,
    facts: [],
    lines: new LineIndex(source),
  };
}

/** Another text of the same page, read the same way. */
export function parseAgain(page: Page, source: string): Page {
  return parsePage(source, { scope: page.scope, surroundings: page.surroundings, xhtml: page.xhtml });
}

/** Puts every element and text into document order, and says of each element where it stands. */
function collect(root: RootNode, elements: ElementNode[], texts: TextNode[]): void {
  const waiting: TreeNode[] = [];
  const open = ({ children }: ParentNode) => {
    for (let at = children.length - 1; at >= 0; at--) {
      const child = children[at]!;
      if (child.kind === 'element') child.index = at;
      if (child.kind !== 'comment') waiting.push(child);
    }
  };
  open(root);
  for (let node = waiting.pop(); node; node = waiting.pop()) {
    if (node.kind === 'text') texts.push(node);
    else if (node.kind === 'element') {
      node.order = elements.length;
      elements.push(node);
      open(node);
    }
  }
}

/** A change to one text of a page that leaves its markup alone: see `amendPage`. */
export interface TextChange {
  text: TextNode;
}

/** What becomes of a fact when a text changes: the same, or fixed; undefined when it has to be found out anew. */
export type Carry<T> = (known: T, change: TextChange) => T | undefined;

const carries: (Carry<unknown> | undefined)[] = [];

/**
 * Makes a shared fact: computed at the first asking, kept on the page. It may be anything but undefined. `carry` says what becomes of
 * it when one text of the page changes; without it the fact is computed again.
 */
export function fact<T>(compute: (page: Page) => T, carry?: Carry<T>): (page: Page) => T {
  const place = carries.push(carry as Carry<unknown> | undefined) - 1;
  return (page) => {
    const known = page.facts[place];
    return known === undefined ? ((page.facts[place] = compute(page)) as T) : (known as T);
  };
}

/** For facts about elements, attributes and styles alone: no text changes them. */
export function carried<T>(known: T): T {
  return known;
}

/** The facts of a page that hold, or can be fixed, after a change of one of its texts. */
export function carriedFacts(page: Page, change: TextChange): unknown[] {
  return page.facts.map((known, place) => (known === undefined ? undefined : carries[place]?.(known, change)));
}
