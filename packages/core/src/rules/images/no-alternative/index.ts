import { defineRule } from '../../types.ts';
import { has, valueOf, type ElementNode } from '../../../document/tree.ts';
import type { Page } from '../../../document/page.ts';
import { nameOf } from '../../../semantics/names.ts';
import { addressOf, drawsSomething, fileNameOf, hasAlternative, showsImage } from '../../../semantics/images.ts';
import { controlAround, roleOf } from '../../../semantics/roles.ts';

type Message = 'image' | 'button' | 'area' | 'embedded' | 'drawing' | 'doubt';

export const rule = defineRule({
  id: 'images/no-alternative',
  title: 'Image with no alternative text',
  why: 'Someone who cannot see it is told that there is an image, or is read its file name, and never what it shows.',
  fix: 'Write in a few words what a reader would look at, or mark the image as decorative when it adds nothing.',
  question: {
    ask: 'Does this drawing tell the reader something?',
    yes: 'Yes, it needs words',
    no: 'No, it only decorates',
    same: ['image', 'alternative', 'purpose', 'language'],
  },
  alike: true,
  criteria: ['1.1.1'],
  techniques: ['F65', 'H37', 'H36', 'H24', 'H53'],
  weight: 'must',
  scope: 'any',
  remedies: ['describe', 'decorative'],
  messages: {
    image: 'The image {file} has no alternative text',
    button: 'The image button {file} has no alternative text, so it has no name',
    area: 'A region of the image map leads to {file} and has no alternative text',
    embedded: 'What is embedded here ({file}) has no words in its place',
    drawing: 'This drawing has no name',
    doubt: 'This drawing holds text or images and has no name',
  },
  tags: ['img', 'input', 'area', 'object', 'embed', 'svg', 'canvas', '[role=img]', '[role=image]'],
  visit(page, element, tell) {
    const message = messageFor(page, element);
    if (!message) return;
    const address = addressOf(element);
    const control = controlAround(page, element);
    const names = message === 'button' || message === 'area' || (control !== null && nameOf(page, control).name === '');
    tell({
      at: element,
      message,
      values: { file: fileNameOf(address) || 'here' },
      subject: address,
      alsoCriteria: names ? ['2.4.4', '4.1.2'] : [],
      remedies: names || message === 'embedded' ? ['describe'] : ['describe', 'decorative'],
      ...(message === 'doubt' ? { outcome: 'cantTell' as const, weight: 'should' as const } : {}),
    });
  },
});

function messageFor(page: Page, element: ElementNode): Message | null {
  if (hasAlternative(page, element)) return null;
  switch (element.tag) {
    case 'img':
      return 'image';
    case 'input':
      return valueOf(element, 'type')?.toLowerCase() === 'image' ? 'button' : null;
    case 'area':
      return has(element, 'href') ? 'area' : null;
    case 'object':
    case 'embed':
      // Documents and players that are embedded are a matter of media.
      return showsImage(element) ? 'embedded' : null;
    case 'canvas':
      return 'drawing';
    case 'svg':
      if (roleOf(element) === 'img') return 'drawing';
      return drawsSomething(element) && controlAround(page, element) === null ? 'doubt' : null;
    default:
      return roleOf(element) === 'img' ? 'drawing' : null;
  }
}
