import { figureOf, fileWordsOf, holdsWord, images, sizeOf, standsAlone } from '../../../semantics/imageContext.ts';
import { FURNITURE, isInside, IN } from '../../../semantics/inside.ts';
import type { Page } from '../../../document/page.ts';
import { has, valueOf, type ElementNode } from '../../../document/tree.ts';
import { addressOf, fileNameOf } from '../../../semantics/images.ts';
import { phrasesOf } from '../../../standards/phrases/index.ts';
import { defineRule } from '../../types.ts';

/** An ornament is seldom this large, in px each way. Common practice. */
const LARGE = { width: 240, height: 160 };

export const rule = defineRule({
  id: 'images/decorative-doubt',
  title: 'Image marked as decorative that seems to matter',
  why: 'If it carries meaning, a listener is not told that it is there at all.',
  fix: 'Describe it, or say that it only decorates.',
  question: {
    ask: 'Would a reader miss something without this image?',
    yes: 'Yes, it needs a description',
    no: 'No, it only decorates',
    same: ['image', 'alternative', 'purpose', 'language'],
  },
  criteria: ['1.1.1'],
  techniques: ['F39', 'F38'],
  weight: 'should',
  scope: 'any',
  remedies: ['describe'],
  messages: {
    captioned: '{file} is marked as decorative and yet has a caption',
    large: '{file} is marked as decorative, though it is large and stands alone',
    named: '{file} is marked as decorative, though its file name speaks of a {word}',
  },
  end(page, tell) {
    for (const image of images(page)) {
      if (
        valueOf(image, 'alt')?.trim() !== '' ||
        has(image, 'title') ||
        has(image, 'aria-label') ||
        isInside(page, image, IN.link | IN.button | FURNITURE)
      )
        continue;
      const doubt = doubtOf(page, image);
      if (doubt)
        tell({
          at: image,
          ...doubt,
          values: { file: fileNameOf(addressOf(image)) || 'This image', ...doubt.values },
          subject: addressOf(image),
          outcome: 'cantTell',
        });
    }
  },
});

function doubtOf(page: Page, image: ElementNode): { message: 'captioned' | 'large' | 'named'; values?: { word: string } } | null {
  if (figureOf(page, image)?.caption) return { message: 'captioned' };
  const word = holdsWord(fileWordsOf(image).join(' '), phrasesOf('complexImages'));
  if (word) return { message: 'named', values: { word } };
  const { width, height } = sizeOf(image);
  return width >= LARGE.width && height >= LARGE.height && standsAlone(page, image) ? { message: 'large' } : null;
}
