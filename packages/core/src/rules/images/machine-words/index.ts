import { defineRule } from '../../types.ts';
import { images } from '../../../semantics/imageContext.ts';
import { writtenAlternative, addressOf } from '../../../semantics/images.ts';
import { phrasesOf } from '../../../standards/phrases/index.ts';
export const rule = defineRule({
  id: 'images/machine-words',
  title: 'Alternative text in the manner of a program',
  why: 'It guesses at things and misses what the image is here for.',
  fix: 'Look at the image and say what it shows a reader of this page.',
  question: {
    ask: 'Does somebody still have to describe this image?',
    yes: 'Yes, it has to be described',
    no: 'No, I looked and the words fit',
    same: ['image', 'alternative', 'purpose', 'language'],
  },
  criteria: ['1.1.1'],
  techniques: [],
  practice: true,
  weight: 'should',
  scope: 'any',
  remedies: ['describe'],
  messages: {
    made: 'The alternative text reads as if a program had made it up: “{alt}”',
  },
  end(page, tell) {
    const openings = [...phrasesOf('machineOpenings')];
    for (const image of images(page)) {
      const alt = writtenAlternative(image) ?? '';
      const lower = alt.toLowerCase().replace(/'/g, '’');
      if (!openings.some((opening) => lower.startsWith(opening) || (opening.includes('automati') && lower.includes(opening)))) continue;
      tell({ at: image, message: 'made', values: { alt }, subject: `${addressOf(image)} ${alt}`, outcome: 'cantTell' });
    }
  },
});
