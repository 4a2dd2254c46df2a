import { sections } from '../../../semantics/sections.ts';
import { defineRule, FLOORS } from '../../types.ts';

export const rule = defineRule({
  id: 'headings/none-in-long-text',
  title: 'Long stretch without a heading',
  why: 'Someone who moves by headings has nothing to hold on to here and has to hear all of it to find one thing.',
  fix: 'Put a heading before each part that has a subject of its own.',
  question: { ask: 'Does this stretch fall into parts that deserve headings?', yes: 'Yes, it needs headings', no: 'No, it is one piece' },
  criteria: ['2.4.10', '1.3.1'],
  techniques: ['G141'],
  weight: 'should',
  scope: 'any',
  threshold: { measure: 'words', limit: 'wordsWithoutHeading' },
  remedies: ['insert-heading'],
  messages: { long: '{words} words run on here without a heading' },
  end(page, tell) {
    for (const { heading, passages, words } of sections(page)) {
      const first = passages.find((passage) => !passage.kept && passage.text !== '');
      if (!first || words <= FLOORS.wordsWithoutHeading) continue;
      // It is the same stretch as long as it is under the same heading.
      tell({ at: first.block, message: 'long', values: { words }, subject: heading?.name ?? 'the beginning', outcome: 'cantTell' });
    }
  },
});
