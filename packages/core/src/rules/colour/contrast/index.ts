import { contrastFailures } from '../../../semantics/contrastFailures.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'colour/contrast',
  title: 'Text too faint against its ground',
  why: 'Readers with low vision, on a poor screen or in the sun cannot make it out.',
  fix: 'Darken or lighten the text, or its ground, until it stands out enough.',
  criteria: ['1.4.3'],
  techniques: ['G18', 'G145', 'F24'],
  weight: 'must',
  scope: 'any',
  remedies: ['nearest-passing', 'house-colour', 'change-ground'],
  messages: { faint: '{color} on {background} is {ratio} to 1, and {required} to 1 is needed' },
  end(page, tell) {
    for (const { element, values, text } of contrastFailures(page, 'AA')) tell({ at: element, message: 'faint', values, subject: text });
  },
});
