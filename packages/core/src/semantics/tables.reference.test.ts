import fc from 'fast-check';
import { parsePage } from '../document/page.ts';
import { childElements, valueOf, type ElementNode } from '../document/tree.ts';
import { headersOf } from './tableHeaders.ts';
import { gridOf } from './tables.ts';

/**
 * A second, slow and literal version of the HTML Living Standard's "forming a table" and "assigning header cells" (from memory), with
 * its own names and order of steps, to compare ours with. It keeps a map of slots and grows downward-growing cells row by row.
 */
interface Placed {
  element: ElementNode;
  x: number;
  y: number;
  width: number;
  height: number;
}

class LiteralTable {
  readonly cells: Placed[] = [];
  private readonly slots = new Map<string, Placed[]>();
  private growing: Placed[] = [];
  private xWidth = 0;
  private yHeight = 0;
  private yCurrent = 0;

  constructor(table: ElementNode) {
    const pendingFeet: ElementNode[] = [];
    for (const current of childElements(table)) {
      if (current.tag === 'tr') this.processRow(current);
      if (!['thead', 'tbody', 'tfoot'].includes(current.tag)) continue;
      this.endRowGroup();
      if (current.tag === 'tfoot') pendingFeet.push(current);
      else this.processRowGroup(current);
    }
    this.endRowGroup();
    for (const foot of pendingFeet) this.processRowGroup(foot);
  }

  private processRowGroup(group: ElementNode): void {
    for (const row of childElements(group)) if (row.tag === 'tr') this.processRow(row);
    this.endRowGroup();
  }

  private endRowGroup(): void {
    while (this.yCurrent < this.yHeight) {
      this.growDown();
      this.yCurrent++;
    }
    this.growing = [];
  }

  private processRow(row: ElementNode): void {
    if (this.yHeight === this.yCurrent) this.yHeight++;
    let xCurrent = 0;
    this.growDown();
    for (const element of childElements(row).filter((child) => child.tag === 'td' || child.tag === 'th')) {
      while (xCurrent < this.xWidth && this.slots.has(`${xCurrent} ${this.yCurrent}`)) xCurrent++;
      if (xCurrent === this.xWidth) this.xWidth++;
      const colspan = Math.min(1000, nonNegative(valueOf(element, 'colspan')) || 1);
      const written = nonNegative(valueOf(element, 'rowspan'));
      const grows = written === 0;
      const rowspan = grows ? 1 : Math.min(65_534, written ?? 1);
      this.xWidth = Math.max(this.xWidth, xCurrent + colspan);
      this.yHeight = Math.max(this.yHeight, this.yCurrent + rowspan);
      const cell: Placed = { element, x: xCurrent, y: this.yCurrent, width: colspan, height: rowspan };
      for (let y = 0; y < rowspan; y++) for (let x = 0; x < colspan; x++) this.cover(xCurrent + x, this.yCurrent + y, cell);
      this.cells.push(cell);
      if (grows) this.growing.push(cell);
      xCurrent += colspan;
    }
    this.yCurrent++;
  }

  private cover(x: number, y: number, cell: Placed): void {
    const there = this.slots.get(`${x} ${y}`);
    if (!there) this.slots.set(`${x} ${y}`, [cell]);
    else if (!there.includes(cell)) there.push(cell);
  }

  /** "Algorithm for assigning header cells", without the headers attribute. */
  headersFor(principal: Placed): ElementNode[] {
    let list: Placed[] = [];
    for (let y = principal.y; y < principal.y + principal.height; y++) list.push(...this.scan(principal, principal.x, y, -1, 0));
    for (let x = principal.x; x < principal.x + principal.width; x++) list.push(...this.scan(principal, x, principal.y, 0, -1));
    const group = groupOf(principal);
    if (group)
      list.push(
        ...this.cells.filter(
          (cell) =>
            scopeOf(cell) === 'rowgroup' &&
            groupOf(cell) === group &&
            cell.x <= principal.x + principal.width - 1 &&
            cell.y <= principal.y + principal.height - 1,
        ),
      );
    list = list.filter((cell) => !isEmpty(cell));
    return [...new Set(list)].filter((cell) => cell !== principal).map((cell) => cell.element);
  }

  private scan(principal: Placed, initialX: number, initialY: number, deltaX: number, deltaY: number): Placed[] {
    const list: Placed[] = [];
    let [x, y] = [initialX, initialY];
    const opaqueHeaders: Placed[] = [];
    let inHeaderBlock = principal.element.tag === 'th';
    let headersFromCurrentHeaderBlock = inHeaderBlock ? [principal] : [];
    while (x + deltaX >= 0 && y + deltaY >= 0) {
      x += deltaX;
      y += deltaY;
      const covering = this.slots.get(`${x} ${y}`) ?? [];
      if (covering.length !== 1) continue;
      const current = covering[0]!;
      if (current.element.tag === 'th') {
        inHeaderBlock = true;
        headersFromCurrentHeaderBlock.push(current);
        let blocked = false;
        if (deltaX === 0)
          blocked = opaqueHeaders.some((cell) => cell.x === current.x && cell.width === current.width) || !this.isColumnHeader(current);
        if (deltaY === 0)
          blocked = opaqueHeaders.some((cell) => cell.y === current.y && cell.height === current.height) || !this.isRowHeader(current);
        if (!blocked) list.push(current);
      } else if (inHeaderBlock) {
        inHeaderBlock = false;
        opaqueHeaders.push(...headersFromCurrentHeaderBlock);
        headersFromCurrentHeaderBlock = [];
      }
    }
    return list;
  }

