import { IN, isInside } from '../../../semantics/inside.ts';
import { countWords, passages } from '../../../semantics/passages.ts';
import { defineRule } from '../../types.ts';

const LONG = 12;
const WHOLE = /^[“„«"](?:[^“”„«»"]+)[”“»"](?:\s*[–—-]\s*[^“”]{2,60})?[.]?$/u;

export const rule = defineRule({
  id: 'text/quote-unmarked',
  title: 'Quotation that is not marked as one',
  why: 'A listener may not hear where someone else’s words begin and end.',
  fix: 'Mark the passage as a quotation.',
  question: {
    ask: 'Are these someone else’s words?',
    yes: 'Yes, mark it as a quotation',
    no: 'No, or it need not be marked',
    same: ['words', 'language'],
  },
  criteria: ['1.3.1'],
  techniques: ['H49'],
  weight: 'consider',
  scope: 'any',
  remedies: [],
  messages: { whole: 'This paragraph is one quotation and is not marked so: “{text}”' },
  end(page, tell) {
    for (const { block, text, kept } of passages(page)) {
      if (
        kept ||
        (block.tag !== 'p' && block.tag !== 'div') ||
        !/^[“„«"]/.test(text) ||
        isInside(page, block, IN.quote | IN.heading | IN.table)
      )
        continue;
      if (countWords(text) >= LONG && WHOLE.test(text))
        tell({ at: block, message: 'whole', values: { text: text.replace(/^[“„«"]/, '') }, subject: text, outcome: 'cantTell' });
    }
  },
});
