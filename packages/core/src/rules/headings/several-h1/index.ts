import { defineRule } from '../../types.ts';
import type { Page } from '../../../document/page.ts';
import { tidy } from '../../../document/tree.ts';
import { outline } from '../../../semantics/outline.ts';

/** It says once more what the platform shows above it. */
const saysTitle = (page: Page, name: string) =>
  page.scope === 'fragment' && name.toLowerCase() === tidy(page.surroundings.shownTitle ?? '').toLowerCase();

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
  remedies: ['repair-outline', 'set-level', 'remove'],
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
        remedies: saysTitle(page, heading.name) ? ['remove', 'repair-outline', 'set-level'] : ['repair-outline', 'set-level'],
      });
    }
  },
});
