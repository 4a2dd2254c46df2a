import { titleElement, titleText } from '../../../semantics/title.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'document/same-title',
  title: 'Two pages with one title',
  why: 'Among open pages and in a history they cannot be told apart.',
  fix: 'Let each title begin with what only that page is about.',
  criteria: ['2.4.2'],
  techniques: ['G88'],
  weight: 'should',
  scope: 'document',
  remedies: ['set-title'],
  messages: { shared: 'The title “{title}” is also that of {other}' },
  end(page, tell) {
    const title = titleText(page);
    const other = title ? page.surroundings.pagesTitled?.(title)[0] : undefined;
    if (other !== undefined) tell({ at: titleElement(page)!, message: 'shared', values: { title, other }, subject: 'page' });
  },
});
