import { defineRule } from '../../types.ts';
import { tidy } from '../../../document/tree.ts';
import { rangeOfTypedList, typedLists } from '../../../semantics/typedLists.ts';

export const rule = defineRule({
  id: 'lists/typed',
  title: 'Typed list, not a real one',
  why: 'A listener is not told that a list begins, how long it is or where it ends, and cannot step through it.',
  fix: 'Make it a real list; the numbers or bullets then come by themselves.',
  criteria: ['1.3.1'],
  techniques: ['F2', 'H48'],
  weight: 'must',
  scope: 'any',
  remedies: ['make-list'],
  messages: {
    numbers: '{count} lines with typed numbers stand here, from “{first}” on, and are no list',
    bullets: '{count} lines with typed bullets stand here, from “{first}” on, and are no list',
  },
  end(page, tell) {
    for (const list of typedLists(page)) {
      const first = tidy(list.lines[0]!.text);
      const message = list.items[0]!.marker.kind === 'bullet' ? 'bullets' : 'numbers';
      const range = rangeOfTypedList(list);
      tell({
        at: list.lines[0]!.block,
        message,
        values: { count: list.lines.length, first },
        subject: first,
        ...(range ? { range } : {}),
        ...(list.lines[0]!.whole ? { through: list.lines.at(-1)!.block } : {}),
      });
    }
  },
});
