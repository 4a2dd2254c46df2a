import { images, plainAlternative } from '../../../semantics/imageContext.ts';
import { addressOf, fileNameOf, writtenAlternative } from '../../../semantics/images.ts';
import { bare } from '../../../standards/phrases/index.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'images/different-alt-same-image',
  title: 'One image described in unlike ways',
  why: 'A listener cannot tell that it is the image they met before.',
  fix: 'Describe it once and use the same words wherever it does the same job.',
  question: {
    ask: 'Should this image have the same words here as elsewhere?',
    yes: 'Yes, the words should be the same',
    no: 'No, it does another job here',
    same: ['said', 'image', 'alternative', 'purpose', 'language'],
  },
  criteria: ['3.2.4'],
  techniques: [],
  practice: true,
  weight: 'consider',
  scope: 'any',
  remedies: ['unify'],
  messages: { unlike: '{file} is described here as “{alt}” and elsewhere as “{other}”' },
  end(page, tell) {
    const first = new Map<string, string>();
    for (const image of images(page)) {
      const [alt, address] = [writtenAlternative(image) ?? '', addressOf(image)];
      if (!alt || !address) continue;
      const other = first.get(address) ?? page.surroundings.alternativesOf?.(address).find((one) => bare(one) !== plainAlternative(image));
      if (!first.has(address)) first.set(address, alt);
      if (other === undefined || bare(other) === plainAlternative(image)) continue;
      tell({
        at: image,
        message: 'unlike',
        values: { file: fileNameOf(address) || 'This image', alt, other },
        subject: `${address} ${alt}`,
        outcome: 'cantTell',
      });
    }
  },
});
