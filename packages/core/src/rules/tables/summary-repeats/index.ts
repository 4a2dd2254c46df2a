import { childElements, valueOf } from '../../../document/tree.ts';
import { knownTables } from '../../../semantics/dataTables.ts';
import { shownText } from '../../../semantics/names.ts';
import { bare } from '../../../standards/phrases/index.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'tables/summary-repeats',
  title: 'Table named twice, or two tables with one name',
  why: 'The same words are heard again, or two tables cannot be told apart.',
  fix: 'Let each table have one caption of its own.',
  criteria: ['1.3.1'],
  techniques: ['H73'],
  weight: 'consider',
  scope: 'any',
  remedies: ['remove'],
  messages: { summary: 'The summary says the caption again: “{text}”', twice: 'Another table on this page has the caption “{text}” too' },
  end(page, tell) {
    const seen = new Set<string>();
    for (const { element } of knownTables(page)) {
      const caption = childElements(element).find((child) => child.tag === 'caption');
      const text = caption ? shownText(page, caption) : '';
      if (!text) continue;
      if (bare(valueOf(element, 'summary') ?? '') === bare(text))
        tell({ at: element, message: 'summary', values: { text }, subject: text });
      if (seen.has(bare(text))) tell({ at: element, message: 'twice', values: { text }, subject: `second ${text}`, remedies: [] });
      seen.add(bare(text));
    }
  },
});
