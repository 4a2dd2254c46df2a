import { defineRule } from '../../types.ts';
import { knownTables } from '../../../semantics/dataTables.ts';
import { childElements } from '../../../document/tree.ts';
import { shownText } from '../../../semantics/names.ts';
import { bare } from '../../../standards/phrases/index.ts';
export const rule = defineRule({
  id: 'tables/vague-caption',
  title: 'Table caption that says nothing',
  why: 'In a list of tables it cannot be told from any other.',
  fix: 'Say what the table lists.',
  criteria: ['1.3.1'],
  techniques: [],
  practice: true,
  weight: 'consider',
  scope: 'any',
  remedies: ['reword'],
  messages: {
    vague: 'The caption “{text}” does not say what the table lists',
  },
  end(page, tell) {
    for (const { element } of knownTables(page)) {
      const caption = childElements(element).find((child) => child.tag === 'caption');
      const text = caption ? shownText(page, caption) : '';
      if (caption && text && VAGUE.test(bare(text))) tell({ at: caption, message: 'vague', values: { text }, subject: text });
    }
  },
});

const VAGUE =
  /^(?:(?:table|tab|tabelle|tableau|tabla|tabel|tabela|tabella|data|daten|données|datos|gegevens|dados|dati|untitled|caption|title|list|overview|figure)[.:]?\s*[\dIVX]*(?:[.-]\d+)*|\d+(?:\.\d+)*)$/i;
