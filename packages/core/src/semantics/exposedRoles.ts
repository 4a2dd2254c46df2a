import { childElements, closestWithin, elementParent, has, valueOf, type ElementNode } from '../document/tree.ts';
import { fact, type Page } from '../document/page.ts';
import { nameOf } from './names.ts';
import { roleOf } from './roles.ts';
import { styleOf } from '../style/cascade.ts';
import { tableOfCell } from './tableHeaders.ts';
import { isExposed } from './visibility.ts';
import { lookup } from '../source/lookup.ts';

/** Elements inside which a header or footer belongs to them, not to the page (HTML-AAM, "header", "footer"). */
const SECTIONING = new Set(['article', 'aside', 'main', 'nav', 'section']);
const SECTIONING_ROLES = new Set(['article', 'complementary', 'main', 'navigation', 'region']);

/** Roles whose content is told as one piece: nothing inside has a role of its own (WAI-ARIA 1.2, "Children Presentational: True"). */
const CHILDREN_PRESENTATIONAL = new Set([
  'img',
  'meter',
  'progressbar',
  'scrollbar',
  'separator',
  'slider',
  'checkbox',
  'radio',
  'switch',
  'menuitemcheckbox',
  'menuitemradio',
  'option',
  'math',
]);

/** What a list, table or menu owns, and which loses its meaning with it (WAI-ARIA 1.2, "Presentational Roles Conflict Resolution"). */
const OWNED: Record<string, readonly string[]> = {
  list: ['listitem'],
  table: ['row', 'rowgroup', 'cell', 'columnheader', 'rowheader', 'caption'],
  rowgroup: ['row', 'cell', 'columnheader', 'rowheader'],
  row: ['cell', 'columnheader', 'rowheader'],
};
const OWNERS: Record<string, readonly string[]> = {
  row: ['table', 'grid', 'treegrid', 'rowgroup'],
  rowgroup: ['table', 'grid', 'treegrid'],
};

interface Seen {
  role: string | null;
  /** In an element that hides the roles of what is inside. */
  muted: boolean;
  /** Inside sectioning content. */
  sectioned: boolean;
}

/** One pass from the top: the role each element is told with, or null when it is told as nothing of its own. */
const exposedRoles = fact((page: Page): (string | null)[] => {
  const seen: Seen[] = [];
  for (const element of page.elements) {
    const parent = elementParent(element);
    const above = parent ? seen[parent.order]! : { role: null, muted: false, sectioned: false };
    const role = above.muted || !isExposed(page, element) ? null : contextualRole(page, element, above, seen);
    seen[element.order] = {
      role,
      muted: above.muted || (role !== null && CHILDREN_PRESENTATIONAL.has(role) && element.space !== 'math'),
      sectioned: above.sectioned || SECTIONING.has(element.tag) || SECTIONING_ROLES.has(role ?? ''),
    };
  }
  return seen.map((one) => one.role);
});

/** The role an element is told with in its place: null for generic, presentational and hidden ones. */
export function exposedRole(page: Page, element: ElementNode): string | null {
  return exposedRoles(page)[element.order] ?? null;
}

function contextualRole(page: Page, element: ElementNode, above: Seen, seen: readonly Seen[]): string | null {
  if (element === page.html || element === page.body) return has(element, 'role') ? meaning(roleOf(element)) : null;
  const role = roleOf(element);
  return saysRole(element, role) ? meaning(role) : nativeInContext(page, element, role, above, seen);
}

/** Whether the role is the author's word and not the element's own. */
function saysRole(element: ElementNode, role: string | null): boolean {
  return role !== null && has(element, 'role') && valueOf(element, 'role')!.toLowerCase().split(/\s+/).includes(role);
}

