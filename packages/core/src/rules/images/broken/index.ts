import { valueOf } from '../../../document/tree.ts';
import { images } from '../../../semantics/imageContext.ts';
import { fileNameOf } from '../../../semantics/images.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'images/broken',
  title: 'Image that is not there',
  why: 'Every reader finds a gap where something was meant to be shown.',
  fix: 'Bring the file in, fix the address, or take the image out.',
  alike: true,
  criteria: [],
  techniques: [],
  practice: true,
  weight: 'should',
  scope: 'any',
  remedies: [],
  messages: { empty: 'This image has no address', missing: 'No file of the collection lies where {file} should be' },
  end(page, tell) {
    for (const image of images(page)) {
      const src = valueOf(image, 'src');
      if (src?.trim() === '' || (src === null && valueOf(image, 'srcset') === null)) tell({ at: image, message: 'empty' });
      else if (src !== null && page.surroundings.leadsSomewhere?.(src) === false)
        tell({ at: image, message: 'missing', values: { file: fileNameOf(src) || src }, subject: src });
    }
  },
});
