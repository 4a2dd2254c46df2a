import { defineRule } from '../../types.ts';
import { addressOf, writtenAlternative } from '../../../semantics/images.ts';
import { openingOf } from '../../../semantics/wording.ts';

export const rule = defineRule({
  id: 'images/announced-twice',
  title: 'Alternative text that says “image of”',
  why: 'A screen reader already says that it is an image; every listener hears it twice and waits longer for what matters.',
  fix: 'Begin with what the image shows.',
  alike: true,
  criteria: ['1.1.1'],
  techniques: [],
  practice: true,
  weight: 'should',
  scope: 'any',
  remedies: ['trim-opening'],
  messages: { opening: 'The alternative text begins “{opening}”, which is said already' },
  tags: ['img', 'input', 'area'],
  visit(_page, element, tell) {
    const alt = writtenAlternative(element);
    const opening = alt && openingOf(alt);
    if (opening) tell({ at: element, message: 'opening', values: { opening, alt }, subject: `${addressOf(element)} ${alt}` });
  },
});
