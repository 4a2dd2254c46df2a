import { childElements, tidy, valueOf, type ElementNode, type Range } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { headingLevel } from '../semantics/outline.ts';
import { nameOf, shownText } from '../semantics/names.ts';
import { roleOf } from '../semantics/roles.ts';
import { gridOf } from '../semantics/tables.ts';
import { titleText } from '../semantics/title.ts';
import { isExposed } from '../semantics/visibility.ts';

/** Longest passage spoken for one note, in characters. */
const LONGEST = 220;
const MOST_PIECES = 40;

/**
 * What a listener hears of one piece of a page, role words included. Screen readers differ in their words; these are plain ones,
 * by common practice. `range` is a stretch of the source: whatever begins in it and is not inside something else that does, is said.
 */
export function speakRange(page: Page, range: Range): string {
  const said: string[] = [];
  let covered = -1;
  for (const element of page.elements) {
    if (
      !element.range ||
      element.range.start < range.start ||
      element.range.start >= Math.max(range.end, range.start + 1) ||
      element.range.end <= covered
    )
      continue;
    covered = element.range.end;
    said.push(sayElement(page, element));
    if (said.length > MOST_PIECES) break;
  }
  const all = punctuated(said.join(' '));
  return all.length > LONGEST ? `${all.slice(0, LONGEST).trimEnd()}…` : all;
}

/** Pieces are joined by spaces; none stands before a stop, and no two stops meet. */
function punctuated(text: string): string {
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

function sayElement(page: Page, element: ElementNode): string {
  if (!isExposed(page, element)) return '';
  const level = headingLevel(element);
  const { name } = nameOf(page, element);
  if (level !== null) return `Heading level ${level}, ${name || 'blank'}`;
  switch (roleOf(element)) {
    case 'link':
      return `Link, ${name || 'no text'}`;
    case 'img':
      return `Image${name ? `, ${name}` : ' with no description'}`;
    case 'presentation':
      return element.tag === 'img' ? '' : sayChildren(page, element);
    case 'list':
      return `List of ${childElements(element).filter((child) => child.tag === 'li').length}. ${sayChildren(page, element)} End of list.`;
    case 'table':
      return sayTable(page, element);
    case 'listitem':
      return `Item: ${sayChildren(page, element)}.`;
    default:
      return sayChildren(page, element);
  }
}

function sayChildren(page: Page, element: ElementNode): string {
  return element.children
    .map((child) => (child.kind === 'text' ? child.text : child.kind === 'element' ? ` ${sayElement(page, child)} ` : ''))
    .join('');
}

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
