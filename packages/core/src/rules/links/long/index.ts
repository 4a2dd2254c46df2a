import { links } from '../../../semantics/links.ts';
import { defineRule, FLOORS } from '../../types.ts';

export const rule = defineRule({
  id: 'links/long',
  title: 'Link text that goes on too long',
  why: 'In a list of links a paragraph stands where a few words should.',
  fix: 'Link only the words that name the destination.',
  criteria: [],
  techniques: [],
  practice: true,
  weight: 'consider',
  scope: 'any',
  threshold: { measure: 'length', limit: 'longestLink' },
  remedies: ['reword'],
  messages: { long: 'The link “{text}” takes {length} characters' },
  end(page, tell) {
    for (const { element, name, href } of links(page)) {
      const { length } = name;
      if (length > FLOORS.longestLink) tell({ at: element, message: 'long', values: { text: name, length }, subject: `${href} ${name}` });
    }
  },
});
