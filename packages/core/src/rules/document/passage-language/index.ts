import { otherLanguages } from '../../../semantics/pageLanguage.ts';
import { defineRule } from '../../types.ts';
import { groupedBy } from '../../../document/grouped.ts';
import { languageName } from '../../../standards/languageNames.ts';

export const rule = defineRule({
  id: 'document/passage-language',
  title: 'Passage in another language',
  why: 'It is read with the sounds of the wrong language, and nobody understands it.',
  fix: 'Say which language the passage is in.',
  question: {
    ask: 'Is this passage in another language than the page?',
    yes: 'Yes, its language has to be named',
    no: 'No, or it is only a name',
    same: ['words', 'language'],
  },
  criteria: ['3.1.2'],
  techniques: ['H58'],
  weight: 'should',
  scope: 'any',
  remedies: ['set-language'],
  messages: {
    other: 'This passage seems to be in {language}: “{text}”',
    several: '{many} passages seem to be in {language}, the first “{text}”',
    script: 'This passage is in the letters of {language}: “{text}”',
  },
  end(page, tell) {
    for (const [language, elsewhere] of groupedBy(otherLanguages(page), (one) => one.language)) {
      const [{ passage, byScript }] = elsewhere as [(typeof elsewhere)[number]];
      const blocks = [...new Set(elsewhere.map((one) => one.passage.block))];
      tell({
        at: passage.block,
        places: blocks,
        message: byScript ? 'script' : blocks.length > 1 ? 'several' : 'other',
        values: { language: languageName(language), text: passage.text, tag: language, many: blocks.length },
        subject: language,
        outcome: 'cantTell',
      });
    }
  },
});
