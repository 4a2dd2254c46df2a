import { valueOf } from '../../../document/tree.ts';
import { nameOf } from '../../../semantics/names.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'structure/tab-order',
  title: 'Tab order set by hand',
  why: 'The focus jumps to this place before all others, out of the order in which the page reads.',
  fix: 'Take the number away and let the order of the page decide.',
  criteria: ['2.4.3'],
  techniques: ['F44', 'H4'],
  weight: 'should',
  scope: 'any',
  remedies: ['remove'],
  messages: { first: 'The tab order of “{text}” is set to {place}' },
  tags: ['*'],
  visit(page, element, tell) {
    const place = Number(/^\s*\+?(\d+)/.exec(valueOf(element, 'tabindex') ?? '')?.[1] ?? 0);
    if (place <= 0) return;
    const text = nameOf(page, element).name || element.tag;
    tell({ at: element, message: 'first', values: { text, place }, subject: text });
  },
});
