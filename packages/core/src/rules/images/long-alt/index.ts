import { images } from '../../../semantics/imageContext.ts';
import { addressOf, fileNameOf, writtenAlternative } from '../../../semantics/images.ts';
import { defineRule, FLOORS } from '../../types.ts';

export const rule = defineRule({
  id: 'images/long-alt',
  title: 'Alternative text that goes on too long',
  why: 'It is read in one breath, and nobody can pause, go back, or read on from the middle.',
  fix: 'Say the gist in a few words and put the rest into the text of the page.',
  alike: true,
  criteria: ['1.1.1'],
  techniques: ['G95'],
  practice: true,
  weight: 'should',
  scope: 'any',
  threshold: { measure: 'length', limit: 'longestAlternative' },
  remedies: ['shorten', 'move-to-text'],
  messages: { long: 'The alternative text of {file} takes {length} characters' },
  end(page, tell) {
    for (const image of images(page)) {
      const alt = writtenAlternative(image) ?? '';
      const length = [...alt].length;
      if (length > FLOORS.longestAlternative)
        tell({
          at: image,
          message: 'long',
          values: { file: fileNameOf(addressOf(image)) || 'this image', length },
          subject: `${addressOf(image)} ${alt}`,
        });
    }
  },
});
