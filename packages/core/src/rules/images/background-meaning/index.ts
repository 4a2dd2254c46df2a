import { tidy } from '../../../document/tree.ts';
import { fileNameOf } from '../../../semantics/images.ts';
import { nameOf, shownText } from '../../../semantics/names.ts';
import { isExposed } from '../../../semantics/visibility.ts';
import { declaring, styleOf } from '../../../style/cascade.ts';
import { defineRule } from '../../types.ts';

/** Names of images that only dress. Common practice. */
const DRESSING =
  /(?:^|[-_ .])(?:bg|back|background|texture|pattern|tile|border|icons?|sprite|gradient|shadow|arrow|bullet|line|dots?|noise|paper|corner|divider|hero)(?:[-_ .\d]|$)/i;

export const rule = defineRule({
  id: 'images/background-meaning',
  title: 'Background image that seems to say something',
  why: 'A background cannot have an alternative text, so a listener is told nothing of it.',
  fix: 'Show it as an image with an alternative text, or give its words as text.',
  question: {
    ask: 'Does this background tell the reader something?',
    yes: 'Yes, it needs words',
    no: 'No, it only dresses the page',
    same: ['piece'],
  },
  criteria: ['1.1.1'],
  techniques: ['F3'],
  weight: 'should',
  scope: 'any',
  remedies: [],
  messages: { alone: 'The background {file} stands here with no text in its place' },
  end(page, tell) {
    for (const element of declaring(page)) {
      const { image } = styleOf(page, element);
      const address = image && /url\(\s*["']?([^"')]+)/i.exec(image)?.[1];
      const file = address ? fileNameOf(address) : '';
      if (!file || DRESSING.test(file) || element === page.body || element === page.html || !isExposed(page, element)) continue;
      if (shownText(page, element, 1) || nameOf(page, element).name || !isMeantToBeSeen(page, element)) continue;
      tell({ at: element, message: 'alone', values: { file }, subject: tidy(address!), outcome: 'cantTell' });
    }
  },
});

/** An empty box shows its background only where it is given a size. */
function isMeantToBeSeen(page: Parameters<typeof styleOf>[0], element: Parameters<typeof styleOf>[1]): boolean {
  const { declared } = styleOf(page, element);
  const height = declared.get('height') ?? '';
  return /^\d{2,}/.test(height) && parseFloat(height) >= 48;
}
