import type { Edit } from '../source/edits.ts';
import { rawText, tidy, type ElementNode, type Range, type TreeNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { inlineStyle } from '../style/inline.ts';
import type { MarkerKind, TypedItem } from '../semantics/markers.ts';
import { imagesIn } from '../semantics/images.ts';
import { lineRange, typedLists, type TypedLine, type TypedList } from '../semantics/typedLists.ts';
import { cutStart, layoutSpace } from './cutText.ts';
import { dropAttribute, NO_SOURCE, nameEnd } from './markup.ts';
import { decline, planned, type Plan, type Remedy } from './types.ts';
import { isBlock } from '../semantics/blocks.ts';
import { countWords } from '../semantics/passages.ts';
import { imageBulletRuns } from '../semantics/imageBullets.ts';
import { append } from '../source/lists.ts';

/** Makes a real list of typed lines, nested by their markers; everything in a line but its marker stays as it is. */
export const remedy: Remedy = {
  name: 'make-list',
  label: 'Make it a real list',
  certain: ['lists/typed'],
  fields: [],
  plan({ page, finding, element }) {
    if (finding.rule === 'lists/image-bullets') return fromImageBullets(page, element);
    const list = typedLists(page).find(
      (one) => one.lines[0]!.block === element && (lineRange(one.lines[0]!)?.start === finding.at.start || one.lines[0]!.whole),
    );
    if (!list) return decline('The typed lines are no longer there.');
    return list.lines[0]!.whole ? fromParagraphs(page, list) : fromBrokenLines(page, list);
  },
};

/** Each paragraph becomes an item, without the image that stood for its bullet. */
function fromImageBullets(page: Page, first: ElementNode): Plan {
  const run = imageBulletRuns(page).find((one) => one[0]!.block === first);
  if (!run) return decline('The lines no longer stand side by side.');
  const edits: Edit[] = [];
  for (const [i, { block, image }] of run.entries()) {
    if (!block.startTag || !block.endTag || !image.range) return decline(NO_SOURCE);
    edits.push(
      { start: block.startTag.start, end: nameEnd(block)!, text: `${i === 0 ? '<ul>' : ''}<li` },
      { ...image.range, text: '' },
      { ...block.endTag, text: `</li>${i === run.length - 1 ? '</ul>' : ''}` },
    );
  }
  return planned(edits);
}

const LIST_TYPES: Record<MarkerKind, { tag: 'ul' | 'ol'; open: string }> = {
  bullet: { tag: 'ul', open: '<ul>' },
  number: { tag: 'ol', open: '<ol>' },
  letter: { tag: 'ol', open: '<ol type="a">' },
  capital: { tag: 'ol', open: '<ol type="A">' },
  roman: { tag: 'ol', open: '<ol type="i">' },
};

function listType(item: TypedItem<TypedLine>): { tag: 'ul' | 'ol'; open: string } {
  return item.marker.style.startsWith('ROMAN') ? { tag: 'ol', open: '<ol type="I">' } : LIST_TYPES[item.marker.kind];
}

/** What is written before and after each line: list and item tags that follow the nesting. */
function tagsAround(items: readonly TypedItem<TypedLine>[]): Map<TypedLine, { before: string; after: string }> {
  const tags = new Map<TypedLine, { before: string; after: string }>();
  const { tag, open } = listType(items[0]!);
  for (const [i, item] of items.entries()) {
    tags.set(item.line, { before: i === 0 ? open : '', after: item.nested.length > 0 ? '' : '</li>' });
    if (item.nested.length > 0) {
      for (const [line, around] of tagsAround(item.nested)) tags.set(line, around);
      lastTags(tags, item).after += '</li>';
    }
    if (i === items.length - 1) lastTags(tags, item).after += `</${tag}>`;
  }
  return tags;
}

function lastTags(tags: Map<TypedLine, { before: string; after: string }>, item: TypedItem<TypedLine>): { before: string; after: string } {
  let last = item;
  while (last.nested.length > 0) last = last.nested.at(-1)!;
  return tags.get(last.line)!;
}

function fromParagraphs(page: Page, list: TypedList): Plan {
  const tags = tagsAround(list.items);
  const lengths = markerLengths(list);
  const edits: Edit[] = [];
  for (const line of list.lines) {
    const { block } = line;
    const marker = cutStart(page, line.nodes, lengths.get(line)!);
    if (!block.startTag || !block.range || !marker) return decline(NO_SOURCE);
    const { before, after } = tags.get(line)!;
    edits.push({ start: block.startTag.start, end: nameEnd(block)!, text: `${before}<li` }, ...withoutIndent(page, block), ...marker);
    edits.push(block.endTag ? { ...block.endTag, text: after } : { start: block.range.end, end: block.range.end, text: after });
  }
  return planned(edits);
}

/** The indentation and list marks a word processor left on a paragraph would push the item out of its list. */
function withoutIndent(page: Page, block: ElementNode): Edit[] {
  const style = inlineStyle(block);
  if (!['margin-left', 'text-indent', 'mso-list', 'padding-left'].some((property) => style.has(property))) return [];
  const edit = dropAttribute(page, block, 'style');
  return edit ? [edit] : [];
}

/** Lines inside one block: the block is closed before the list and opened again after it, when anything is left on that side. */
function fromBrokenLines(page: Page, list: TypedList): Plan {
  const first = list.lines[0]!;
  const last = list.lines.at(-1)!;
  const { block } = first;
  const tags = tagsAround(list.items);
  const lengths = markerLengths(list);
  if (!block.startTag && block.tag !== 'body') return decline(NO_SOURCE);
  const edits: Edit[] = [];
  for (const line of list.lines) {
    const range = lineRange(line);
    const marker = cutStart(page, line.nodes, lengths.get(line)!);
    if (!range || !marker || (line.ending && !line.ending.range)) return decline(NO_SOURCE);
    const { before, after } = tags.get(line)!;
    // Insertions go before the marker's cut when they share its start.
    const start = range.start + layoutSpace(page, range.start);
    edits.push({ start, end: start, text: `${before}<li>` }, ...marker);
    edits.push(
      line.ending ? { ...line.ending.range!, text: after } : { start: trimmedEnd(page, range), end: trimmedEnd(page, range), text: after },
    );
  }
  const [before, after] = nodesAround(block, first, last);
  if (hasDoubleBreaks(before) || hasDoubleBreaks(after))
    return decline('Text without paragraphs stands around these lines; make paragraphs of it first, in Source.');
  if (block.tag === 'p') return planned(edits, outsideParagraph(page, block, first, last));
  return LOOSE_IN.has(block.tag) ? planned(edits, wrapped(page, before), wrapped(page, after)) : planned(edits);
}

/** A list cannot stand inside a paragraph: what comes before and after it keeps a paragraph of its own, and an emptied one goes. */
function outsideParagraph(page: Page, block: ElementNode, first: TypedLine, last: TypedLine): Edit[] {
  const start = lineRange(first)!.start;
  const before = block.children.slice(0, block.children.indexOf(first.nodes[0] as TreeNode));
  const lastNode = last.ending ?? last.nodes.at(-1)!;
  const after = block.children.slice(block.children.indexOf(lastNode as TreeNode) + 1);
  const startTag = page.source.slice(block.startTag!.start, block.startTag!.end);
  const edits: Edit[] = [];
  if (saysSomething(before)) {
    const breakBefore = before.at(-1);
    if (breakBefore?.kind === 'element' && breakBefore.tag === 'br' && breakBefore.range)
      edits.push({ ...breakBefore.range, text: '</p>' });
    else edits.unshift({ start, end: start, text: '</p>' });
  } else edits.push({ ...block.startTag!, text: '' });
  const end = lastNode.range!.end;
  if (saysSomething(after)) edits.push({ start: end, end, text: startTag });
  else if (block.endTag) edits.push({ ...block.endTag, text: '' });
  return edits;
}

/** Where text beside a list would stand in no paragraph. */
const LOOSE_IN = new Set(['body', 'main', 'article', 'section']);

/** What stands in a block before the lines of a list and after them, as far as the nearest block. */
function nodesAround(block: ElementNode, first: TypedLine, last: TypedLine): [TreeNode[], TreeNode[]] {
  const from = block.children.indexOf(first.nodes[0] as TreeNode);
  const to = block.children.indexOf((last.ending ?? last.nodes.at(-1)!) as TreeNode);
  return [looseRun(block.children.slice(0, from).reverse()).reverse(), looseRun(block.children.slice(to + 1))];
}

/** Whether two breaks in a row part running text from running text. */
function hasDoubleBreaks(nodes: readonly TreeNode[]): boolean {
  const pieces: string[] = [];
  let piece = '';
  let broken = false;
  for (const node of nodes) {
    const text = node.kind === 'text' ? node.text : node.kind === 'element' ? rawText(node) : '';
    if (isBreak(node) && broken) pieces.push(piece);
    if (isBreak(node) && broken) piece = '';
    else piece += ` ${text}`;
    if (isBreak(node) || tidy(text) !== '') broken = isBreak(node);
  }
  return [...pieces, piece].filter((one) => countWords(one) >= 3).length >= 2;
}

/** Nodes up to the first block. */
function looseRun(nodes: readonly TreeNode[]): TreeNode[] {
  const end = nodes.findIndex((node) => node.kind === 'element' && isBlock(node));
  return nodes.slice(0, end < 0 ? nodes.length : end);
}

/** Tags of a paragraph around nodes; breaks at either end go. */
function wrapped(page: Page, nodes: readonly TreeNode[]): Edit[] {
  if (!saysSomething(nodes)) return nodes.flatMap((node) => (isBreak(node) && node.range ? [{ ...node.range, text: '' }] : []));
  const isEmpty = (node: TreeNode) => isBreak(node) || node.kind === 'comment' || (node.kind === 'text' && tidy(node.text) === '');
  const first = nodes.findIndex((node) => !isEmpty(node));
  const last = nodes.findLastIndex((node) => !isEmpty(node));
  const [start, end] = [nodes[first]!.range, nodes[last]!.range];
  if (!start || !end) return [];
  const lead = start.start + layoutSpace(page, start.start);
  const breaks = [...nodes.slice(0, first), ...nodes.slice(last + 1)].filter((node) => isBreak(node) && node.range);
  return [
    { start: lead, end: lead, text: '<p>' },
    { start: trimmedEnd(page, end), end: trimmedEnd(page, end), text: '</p>' },
    ...breaks.map((node) => ({ ...node.range!, text: '' })),
  ];
}

function isBreak(node: TreeNode): boolean {
  return node.kind === 'element' && node.tag === 'br';
}

function saysSomething(nodes: readonly TreeNode[]): boolean {
  return nodes.some((node) =>
    node.kind === 'text'
      ? tidy(node.text) !== ''
      : node.kind === 'element' && node.tag !== 'br' && (tidy(rawText(node)) !== '' || node.tag === 'img' || imagesIn(node).length > 0),
  );
}

function markerLengths(list: TypedList): Map<TypedLine, number> {
  const lengths = new Map<TypedLine, number>();
  const waiting = [...list.items];
  for (let item = waiting.pop(); item; item = waiting.pop()) {
    lengths.set(item.line, item.marker.length);
    append(waiting, item.nested);
  }
  return lengths;
}

function trimmedEnd(page: Page, range: Range): number {
  let { end } = range;
  while (end > range.start && /\s/.test(page.source[end - 1]!)) end--;
  return end;
}
