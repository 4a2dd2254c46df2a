import { defineRule } from '../../types.ts';
import { elementParent, valueOf, type ElementNode } from '../../../document/tree.ts';
import { passages, countWords } from '../../../semantics/passages.ts';
import { groupedBy } from '../../../document/grouped.ts';
import type { Page } from '../../../document/page.ts';
import { styleOf } from '../../../style/cascade.ts';
import { attributed } from '../../../document/tagged.ts';
export const rule = defineRule({
  id: 'structure/direction',
  title: 'Text set in the wrong direction',
  why: 'Signs and numbers come out in the wrong order, and lines begin at the wrong side.',
  fix: 'Say in which direction the text runs.',
  criteria: ['1.3.2'],
  techniques: ['H56'],
  weight: 'should',
  scope: 'any',
  remedies: ['set-direction'],
  messages: {
    right: 'This text runs from right to left, and nothing says so: “{text}”',
    left: 'This text runs from left to right and is marked as the reverse: “{text}”',
  },
  end(page, tell) {
    const wrong: { block: ElementNode; text: string; message: 'right' | 'left' }[] = [];
    const reversed = attributed(page).some((element) => (valueOf(element, 'dir') ?? '').trim().toLowerCase() === 'rtl');
    for (const { block, text, kept } of passages(page)) {
      if (kept || (!reversed && !RIGHT_TO_LEFT.test(text))) continue;
      const runs = RIGHT_TO_LEFT.test(text) ? directionOf(text) : /\p{L}/u.test(text) ? 'ltr' : null;
      const said = saidDirection(page, block);
      if (runs === 'rtl' && said === null) wrong.push({ block, text, message: 'right' });
      else if (runs === 'ltr' && said === 'rtl' && countWords(text) >= 4) wrong.push({ block, text, message: 'left' });
    }
    for (const [message, same] of groupedBy(wrong, (one) => one.message))
      tell({
        at: same[0]!.block,
        places: same.map((one) => one.block),
        message,
        values: { text: same[0]!.text, many: same.length },
        subject: `${message} ${same[0]!.text}`,
      });
  },
});

const RIGHT_TO_LEFT = /[\u0590-\u08ff\ufb1d-\ufdff\ufe70-\ufefc]/;

/** The direction most of a text's letters run in. */
function directionOf(text: string): 'rtl' | 'ltr' | null {
  const letters = text.match(/\p{L}/gu) ?? [];
  const right = letters.filter((letter) => RIGHT_TO_LEFT.test(letter)).length;
  return letters.length < 3 ? null : right > 0.6 * letters.length ? 'rtl' : right < 0.1 * letters.length ? 'ltr' : null;
}

/** What an element, or one around it, says; null when nothing does. */
function saidDirection(page: Page, block: ElementNode): string | null {
  for (let up: ElementNode | null = block; up; up = elementParent(up)) {
    const said = (valueOf(up, 'dir') ?? '').trim().toLowerCase();
    if (said) return said;
    if (styleOf(page, up).declared.get('direction') === 'rtl') return 'rtl';
  }
  return null;
}
