import { Parser, Token, html as names, type ParserOptions, type TreeAdapter, type TreeAdapterTypeMap } from 'parse5';
import { RunTokenizer } from './runs.ts';
import type { Attribute, CommentNode, ElementNode, ParentNode, Range, RootNode, TextNode, TreeNode } from './tree.ts';
import { lookup } from '../source/lookup.ts';

/** Browsers stop nesting at this depth and place what is deeper beside it; so do we, which keeps parsing linear. */
export const DEEPEST_NESTING = 512;

type Map = TreeAdapterTypeMap<
  TreeNode,
  ParentNode,
  TreeNode,
  RootNode,
  RootNode,
  ElementNode,
  CommentNode,
  TextNode,
  ElementNode,
  TreeNode
>;

function space(uri: names.NS): ElementNode['space'] {
  if (uri === names.NS.SVG) return 'svg';
  return uri === names.NS.MATHML ? 'math' : 'html';
}

const uris = { html: names.NS.HTML, svg: names.NS.SVG, math: names.NS.MATHML } as const;

function append(parent: ParentNode, node: TreeNode): void {
  node.parent = parent;
  parent.children.push(node);
}

function insert(parent: ParentNode, node: TreeNode, before: TreeNode): void {
  node.parent = parent;
  parent.children.splice(parent.children.lastIndexOf(before), 0, node);
}

function isText(node: TreeNode | undefined): node is TextNode {
  return node?.kind === 'text';
}

function attributeFrom(attribute: Token.Attribute): Attribute {
  return { name: attribute.prefix ? `${attribute.prefix}:${attribute.name}` : attribute.name, value: attribute.value, range: null };
}

function rangeOf(location: Token.Location): Range {
  return { start: location.startOffset, end: location.endOffset };
}

/** Builds our tree straight from parse5's tokens. */
function createAdapter(mode: { quirks: boolean }): TreeAdapter<Map> {
  return {
    createDocument: () => ({ kind: 'root', children: [], parent: null }),
    createDocumentFragment: () => ({ kind: 'root', children: [], parent: null }),
    createElement: (tag, uri, attributes) => ({
      kind: 'element',
      tag,
      space: space(uri),
      attributes: attributes.map(attributeFrom),
      parent: null,
      children: [],
      content: null,
      range: null,
      startTag: null,
      endTag: null,
      order: -1,
      index: -1,
    }),
    createCommentNode: (text) => ({ kind: 'comment', text, parent: null, range: null }),
    createTextNode: (text) => ({ kind: 'text', text, parent: null, range: null }),
    appendChild: append,
    insertBefore: insert,
    setTemplateContent: (template, content) => void (template.content = content),
    getTemplateContent: (template) => template.content!,
    setDocumentType: () => undefined,
    setDocumentMode: (_root, value) => void (mode.quirks = value === names.DOCUMENT_MODE.QUIRKS),
    getDocumentMode: () => (mode.quirks ? names.DOCUMENT_MODE.QUIRKS : names.DOCUMENT_MODE.NO_QUIRKS),
    detachNode: (node) => {
      if (node.parent) node.parent.children.splice(node.parent.children.lastIndexOf(node), 1);
      node.parent = null;
    },
    insertText(parent, text) {
      const last = parent.children.at(-1);
      if (isText(last)) last.text += text;
      else append(parent, { kind: 'text', text, parent, range: null });
    },
    insertTextBefore(parent, text, before) {
      const previous = parent.children[parent.children.indexOf(before) - 1];
      if (isText(previous)) previous.text += text;
      else insert(parent, { kind: 'text', text, parent, range: null }, before);
    },
    adoptAttributes(element, attributes) {
      for (const attribute of attributes)
        if (!element.attributes.some((own) => own.name === attribute.name)) element.attributes.push(attributeFrom(attribute));
    },
    getFirstChild: (node) => node.children[0] ?? null,
    getChildNodes: (node) => node.children,
    getParentNode: (node) => node.parent,
    getAttrList: (element) => element.attributes,
    getTagName: (element) => element.tag,
    getNamespaceURI: (element) => uris[element.space],
    getTextNodeContent: (node) => node.text,
    getCommentNodeContent: (node) => node.text,
    getDocumentTypeNodeName: () => 'html',
    getDocumentTypeNodePublicId: () => '',
    getDocumentTypeNodeSystemId: () => '',
    isTextNode: (node): node is TextNode => node.kind === 'text',
    isCommentNode: (node): node is CommentNode => node.kind === 'comment',
    isDocumentTypeNode: (node): node is TreeNode => node === null,
    isElementNode: (node): node is ElementNode => node.kind === 'element',
    setNodeSourceCodeLocation(node, location) {
      if (!location) return;
      node.range = rangeOf(location);
    },
    getNodeSourceCodeLocation: (node) => (node.range ? asLocation(node) : null),
    updateNodeSourceCodeLocation(node, end) {
      if (node.range && end.endOffset !== undefined) node.range.end = end.endOffset;
    },
  };
}

