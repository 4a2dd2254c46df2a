import { forcedFaces } from '../../../semantics/dressing.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'text/forced-face',
  title: 'Typeface forced on single pieces of text',
  why: 'The page falls apart into many faces, and readers who need one of their own do not get it.',
  fix: 'Leave the typeface to the page’s style.',
  criteria: [],
  techniques: [],
  practice: true,
  weight: 'consider',
  scope: 'any',
  remedies: ['clear'],
  messages: { face: 'The typeface {face} is forced on {many} pieces of text' },
  end(page, tell) {
    for (const [face, elements] of forcedFaces(page))
      tell({ at: elements[0]!, message: 'face', values: { face, many: elements.length }, subject: face });
  },
});
