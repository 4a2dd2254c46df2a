import { valueOf } from '../../../document/tree.ts';
import { fileWordsOf, images } from '../../../semantics/imageContext.ts';
import { addressOf, fileNameOf } from '../../../semantics/images.ts';
import { countWords } from '../../../semantics/passages.ts';
import { defineRule } from '../../types.ts';

/** What people call images of words. Common practice. */
const TEXT_NAMES = new Set([
  'text',
  'quote',
  'poster',
  'flyer',
  'flier',
  'leaflet',
  'slide',
  'wordart',
  'notice',
  'scan',
  'screenshot',
  'letter',
  'heading',
  'title',
  'timetable',
  'announcement',
]);
/** An alternative this long most often copies the words in the image. */
const MANY_WORDS = 18;

export const rule = defineRule({
  id: 'images/of-text',
  title: 'Image that seems to be of text',
  why: 'Its words cannot be enlarged cleanly, recoloured, searched or translated.',
  fix: 'Write the words as text and style them.',
  question: {
    ask: 'Are words the point of this image?',
    yes: 'Yes, they should be text',
    no: 'No, or their form is essential',
    same: ['image', 'alternative', 'purpose', 'language'],
  },
  criteria: ['1.4.5'],
  techniques: ['C22'],
  weight: 'should',
  scope: 'any',
  remedies: [],
  messages: {
    named: 'The file name {file} suggests an image of text',
    wordy: 'The alternative text of {file} reads like the words in an image of text',
  },
  end(page, tell) {
    for (const image of images(page)) {
      const [alt, address] = [valueOf(image, 'alt') ?? '', addressOf(image)];
      const file = fileNameOf(address);
      const named = fileWordsOf(image).some((word) => TEXT_NAMES.has(word));
      const wordy = countWords(alt) >= MANY_WORDS && /[.!?:]\s+\p{Lu}/u.test(alt) && /\d{1,2}[:.]\d{2}|["“”]|!/u.test(alt);
      if (named || wordy)
        tell({
          at: image,
          message: named ? 'named' : 'wordy',
          values: { file: file || 'this image' },
          subject: address,
          outcome: 'cantTell',
        });
    }
  },
});
