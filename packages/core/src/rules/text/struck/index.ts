import { defineRule } from '../../types.ts';
import { declaring, styleOf } from '../../../style/cascade.ts';
import { isExposed } from '../../../semantics/visibility.ts';
import { isInside, IN } from '../../../semantics/inside.ts';
import { shownText } from '../../../semantics/names.ts';
import { closestWithin, type ElementNode } from '../../../document/tree.ts';
import type { Page } from '../../../document/page.ts';
import { isBlock } from '../../../semantics/blocks.ts';
export const rule = defineRule({
  id: 'text/struck',
  title: 'Struck out words that only a line tells',
  why: 'Most screen readers pass over the line, and what no longer holds is read as if it did.',
  fix: 'Say in words that it no longer holds, beside the old and the new.',
  question: {
    ask: 'Does a reader have to know that this is struck out?',
    yes: 'Yes, it has to be said',
    no: 'No, it may be read as it stands',
    same: ['words', 'language'],
  },
  criteria: ['1.3.1'],
  techniques: [],
  practice: true,
  weight: 'consider',
  scope: 'any',
  remedies: [],
  messages: {
    struck: '“{text}” is struck out, and nothing but the line says so',
    several: '{many} pieces of text are struck out, the first “{text}”, and nothing but the line says so',
  },
  end(page, tell) {
    const struck = declaring(page).filter(
      (element) =>
        (styleOf(page, element).declared.get('text-decoration-line') ?? '').includes('line-through') &&
        isExposed(page, element) &&
        !isInside(page, element, IN.code) &&
        /\p{L}|\d/u.test(shownText(page, element, 200)) &&
        !isSaid(page, element),
    );
    const outer = struck.filter((element) => !struck.some((other) => other !== element && closestWithin(element, 4, (up) => up === other)));
    const [first] = outer;
    if (!first) return;
    const text = shownText(page, first, 90);
    tell({
      at: first,
      places: outer,
      message: outer.length > 1 ? 'several' : 'struck',
      values: { text, many: outer.length },
      subject: text,
      outcome: 'cantTell',
    });
  },
});

/** Words beside it that say what the line says. */
const SAID =
  /\b(?:was|were|old|former(?:ly)?|until|now|instead|deleted|removed|cancel\w*|no longer|before|alt|früher|statt|entfällt|jetzt|ancien|avant|supprim|antes|ahora|vroeger|nu|prima|ora)\b/i;

function isSaid(page: Page, element: ElementNode): boolean {
  const block = closestWithin(element, 8, isBlock);
  return block !== null && SAID.test(shownText(page, block, 600).replace(shownText(page, element), ''));
}
