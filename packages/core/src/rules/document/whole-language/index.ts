import { defineRule } from '../../types.ts';
import { wholeLanguage } from '../../../semantics/pageLanguage.ts';
import { languageAt } from '../../../semantics/languages.ts';
import { valueOf } from '../../../document/tree.ts';
import { languageName } from '../../../standards/languageNames.ts';
export const rule = defineRule({
  id: 'document/whole-language',
  title: 'Page that names another language than its own',
  why: 'All of it is read with the sounds of the wrong language, and nobody understands it.',
  fix: 'Name the language the page is written in.',
  question: {
    ask: 'Does the page name the wrong language?',
    yes: 'Yes, it is in another one',
    no: 'No, it is right',
    same: ['said', 'piece'],
  },
  criteria: ['3.1.1'],
  techniques: ['H57'],
  weight: 'must',
  scope: 'document',
  remedies: ['set-language'],
  messages: {
    other: 'The page says that it is in “{said}”, and its text seems to be in {language}',
  },
  end(page, tell) {
    const language = wholeLanguage(page);
    if (!language) return;
    const said = languageAt(page, page.body);
    const at = valueOf(page.body, 'lang') !== null ? page.body : page.html;
    tell({
      at,
      message: 'other',
      values: { said, language: languageName(language), tag: language },
      subject: 'page',
      outcome: 'cantTell',
      ...(at.startTag ? { range: at.startTag } : {}),
    });
  },
});
