import { landmarks } from '../../../semantics/landmarks.ts';
import { passages } from '../../../semantics/passages.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'document/no-main',
  title: 'Page without a main part',
  why: 'Someone who jumps from landmark to landmark cannot jump to the content.',
  fix: 'Put the page’s own content into a main element.',
  criteria: ['1.3.1', '2.4.1'],
  techniques: ['ARIA11'],
  practice: true,
  weight: 'consider',
  scope: 'document',
  remedies: [],
  messages: { none: 'The page does not mark its main part' },
  end(page, tell) {
    if (passages(page).length > 0 && !landmarks(page).some((landmark) => landmark.role === 'main'))
      tell({ at: page.body, message: 'none', subject: 'page', range: page.body.startTag ?? { start: 0, end: 0 } });
  },
});
