import { areMany, pastedMarks } from '../../../semantics/pastedMarks.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'text/pasted-markup',
  title: 'Markup left by a word processor',
  why: 'It overrides the page’s own style and the reader’s, and hides what is a heading or a list.',
  fix: 'Clean it: strong, emphasis, lists, tables, links and languages stay, the looks go.',
  criteria: [],
  techniques: [],
  practice: true,
  weight: 'should',
  scope: 'any',
  remedies: ['clean'],
  messages: { word: 'A word processor left {many} marks in this page', spans: '{many} spans and font tags here only set looks' },
  end(page, tell) {
    const { pasted, comments, spans } = pastedMarks(page);
    if (pasted.length + comments > 0)
      tell({ at: pasted[0] ?? page.body, message: 'word', values: { many: pasted.length + comments }, subject: 'pasted' });
    else if (areMany(spans)) tell({ at: spans[0]!, message: 'spans', values: { many: spans.length }, subject: 'pasted' });
  },
});
