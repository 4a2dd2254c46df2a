import { images, plainAlternative, sizeOf, standsAlone, figureOf } from '../../../semantics/imageContext.ts';
import { addressOf, fileNameOf, writtenAlternative } from '../../../semantics/images.ts';
import { phrasesOf } from '../../../standards/phrases/index.ts';
import { defineRule } from '../../types.ts';
import type { Page } from '../../../document/page.ts';
import type { ElementNode } from '../../../document/tree.ts';
import { isInside, IN, FURNITURE } from '../../../semantics/inside.ts';
import { countWords } from '../../../semantics/passages.ts';

export const rule = defineRule({
  id: 'images/true-to-picture',
  title: 'Description to be looked at once',
  why: 'Only someone who sees the image can know whether its words are true to it.',
  fix: 'Look at the image and at its words; fix them where they do not fit.',
  question: {
    ask: 'Does the description miss what a reader would look at here?',
    yes: 'Yes, it has to be fixed',
    no: 'No, it fits',
    same: ['image', 'alternative', 'purpose', 'language'],
  },
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
        !carriesContent(page, image) ||
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

/** Signs of notes, of files and of ways through a book, by what their files are called. */
const SIGN =
  /(?:^|[-_ .\d])(?:icons?|bullets?|arrows?|note|tip|warning|caution|important|prev|next|home|up|toc|blank|spacer|logo|button|btn|rss|star|smile|idea|alert|external|ext|flag|line|dot|callouts?|\d{1,2})(?:[-_ .\d]|$)/i;
/** Smaller images, in px, are signs. Common practice. */
const SMALL = 48;

/** Whether an image shows something of its own: no sign, no link's label, nothing of the page's furniture. */
function carriesContent(page: Page, image: ElementNode): boolean {
  if (isInside(page, image, IN.link | IN.button | FURNITURE)) return false;
  const { width, height } = sizeOf(image);
  if ((width > 0 && width <= SMALL) || (height > 0 && height <= SMALL)) return false;
  if (SIGN.test(fileNameOf(addressOf(image)))) return false;
  if (width === 0 && height === 0 && countWords(writtenAlternative(image) ?? '') >= 3) return true;
  return standsAlone(page, image) || figureOf(page, image) !== null || width >= 2 * SMALL || height >= 2 * SMALL;
}
