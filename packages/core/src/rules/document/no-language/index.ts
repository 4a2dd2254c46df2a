import { defineRule } from '../../types.ts';
import { tidy, valueOf } from '../../../document/tree.ts';

export const rule = defineRule({
  id: 'document/no-language',
  title: 'Page with no language',
  why: 'A screen reader speaks the page in whatever voice it has set, and words of another language come out as noise.',
  fix: 'Name the language the page is written in.',
  criteria: ['3.1.1'],
  techniques: ['H57'],
  weight: 'must',
  scope: 'document',
  remedies: ['set-language'],
  messages: { none: 'The page does not say which language it is in', blank: 'The page’s language is left blank' },
  end(page, tell) {
    const written = valueOf(page.html, 'lang');
    if (written !== null && tidy(written)) return;
    // xml:lang counts only in XML; a page sent as HTML needs lang.
    tell({
      at: page.html,
      message: written === null ? 'none' : 'blank',
      subject: 'page',
      range: page.html.startTag ?? { start: 0, end: 0 },
    });
  },
});
