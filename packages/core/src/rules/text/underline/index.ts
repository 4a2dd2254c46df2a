import { elementParent } from '../../../document/tree.ts';
import { IN, isInside } from '../../../semantics/inside.ts';
import { shownText } from '../../../semantics/names.ts';
import { isExposed } from '../../../semantics/visibility.ts';
import { declaring, styleOf } from '../../../style/cascade.ts';
import { defineRule } from '../../types.ts';

const RIGHTLY = new Set(['ins', 'abbr', 'acronym', 'a', 'area']);

export const rule = defineRule({
  id: 'text/underline',
  title: 'Underlined text that is no link',
  why: 'Readers take it for a link and try to follow it.',
  fix: 'Use strong or emphasis where the words matter.',
  criteria: [],
  techniques: [],
  practice: true,
  weight: 'should',
  scope: 'any',
  remedies: ['clear'],
  messages: { lined: '“{text}” is underlined and leads nowhere' },
  end(page, tell) {
    for (const element of declaring(page)) {
      const own = styleOf(page, element).declared.get('text-decoration-line');
      if (
        !own?.includes('underline') ||
        RIGHTLY.has(element.tag) ||
        !isExposed(page, element) ||
        isInside(page, element, IN.link | IN.heading | IN.button)
      )
        continue;
      const parent = elementParent(element);
      if (parent && styleOf(page, parent).underlined) continue;
      const text = shownText(page, element, 90);
      if (/\p{L}/u.test(text)) tell({ at: element, message: 'lined', values: { text }, subject: text });
    }
  },
});
