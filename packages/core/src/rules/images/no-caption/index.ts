import { figureOf, images, standsAlone } from '../../../semantics/imageContext.ts';
import { FURNITURE, isInside, IN } from '../../../semantics/inside.ts';
import { addressOf, fileNameOf, writtenAlternative } from '../../../semantics/images.ts';
import { defineRule } from '../../types.ts';
import { typedCaptions } from '../../../semantics/typedCaptions.ts';

export const rule = defineRule({
  id: 'images/no-caption',
  title: 'Image with no caption',
  why: 'A caption tells every reader why the image is here; many read it before anything else.',
  fix: 'Add a line beneath the image that says what it has to do with the text.',
  criteria: [],
  techniques: [],
  practice: true,
  weight: 'consider',
  scope: 'any',
  remedies: ['add-caption'],
  messages: { none: '{file} stands alone and has no caption' },
  end(page, tell) {
    const typed = new Set(typedCaptions(page).map((one) => one.image));
    for (const image of images(page)) {
      const alt = writtenAlternative(image);
      if (
        !alt ||
        figureOf(page, image)?.caption ||
        typed.has(image) ||
        isInside(page, image, IN.link | IN.button | IN.table | FURNITURE) ||
        !standsAlone(page, image)
      )
        continue;
      tell({ at: image, message: 'none', values: { file: fileNameOf(addressOf(image)) || 'This image' } });
    }
  },
});
