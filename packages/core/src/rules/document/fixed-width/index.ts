import { closest, type ElementNode } from '../../../document/tree.ts';
import { IN, isInside } from '../../../semantics/inside.ts';
import { shownText } from '../../../semantics/names.ts';
import { countWords } from '../../../semantics/passages.ts';
import { isSeen } from '../../../semantics/visibility.ts';
import { declaring, sheetsOf, styleOf } from '../../../style/cascade.ts';
import { carried, fact, type Page } from '../../../document/page.ts';
import { inlineStyle } from '../../../style/inline.ts';
import { defineRule } from '../../types.ts';

/** CSS px that have to suffice (WCAG 2.2, 1.4.10). */
const NARROW = 320;
const BLOCKS = new Set([
  'div',
  'p',
  'section',
  'article',
  'main',
  'aside',
  'header',
  'footer',
  'nav',
  'form',
  'ul',
  'ol',
  'table',
  'td',
  'th',
  'body',
  'fieldset',
]);

export const rule = defineRule({
  id: 'document/fixed-width',
  title: 'Part that does not fit a narrow screen',
  why: 'On a phone, or enlarged four times, each line has to be scrolled to be read.',
  fix: 'Give a largest width in place of a fixed one.',
  question: {
    ask: 'Does this part have to be scrolled sideways at 320 pixels?',
    yes: 'Yes, it has to give way',
    no: 'No, or its width is essential',
    same: ['piece'],
  },
  criteria: ['1.4.10'],
  techniques: ['C31'],
  weight: 'should',
  scope: 'any',
  remedies: [],
  messages: { fixed: 'The width of this part is fixed at {width}' },
  end(page, tell) {
    const told = new Set<ElementNode>();
    for (const element of declaring(page)) {
      if (!BLOCKS.has(element.tag)) continue;
      const width = fixedWidth(page, element);
      if (width === null || !isSeen(page, element) || isInside(page, element, IN.code) || closest(element, (up) => told.has(up))) continue;
      if (countWords(shownText(page, element, 600)) < 8) continue;
      told.add(element);
      tell({ at: element, message: 'fixed', values: { width: `${width} px` }, subject: `${element.tag} ${width}`, outcome: 'cantTell' });
    }
  },
});

/** A width over 320 px that no largest width softens; set in the element itself, or in a sheet that never speaks of narrow screens. */
function fixedWidth(page: Page, element: ElementNode): number | null {
  const { declared } = styleOf(page, element);
  const written = declared.get('min-width') ?? declared.get('width');
  const parts = written ? /^(\d+(?:\.\d+)?)(px|pt|cm|in)$/.exec(written) : null;
  if (!parts || declared.has('max-width')) return null;
  const own = inlineStyle(element);
  if (!own.has('width') && !own.has('min-width') && speaksOfNarrow(page)) return null;
  const width = Number(parts[1]) * { px: 1, pt: 4 / 3, cm: 37.8, in: 96 }[parts[2] as 'px' | 'pt' | 'cm' | 'in'];
  return width > NARROW ? Math.round(width) : null;
}

const speaksOfNarrow = fact(
  (page: Page) => sheetsOf(page).some(({ rules }) => rules.some(({ media }) => media.some((query) => /max-width|width\s*</i.test(query)))),
  carried,
);