/** Gives an element the places of its start tag and of the attributes in it. */
function placeStart(element: ElementNode, location: Token.LocationWithAttributes): void {
  element.startTag = rangeOf(location);
  element.range = rangeOf(location);
  const places = location.attrs;
  if (!places) return;
  for (const attribute of element.attributes) {
    const place = lookup(places, attribute.name);
    if (place) attribute.range = rangeOf(place);
  }
}

/** How many errors of markup the HTML Living Standard's parser meets in a source. */
export function countParseErrors(source: string): number {
  let count = 0;
  WatchfulParser.read(source, () => void count++);
  return count;
}

/** Only the offsets, and whether there is an end tag, are ever read back by the parser's own bookkeeping. */
function asLocation(node: TreeNode): Token.ElementLocation {
  const { start, end } = node.range!;
  const offsets = { startLine: 0, startCol: 0, startOffset: start, endLine: 0, endCol: 0, endOffset: end };
  return node.kind === 'element' && node.endTag ? { ...offsets, endTag: offsets } : offsets;
}

/** HTML Living Standard, 13.2.6.4.7: their end tags alone make an element. */
const MADE_BY_END_TAGS = new Set(['p', 'br']);

const DOCUMENT_TAGS = new Set(['html', 'head', 'body']);

/** parse5's parser, watching for the tags that make a document and keeping to the depth of browsers. */
export class WatchfulParser extends Parser<Map> {
  ownDocumentTags = false;

  constructor(options: ParserOptions<Map>) {
    super(options);
    this.tokenizer = new RunTokenizer(this.options, this);
  }

  static read(source: string, onParseError?: () => void): { root: RootNode; ownDocumentTags: boolean; quirks: boolean } {
    const mode = { quirks: false };
    const options: ParserOptions<Map> = {
      sourceCodeLocationInfo: true,
      treeAdapter: createAdapter(mode),
      ...(onParseError ? { onParseError } : {}),
    };
    const parser = new WatchfulParser(options);
    parser.tokenizer.write(source, true);
    return { root: parser.document, ownDocumentTags: parser.ownDocumentTags, quirks: mode.quirks };
  }

  /** The start tag that owns the last element: error recovery opens elements anew and repeats the location of the first. */
  private owned = -1;

  override _attachElementToTree(
    element: ElementNode,
    location: Token.LocationWithAttributes | null,
    { parent, beforeElement }: ReturnType<Parser<Map>['_getInsertionLocation']>,
  ): void {
    if (location && location.startOffset > this.owned) {
      this.owned = location.startOffset;
      placeStart(element, location);
    } else if (!location && this.stray && MADE_BY_END_TAGS.has(element.tag)) element.range = rangeOf(this.stray);
    if (beforeElement) insert(parent, element, beforeElement);
    else append(parent, element);
  }

  override _setEndLocation(element: ElementNode, closing: Token.Token | null): void {
    if (!element.range || !closing?.location) return;
    const at = closing.location;
    if (closing.type === Token.TokenType.END_TAG && closing.tagName === element.tag) {
      element.endTag = rangeOf(at);
      element.range.end = at.endOffset;
    } else element.range.end = at.startOffset;
  }

  /** An end tag that nothing opened and that makes an element of its own, while it is seen to: there that element stands. */
  private stray: Token.Location | null = null;

  override onEndTag(token: Token.TagToken): void {
    this.stray = MADE_BY_END_TAGS.has(token.tagName) ? token.location : null;
    super.onEndTag(token);
    this.stray = null;
  }

  override onStartTag(token: Token.TagToken): void {
    if (DOCUMENT_TAGS.has(token.tagName)) this.ownDocumentTags = true;
    while (this.openElements.stackTop >= DEEPEST_NESTING) this.openElements.pop();
    super.onStartTag(token);
  }
}
