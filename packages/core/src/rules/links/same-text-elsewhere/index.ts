import { links } from '../../../semantics/links.ts';
import { isVagueText } from '../../../semantics/wording.ts';
import { bare } from '../../../standards/phrases/index.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'links/same-text-elsewhere',
  title: 'One link text, different destinations',
  why: 'In a list of links they look like one, and whoever follows the wrong one has to come back and try again.',
  fix: 'Let each link say what sets its destination apart.',
  question: {
    ask: 'Do these links lead to different things?',
    yes: 'Yes, and they need different words',
    no: 'No, or where they stand makes it plain',
  },
  criteria: ['2.4.9', '2.4.4'],
  techniques: ['F63'],
  weight: 'should',
  atAAA: { weight: 'must', outcome: 'failed' },
  scope: 'any',
  remedies: ['reword'],
  messages: { elsewhere: '“{text}” leads to {here} here and to {there} elsewhere on the page' },
  end(page, tell) {
    const first = new Map<string, string>();
    const told = new Set<string>();
    for (const { element, name, href } of links(page)) {
      const text = bare(name);
      if (!text || !href || href === '#' || isVagueText(name)) continue;
      const other = first.get(text);
      if (other === undefined) first.set(text, href);
      else if (other !== href && !told.has(text)) {
        // Once for each text: forty links called “source” are one slip.
        told.add(text);
        tell({ at: element, message: 'elsewhere', values: { text: name, here: href, there: other }, subject: text, outcome: 'cantTell' });
      }
    }
  },
});
