import { defineRule } from '../../types.ts';
import { valueOf, tidy } from '../../../document/tree.ts';
import { shownText } from '../../../semantics/names.ts';
import { styleOf } from '../../../style/cascade.ts';
import { lookup } from '../../../source/lookup.ts';
export const rule = defineRule({
  id: 'text/spacing-locked',
  title: 'Spacing of text that readers cannot widen',
  why: 'Readers who need more room between lines, letters or words do not get it.',
  fix: 'Leave the spacing to the page’s style, or let it give way.',
  criteria: ['1.4.12'],
  techniques: ['C36'],
  weight: 'must',
  scope: 'any',
  remedies: ['remove'],
  messages: {
    locked: 'The {what} is fixed at {value} here, and nothing a reader sets can change it',
  },
  tags: ['*'],
  visit(page, element, tell) {
    const style = valueOf(element, 'style');
    if (style === null || !/!\s*important/i.test(style) || shownText(page, element, 1) === '') return;
    for (const [, property, value] of style.matchAll(LOCKED)) {
      if (!isNarrow(property!.toLowerCase(), tidy(value!), styleOf(page, element).fontSize)) continue;
      tell({
        at: element,
        message: 'locked',
        values: { what: lookup(WORDS, property!.toLowerCase())!, value: tidy(value!) },
        subject: `${property!} ${value!}`,
      });
      return;
    }
  },
});

const LOCKED = /(?:^|;)\s*(line-height|letter-spacing|word-spacing)\s*:\s*([^;!]+)!\s*important/gi;
const WORDS: Record<string, string> = {
  'line-height': 'space between lines',
  'letter-spacing': 'space between letters',
  'word-spacing': 'space between words',
};
/** Of the size of the text (WCAG 2.2, 1.4.12). */
const LEAST: Record<string, number> = { 'line-height': 1.5, 'letter-spacing': 0.12, 'word-spacing': 0.16 };

function isNarrow(property: string, value: string, size: number): boolean {
  if (value === 'normal') return true;
  const parts = /^(-?[\d.]+)(px|pt|em|rem|%)?$/i.exec(value);
  if (!parts) return false;
  const number = Number(parts[1]);
  const unit = (parts[2] ?? '').toLowerCase();
  const share = unit === 'px' ? number / size : unit === 'pt' ? (number * 4) / 3 / size : unit === '%' ? number / 100 : number;
  return share < lookup(LEAST, property)!;
}
