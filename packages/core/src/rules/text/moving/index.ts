import { shownText } from '../../../semantics/names.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'text/moving',
  title: 'Text that moves or blinks',
  why: 'Many readers cannot follow it, and some cannot read anything beside it.',
  fix: 'Let the text stand still.',
  criteria: ['2.2.2'],
  techniques: ['F47', 'F16'],
  weight: 'must',
  scope: 'any',
  remedies: ['remove'],
  messages: { moves: '“{text}” runs across the page by itself', blinks: '“{text}” blinks' },
  tags: ['marquee', 'blink'],
  visit(page, element, tell) {
    const text = shownText(page, element, 90);
    tell({ at: element, message: element.tag === 'blink' ? 'blinks' : 'moves', values: { text }, subject: text });
  },
});
