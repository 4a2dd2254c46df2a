import { contrastFailures } from '../../../semantics/contrastFailures.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'colour/contrast',
  title: 'Text too faint against its background',
  why: 'Readers with low vision, on a poor screen or in the sun cannot make it out.',
  fix: 'Darken or lighten the text, or its background, until it stands out enough.',
  question: {
    ask: 'Does this text stand out too little, once the style sheet that could not be read has its say?',
    yes: 'Yes, it has to stand out more',
    no: 'No, that sheet sets other colours',
    same: ['piece'],
  },
  criteria: ['1.4.3'],
  techniques: ['G18', 'G145', 'F24'],
  weight: 'must',
  scope: 'any',
  remedies: ['nearest-passing', 'own-colour', 'house-colour', 'change-ground'],
  messages: { faint: '{color} on {background} is {ratio} to 1, and {required} to 1 is needed' },
  end(page, tell) {
    for (const { elements, values, certain } of contrastFailures(page, 'AA'))
      tell({
        at: elements[0]!,
        places: elements,
        message: 'faint',
        values: { ...values, many: elements.length },
        subject: `${values.color} ${values.background} ${values.required}`,
        ...(certain ? {} : { outcome: 'cantTell' as const }),
      });
  },
});