function nativeInContext(page: Page, element: ElementNode, role: string | null, above: Seen, seen: readonly Seen[]): string | null {
  switch (element.tag) {
    case 'header':
    case 'footer':
      return element.space !== 'html' || above.sectioned ? null : element.tag === 'header' ? 'banner' : 'contentinfo';
    case 'section':
      return nameOf(page, element).name ? 'region' : null;
    case 'p':
      return styleOf(page, element).display === 'inline' || !holdsSomething(element) ? null : role;
    case 'aside':
      return above.sectioned && !nameOf(page, element).name ? null : 'complementary';
    case 'svg':
      return svgRole(page, element);
    case 'li':
    case 'tr':
    case 'td':
    case 'th':
    case 'tbody':
    case 'thead':
    case 'tfoot':
      return element.space === 'html' ? partRole(element, role, seen) : null;
    case 'caption':
      return presentationalOwner(element, 'caption') ? null : 'caption';
    default:
      return meaning(role);
  }
}

function meaning(role: string | null): string | null {
  return role === 'presentation' || role === 'none' || role === 'generic' ? null : role;
}

function svgRole(page: Page, element: ElementNode): string | null {
  if (element.parent?.kind === 'element' && element.parent.space === 'svg') return null;
  return nameOf(page, element).name ? 'img' : 'graphics-document';
}

/** A part of a list or table is told as one only inside its whole. */
function partRole(element: ElementNode, role: string | null, seen: readonly Seen[]): string | null {
  if (role === null || presentationalOwner(element, role)) return null;
  const parent = elementParent(element)!;
  const parentRole = seen[parent.order]!.role;
  const owners = lookup(OWNERS, role);
  if (role !== 'listitem' && owners && !owners.includes(parentRole ?? '') && !ownerAbove(element, seen, owners)) return null;
  if (element.tag === 'th' || element.tag === 'td') return cellRole(element);
  if (element.tag === 'tbody' && element.attributes.length === 0) return null;
  return role;
}

function ownerAbove(element: ElementNode, seen: readonly Seen[], owners: readonly string[]): boolean {
  return closestWithin(element, 4, (up) => owners.includes(seen[up.order]!.role ?? '')) !== null;
}

/** Whether the list or table an element is part of has been made presentational. */
function presentationalOwner(element: ElementNode, role: string): boolean {
  // The whole ends at its table or list, or at the first element that is no part of one.
  const end = closestWithin(element, 4, (up) => {
    const owner = lookup(WHOLES, up.tag);
    return !owner || !lookup(OWNED, owner)?.includes(role) || roleOf(up) === 'presentation' || owner === 'table' || owner === 'list';
  });
  return (
    end !== null &&
    Object.hasOwn(WHOLES, end.tag) &&
    lookup(OWNED, lookup(WHOLES, end.tag)!)?.includes(role) === true &&
    roleOf(end) === 'presentation'
  );
}

const WHOLES: Record<string, string> = {
  ul: 'list',
  ol: 'list',
  menu: 'list',
  table: 'table',
  tbody: 'rowgroup',
  thead: 'rowgroup',
  tfoot: 'rowgroup',
  tr: 'row',
};

function cellRole(cell: ElementNode): string {
  const table = tableOfCell(cell);
  const inGrid = table !== null && ['grid', 'treegrid'].includes(roleOf(table) ?? '');
  if (cell.tag === 'td') return inGrid ? 'gridcell' : 'cell';
  const scope = (valueOf(cell, 'scope') ?? '').trim().toLowerCase();
  if (scope === 'row' || scope === 'rowgroup') return 'rowheader';
  return scope === 'col' || scope === 'colgroup' ? 'columnheader' : roleBesideNeighbours(cell);
}

/**
 * HTML leaves open which header a cell without scope is told as. Browsers go by its neighbours in the row: beside data it heads the row.
 */
function roleBesideNeighbours(cell: ElementNode): string {
  const cells = childElements(cell.parent!).filter((one) => one.tag === 'td' || one.tag === 'th');
  const at = cells.indexOf(cell);
  const [before, after] = [cells[at - 1], cells[at + 1]];
  const heads = (one: ElementNode | undefined) => one === undefined || one.tag === 'th';
  return heads(before) && heads(after) ? 'columnheader' : 'rowheader';
}

function holdsSomething(element: ElementNode): boolean {
  return element.children.some((child) => child.kind === 'element' || (child.kind === 'text' && /[^ \t\n\r\f]/.test(child.text)));
}
