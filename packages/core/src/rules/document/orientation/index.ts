import { sheetsOf } from '../../../style/cascade.ts';
import { defineRule } from '../../types.ts';

const QUARTER = /rotate(?:z|3d)?\(\s*(?:[^)]*,\s*)?-?(?:90deg|270deg|0?\.25turn|0?\.75turn|100grad|1\.57\d*rad)\s*\)/i;

export const rule = defineRule({
  id: 'document/orientation',
  title: 'Page locked to one way of holding the screen',
  why: 'Someone whose screen is fixed to a wheelchair cannot turn it.',
  fix: 'Let the page work upright and on its side.',
  question: {
    ask: 'Is the page turned so that it can be used only upright, or only on its side?',
    yes: 'Yes, the turning has to go',
    no: 'No, only a part of it is turned',
    same: ['piece'],
  },
  criteria: ['1.3.4'],
  techniques: ['F97'],
  weight: 'should',
  scope: 'document',
  remedies: [],
  messages: { turned: 'A style sheet turns parts of the page by a quarter when the screen is held {way}' },
  end(page, tell) {
    for (const { rules } of sheetsOf(page)) {
      for (const { media, normal, important } of rules) {
        const way = media.map((query) => /orientation\s*:\s*(portrait|landscape)/i.exec(query)?.[1]).find((found) => found !== undefined);
        if (
          !way ||
          ![...normal, ...important].some(
            ({ property, value }) =>
              (property === 'transform' && QUARTER.test(value)) || (property === 'rotate' && /^-?(?:90|270)deg$/.test(value)),
          )
        )
          continue;
        tell({
          at: page.body,
          message: 'turned',
          values: { way: way === 'portrait' ? 'upright' : 'on its side' },
          subject: 'page',
          outcome: 'cantTell',
          range: page.body.startTag ?? { start: 0, end: 0 },
        });
        return;
      }
    }
  },
});
