import { childElements, tidy } from '../../../document/tree.ts';
import { realLists } from '../../../semantics/lists.ts';
import { shownText } from '../../../semantics/names.ts';
import { roleOf } from '../../../semantics/roles.ts';
import { isExposed } from '../../../semantics/visibility.ts';
import { defineRule } from '../../types.ts';

/** What may stand in a list beside its items (HTML Living Standard, script-supporting elements). */
const MAY_STAND = new Set(['li', 'script', 'template', 'style']);

export const rule = defineRule({
  id: 'lists/foreign-child',
  title: 'Something in a list that is no item',
  why: 'It belongs to no item, so a listener’s place in the list and its length are told wrong.',
  fix: 'Put it into the item it belongs to.',
  criteria: ['1.3.1'],
  techniques: ['H48'],
  weight: 'should',
  scope: 'any',
  remedies: ['move-into-item'],
  messages: {
    nested: 'A list stands directly in a list and not in one of its items',
    element: '“{text}” stands directly in a list and not in one of its items',
    text: 'The text “{text}” stands directly in a list',
  },
  end(page, tell) {
    for (const { element: list, kind } of realLists(page)) {
      if (kind === 'description') continue;
      for (const child of childElements(list)) {
        if (MAY_STAND.has(child.tag) || !isExposed(page, child) || roleOf(child) === 'listitem') continue;
        const nested = child.tag === 'ul' || child.tag === 'ol';
        tell({
          at: child,
          message: nested ? 'nested' : 'element',
          values: { text: shownText(page, child, 90) || `a ${child.tag} element` },
        });
      }
      const loose = list.children.find((node) => node.kind === 'text' && tidy(node.text) !== '');
      if (loose?.kind === 'text')
        tell({
          at: list,
          message: 'text',
          values: { text: tidy(loose.text) },
          subject: tidy(loose.text),
          range: loose.range ?? list.range!,
          remedies: [],
        });
    }
  },
});
