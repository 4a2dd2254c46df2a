import { fileWordsOf, holdsWord, images, isDescribedNear } from '../../../semantics/imageContext.ts';
import { FURNITURE, isInside, IN } from '../../../semantics/inside.ts';
import { addressOf, fileNameOf, writtenAlternative } from '../../../semantics/images.ts';
import { phrasesOf } from '../../../standards/phrases/index.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'images/complex',
  title: 'Chart or diagram without its story in the text',
  why: 'A few words name it, and what it tells stays in the image.',
  fix: 'Tell in the text of the page what can be read from it, and point there from the image.',
  question: {
    ask: 'Does this image tell more than its alternative text says?',
    yes: 'Yes, the text has to tell it',
    no: 'No, the alternative text is enough',
    same: ['image', 'alternative', 'purpose', 'language'],
  },
  criteria: ['1.1.1'],
  techniques: ['G95', 'G92', 'H45'],
  weight: 'should',
  scope: 'any',
  remedies: ['point-to-text'],
  messages: { alone: '{file} seems to be a {word}, and no description stands near it' },
  end(page, tell) {
    const words = phrasesOf('complexImages');
    for (const image of images(page)) {
      const alt = writtenAlternative(image);
      if (!alt || isInside(page, image, IN.link | IN.button | FURNITURE)) continue;
      const word = holdsWord(`${alt} ${fileWordsOf(image).join(' ')}`, words);
      if (!word || isDescribedNear(page, image)) continue;
      const address = addressOf(image);
      tell({
        at: image,
        message: 'alone',
        values: { file: fileNameOf(address) || 'This image', word },
        subject: `${address} ${alt}`,
        outcome: 'cantTell',
      });
    }
  },
});
