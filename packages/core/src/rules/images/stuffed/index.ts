import { defineRule } from '../../types.ts';
import { images } from '../../../semantics/imageContext.ts';
import { writtenAlternative, addressOf } from '../../../semantics/images.ts';
import { tidy } from '../../../document/tree.ts';
import { groupedBy } from '../../../document/grouped.ts';
export const rule = defineRule({
  id: 'images/stuffed',
  title: 'Alternative text stuffed with search words',
  why: 'A listener hears a list of words in place of what the image shows.',
  fix: 'Say in one phrase what the image shows.',
  question: {
    ask: 'Are these words there for search rather than for readers?',
    yes: 'Yes, they do not describe it',
    no: 'No, they describe it',
    same: ['image', 'alternative', 'purpose', 'language'],
  },
  criteria: ['1.1.1'],
  techniques: [],
  practice: true,
  weight: 'should',
  scope: 'any',
  remedies: ['describe'],
  messages: {
    stuffed: 'The alternative text is a list of search words: “{alt}”',
  },
  end(page, tell) {
    for (const image of images(page)) {
      const alt = writtenAlternative(image) ?? '';
      if (isStuffed(alt))
        tell({ at: image, message: 'stuffed', values: { alt }, subject: `${addressOf(image)} ${alt}`, outcome: 'cantTell' });
    }
  },
});

/** What is shorter holds no list. */
const SHORTEST = 20;

/** Five short pieces and more between commas or bars with no small words, or one word over and over. */
function isStuffed(alt: string): boolean {
  if (alt.length < SHORTEST) return false;
  const pieces = alt
    .split(/[,;|]/)
    .map(tidy)
    .filter((piece) => piece !== '');
  const words = alt.toLowerCase().match(/\p{L}{3,}/gu) ?? [];
  const most = Math.max(0, ...[...groupedBy(words, (word) => word).values()].map((same) => same.length));
  if (words.length >= 6 && most >= 3 && most / words.length >= 0.25) return true;
  return (
    pieces.length >= 5 &&
    pieces.every((piece) => piece.split(' ').length <= 3 && !/\b(?:and|with|of|the|in|on|und|mit|et|avec|y|con|en|e|com|di)\b/i.test(piece))
  );
}
