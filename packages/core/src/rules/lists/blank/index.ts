import { childElements } from '../../../document/tree.ts';
import { realLists, showsNothing } from '../../../semantics/lists.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'lists/blank',
  title: 'Empty list or item',
  why: 'It is counted and announced, and nothing comes.',
  fix: 'Take it out.',
  criteria: ['1.3.1'],
  techniques: ['H48'],
  weight: 'should',
  scope: 'any',
  remedies: ['remove'],
  messages: { list: 'This list is empty', item: 'Item {place} of this list is empty' },
  end(page, tell) {
    for (const { element, items } of realLists(page)) {
      if (items.every((item) => showsNothing(page, item))) {
        if (showsNothing(page, element)) tell({ at: element, message: 'list', subject: element.tag });
        continue;
      }
      for (const [i, item] of items.entries())
        if (
          item.tag === 'li' &&
          showsNothing(page, item) &&
          childElements(item).every((child) => child.tag === 'br' || child.tag === 'span' || child.tag === 'p')
        )
          tell({ at: item, message: 'item', values: { place: i + 1 }, subject: 'item' });
    }
  },
});
