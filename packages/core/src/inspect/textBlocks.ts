import { childElements, tidy, valueOf, type ElementNode, type TreeNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';

/** A stretch of the source that is one block of text. Between blocks lie white space and the tags of what holds them. */
export interface TextBlock {
  start: number;
  end: number;
  /** A text editor that knows sound markup alone can show and write it without loss; else it has to stay as it is. */
  understood: boolean;
}

const WRAPPERS = new Set(['div', 'section', 'article', 'main', 'header', 'footer', 'aside', 'nav', 'center', 'hgroup']);
const INLINE = new Set([
  'a',
  'b',
  'strong',
  'i',
  'em',
  'span',
  'font',
  'u',
  's',
  'strike',
  'small',
  'big',
  'sub',
  'sup',
  'code',
  'kbd',
  'samp',
  'var',
  'abbr',
  'cite',
  'q',
  'dfn',
  'mark',
  'time',
  'bdi',
  'ins',
  'del',
  'tt',
  'br',
  'img',
  'acronym',
]);
const TEXTS = new Set(['p', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6']);

/**
 * The page's blocks of text in order, never overlapping: paragraphs, headings, lists, quotations, tables, and whatever else stands
 * among them. Null where the markup is so tangled that its parts do not lie one after the other in the source.
 */
export function textBlocks(page: Page): TextBlock[] | null {
  const found: TextBlock[] = [];
  if (!collect(page.body, found)) return null;
  return found.every((block, i) => block.start < block.end && (i === 0 || found[i - 1]!.end <= block.start)) ? found : null;
}

function collect(parent: ElementNode, found: TextBlock[]): boolean {
  let bare: TreeNode[] = [];
  const endBare = (): boolean => {
    const [first, last] = [bare[0], bare.at(-1)];
    bare = [];
    if (!first) return true;
    if (!first.range || !last!.range) return false;
    found.push({ start: first.range.start, end: last!.range.end, understood: false });
    return true;
  };
  for (const node of parent.children) {
    // Words without a block of their own stay as they are; white space between blocks belongs to none.
    if (node.kind !== 'element' || INLINE.has(node.tag)) {
      if (bare.length > 0 || (node.kind === 'text' ? /\S/.test(node.text) : node.kind === 'element')) bare.push(node);
      continue;
    }
    if (!endBare()) return false;
    if (WRAPPERS.has(node.tag) && childElements(node).some((child) => !INLINE.has(child.tag))) {
      if (!node.startTag || !collect(node, found)) return false;
    } else if (!node.range) return false;
    else found.push({ start: node.range.start, end: node.range.end, understood: isUnderstood(node) });
  }
  return endBare();
}

function isUnderstood(block: ElementNode): boolean {
  if (TEXTS.has(block.tag)) return holdsText(block);
  if (block.tag === 'ul' || block.tag === 'ol') return isPlainList(block, 0);
  if (block.tag === 'blockquote')
    return (
      onlyElements(block) &&
      childElements(block).every((child) => TEXTS.has(child.tag) || isList(child)) &&
      childElements(block).every(isUnderstood)
    );
  return block.tag === 'table' && isPlainTable(block);
}

/** Text and phrasing elements alone, each closed where it began: a comment would be lost, and an open tag reaches into what follows. */
function holdsText(element: ElementNode): boolean {
  return element.children.every(
    (node) =>
      node.kind === 'text' ||
      (node.kind === 'element' && node.space === 'html' && INLINE.has(node.tag) && isClosed(node) && holdsText(node)),
  );
}

function isClosed({ tag, startTag, endTag }: ElementNode): boolean {
  return startTag !== null && (endTag !== null || tag === 'br' || tag === 'img');
}

function onlyElements(element: ElementNode): boolean {
  return (
    element.children.length > 0 &&
    element.children.every((node) => node.kind === 'element' || (node.kind === 'text' && tidy(node.text) === ''))
  );
}

function isList({ tag }: ElementNode): boolean {
  return tag === 'ul' || tag === 'ol';
}

const DEEPEST = 12;

function isPlainList(list: ElementNode, depth: number): boolean {
  return depth < DEEPEST && onlyElements(list) && childElements(list).every((item) => item.tag === 'li' && isPlainItem(item, depth));
}

/** Words first, or one paragraph of them, then lists under it. */
function isPlainItem(item: ElementNode, depth: number): boolean {
  const blocks = childElements(item).filter((child) => !INLINE.has(child.tag));
  const words = item.children.filter((node) => node.kind !== 'element' || INLINE.has(node.tag));
  if (!words.every((node) => node.kind === 'text' || (node.kind === 'element' && holdsText(node)))) return false;
  const paragraph = blocks[0]?.tag === 'p' ? blocks[0] : null;
  if (
    paragraph &&
    (!holdsText(paragraph) || words.some((node) => node.kind === 'element' || (node.kind === 'text' && tidy(node.text) !== '')))
  )
    return false;
  const lists = paragraph ? blocks.slice(1) : blocks;
  const firstList = item.children.findIndex((node) => node === lists[0]);
  const wordsAfter =
    firstList >= 0 &&
    item.children
      .slice(firstList)
      .some((node) => (node.kind === 'text' ? tidy(node.text) !== '' : node.kind !== 'element' || !isList(node)));
  return !wordsAfter && lists.every((child) => isList(child) && isPlainList(child, depth + 1));
}

/** Rows of cells with text in them, perhaps in one head and one body, perhaps with a caption of plain words. */
function isPlainTable(table: ElementNode): boolean {
  if (!onlyElements(table)) return false;
  const parts = childElements(table);
  const order = parts.map(({ tag }) => tag).join(' ');
  if (!/^(?:caption ?)?(?:thead ?)?(?:tbody|(?:tr ?)+)$/.test(order)) return false;
  return parts.every((part) =>
    part.tag === 'caption'
      ? part.children.every((node) => node.kind === 'text')
      : part.tag === 'tr'
        ? isPlainRow(part)
        : onlyElements(part) && childElements(part).every((row) => row.tag === 'tr' && isPlainRow(row)),
  );
}

function isPlainRow(row: ElementNode): boolean {
  return onlyElements(row) && childElements(row).every((cell) => (cell.tag === 'td' || cell.tag === 'th') && isPlainCell(cell));
}

function isPlainCell(cell: ElementNode): boolean {
  const spans = ['rowspan', 'colspan'].every((name) => /^\s*\d{1,3}\s*$/.test(valueOf(cell, name) ?? '1'));
  return spans && (holdsText(cell) || (onlyElements(cell) && childElements(cell).every((child) => child.tag === 'p' && holdsText(child))));
}
