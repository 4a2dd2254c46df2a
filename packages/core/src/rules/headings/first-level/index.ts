import { defineRule } from '../../types.ts';
import { outline } from '../../../semantics/outline.ts';

export const rule = defineRule({
  id: 'headings/first-level',
  title: 'First heading at the wrong level',
  why: 'Someone who browses by headings expects the page to begin at the top of its outline and wonders what came before.',
  fix: 'Start an author’s page at level 2, because its title is shown above it at level 1. Start a whole page at level 1.',
  criteria: ['1.3.1'],
  techniques: [],
  practice: true,
  weight: 'should',
  scope: 'any',
  remedies: ['repair-outline', 'set-level'],
  messages: {
    fragment: 'The first heading, “{text}”, is at level {level}; under the page’s title it should be at level 2',
    document: 'The first heading, “{text}”, is at level {level}; a page begins at level 1 or 2',
  },
  end(page, tell) {
    const first = outline(page)[0];
    // A level 1 heading in a fragment is a second title: headings/several-h1 speaks of it.
    if (!first || first.level <= 2) return;
    tell({ at: first.element, message: page.scope, values: { text: first.name, level: first.level } });
  },
});
