import { tidy } from '../document/tree.ts';
import { escapeText, escapeValue, NO_SOURCE } from './markup.ts';
import { blockAfter } from './placing.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Puts a link to the transcript after a recording. */
export const remedy: Remedy = {
  name: 'add-transcript-link',
  label: 'Link to its transcript',
  certain: false,
  fields: [
    { name: 'href', label: 'Where the transcript lies', kind: 'text' },
    { name: 'text', label: 'Text of the link', kind: 'text' },
  ],
  propose: ({ finding }) => ({ href: '', text: `Transcript of ${String(finding.values.file ?? 'the recording')}` }),
  plan({ page, element }, inputs) {
    const [href, text] = [tidy(inputs.href ?? ''), tidy(inputs.text ?? '')];
    if (!href || !text) return decline('Write where the transcript lies and what the link says.');
    if (/^\s*(?:javascript|data|vbscript):/i.test(href)) return decline('An address has to lead to a page or a file.');
    if (!/transcript|text|abschrift|transkript|transcri/i.test(text)) return decline('Let the link say that it leads to the transcript.');
    const edit = blockAfter(page, element, `<p><a href="${escapeValue(href)}">${escapeText(text)}</a></p>`);
    return edit ? planned(edit) : decline(NO_SOURCE);
  },
};
