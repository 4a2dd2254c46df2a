import { defineRule } from '../../types.ts';
import { bare, isOneOf, phrasesOf } from '../../../standards/phrases/index.ts';
import { addressOf, writtenAlternative } from '../../../semantics/images.ts';
import { controlAround } from '../../../semantics/roles.ts';

export const rule = defineRule({
  id: 'images/placeholder-alt',
  title: 'Placeholder in place of a description',
  why: 'Someone who cannot see the image hears a word that fits every image and learns nothing of this one.',
  fix: 'Write in a few words what a reader would look at, or mark the image as decorative when it adds nothing.',
  alike: true,
  criteria: ['1.1.1'],
  techniques: ['F30'],
  weight: 'must',
  scope: 'any',
  remedies: ['describe', 'decorative'],
  messages: { word: 'The alternative text “{alt}” fits any image', sign: 'The alternative text of this image is only signs: “{alt}”' },
  tags: ['img', 'input', 'area'],
  visit(page, element, tell) {
    const alt = writtenAlternative(element);
    if (!alt) return;
    const sign = !/[\p{L}\p{N}\p{Extended_Pictographic}]/u.test(alt) && /^[.…*_\-–—?|:]+$/u.test(alt);
    if (!sign && !phrasesOf('placeholders').has(bare(alt)) && !isOneOf(page.surroundings.vocabulary?.placeholders, alt)) return;
    tell({
      at: element,
      message: sign ? 'sign' : 'word',
      values: { alt },
      subject: `${addressOf(element)} ${alt}`,
      ...(controlAround(page, element) ? { remedies: ['describe'] } : {}),
    });
  },
});
