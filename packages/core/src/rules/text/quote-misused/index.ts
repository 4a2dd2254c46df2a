import { rawText, tidy } from '../../../document/tree.ts';
import { countWords } from '../../../semantics/passages.ts';
import { defineRule } from '../../types.ts';

/** How remarks begin that stand in quote markup for its frame. Common practice. */
const REMARK =
  /^(?:note|nb|tip|hint|warning|caution|important|attention|remember|hinweis|achtung|wichtig|remarque|nota|importante|let op|attenzione)\b\s*[:!–-]?/i;

export const rule = defineRule({
  id: 'text/quote-misused',
  title: 'Quote markup on no quotation',
  why: 'A listener is told that someone else speaks.',
  fix: 'Take the quote markup away; a frame is a matter of style.',
  question: {
    ask: 'Is this marked as a quotation without being one?',
    yes: 'Yes, the markup is wrong',
    no: 'No, it is a quotation',
    same: ['words', 'language'],
  },
  criteria: ['1.3.1'],
  techniques: ['H49'],
  weight: 'consider',
  scope: 'any',
  remedies: ['unwrap'],
  messages: { remark: 'This seems to be a remark and not a quotation: “{text}”', word: 'This quotation is only “{text}”' },
  tags: ['blockquote'],
  visit(_page, element, tell) {
    const text = tidy(rawText(element).slice(0, 400));
    if (element.attributes.some((one) => one.name === 'cite') || /["“”„«»]/.test(text)) return;
    if (REMARK.test(text)) tell({ at: element, message: 'remark', values: { text }, subject: text, outcome: 'cantTell' });
    else if (text && countWords(text) <= 2) tell({ at: element, message: 'word', values: { text }, subject: text, outcome: 'cantTell' });
  },
});
