import { titleElement, titleText } from '../../../semantics/title.ts';
import { bare, phrasesOf } from '../../../standards/phrases/index.ts';
import { defineRule } from '../../types.ts';

const EMPTY = new Set([
  'untitled',
  'untitled document',
  'untitled page',
  'new document',
  'new page',
  'document',
  'index',
  'home',
  'home page',
  'homepage',
  'page',
  'welcome',
  'default',
  'test',
  'title',
  'unbenannt',
  'startseite',
  'accueil',
  'inicio',
]);

export const rule = defineRule({
  id: 'document/vague-title',
  title: 'Page title that says nothing',
  why: 'Among open pages, in a history or in search results nobody can tell what this one is.',
  fix: 'Say what the page is about, and after it whose page it is.',
  criteria: ['2.4.2'],
  techniques: ['H25', 'G88', 'F25'],
  weight: 'should',
  scope: 'document',
  remedies: ['set-title'],
  messages: { empty: 'The page’s title “{title}” fits any page', file: 'The page’s title is a file name: “{title}”' },
  end(page, tell) {
    const title = titleText(page);
    const element = titleElement(page);
    if (!title || !element) return;
    const plain = bare(title);
    const message = /\.(?:html?|php|aspx?|docx?|pdf|indd?)$/i.test(title)
      ? 'file'
      : EMPTY.has(plain) || phrasesOf('vagueHeadings').has(plain) || !/\p{L}/u.test(title)
        ? 'empty'
        : null;
    if (message) tell({ at: element, message, values: { title }, subject: 'page' });
  },
});
