import { childElements, elementParent, has, tidy, valueOf, type ElementNode, type TreeNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { pathOf } from '../document/paths.ts';
import { isBlock } from '../semantics/blocks.ts';
import { exposedRole } from '../semantics/exposedRoles.ts';
import { languageAt } from '../semantics/languages.ts';
import { nameOf, shownText } from '../semantics/names.ts';
import { headingLevel } from '../semantics/outline.ts';
import { gridOf } from '../semantics/tables.ts';
import { headersOf, headerModel, tableOfCell } from '../semantics/tableHeaders.ts';
import { isExposed } from '../semantics/visibility.ts';
import { languageName } from '../standards/languageNames.ts';
import { lookup } from '../source/lookup.ts';

/** One thing said, and the element it is said of. */
export interface SpokenLine {
  path: string;
  says: string;
}

/** Elements that are said by their name, with the words for what they are; what they hold is not said again. */
const NAMED: Readonly<Record<string, string>> = {
  link: 'link',
  button: 'button',
  checkbox: 'check box',
  radio: 'choice',
  switch: 'switch',
  textbox: 'field',
  searchbox: 'search field',
  combobox: 'list to choose from',
  listbox: 'list to choose from',
  slider: 'slider',
  spinbutton: 'number field',
  progressbar: 'progress',
  meter: 'meter',
  tab: 'tab',
  menuitem: 'menu item',
  option: 'option',
  img: 'image',
  'doc-noteref': 'note',
  'doc-backlink': 'link back',
  'doc-biblioref': 'source',
  math: 'formula',
};
/** Whether an element is said by its name, after the word for what it is. */
export function isSaidByName(page: Page, element: ElementNode): boolean {
  return Object.hasOwn(NAMED, exposedRole(page, element) ?? '');
}

/** Parts of a page that are announced when one comes into them and leaves them. */
const PARTS: Readonly<Record<string, string>> = {
  main: 'Main part',
  navigation: 'Navigation',
  banner: 'Head of the page',
  contentinfo: 'Foot of the page',
  complementary: 'Beside the content',
  region: 'Part',
  search: 'Search',
  form: 'Form',
  blockquote: 'Quotation',
  figure: 'Figure',
  article: 'Article',
  dialog: 'Dialog',
  group: 'Group',
};

/**
 * What a screen reader says of a page, in order: role words, levels, lengths of lists, places in tables with their headers, languages.
 * Screen readers differ in their words; these are plain ones, by common practice.
 */
export function speakPage(page: Page): SpokenLine[] {
  return speakNodes(page, page.body.children);
}

/** What is said of some nodes of a page, one after another. */
export function speakNodes(page: Page, nodes: readonly TreeNode[]): SpokenLine[] {
  const speaker = new Speaker(page);
  const stack: { nodes: readonly TreeNode[]; at: number; leave: ElementNode | null }[] = [{ nodes, at: 0, leave: null }];
  while (stack.length > 0) {
    const frame = stack[stack.length - 1]!;
    const node = frame.nodes[frame.at++];
    if (!node) {
      stack.pop();
      if (frame.leave) speaker.leave(frame.leave);
    } else if (node.kind === 'text') speaker.text(node.text);
    else if (node.kind === 'element' && isExposed(page, node) && speaker.enter(node))
      stack.push({ nodes: node.children, at: 0, leave: node });
  }
  return speaker.finish();
}

/** Their content is not said, or said by their name. */
const SILENT = new Set(['script', 'style', 'svg', 'textarea', 'select', 'canvas']);

class Speaker {
  private readonly lines: SpokenLine[] = [];
  private parts: string[] = [];
  private at: ElementNode;
  private readonly itemPlaces = new ItemPlaces();

  constructor(private readonly page: Page) {
    this.at = page.body;
  }

  text(text: string): void {
    this.parts.push(text);
  }

  /** Says what an element is; true when what it holds is to be said too. */
  enter(element: ElementNode): boolean {
    const role = exposedRole(this.page, element) ?? '';
    if (element.tag === 'br') this.parts.push(' ');
    if (isBlock(element) || Object.hasOwn(PARTS, role)) this.flush(element);
    this.sayLanguage(element);
    if (element.tag === 'iframe' || element.tag === 'video' || element.tag === 'audio')
      return this.sayNamed(element, element.tag === 'iframe' ? 'frame' : 'player');
    if (Object.hasOwn(NAMED, role)) return this.sayNamed(element, lookup(NAMED, role)!);
    this.sayRole(element, role);
    return !SILENT.has(element.tag) && !(element.tag === 'caption' && role === 'caption');
  }

  private sayRole(element: ElementNode, role: string): void {
    const { name } = nameOf(this.page, element);
    if (Object.hasOwn(PARTS, role)) return this.line(element, [lookup(PARTS, role)!, name]);
    switch (role) {
      case 'heading':
        return void this.parts.push(`Heading level ${headingLevel(element)}, `, element.children.length === 0 ? name || 'blank' : '');
      case 'list':
        return this.line(element, [`List of ${itemsOf(element)}`, name]);
      case 'listitem':
        return void this.parts.push(this.itemPlaces.of(element));
      case 'table':
      case 'grid':
        return this.enterTable(element);
      case 'cell':
      case 'gridcell':
      case 'columnheader':
      case 'rowheader':
        return this.enterCell(element);
      case 'separator':
        return this.line(element, ['Separator']);
      case 'term':
        return void this.parts.push('Term: ');
    }
  }

  leave(element: ElementNode): void {
    const role = exposedRole(this.page, element) ?? '';
    if (isBlock(element) || Object.hasOwn(PARTS, role)) this.flush(element);
    if (role === 'list') this.line(element, ['End of list']);
    else if (role === 'table' || role === 'grid') this.line(element, ['End of table']);
    else if (Object.hasOwn(PARTS, role)) this.line(element, [`End of ${lookup(PARTS, role)!.toLowerCase()}`]);
  }

  finish(): SpokenLine[] {
    this.flush(this.page.body);
    return this.lines;
  }

  private sayNamed(element: ElementNode, what: string): false {
    const { name } = nameOf(this.page, element);
    if (what === 'link' && holdsOnlyImage(this.page, element)) what = 'link, image';
    const unnamed = what === 'image' ? 'image with no description' : `${what} with no name`;
    // A link belongs to its sentence; anything else is a sentence of its own.
    this.parts.push(` ${name ? `${what}, ${name}` : unnamed}${stateOf(element)}${what.startsWith('link') ? ' ' : '. '}`);
    return false;
  }

  private sayLanguage(element: ElementNode): void {
    if (!has(element, 'lang')) return;
    const parent = elementParent(element);
    const [here, above] = [languageAt(this.page, element), parent ? languageAt(this.page, parent) : ''];
    if (here && here.toLowerCase().split('-')[0] !== above.toLowerCase().split('-')[0]) this.parts.push(` in ${languageName(here)}: `);
  }

  private enterTable(table: ElementNode): void {
    const grid = gridOf(table);
    this.line(table, ['Table', nameOf(this.page, table).name, `${grid.rows} rows`, `${grid.columns} columns`]);
  }

  private enterCell(element: ElementNode): void {
    const table = tableOfCell(element);
    const cell = table && headerModel(this.page, table).cells.get(element);
    if (!table || !cell) return;
    const heads = headersOf(this.page, table, element).map((head) => shownText(this.page, head));
    this.parts.push(`Row ${cell.row + 1}, column ${cell.column + 1}${heads.length > 0 ? `, ${heads.join(', ')}` : ''}: `);
  }

  private line(element: ElementNode, words: readonly string[]): void {
    this.flush(element);
    this.lines.push({ path: pathOf(this.page, element), says: words.filter(Boolean).join(', ') });
  }

  /** What was gathered since the last block becomes a line of the block it stands in. */
  private flush(next: ElementNode): void {
    const says = tidy(this.parts.join(''))
      .replace(/ ([.,;:!?])/g, '$1')
      .replace(/([.!?])\.(?=\s|$)/g, '$1');
    if (says) this.lines.push({ path: pathOf(this.page, this.at), says });
    this.parts = [];
    this.at = next;
  }
}

/** A link whose words are those of an image in it: it is announced as both. */
function holdsOnlyImage(page: Page, link: ElementNode): boolean {
  const [first, second] = childElements(link).filter((child) => isExposed(page, child));
  return first !== undefined && !second && exposedRole(page, first) === 'img' && shownText(page, link) === '';
}

function itemsOf(list: ElementNode): number {
  return childElements(list).filter((child) => child.tag === 'li').length;
}

/** Places of items in their lists, each list counted once. */
class ItemPlaces {
  private readonly known = new Map<ElementNode, Map<ElementNode, number>>();

  of(item: ElementNode): string {
    const parent = elementParent(item);
    if (!parent || !['ul', 'ol', 'menu'].includes(parent.tag)) return 'Item: ';
    let places = this.known.get(parent);
    if (!places) {
      places = new Map(
        childElements(parent)
          .filter((child) => child.tag === 'li')
          .map((child, i) => [child, i + 1]),
      );
      this.known.set(parent, places);
    }
    return `${places.get(item) ?? 0} of ${places.size}: `;
  }
}

function stateOf(field: ElementNode): string {
  const states = [
    has(field, 'required') ? 'required' : '',
    has(field, 'checked') ? 'checked' : '',
    has(field, 'disabled') ? 'cannot be used' : '',
    valueOf(field, 'aria-expanded') === 'true' ? 'open' : valueOf(field, 'aria-expanded') === 'false' ? 'closed' : '',
  ].filter(Boolean);
  return states.length > 0 ? `, ${states.join(', ')}` : '';
}
