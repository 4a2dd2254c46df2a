import { defineRule } from '../../types.ts';
import { outline } from '../../../semantics/outline.ts';

export const rule = defineRule({
  id: 'headings/several-h1',
  title: 'More than one level 1 heading',
  why: 'Level 1 says what the whole page is; with two of them a listener cannot tell which is the title and which is a part.',
  fix: 'Keep level 1 for the page’s title and move the other headings one level down.',
  criteria: ['1.3.1'],
  techniques: [],
  practice: true,
  weight: 'should',
  scope: 'any',
  remedies: ['repair-outline', 'set-level'],
  messages: {
    second: '“{text}” is a second level 1 heading; the page’s title is “{title}”',
    shown: '“{text}” is at level 1, where the page’s own title already stands',
  },
  end(page, tell) {
    const tops = outline(page).filter((heading) => heading.level === 1);
    const extra = page.scope === 'fragment' ? tops : tops.slice(1);
    for (const heading of extra) {
      tell({
        at: heading.element,
        message: page.scope === 'fragment' ? 'shown' : 'second',
        values: { text: heading.name, title: tops[0]!.name },
      });
    }
  },
});
