import { inlineColours } from '../../../semantics/dressing.ts';
import { defineRule, FLOORS } from '../../types.ts';

export const rule = defineRule({
  id: 'text/too-many-colours',
  title: 'Many colours of text',
  why: 'Where everything stands out, nothing does, and readers look for a meaning that is not there.',
  fix: 'Keep to the page’s own colours; use strong where words matter.',
  criteria: [],
  techniques: [],
  practice: true,
  weight: 'consider',
  scope: 'any',
  threshold: { measure: 'colours', limit: 'inlineColours' },
  remedies: ['clear'],
  messages: { many: '{colours} colours are set on single pieces of this page’s text' },
  end(page, tell) {
    const colours = [...inlineColours(page)];
    if (colours.length > FLOORS.inlineColours)
      tell({ at: colours[0]![1][0]!, message: 'many', values: { colours: colours.length }, subject: 'colours' });
  },
});
