import { languageAt } from '../../../semantics/languages.ts';
import { languagesByPassage, usualLanguage } from '../../../semantics/pageLanguage.ts';
import { languageName } from '../../../standards/languageNames.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'document/passage-language',
  title: 'Passage in another language',
  why: 'It is read with the sounds of the wrong language, and nobody understands it.',
  fix: 'Say which language the passage is in.',
  question: {
    ask: 'Is this passage in another language than the page?',
    yes: 'Yes, its language has to be named',
    no: 'No, or it is only a name',
  },
  criteria: ['3.1.2'],
  techniques: ['H58'],
  weight: 'should',
  scope: 'any',
  remedies: ['set-language'],
  messages: { other: 'This passage seems to be in {language}: “{text}”' },
  end(page, tell) {
    const usual = usualLanguage(page);
    for (const { passage, language } of languagesByPassage(page)) {
      const said = (languageAt(page, passage.block) || usual).toLowerCase().split('-')[0];
      if (!language || !said || language === said) continue;
      // An inline part of it may name its language.
      if (passage.texts.some((text) => text.parent?.kind === 'element' && languageAt(page, text.parent).toLowerCase().startsWith(language)))
        continue;
      tell({
        at: passage.block,
        message: 'other',
        values: { language: languageName(language), text: passage.text, tag: language },
        subject: passage.text,
        outcome: 'cantTell',
      });
    }
  },
});
