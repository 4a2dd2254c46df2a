import { contrastFailures } from '../../../semantics/contrastFailures.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'colour/contrast-more',
  title: 'Text that could stand out more',
  why: 'Readers with a greater loss of vision need more contrast than the middle level asks for.',
  fix: 'Darken or lighten the text, or its background, until it stands out by 7 to 1, or 4.5 to 1 when it is large.',
  question: {
    ask: 'Does this text stand out too little, once the style sheet that could not be read has its say?',
    yes: 'Yes, it has to stand out more',
    no: 'No, that sheet sets other colours',
    same: ['piece'],
  },
  criteria: ['1.4.6'],
  techniques: ['G17'],
  weight: 'must',
  from: 'AAA',
  scope: 'any',
  remedies: ['nearest-passing', 'own-colour', 'house-colour', 'change-ground'],
  messages: { faint: '{color} on {background} is {ratio} to 1, and {required} to 1 is asked for at AAA' },
  end(page, tell) {
    for (const { elements, values, certain } of contrastFailures(page, 'AAA'))
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
