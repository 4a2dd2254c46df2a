import { defineRule } from '../../types.ts';
import { shownText } from '../../../semantics/names.ts';
import { CONTEXT_OF_ROLE, PARTS_OF_ROLE } from '../../../standards/aria.ts';
import { childElements, elementsIn, has, valueOf, elementParent, type ElementNode } from '../../../document/tree.ts';
import { roleOf } from '../../../semantics/roles.ts';
import type { Page } from '../../../document/page.ts';
import { attributed } from '../../../document/tagged.ts';
import { lookup } from '../../../source/lookup.ts';
export const rule = defineRule({
  id: 'structure/lost-part',
  title: 'Part outside of its whole',
  why: 'A listener is told of an item, a cell or a tab that belongs to nothing, or of nothing at all.',
  fix: 'Put it into the list, table or set it is part of, or take the role away.',
  criteria: ['1.3.1', '4.1.2'],
  techniques: ['ARIA4'],
  weight: 'must',
  scope: 'any',
  remedies: [],
  messages: {
    outside: '“{text}” has the role “{role}” and stands in nothing with the role {wholes}',
    empty: 'What has the role “{role}” holds nothing with the role {parts}',
  },
  tags: ['*'],
  visit(page, element, tell) {
    const role = writtenRole(element);
    if (!role) return;
    const text = shownText(page, element, 90) || element.tag;
    const wholes = lookup(CONTEXT_OF_ROLE, role);
    if (wholes && !isOwned(page, element, wholes)) {
      tell({ at: element, message: 'outside', values: { text, role, wholes: wholes.join(' or ') }, subject: `${role} ${text}` });
      return;
    }
    const parts = lookup(PARTS_OF_ROLE, role);
    if (
      parts &&
      !mayFillLater(element) &&
      childElements(element).length > 0 &&
      ![...elementsIn(element)].some((inner) => parts.includes(roleOf(inner) ?? ''))
    )
      tell({ at: element, message: 'empty', values: { role, parts: parts.join(' or ') }, subject: `${role} ${text}` });
  },
});

/** The role an author wrote, when it is one of the standard. */
function writtenRole(element: ElementNode): string | null {
  if (!has(element, 'role')) return null;
  const role = roleOf(element);
  return role && valueOf(element, 'role')!.toLowerCase().split(/\s+/).includes(role) ? role : null;
}

/** Through elements that say nothing of their own, or by a pointer. */
function isOwned(page: Page, element: ElementNode, wholes: readonly string[]): boolean {
  const id = valueOf(element, 'id');
  if (id && attributed(page).some((one) => (valueOf(one, 'aria-owns') ?? '').split(/\s+/).includes(id))) return true;
  for (let up = elementParent(element); up; up = elementParent(up)) {
    const role = roleOf(up);
    if (role !== null && wholes.includes(role)) return true;
    if (role !== null && !['generic', 'presentation', 'none', 'group', 'listitem', 'rowgroup'].includes(role) && up.tag !== 'body')
      return false;
  }
  return false;
}

/** What a script fills, or what it owns elsewhere, is not there yet. */
function mayFillLater(element: ElementNode): boolean {
  return has(element, 'aria-owns') || has(element, 'aria-busy') || has(element, 'hidden');
}
