import { valueOf } from '../../../document/tree.ts';
import { links } from '../../../semantics/links.ts';
import { shownText } from '../../../semantics/names.ts';
import { bare } from '../../../standards/phrases/index.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'links/title-repeats',
  title: 'Tooltip that repeats the link’s text',
  why: 'Some readers hear the same words twice, and a box covers what others are reading.',
  fix: 'Take the tooltip away.',
  alike: true,
  criteria: [],
  techniques: ['H33'],
  weight: 'consider',
  scope: 'any',
  remedies: ['remove-title'],
  messages: { same: 'The tooltip says the link’s text again: “{title}”' },
  end(page, tell) {
    for (const { element, href } of links(page)) {
      const title = element.attributes.length > 1 ? valueOf(element, 'title') : null;
      if (title && bare(title) !== '' && bare(title) === bare(shownText(page, element, 400)))
        tell({ at: element, message: 'same', values: { title }, subject: `${href} ${title}` });
    }
  },
});
