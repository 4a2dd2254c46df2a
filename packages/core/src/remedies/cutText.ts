import type { Edit } from '../source/edits.ts';
import { rawText, type TextNode, type TreeNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { imagesIn } from '../semantics/images.ts';
import { append } from '../source/lists.ts';

/** Edits that cut the first `length` characters of a run of nodes, with every element that held nothing else; null without a source. */
export function cutStart(page: Page, nodes: readonly TreeNode[], length: number): Edit[] | null {
  const edits: Edit[] = [];
  let left = length;
  const waiting = [...nodes].reverse();
  for (let node = waiting.pop(); node && left > 0; node = waiting.pop()) {
    if (node.kind === 'comment') continue;
    if (!node.range) return null;
    const text = node.kind === 'text' ? node.text : rawText(node);
    if (node.kind === 'element' && (text.length > left || text === '' || imagesIn(node).length > 0)) {
      append(waiting, [...node.children].reverse());
      continue;
    }
    if (node.kind === 'element') edits.push({ ...node.range, text: '' });
    else edits.push(cutText(page, node, Math.min(left, text.length)));
    left -= text.length;
  }
  return edits;
}

/** White space before what is cut stays: it is how the source is laid out. */
function cutText(page: Page, text: TextNode, count: number): Edit {
  const start = text.range!.start;
  return { start: start + layoutSpace(page, start), end: start + writtenLength(page, text, count), text: '' };
}

/** Units of white space at an offset. */
export function layoutSpace(page: Page, offset: number): number {
  return /^[ \t\r\n]*/.exec(page.source.slice(offset, offset + 200))![0].length;
}

/** How many units of source the first `count` characters of a text take: a character reference takes several. */
export function writtenLength(page: Page, text: TextNode, count: number): number {
  const source = page.source.slice(text.range!.start, text.range!.end);
  let at = 0;
  for (let read = 0; read < count && at < source.length; read++) {
    const reference = /^&(?:#\d+|#x[\da-f]+|[a-z][\da-z]*);?/i.exec(source.slice(at, at + 40));
    at += reference && text.text[read] !== '&' ? reference[0].length : source.startsWith('\r\n', at) ? 2 : 1;
  }
  return at;
}
