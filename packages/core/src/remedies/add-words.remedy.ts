import { descendants, tidy } from '../document/tree.ts';
import { escapeText, insertAt, NO_SOURCE } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Says in words, in brackets, what colour or place alone says. */
export const remedy: Remedy = {
  name: 'add-words',
  label: 'Say it in words too',
  certain: false,
  fields: [{ name: 'text', label: 'What does it mean?', kind: 'text', hint: 'It is written in brackets behind these words.' }],
  propose: () => ({ text: '' }),
  plan({ page, element, finding }, inputs) {
    const text = tidy(inputs.text ?? '').replace(/^\(|\)$/g, '');
    if (!text) return decline('Write what it means.');
    const added = ` (${escapeText(text)})`;
    if (finding.message === 'marked') return element.range ? planned(insertAt(element.range.end, added)) : decline(NO_SOURCE);
    const cue = String(finding.values.cue ?? '');
    for (const node of descendants(element)) {
      if (node.kind !== 'text' || !node.range) continue;
      const at = page.source.slice(node.range.start, node.range.end).indexOf(cue);
      if (at >= 0) return planned(insertAt(node.range.start + at + cue.length, added));
    }
    return decline('These words run over several pieces of markup; add yours in Source.');
  },
};
