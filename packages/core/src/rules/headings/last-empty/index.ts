import { sections } from '../../../semantics/sections.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'headings/last-empty',
  title: 'Heading with nothing under it',
  why: 'Someone who jumps to it finds that the section is not there.',
  fix: 'Write the section, or take its heading out.',
  question: { ask: 'Should something stand under this heading?', yes: 'Yes, or it should go', no: 'No, it is right as it is' },
  criteria: ['1.3.1'],
  techniques: [],
  practice: true,
  weight: 'consider',
  scope: 'any',
  remedies: [],
  messages: { nothing: 'Nothing stands under “{text}”' },
  end(page, tell) {
    const all = sections(page);
    for (const [i, { heading, passages, things }] of all.entries()) {
      if (!heading?.name || passages.length > 0 || things > 0) continue;
      const next = all[i + 1]?.heading;
      if (next && next.level > heading.level) continue;
      tell({ at: heading.element, message: 'nothing', values: { text: heading.name }, subject: heading.name, outcome: 'cantTell' });
    }
  },
});
