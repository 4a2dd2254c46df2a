import { attributeOf, type ElementNode, type Range } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import type { Edit } from '../source/edits.ts';

/** Text as it must be written between tags. */
export function escapeText(text: string): string {
  return text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');
}

/** A value as it must be written inside double quotes. */
export function escapeValue(value: string): string {
  return value.replace(/&/g, '&amp;').replace(/"/g, '&quot;').replace(/</g, '&lt;').replace(/>/g, '&gt;');
}

/** Writes an attribute: in its place when it is there, else right after the tag's name. Null without a start tag of its own. */
export function setAttribute(element: ElementNode, name: string, value: string): Edit | null {
  if (!element.startTag) return null;
  const written = `${name}="${escapeValue(value)}"`;
  const range = attributeOf(element, name)?.range;
  if (range) return { ...range, text: written };
  return insertAt(nameEnd(element)!, ` ${written}`);
}

/** Where the name in an element's start tag ends; null without a start tag. */
export function nameEnd({ startTag, tag, prefix }: ElementNode): number | null {
  return startTag && startTag.start + 1 + (prefix ? prefix.length + 1 : 0) + tag.length;
}

/** An attribute that is only there or not, as it is written into a start tag: XML has to give it a value. */
export function written(page: Page, attribute: string): string {
  return page.xml === 'read' ? ` ${attribute}="${attribute}"` : ` ${attribute}`;
}

/** The end tag an element still needs once something is to follow it; '' for one that has its own or needs none. */
export function missingEnd(element: ElementNode): string {
  return element.endTag || element.selfClosed || VOID.has(element.tag) ? '' : `</${element.tag}>`;
}

/** Elements that hold nothing and have no end tag (HTML Living Standard, "void elements"). */
const VOID = new Set(['area', 'base', 'br', 'col', 'embed', 'hr', 'img', 'input', 'link', 'meta', 'source', 'track', 'wbr']);

/** Takes an attribute out with the white space before it. Null when it has no place in the source. */
export function dropAttribute(page: Page, element: ElementNode, name: string): Edit | null {
  const range = attributeOf(element, name)?.range;
  if (!range) return null;
  let { start } = range;
  while (/\s/.test(page.source[start - 1] ?? '')) start--;
  return { start, end: range.end, text: '' };
}

/** Where the content of an element lies. Null for one without a start tag of its own, or closed by it. */
export function contentRange(element: ElementNode): Range | null {
  if (!element.startTag || !element.range || element.selfClosed) return null;
  return { start: element.startTag.end, end: element.endTag?.start ?? element.range.end };
}

/** Renames an element's tags and keeps its attributes. A left-out end tag is written out, for not every element may leave it out. */
export function renameTag(page: Page, element: ElementNode, name: string): Edit[] | null {
  if (!element.startTag || !element.range) return null;
  const end = nameEnd(element)!;
  const edits: Edit[] = [{ start: end - element.tag.length, end, text: name }];
  if (element.selfClosed) return edits;
  if (element.endTag) {
    const at = element.endTag.start + end - element.startTag.start + 1;
    edits.push({ start: at - element.tag.length, end: at, text: name });
  } else edits.push(insertAt(beforeTrailingSpace(page, element.range), `</${name}>`));
  return edits;
}

export function insertAt(at: number, text: string): Edit {
  return { start: at, end: at, text };
}

function beforeTrailingSpace(page: Page, range: Range): number {
  let { end } = range;
  while (end > range.start && /\s/.test(page.source[end - 1]!)) end--;
  return end;
}

/** Takes an element's tags away and keeps what they hold. */
export function unwrap(element: ElementNode): Edit[] {
  const edits: Edit[] = [];
  if (element.startTag) edits.push({ ...element.startTag, text: '' });
  if (element.endTag) edits.push({ ...element.endTag, text: '' });
  return edits;
}

/** Takes an element out, and its line with it when nothing else stands there. */
export function removal(page: Page, range: Range): Edit {
  const { end } = range;
  let { start } = range;
  while (/[ \t]/.test(page.source[start - 1] ?? '')) start--;
  const ownLine = start === 0 || page.source[start - 1] === '\n';
  const rest = /^[ \t]*(?:\r?\n|$)/.exec(page.source.slice(end, end + 200));
  if (ownLine && rest) return { start, end: end + rest[0].length, text: '' };
  return { ...range, text: '' };
}

/** The line break the page uses, and the indentation of the line at an offset: new markup follows both. */
export function lineStyle(page: Page, offset: number): { newline: string; indent: string } {
  const newline = page.source.includes('\r\n') ? '\r\n' : '\n';
  const lineStart = page.source.lastIndexOf('\n', offset - 1) + 1;
  return { newline, indent: /^[ \t]*/.exec(page.source.slice(lineStart, offset))![0] };
}

/** Why a remedy declines on an element that the parser made up. */
export const NO_SOURCE =
  'This part of the page has no markup of its own in the source: a browser made it up to fix broken markup. Fix it in Source.';
