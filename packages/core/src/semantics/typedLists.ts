import { descendants, elementParent, type ElementNode, type Range, type TreeNode } from '../document/tree.ts';
import { fact, type Page } from '../document/page.ts';
import { isBlock, isLeafBlock } from './blocks.ts';
import { markersOf, readTypedList, type Marker, type TypedItem } from './markers.ts';
import { passages } from './passages.ts';
import { isExposed } from './visibility.ts';

/** One line that may begin with a marker: a whole paragraph, or the stretch between two line breaks of one. */
export interface TypedLine {
  /** The block the line is, or lies in. */
  block: ElementNode;
  /** The nodes that make it up, in order; for a paragraph, its children. */
  nodes: readonly TreeNode[];
  text: string;
  /** The `br` that ends it, when one does. */
  ending: ElementNode | null;
  whole: boolean;
}

export interface TypedList {
  items: TypedItem<TypedLine>[];
  /** First and last line, in order. */
  lines: TypedLine[];
}

const LINE_BLOCKS = new Set(['p', 'div']);
const BROKEN_BLOCKS = new Set(['p', 'div', 'td', 'th', 'li', 'dd', 'body', 'section', 'article', 'main', 'blockquote', 'figcaption']);

/** Lists that are only typed characters, in document order. */
export const typedLists = fact((page: Page): TypedList[] => {
  const found: TypedList[] = [];
  const [parents, broken] = blocksThatMayHold(page);
  for (const parent of parents) for (const run of paragraphRuns(page, parent)) collect(run, found);
  for (const block of broken) collect(brokenLines(block), found);
  return found.sort((a, b) => a.lines[0]!.block.order - b.lines[0]!.block.order);
});

/** A sign, a number, or a letter or two that stand alone. */
const MAY_BE_MARKED = /^\s*(?:[^\p{L}\s]|\p{L}[.)\s]|[ivxIVX]{2,5}[.)])/u;

/** Parents of paragraphs that may begin with a marker, and blocks of broken lines: most pages have neither. */
function blocksThatMayHold(page: Page): [parents: Iterable<ElementNode>, broken: Iterable<ElementNode>] {
  const parents = new Set<ElementNode>();
  const broken = new Set<ElementNode>();
  for (const { block, text, breaks } of passages(page)) {
    const parent = LINE_BLOCKS.has(block.tag) ? elementParent(block) : null;
    if (breaks.length > 0 && BROKEN_BLOCKS.has(block.tag)) broken.add(block);
    if (parent && !parents.has(parent) && (isBlock(parent) || parent === page.body) && MAY_BE_MARKED.test(text)) parents.add(parent);
  }
  return [parents, broken];
}

/** Runs of neighbouring paragraphs under one parent; one alone is no list. */
function paragraphRuns(page: Page, parent: ElementNode): TypedLine[][] {
  const runs: TypedLine[][] = [];
  let run: ElementNode[] = [];
  const close = () => {
    // Most paragraphs begin with a word: only where one begins otherwise are their texts put together.
    if (run.length > 1 && run.some(beginsMarked))
      runs.push(run.map((block) => ({ block, nodes: block.children, text: textOf(block.children), ending: null, whole: true })));
    run = [];
  };
  for (const child of parent.children) {
    if (child.kind !== 'element') continue;
    if (LINE_BLOCKS.has(child.tag) && isExposed(page, child) && isLeafBlock(page, child) && !holdsBreak(child)) run.push(child);
    else close();
  }
  close();
  return runs;
}

function beginsMarked(block: ElementNode): boolean {
  return markersOf(textOf(block.children, BEGINNING)).length > 0;
}

/** Units that hold any marker and what shows that a line goes on after it. */
const BEGINNING = 60;

/** A paragraph of several lines is read line by line, unless the break only ends it. */
function holdsBreak(block: ElementNode): boolean {
  if (!block.children.some(isBreak)) return false;
  const children = block.children.filter((node) => !(node.kind === 'text' && !/\S/.test(node.text)));
  return children.slice(0, -1).some(isBreak);
}

function isBreak(node: TreeNode): boolean {
  return node.kind === 'element' && node.tag === 'br';
}

/** The lines of a block that `br` elements break, inline content only: a block inside ends the run of lines. */
function brokenLines(block: ElementNode): TypedLine[] {
  if (!block.children.some(isBreak)) return [];
  const lines: TypedLine[] = [];
  let nodes: TreeNode[] = [];
  const close = (ending: ElementNode | null) => {
    if (nodes.length > 0 || ending) lines.push({ block, nodes, text: textOf(nodes), ending, whole: false });
    nodes = [];
  };
  for (const child of block.children) {
    if (child.kind === 'element' && child.tag === 'br') close(child);
    else if (child.kind === 'element' && isBlock(child)) {
      close(null);
      lines.push({ block, nodes: [], text: '', ending: null, whole: false });
    } else nodes.push(child);
  }
  close(null);
  return lines;
}

function collect(lines: readonly TypedLine[], into: TypedList[]): void {
  const markers = new Map(lines.map((line) => [line, markersOf(line.text)]));
  for (let at = 0; at < lines.length;) {
    const read = markers.get(lines[at]!)!.length > 0 ? readTypedList(lines, at, (line): readonly Marker[] => markers.get(line)!) : null;
    if (read && isList(read.items)) into.push({ items: read.items, lines: lines.slice(at, at + read.taken) });
    at += read?.taken ?? 1;
  }
}

const ARROWS = new Set(['→', '►', '▸', '▶', '➢', '➤', '➔']);

/** Arrows before links point at them, and signs before bare numbers are signs of numbers. */
function isList(items: readonly TypedItem<TypedLine>[]): boolean {
  const rest = (item: TypedItem<TypedLine>) => item.line.text.slice(item.marker.length).trim();
  if (ARROWS.has(items[0]!.marker.style) && items.every(({ line }) => line.nodes.some(isLinkNode))) return false;
  if (/^[-–•*]$/.test(items[0]!.marker.style) && items.every((item) => /^[\d.,\s%€£$°]+$/.test(rest(item)))) return false;
  return items.every((item) => rest(item) !== '');
}

function isLinkNode(node: TreeNode): boolean {
  return (
    node.kind === 'element' && (node.tag === 'a' || [...descendants(node)].some((inner) => inner.kind === 'element' && inner.tag === 'a'))
  );
}

/** The text of some nodes, as far as `enough` units of it behind the white space it begins with. */
function textOf(nodes: readonly TreeNode[], enough = Infinity): string {
  let text = '';
  for (const node of nodes) {
    if (text.length >= enough && text.trimStart().length >= enough) break;
    if (node.kind === 'text') text += node.text;
    if (node.kind !== 'element') continue;
    for (const inner of descendants(node)) if (inner.kind === 'text') text += inner.text;
  }
  return text;
}

/** The source a typed list takes up; null when part of it has no source of its own. */
export function rangeOfTypedList(list: TypedList): Range | null {
  const first = lineRange(list.lines[0]!);
  const last = lineRange(list.lines.at(-1)!);
  return first && last ? { start: first.start, end: last.end } : null;
}

export function lineRange(line: TypedLine): Range | null {
  if (line.whole) return line.block.range;
  const ranges = line.nodes.map((node) => node.range);
  if (ranges.length === 0 || ranges.some((range) => range === null)) return null;
  return { start: ranges[0]!.start, end: ranges.at(-1)!.end };
}
