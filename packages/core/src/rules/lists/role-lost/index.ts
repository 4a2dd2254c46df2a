import { childElements, has, valueOf } from '../../../document/tree.ts';
import { tagged } from '../../../document/tagged.ts';
import { FURNITURE, isInside } from '../../../semantics/inside.ts';
import { shownText } from '../../../semantics/names.ts';
import { isExposed } from '../../../semantics/visibility.ts';
import { styleOf } from '../../../style/cascade.ts';
import { defineRule } from '../../types.ts';

/** Roles with which a list becomes something else on purpose (WAI-ARIA 1.2 widgets and groups). */
const OTHER_THINGS = new Set([
  'list',
  'directory',
  'menu',
  'menubar',
  'tablist',
  'tree',
  'listbox',
  'radiogroup',
  'group',
  'toolbar',
  'feed',
  'grid',
  'navigation',
]);

export const rule = defineRule({
  id: 'lists/role-lost',
  title: 'List that is not told as one',
  why: 'It looks like a list, and a listener hears loose lines with no length and no end.',
  fix: 'Take the role away, or give the list the role of a list again.',
  criteria: ['1.3.1'],
  techniques: [],
  practice: true,
  weight: 'consider',
  scope: 'any',
  remedies: [],
  messages: {
    role: 'The role “{role}” takes the list away from its {many} items',
    style: 'With no marker shown, some screen readers do not tell of this list of {many} items',
  },
  end(page, tell) {
    for (const element of tagged(page, 'ul', 'ol')) {
      if (!isExposed(page, element)) continue;
      const items = childElements(element).filter((child) => child.tag === 'li' && !has(child, 'role'));
      if (items.length < 2) continue;
      const role = (valueOf(element, 'role') ?? '').trim().toLowerCase();
      const values = { role, many: items.length };
      if (role && !OTHER_THINGS.has(role)) tell({ at: element, message: 'role', values, subject: shownText(page, element, 80) });
      else if (!role && !isInside(page, element, FURNITURE) && styleOf(page, element).listStyle === 'none')
        tell({ at: element, message: 'style', values, subject: shownText(page, element, 80) });
    }
  },
});
