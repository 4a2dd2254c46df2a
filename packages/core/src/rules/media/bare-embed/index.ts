import { valueOf } from '../../../document/tree.ts';
import { nameOf } from '../../../semantics/names.ts';
import { addressOf, fileNameOf, hasAlternative, showsImage } from '../../../semantics/images.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'media/bare-embed',
  title: 'Embedded object with no name',
  why: 'A listener is told of something embedded and not what it is, and gets nothing where it does not load.',
  fix: 'Name it, and say in the page what it holds.',
  criteria: ['1.1.1'],
  techniques: ['H53'],
  weight: 'must',
  scope: 'any',
  remedies: ['name'],
  messages: { none: 'What is embedded here ({file}) has no name and no words in its place' },
  tags: ['object', 'embed'],
  visit(page, element, tell) {
    if (showsImage(element) || nameOf(page, element).name || hasAlternative(page, element)) return;
    const address = addressOf(element) || (valueOf(element, 'classid') ?? '');
    tell({ at: element, message: 'none', values: { file: fileNameOf(address) || 'an object' }, subject: address });
  },
});
