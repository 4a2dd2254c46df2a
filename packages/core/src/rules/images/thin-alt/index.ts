import { images, plainAlternative } from '../../../semantics/imageContext.ts';
import { isInside, IN } from '../../../semantics/inside.ts';
import { addressOf, writtenAlternative } from '../../../semantics/images.ts';
import { phrasesOf } from '../../../standards/phrases/index.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'images/thin-alt',
  title: 'Alternative text of one bare word',
  why: 'It names a kind of thing and leaves out what a reader would look at.',
  fix: 'Say what makes this image worth showing here.',
  question: {
    ask: 'Does the image need more than this one word here?',
    yes: 'Yes, it needs more',
    no: 'No, it is enough',
    same: ['image', 'alternative', 'purpose', 'language'],
  },
  alike: true,
  criteria: ['1.1.1'],
  techniques: ['F30'],
  weight: 'should',
  scope: 'any',
  remedies: ['describe'],
  messages: { bare: '“{alt}” is all that is said of this image' },
  end(page, tell) {
    const thin = phrasesOf('thinAlternatives');
    for (const image of images(page)) {
      if (!thin.has(plainAlternative(image)) || isInside(page, image, IN.link | IN.button)) continue;
      tell({
        at: image,
        message: 'bare',
        values: { alt: writtenAlternative(image)! },
        subject: `${addressOf(image)} ${plainAlternative(image)}`,
        outcome: 'cantTell',
      });
    }
  },
});
