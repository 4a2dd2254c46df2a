import { images, plainAlternative } from '../../../semantics/imageContext.ts';
import { isInside, IN } from '../../../semantics/inside.ts';
import { addressOf, writtenAlternative } from '../../../semantics/images.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'images/same-alt-different-image',
  title: 'One alternative text for different images',
  why: 'A listener takes them for one image shown again and misses what sets them apart.',
  fix: 'Describe each by what only it shows.',
  question: { ask: 'Do these images show different things?', yes: 'Yes, each needs its own words', no: 'No, the same words fit' },
  criteria: ['1.1.1'],
  techniques: [],
  practice: true,
  weight: 'should',
  scope: 'any',
  remedies: ['describe'],
  messages: { shared: '“{alt}” is said of another image on this page too' },
  end(page, tell) {
    const first = new Map<string, string>();
    for (const image of images(page)) {
      const alt = plainAlternative(image);
      // In a link the alternative says where it leads, and two ways to one place may look unlike.
      if (!alt || isInside(page, image, IN.link | IN.button)) continue;
      const address = addressOf(image);
      const other = first.get(alt);
      if (other === undefined) first.set(alt, address);
      else if (other !== address)
        tell({
          at: image,
          message: 'shared',
          values: { alt: writtenAlternative(image)! },
          subject: `${address} ${alt}`,
          outcome: 'cantTell',
        });
    }
  },
});
