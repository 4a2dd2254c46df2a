import { has, tidy, valueOf } from '../../../document/tree.ts';
import { images } from '../../../semantics/imageContext.ts';
import { defineRule } from '../../types.ts';
import { addressOf } from '../../../semantics/images.ts';

export const rule = defineRule({
  id: 'images/title-only',
  title: 'Tooltip in place of an alternative text',
  why: 'A tooltip shows only under a mouse, and not every screen reader says it.',
  fix: 'Write the words as the image’s alternative text.',
  alike: true,
  criteria: ['1.1.1'],
  techniques: ['F65'],
  weight: 'should',
  scope: 'any',
  remedies: ['title-to-alt', 'describe', 'decorative'],
  messages: { title: 'This image has only the tooltip “{title}”' },
  end(page, tell) {
    for (const image of images(page)) {
      const title = tidy(valueOf(image, 'title') ?? '');
      if (title && !has(image, 'alt') && !has(image, 'aria-label') && !has(image, 'aria-labelledby'))
        tell({ at: image, message: 'title', values: { title }, subject: `${addressOf(image)} ${title}` });
    }
  },
});
