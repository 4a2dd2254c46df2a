import { tidy, valueOf, type ElementNode, type ParentNode, type Range, type TextNode, type TreeNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { exposedRole } from '../semantics/exposedRoles.ts';
import { headingLevel } from '../semantics/outline.ts';
import { nameOf, shownText } from '../semantics/names.ts';
import { gridOf } from '../semantics/tables.ts';
import { titleText } from '../semantics/title.ts';
import { isExposed } from '../semantics/visibility.ts';
import { coloursIn } from '../style/contrast.ts';
import { hexOf } from '../style/colour.ts';
import { styleOf } from '../style/cascade.ts';
import { isSaidByName, speakNodes } from './page.ts';

/** Longest passage spoken for one note, in characters. */
const LONGEST = 220;
const MOST_PIECES = 40;

/**
 * What a listener hears of one piece of a page, role words included. Screen readers differ in their words; these are plain ones,
 * by common practice. `range` is a stretch of the source: what begins in it is said whole; of what it lies in, a heading or a link is said
 * whole too, since it is never heard in part.
 */
export function speakRange(page: Page, range: Range): string {
  const pieces = piecesIn(page, range);
  const said = pieces.flatMap((piece) => sayPiece(page, piece));
  const words = punctuated(said.map((one) => one.trim()).filter(Boolean));
  const all = pieces[0]?.kind === 'element' && isSaidByName(page, pieces[0]) ? `${words.charAt(0).toUpperCase()}${words.slice(1)}` : words;
  return all.length > LONGEST ? `${all.slice(0, LONGEST).trimEnd()}…` : all;
}

/** Pieces follow each other as sentences where a line ended, else as words. */
function punctuated(lines: readonly string[]): string {
  const text = lines.reduce((all, line) => (all ? `${all}${/[.,;:!?…]$/.test(all) ? '' : '.'} ${line}` : line), '');
  return tidy(text)
    .replace(/ ([.,;:!?])/g, '$1')
    .replace(/\.{2}(?!\.)/g, '.');
}

/** What a listener hears of the page as a whole when it opens: its title, and in which voice. */
export function speakWhole(page: Page): string {
  const words = titleText(page);
  const language = tidy(valueOf(page.html, 'lang') ?? '');
  return `${words ? `Page, ${words}` : 'Page without a title'}; ${language ? `read in the voice for ${language}` : 'read in whatever voice is set'}`;
}

/** A run of words as it looks: colours as #rrggbb, its size in px. */
export interface Look {
  words: string;
  color: string;
  ground: string;
  size: number;
  bold: boolean;
  italic: boolean;
  underlined: boolean;
  capitals: boolean;
  align: string;
}

/** How the words of a stretch of the source look, run by run. */
export function looksOf(page: Page, range: Range): Look[] {
  const found: Look[] = [];
  let left = LONGEST;
  const see = (text: TextNode, around: ElementNode) => {
    const words = text.text.replace(/\s+/g, ' ').slice(0, left);
    if (words.trim() === '' || !isExposed(page, around)) return;
    left -= words.length;
    found.push({ words, ...lookOf(page, around) });
  };
  for (const piece of piecesIn(page, range))
    for (const text of textsIn(piece)) {
      see(text, elementOf(text.parent));
      if (left <= 0) return found;
    }
  return found;
}

function lookOf(page: Page, element: ElementNode): Omit<Look, 'words'> {
  const style = styleOf(page, element);
  const { color, background } = coloursIn(page, element);
  return {
    color: hexOf(color),
    ground: hexOf(background),
    size: Math.round(style.fontSize * 10) / 10,
    bold: style.fontWeight >= 600,
    italic: style.italic,
    underlined: style.underlined,
    capitals: style.textTransform === 'uppercase',
    align: style.textAlign,
  };
}

function* textsIn(node: TreeNode): Generator<TextNode> {
  if (node.kind === 'text') yield node;
  else if (node.kind === 'element') for (const child of node.children) yield* textsIn(child);
}

/** The nodes a stretch of the source speaks of: what begins in it, the texts it cuts, and a heading or link around either. */
function piecesIn(page: Page, range: Range): TreeNode[] {
  const end = Math.max(range.end, range.start + 1);
  const found: TreeNode[] = [];
  const around: { nodes: readonly TreeNode[]; at: number }[] = [{ nodes: page.html.children, at: 0 }];
  while (around.length > 0 && found.length < MOST_PIECES) {
    const level = around[around.length - 1]!;
    const node = level.nodes[level.at++];
    if (!node) around.pop();
    else if (node.kind === 'comment' || (node.range && (node.range.start >= end || node.range.end <= range.start))) continue;
    else if (node.kind === 'text') {
      if (node.range) found.push(cutTo(node, range));
    } else if ((node.range && node.range.start >= range.start) || isHeardWhole(page, node)) found.push(node);
    else around.push({ nodes: node.children, at: 0 });
  }
  return found;
}

function isHeardWhole(page: Page, element: ElementNode): boolean {
  return headingLevel(element) !== null || exposedRole(page, element) === 'link';
}

/** Of a text that reaches out of a stretch the words in it, whole ones. */
function cutTo(node: TextNode, { start, end }: Range): TextNode {
  const { range, text } = node;
  // Where letters are written as references the places do not match: the text is taken whole.
  if (!range || range.end - range.start !== text.length || (range.start >= start && range.end <= end)) return node;
  let [from, to] = [Math.max(0, start - range.start), Math.min(text.length, end - range.start)];
  while (from > 0 && /\S/.test(text[from - 1]!)) from--;
  while (to < text.length && /\S/.test(text[to]!)) to++;
  return { ...node, text: text.slice(from, to) };
}

function sayPiece(page: Page, node: TreeNode): string[] {
  if (node.kind === 'text') return isExposed(page, elementOf(node.parent)) ? [node.text] : [];
  if (node.kind !== 'element' || !isExposed(page, node)) return [];
  if (exposedRole(page, node) === 'table') return [sayTable(page, node)];
  return speakNodes(page, [node]).map(({ says }) => says);
}

const elementOf = (parent: ParentNode | null) => parent as ElementNode;

/** Size and caption, then the first cell of data with the headers it would be read with. */
function sayTable(page: Page, table: ElementNode): string {
  const grid = gridOf(table);
  const caption = nameOf(page, table).name;
  const cell = grid.cells.find((one) => one.row > 0 && one.element.tag === 'td');
  const column = cell && grid.at[0]?.[cell.column]?.element;
  const row = cell && grid.at[cell.row]?.[0]?.element;
  const heads = [row, column].filter((head): head is ElementNode => head?.tag === 'th').map((head) => shownText(page, head));
  const first = cell ? ` ${[...heads, shownText(page, cell.element)].join(', ')}` : '';
  return `Table${caption ? `, ${caption}` : ''}, ${grid.rows} rows, ${grid.columns} columns.${first}`;
}
