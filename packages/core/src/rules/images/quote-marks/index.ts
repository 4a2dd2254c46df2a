import { defineRule } from '../../types.ts';
import { valueOf } from '../../../document/tree.ts';
import { addressOf, fileNameOf } from '../../../semantics/images.ts';
import { controlAround } from '../../../semantics/roles.ts';
export const rule = defineRule({
  id: 'images/quote-marks',
  title: 'Alternative text of nothing but marks',
  why: 'A listener hears “quote quote”, or an image with no words, in place of what it shows.',
  fix: 'Empty the alternative text when the image only decorates; else say what it shows.',
  alike: true,
  criteria: ['1.1.1'],
  techniques: ['F39'],
  weight: 'must',
  scope: 'any',
  remedies: ['decorative', 'describe'],
  messages: {
    quotes: 'The alternative text of {file} is two quote marks',
    spaces: 'The alternative text of {file} is only spaces',
  },
  tags: ['img', 'area', 'input'],
  visit(page, element, tell) {
    const alt = valueOf(element, 'alt');
    if (alt === null) return;
    const plain = alt.trim();
    const message = /^(?:"\s*"?|'\s*'?|“\s*”?|”|„“|«\s*»|''|``)$/.test(plain) ? 'quotes' : alt !== '' && plain === '' ? 'spaces' : null;
    if (!message) return;
    const address = addressOf(element);
    const control = controlAround(page, element) !== null || element.tag !== 'img';
    tell({
      at: element,
      message,
      values: { file: fileNameOf(address) || 'an image' },
      subject: address,
      ...(control ? { remedies: ['describe'] as const } : {}),
    });
  },
});
