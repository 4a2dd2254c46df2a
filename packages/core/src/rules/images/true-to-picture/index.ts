import { images, plainAlternative } from '../../../semantics/imageContext.ts';
import { addressOf, fileNameOf, writtenAlternative } from '../../../semantics/images.ts';
import { phrasesOf } from '../../../standards/phrases/index.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'images/true-to-picture',
  title: 'Description to be looked at once',
  why: 'Only someone who sees the image can know whether its words are true to it.',
  fix: 'Look at the image and at its words; fix them where they do not fit.',
  question: { ask: 'Does the description say what a reader would look at here?', yes: 'No, it has to be fixed', no: 'Yes, it fits' },
  exact: true,
  criteria: ['1.1.1'],
  techniques: ['G94'],
  weight: 'consider',
  scope: 'any',
  remedies: ['describe'],
  messages: { look: '{file} is described as “{alt}”' },
  end(page, tell) {
    const asked = new Set<string>();
    for (const image of images(page)) {
      const [alt, address] = [writtenAlternative(image) ?? '', addressOf(image)];
      const subject = `${address} ${alt}`;
      // What other notes already call no description is not asked about.
      if (
        !alt ||
        !/\p{L}/u.test(alt) ||
        asked.has(subject) ||
        /\.\w{3,4}$/.test(alt) ||
        phrasesOf('placeholders').has(plainAlternative(image)) ||
        phrasesOf('thinAlternatives').has(plainAlternative(image))
      )
        continue;
      asked.add(subject);
      tell({ at: image, message: 'look', values: { file: fileNameOf(address) || 'This image', alt }, subject, outcome: 'cantTell' });
    }
  },
});
