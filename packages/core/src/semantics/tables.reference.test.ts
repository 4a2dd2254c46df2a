import fc from 'fast-check';
import { parsePage } from '../document/page.ts';
import { childElements, valueOf, type ElementNode } from '../document/tree.ts';
import { gridOf } from './tables.ts';

/**
 * A second, slow and literal version of the HTML Living Standard's "forming a table" (from memory), with its own names and order of
 * steps, to compare ours with. It keeps a map of slots and grows downward-growing cells row by row.
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
  private readonly slots = new Map<string, Placed>();
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
      for (let y = 0; y < rowspan; y++) for (let x = 0; x < colspan; x++) this.slots.set(`${xCurrent + x} ${this.yCurrent + y}`, cell);
      this.cells.push(cell);
      if (grows) this.growing.push(cell);
      xCurrent += colspan;
    }
    this.yCurrent++;
  }

  private growDown(): void {
    for (const cell of this.growing) {
      cell.height = Math.max(cell.height, this.yCurrent - cell.y + 1);
      for (let x = 0; x < cell.width; x++) this.slots.set(`${cell.x + x} ${this.yCurrent}`, cell);
    }
  }
}

/** The standard's rules for parsing non-negative integers; null on an error. */
function nonNegative(text: string | null): number | null {
  const digits = /^[ \t\n\f\r]*\+?(\d+)/.exec(text ?? '');
  return digits ? Number(digits[1]) : null;
}

const spanValue = fc.constantFrom('', ' colspan=2', ' colspan=3', ' rowspan=2', ' rowspan=3', ' rowspan=0', ' colspan=0', ' colspan=x', ' rowspan=2 colspan=2');
const row = fc.array(spanValue, { minLength: 0, maxLength: 5 }).map((spans) => `<tr>${spans.map((span) => `<td${span}>x`).join('')}`);
// Enough plain rows follow that no span but a growing one reaches past its group: there browsers cut it off and the standard adds empty rows.
const group = fc.array(row, { minLength: 1, maxLength: 4 }).map((rows) => `${rows.join('')}<tr><td>y<tr><td>z`);
const table = fc.tuple(fc.array(group, { minLength: 1, maxLength: 3 }), fc.option(group)).map(([bodies, foot]) => `<table>${foot ? `<tfoot>${foot}` : ''}${bodies.map((body) => `<tbody>${body}`).join('')}</table>`);

test('cells stand where the standard’s own steps put them', () => {
  fc.assert(fc.property(table, (html) => {
    const element = parsePage(html).elements.find((one) => one.tag === 'table')!;
    const ours = gridOf(element).cells.map((cell) => [cell.element.order, cell.row, cell.column, cell.rowSpan, cell.colSpan]);
    const literal = new LiteralTable(element).cells.map((cell) => [cell.element.order, cell.y, cell.x, cell.height, cell.width]);
    expect(ours).toEqual(literal);
  }), { seed: 13, numRuns: 800 });
});
