import { defineRule } from '../../types.ts';
import { bare, phrasesOf } from '../../../standards/phrases/index.ts';
import { addressOf, writtenAlternative } from '../../../semantics/pictures.ts';
import { controlAround } from '../../../semantics/roles.ts';

export const rule = defineRule({
  id: 'images/placeholder-alt',
  title: 'Placeholder in place of a description',
  why: 'Someone who cannot see the picture hears a word that fits every picture and learns nothing of this one.',
  fix: 'Write in a few words what a reader would look at, or mark the picture as decorative when it adds nothing.',
  criteria: ['1.1.1'],
  techniques: ['F30'],
  weight: 'must',
  scope: 'any',
  remedies: ['describe', 'decorative'],
  messages: { word: 'The alternative “{alt}” fits any picture', sign: 'The alternative of this picture is only signs: “{alt}”' },
  tags: ['img', 'input', 'area'],
  visit(page, element, tell) {
    const alt = writtenAlternative(element);
    if (!alt) return;
    const sign = !/[\p{L}\p{N}\p{Extended_Pictographic}]/u.test(alt) && /^[.…*_\-–—?|:]+$/u.test(alt);
    if (!sign && !phrasesOf('placeholders').has(bare(alt))) return;
    tell({ at: element, message: sign ? 'sign' : 'word', values: { alt }, subject: `${addressOf(element)} ${alt}`, ...(controlAround(page, element) ? { remedies: ['describe'] } : {}) });
  },
});
