import { defineRule } from '../../types.ts';
import { tagged } from '../../../document/tagged.ts';
import { isExposed } from '../../../semantics/visibility.ts';
import { valueOf } from '../../../document/tree.ts';
import { writtenAlternative, addressOf } from '../../../semantics/images.ts';
import { phrasesOf, bare } from '../../../standards/phrases/index.ts';
import { controlAround } from '../../../semantics/roles.ts';
import { nameOf } from '../../../semantics/names.ts';
export const rule = defineRule({
  id: 'images/control-kind',
  title: 'Linked image named after what it is',
  why: 'A listener is told that it is a button or a logo, and not where it leads.',
  fix: 'Say where the link goes or what the button does.',
  question: {
    ask: 'Do these words leave open where it leads?',
    yes: 'Yes, they have to say it',
    no: 'No, they are what it leads to',
    same: ['image', 'alternative', 'purpose', 'language'],
  },
  alike: true,
  criteria: ['2.4.4', '1.1.1'],
  techniques: ['F30'],
  weight: 'must',
  scope: 'any',
  remedies: ['describe'],
  messages: {
    kind: 'The image that names this link or button says only “{alt}”',
  },
  end(page, tell) {
    for (const element of tagged(page, 'img', 'input', 'area')) {
      if (!isExposed(page, element) || (element.tag === 'input' && valueOf(element, 'type')?.toLowerCase() !== 'image')) continue;
      const alt = writtenAlternative(element) ?? '';
      if (!phrasesOf('controlKinds').has(bare(alt))) continue;
      const control = element.tag === 'img' ? controlAround(page, element) : element;
      if (!control || bare(nameOf(page, control).name) !== bare(alt)) continue;
      tell({ at: element, message: 'kind', values: { alt }, subject: `${addressOf(element)} ${alt}`, outcome: 'cantTell' });
    }
  },
});
