import { emphasisByLook } from '../../../semantics/emphasis.ts';
import { shownText } from '../../../semantics/names.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'text/looks-not-meaning',
  title: 'Emphasis by look in place of meaning',
  why: 'Bold and italic by look are told to nobody; strong and emphasis can be.',
  fix: 'Use strong for what matters and em for what is stressed.',
  criteria: ['1.3.1'],
  techniques: ['H49', 'G115'],
  weight: 'consider',
  scope: 'any',
  remedies: ['mean-it'],
  messages: {
    b: '“{text}” is bold by look only',
    i: '“{text}” is italic by look only',
    bs: '“{text}” and {others} more are bold by look only',
    is: '“{text}” and {others} more are italic by look only',
  },
  end(page, tell) {
    for (const tag of ['b', 'i'] as const) {
      const all = emphasisByLook(page, tag);
      const first = all[0];
      if (first)
        tell({
          at: first,
          message: all.length > 1 ? (tag === 'b' ? 'bs' : 'is') : tag,
          values: { text: shownText(page, first, 90), others: all.length - 1 },
          subject: tag,
        });
    }
  },
});
