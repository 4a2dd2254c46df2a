import { FURNITURE, isInside } from '../../../semantics/inside.ts';
import { realLists, showsNothing } from '../../../semantics/lists.ts';
import { shownText } from '../../../semantics/names.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'lists/single',
  title: 'List of one item',
  why: 'A list is announced, and then there is only one thing in it.',
  fix: 'Let a lone item be a paragraph.',
  question: {
    ask: 'Is this really a list, or a single thing with a bullet?',
    yes: 'It is a single thing',
    no: 'It is a list that happens to hold one',
  },
  criteria: ['1.3.1'],
  techniques: [],
  practice: true,
  weight: 'consider',
  scope: 'any',
  remedies: ['make-paragraph'],
  messages: { one: 'This list holds one item: “{text}”' },
  end(page, tell) {
    for (const { element, kind, items } of realLists(page)) {
      if (kind === 'description' || items.length !== 1 || showsNothing(page, items[0]!) || isInside(page, element, FURNITURE)) continue;
      const text = shownText(page, items[0]!, 90);
      tell({ at: element, message: 'one', values: { text }, subject: text, outcome: 'cantTell' });
    }
  },
});
