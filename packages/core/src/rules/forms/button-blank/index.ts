import { imagesIn, hasAlternative } from '../../../semantics/images.ts';
import { nameOf } from '../../../semantics/names.ts';
import { valueOf } from '../../../document/tree.ts';
import { roleOf } from '../../../semantics/roles.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'forms/button-blank',
  title: 'Button with no name',
  why: 'A listener hears “button” and not what it does.',
  fix: 'Write on the button what it does.',
  criteria: ['4.1.2'],
  techniques: ['H91'],
  weight: 'must',
  scope: 'any',
  remedies: ['fill'],
  messages: { blank: 'This button has no name', image: 'This button shows only an image that says nothing' },
  tags: ['button', 'input', 'summary', '[role=button]'],
  visit(page, element, tell) {
    if (roleOf(element) !== 'button' || nameOf(page, element).name || valueOf(element, 'type')?.toLowerCase() === 'image') return;
    if (imagesIn(element).some((image) => !hasAlternative(page, image))) return;
    tell({
      at: element,
      message: imagesIn(element).length > 0 ? 'image' : 'blank',
      subject: `${valueOf(element, 'id') ?? ''} ${valueOf(element, 'class') ?? ''}`,
    });
  },
});
