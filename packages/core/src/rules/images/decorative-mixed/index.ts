import { has, tidy, valueOf } from '../../../document/tree.ts';
import { images } from '../../../semantics/imageContext.ts';
import { addressOf, fileNameOf } from '../../../semantics/images.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'images/decorative-mixed',
  title: 'Image both decorative and named',
  why: 'Some readers are told of it and some are not, by the program they use.',
  fix: 'Decide: take the name away, or describe the image.',
  alike: true,
  criteria: ['1.1.1'],
  techniques: ['F39'],
  weight: 'should',
  scope: 'any',
  remedies: ['decorative', 'describe'],
  messages: {
    named: '{file} is marked as decorative and yet carries the words “{words}”',
    focusable: '{file} is marked as decorative and yet takes the keyboard’s focus',
  },
  end(page, tell) {
    for (const image of images(page)) {
      const empty = valueOf(image, 'alt')?.trim() === '';
      const role = (valueOf(image, 'role') ?? '').trim().toLowerCase();
      if (!empty && role !== 'presentation' && role !== 'none') continue;
      const file = fileNameOf(addressOf(image)) || 'This image';
      const words =
        tidy(valueOf(image, 'aria-label') ?? '') || tidy(valueOf(image, 'title') ?? '') || (empty ? '' : tidy(valueOf(image, 'alt') ?? ''));
      if (words) tell({ at: image, message: 'named', values: { file, words }, subject: `${addressOf(image)} ${words}` });
      else if (has(image, 'tabindex') && Number(valueOf(image, 'tabindex')) >= 0)
        tell({ at: image, message: 'focusable', values: { file } });
    }
  },
});
