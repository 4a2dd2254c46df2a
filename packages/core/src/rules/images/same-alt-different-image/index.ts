import { images, plainAlternative } from '../../../semantics/imageContext.ts';
import { isInside, IN } from '../../../semantics/inside.ts';
import { addressOf, writtenAlternative } from '../../../semantics/images.ts';
import { defineRule } from '../../types.ts';
import { groupedBy } from '../../../document/grouped.ts';

export const rule = defineRule({
  id: 'images/same-alt-different-image',
  title: 'One alternative text for different images',
  why: 'A listener takes them for one image shown again and misses what sets them apart.',
  fix: 'Describe each by what only it shows.',
  question: {
    ask: 'Do these images show different things?',
    yes: 'Yes, each needs its own words',
    no: 'No, the same words fit',
    same: ['said', 'image', 'alternative', 'purpose', 'language'],
  },
  criteria: ['1.1.1'],
  techniques: [],
  practice: true,
  weight: 'should',
  scope: 'any',
  remedies: ['describe'],
  messages: {
    shared: '“{alt}” is said of {many} different images on this page',
  },
  end(page, tell) {
    const byAlt = groupedBy(
      // In a link the alternative says where it leads, and two ways to one place may look unlike.
      images(page).filter((image) => /\p{L}/u.test(plainAlternative(image)) && !isInside(page, image, IN.link | IN.button)),
      plainAlternative,
    );
    for (const [alt, same] of byAlt) {
      const different = [...new Map(same.map((image) => [addressOf(image), image])).values()];
      const second = different[1];
      if (!second) continue;
      tell({
        at: second,
        places: different.slice(1),
        message: 'shared',
        values: { alt: writtenAlternative(second)!, many: different.length },
        subject: alt,
        outcome: 'cantTell',
      });
    }
  },
});
