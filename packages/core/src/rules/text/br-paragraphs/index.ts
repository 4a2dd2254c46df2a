import { brokenParagraphs } from '../../../semantics/brokenParagraphs.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'text/br-paragraphs',
  title: 'Paragraphs without markup',
  why: 'A listener cannot go from paragraph to paragraph, for there is only one, or none.',
  fix: 'Make a paragraph of each piece.',
  criteria: ['1.3.1'],
  techniques: [],
  practice: true,
  weight: 'should',
  scope: 'any',
  remedies: ['make-paragraphs'],
  messages: { breaks: 'Double line breaks stand in place of paragraphs here', loose: 'This text stands in no paragraph: “{text}”' },
  end(page, tell) {
    for (const { passage, kind } of brokenParagraphs(page)) {
      const { block, text, first, last } = passage;
      tell({
        at: block,
        message: kind,
        values: { text },
        subject: text,
        ...(first.range && last.range ? { range: { start: first.range.start, end: last.range.end } } : {}),
      });
    }
  },
});
