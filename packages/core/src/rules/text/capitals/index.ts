import { IN, isInside } from '../../../semantics/inside.ts';
import { everyText, passages } from '../../../semantics/passages.ts';
import { styleOf } from '../../../style/cascade.ts';
import { defineRule } from '../../types.ts';

/** Fewer words in capitals are read as easily as others. Common practice. */
const LONG = 7;

export const rule = defineRule({
  id: 'text/capitals',
  title: 'Long text in capitals',
  why: 'Words in capitals have no shape and are read slowly; some programs spell them out.',
  fix: 'Write it in ordinary letters; use strong where it matters.',
  alike: true,
  criteria: [],
  techniques: [],
  practice: true,
  weight: 'consider',
  scope: 'any',
  remedies: ['sentence-case'],
  messages: { typed: '{words} words are typed in capitals: “{text}”', styled: '{words} words are turned into capitals by style: “{text}”' },
  end(page, tell) {
    for (const passage of passages(page)) {
      const { block, text, words, kept } = passage;
      if (kept || text.length < 30 || isInside(page, block, IN.code)) continue;
      const typed = !/\p{Ll}/u.test(text);
      if (
        words < LONG ||
        (!typed && !/[a-z]/i.test(text)) ||
        (!typed && !everyText(passage, (element) => styleOf(page, element).textTransform.includes('uppercase')))
      )
        continue;
      if (typed && !/\p{Lu}{3}/u.test(text)) continue;
      tell({
        at: block,
        message: typed ? 'typed' : 'styled',
        values: { words, text },
        subject: text,
        remedies: typed ? ['sentence-case'] : [],
      });
    }
  },
});
