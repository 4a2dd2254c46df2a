import { defineRule } from '../../types.ts';
import { elementParent, type ElementNode } from '../../../document/tree.ts';
import { shownText } from '../../../semantics/names.ts';
import { roleOf } from '../../../semantics/roles.ts';
import { beginsRun, strayRun } from '../../../semantics/strayItems.ts';

export const rule = defineRule({
  id: 'lists/stray-item',
  title: 'List item outside a list',
  why: 'The item is told to nobody as part of a list, so a listener hears loose lines with no beginning, length or end.',
  fix: 'Put the items into a list.',
  criteria: ['1.3.1'],
  techniques: ['H48', 'H40'],
  weight: 'must',
  scope: 'any',
  remedies: ['wrap-list'],
  messages: { item: 'The list item “{text}” stands in no list', group: 'The term or description “{text}” stands in no description list' },
  tags: ['li', 'dt', 'dd'],
  visit(page, element, tell) {
    if (!isStray(element) || !beginsRun(element)) return;
    const run = strayRun(element);
    tell({
      at: element,
      message: element.tag === 'li' ? 'item' : 'group',
      values: { text: shownText(page, element) },
      through: run.at(-1)!,
    });
  },
});

function isStray(item: ElementNode): boolean {
  const parent = elementParent(item)!;
  const role = roleOf(item);
  if (role !== 'listitem' && item.tag === 'li' && role !== null) return false;
  if (item.tag === 'li') return !['ul', 'ol', 'menu'].includes(parent.tag) && !['list', 'directory'].includes(roleOf(parent) ?? '');
  if (parent.tag === 'dl') return false;
  return !(parent.tag === 'div' && elementParent(parent)?.tag === 'dl');
}
