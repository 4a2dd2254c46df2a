import { LineIndex } from '../source/lines.ts';
import { spanBetween, type Edit } from '../source/edits.ts';
import { carriedFacts, type Page } from './page.ts';
import { closest, type ElementNode, type ParentNode, type Range, type TextNode } from './tree.ts';

/** Where text is no running text of the page, or begins with a line end that does not count. */
const APART = new Set([
  'script',
  'style',
  'title',
  'textarea',
  'pre',
  'listing',
  'select',
  'option',
  'optgroup',
  'xmp',
  'iframe',
  'noembed',
  'noframes',
  'noscript',
  'plaintext',
]);
/** What the tokenizer would have to look at: a tag or a character reference may begin or end here. */
const MARKS = /[<>&\0\r]/;
const WORDS = /[\p{L}\p{N}]/u;
const LEAD = /^\s*/;

/**
 * The page as parsing `source` would give it, when it differs from the page in ordinary characters of one text only; null when the
 * difference may touch the markup. The tree is changed in place, so the page that was given must not be used again. Facts that no
 * text changes are kept: this is what makes an audit follow a keystroke.
 */
export function amendPage(page: Page, source: string): Page | null {
  const span = spanBetween(page.source, source);
  if (!span) return page;
  const text = MARKS.test(span.text) ? undefined : page.texts.find((one) => holds(one, span));
  if (!text || !isOrdinary(page, text, span)) return null;
  const facts = carriedAfter(page, text, span);
  return { ...page, source, facts, lines: new LineIndex(source) };
}

function holds({ range }: TextNode, { start, end }: Edit): boolean {
  return range !== null && range.start <= start && end <= range.end;
}

/** Whether a text is as written, stays text of words, and lies between tags or within itself where it changes. */
function isOrdinary({ source, body }: Page, text: TextNode, { start, end, text: put }: Edit): boolean {
  const { parent } = text;
  const range = text.range!;
  if (
    parent?.kind !== 'element' ||
    parent.space !== 'html' ||
    APART.has(parent.tag) ||
    (parent !== body && !closest(parent, (up) => up === body))
  )
    return false;
  const written = source.slice(range.start, range.end);
  if (written !== text.text || MARKS.test(written)) return false;
  if (start === range.start && source[start - 1] !== '>') return false;
  if (end === range.end && end < source.length && source[end] !== '<') return false;
  const next = written.slice(0, start - range.start) + put + written.slice(end - range.start);
  // White space that begins a text may be dropped or put elsewhere by the parser.
  return WORDS.test(written) && WORDS.test(next) && LEAD.exec(written)![0] === LEAD.exec(next)![0];
}

function carriedAfter(page: Page, text: TextNode, { start, end, text: put }: Edit): unknown[] {
  const range = text.range!;
  text.text = text.text.slice(0, start - range.start) + put + text.text.slice(end - range.start);
  move(page.root, range.end, put.length - (end - start));
  return carriedFacts(page, { text });
}

/** Moves every place at or behind the end of the changed text. */
function move(root: ParentNode, from: number, by: number): void {
  const stack: ParentNode[] = [root];
  for (let parent = stack.pop(); parent; parent = stack.pop()) {
    for (const node of parent.children) {
      if (node.range) moveRange(node.range, from, by);
      if (node.kind !== 'element') continue;
      if (node.content) stack.push(node.content);
      moveTags(node, from, by);
      stack.push(node);
    }
  }
}

function moveTags({ startTag, endTag, attributes }: ElementNode, from: number, by: number): void {
  if (endTag) moveRange(endTag, from, by);
  if (!startTag || startTag.start < from) return;
  moveRange(startTag, from, by);
  for (const { range } of attributes) if (range) moveRange(range, from, by);
}

function moveRange(range: Range, from: number, by: number): void {
  if (range.start >= from) range.start += by;
  if (range.end >= from) range.end += by;
}
