import { defineRule } from '../../types.ts';
import { tidy, valueOf } from '../../../document/tree.ts';
import type { Page } from '../../../document/page.ts';
import { isLanguageTag } from '../../../standards/languageTags.ts';

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
  messages: {
    none: 'The page does not say which language it is in',
    blank: 'The page’s language is left blank',
    elsewhere: 'The page’s language, {tag}, is said where browsers do not look for it',
  },
  end(page, tell) {
    const written = valueOf(page.html, 'lang');
    if (written !== null && tidy(written)) return;
    // In XML xml:lang counts; what is sent as HTML needs lang.
    const tag = languageElsewhere(page);
    if (tag && page.xml === 'read' && page.xhtml) return;
    tell({
      at: page.html,
      message: tag ? 'elsewhere' : written === null ? 'none' : 'blank',
      ...(tag ? { values: { tag }, remedies: ['copy-language', 'set-language'] as const } : {}),
      subject: 'page',
      ...(page.html.startTag ? { range: page.html.startTag } : {}),
    });
  },
});

/** A registered language said by xml:lang, by the body, or in the page's description of itself; '' when none is. */
function languageElsewhere(page: Page): string {
  for (const written of [valueOf(page.html, 'xml:lang'), valueOf(page.body, 'lang'), valueOf(page.body, 'xml:lang')]) {
    const tag = tidy(written ?? '');
    if (tag && isLanguageTag(tag)) return tag;
  }
  return '';
}