  private isColumnHeader(cell: Placed): boolean {
    return (
      scopeOf(cell) === 'col' ||
      (scopeOf(cell) === '' &&
        !this.cells.some((other) => other.element.tag === 'td' && other.y < cell.y + cell.height && cell.y < other.y + other.height))
    );
  }

  private isRowHeader(cell: Placed): boolean {
    return (
      scopeOf(cell) === 'row' ||
      (scopeOf(cell) === '' &&
        !this.isColumnHeader(cell) &&
        !this.cells.some((other) => other.element.tag === 'td' && other.x < cell.x + cell.width && cell.x < other.x + other.width))
    );
  }

  private growDown(): void {
    for (const cell of this.growing) {
      cell.height = Math.max(cell.height, this.yCurrent - cell.y + 1);
      for (let x = 0; x < cell.width; x++) this.cover(cell.x + x, this.yCurrent, cell);
    }
  }
}

function scopeOf(cell: Placed): string {
  return valueOf(cell.element, 'scope') ?? '';
}

/** The row group a cell is anchored in. */
function groupOf(cell: Placed): ElementNode | null {
  const row = cell.element.parent as ElementNode;
  const group = row.parent as ElementNode;
  return group.tag === 'table' ? null : group;
}

/** "Empty": no elements, and only white space as text. */
function isEmpty(cell: Placed): boolean {
  return cell.element.children.every((child) => child.kind === 'text' && child.text.trim() === '');
}

/** The standard's rules for parsing non-negative integers; null on an error. */
function nonNegative(text: string | null): number | null {
  const digits = /^[ \t\n\f\r]*\+?(\d+)/.exec(text ?? '');
  return digits ? Number(digits[1]) : null;
}

const spanValue = fc.constantFrom(
  '',
  ' colspan=2',
  ' colspan=3',
  ' rowspan=2',
  ' rowspan=3',
  ' rowspan=0',
  ' colspan=0',
  ' colspan=x',
  ' rowspan=2 colspan=2',
);
const row = fc.array(spanValue, { minLength: 0, maxLength: 5 }).map((spans) => `<tr>${spans.map((span) => `<td${span}>x`).join('')}`);
// Enough plain rows follow that no span but a growing one reaches past its group: there browsers cut it off and the standard adds empty
// rows.
const group = fc.array(row, { minLength: 1, maxLength: 4 }).map((rows) => `${rows.join('')}<tr><td>y<tr><td>z`);
const table = fc
  .tuple(fc.array(group, { minLength: 1, maxLength: 3 }), fc.option(group))
  .map(([bodies, foot]) => `<table>${foot ? `<tfoot>${foot}` : ''}${bodies.map((body) => `<tbody>${body}`).join('')}</table>`);

test('cells stand where the standard’s own steps put them', () => {
  fc.assert(
    fc.property(table, (html) => {
      const element = parsePage(html).elements.find((one) => one.tag === 'table')!;
      const ours = gridOf(element).cells.map((cell) => [cell.element.order, cell.row, cell.column, cell.rowSpan, cell.colSpan]);
      const literal = new LiteralTable(element).cells.map((cell) => [cell.element.order, cell.y, cell.x, cell.height, cell.width]);
      expect(ours).toEqual(literal);
    }),
    { seed: 13, numRuns: 800 },
  );
});

const scope = fc.constantFrom('', '', '', ' scope=col', ' scope=row', ' scope=rowgroup');
const span = fc.constantFrom('', '', '', ' colspan=2', ' rowspan=2');
const content = fc.constantFrom('a', 'b', '', ' ', '<b></b>');
const headedCell = fc
  .oneof(fc.tuple(fc.constant('td'), span, fc.constant(''), content), fc.tuple(fc.constant('th'), span, scope, content))
  .map(([tag, spans, scopes, text]) => `<${tag}${spans}${scopes}>${text}`);
const headedRow = fc.array(headedCell, { minLength: 1, maxLength: 5 }).map((cells) => `<tr>${cells.join('')}`);
const headedGroup = fc.array(headedRow, { minLength: 1, maxLength: 4 }).map((rows) => `<tbody>${rows.join('')}<tr><td>y<tr><td>z`);
const headedTable = fc.array(headedGroup, { minLength: 1, maxLength: 3 }).map((groups) => `<table>${groups.join('')}</table>`);

test('headers are those the standard’s own steps assign', () => {
  let some = 0;
  fc.assert(
    fc.property(headedTable, (html) => {
      const page = parsePage(html);
      const element = page.elements.find((one) => one.tag === 'table')!;
      const literal = new LiteralTable(element);
      for (const cell of literal.cells) {
        const theirs = literal
          .headersFor(cell)
          .map((one) => one.order)
          .sort((a, b) => a - b);
        some += theirs.length;
        expect(
          headersOf(page, element, cell.element)
            .map((one) => one.order)
            .sort((a, b) => a - b),
        ).toEqual(theirs);
      }
    }),
    { seed: 17, numRuns: 1_500 },
  );
  expect(some).toBeGreaterThan(5_000);
});
