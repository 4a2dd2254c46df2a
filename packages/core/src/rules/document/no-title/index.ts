import { defineRule } from '../../types.ts';
import { titleElement, titleText } from '../../../semantics/title.ts';

export const rule = defineRule({
  id: 'document/no-title',
  title: 'Page with no title',
  why: 'Someone with several pages open, or who listens to one load, is told an address in place of what it is.',
  fix: 'Give the page a title that says what it is about.',
  criteria: ['2.4.2'],
  techniques: ['H25', 'G88'],
  weight: 'must',
  scope: 'document',
  remedies: ['set-title'],
  messages: { none: 'The page has no title', blank: 'The page’s title is blank' },
  end(page, tell) {
    if (titleText(page)) return;
    const title = titleElement(page);
    tell({
      at: title ?? page.head,
      message: title ? 'blank' : 'none',
      subject: 'page',
      range: title?.range ?? page.head.startTag ?? { start: 0, end: 0 },
    });
  },
});
