import { links } from '../../../semantics/links.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'links/missing-page',
  title: 'Link to a page that is not there',
  why: 'Every reader who follows it ends at an error.',
  fix: 'Point it to the page it means, or take it away.',
  criteria: [],
  techniques: [],
  practice: true,
  weight: 'should',
  scope: 'any',
  remedies: ['set-target', 'unlink'],
  messages: { gone: '“{text}” leads to {href}, and nothing of the collection lies there' },
  end(page, tell) {
    for (const { element, name, href } of links(page))
      if (href && !href.startsWith('#') && page.surroundings.leadsSomewhere?.(href) === false)
        tell({ at: element, message: 'gone', values: { text: name, href }, subject: `${href} ${name}` });
  },
});
