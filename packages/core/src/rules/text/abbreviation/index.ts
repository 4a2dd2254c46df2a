import { elementParent, has } from '../../../document/tree.ts';
import { IN, FURNITURE, isInside } from '../../../semantics/inside.ts';
import { passages } from '../../../semantics/passages.ts';
import { defineRule } from '../../types.ts';

/** Better known than what they stand for. Common practice. */
const KNOWN = new Set(
  'OK TV PC CD DVD USA US UK EU UN AM PM BC AD FAQ PDF HTML CSS URL WWW USB GPS SMS DIY ID VIP NASA UNESCO IT'.split(' '),
);
const SHORT = /(?<![\p{L}\p{N}-])\p{Lu}{2,6}(?![\p{L}\p{N}-])/gu;

export const rule = defineRule({
  id: 'text/abbreviation',
  title: 'Abbreviation that is not opened',
  why: 'Whoever does not know it cannot look it up from here, and some programs read it as a word.',
  fix: 'Write it out where it first stands, with the abbreviation in brackets behind it.',
  question: {
    ask: 'Could a reader of this page not know this abbreviation?',
    yes: 'Yes, it has to be written out',
    no: 'No, it is known to all',
    same: ['said', 'language'],
  },
  criteria: ['3.1.4'],
  techniques: ['G97', 'H28'],
  weight: 'consider',
  from: 'AAA',
  scope: 'any',
  remedies: [],
  messages: { short: '{short} is not written out where it first stands' },
  end(page, tell) {
    const seen = new Set<string>();
    for (const { block, text, texts, kept } of passages(page)) {
      if (kept || !/[A-Z\u00c0-\u024f]{2}/.test(text) || !/\p{Ll}/u.test(text) || isInside(page, block, FURNITURE | IN.code)) continue;
      for (const [short] of text.matchAll(SHORT)) {
        if (seen.has(short) || KNOWN.has(short) || /^[IVXLC]+$/.test(short)) continue;
        seen.add(short);
        const opened =
          new RegExp(`\\(\\s*${short}\\s*\\)|${short}\\s*\\([^)]{6,}\\)`, 'u').test(text) ||
          texts.some((piece) => piece.text.includes(short) && elementParent(piece)!.tag === 'abbr' && has(elementParent(piece)!, 'title'));
        if (!opened) tell({ at: block, message: 'short', values: { short }, subject: short, outcome: 'cantTell' });
      }
    }
  },
});
