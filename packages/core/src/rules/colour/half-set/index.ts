import { halfSetColours } from '../../../semantics/dressing.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'colour/half-set',
  title: 'Text colour without its background, or the reverse',
  why: 'Readers who set colours of their own may find dark text on a dark background.',
  fix: 'Set both the colour of the text and that of its background, or neither.',
  criteria: ['1.4.3'],
  techniques: ['F24'],
  weight: 'consider',
  scope: 'any',
  remedies: ['clear'],
  messages: {
    text: 'The text colour {value} is set {many} times here with no background',
    ground: 'The background {value} is set {many} times here with no text colour',
  },
  end(page, tell) {
    for (const [key, elements] of halfSetColours(page)) {
      const message = key.startsWith('text ') ? 'text' : 'ground';
      tell({ at: elements[0]!, message, values: { value: key.slice(message.length + 1), many: elements.length }, subject: key });
    }
  },
});
