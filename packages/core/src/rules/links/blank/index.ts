import { defineRule } from '../../types.ts';
import { valueOf } from '../../../document/tree.ts';
import { nameOf } from '../../../semantics/names.ts';
import { imagesIn, hasAlternative } from '../../../semantics/images.ts';
import { isLink } from '../../../semantics/roles.ts';

export const rule = defineRule({
  id: 'links/blank',
  title: 'Link with no text',
  why: 'Someone who listens hears “link” and perhaps an address, and someone who speaks commands has no name to say.',
  fix: 'Write where the link goes, or take it out when nobody was meant to follow it.',
  criteria: ['2.4.4', '4.1.2'],
  techniques: ['F89'],
  weight: 'must',
  scope: 'any',
  remedies: ['fill', 'unlink'],
  messages: { empty: 'A link to {href} has no text', image: 'A link to {href} holds only an image with no alternative text' },
  tags: ['a', '[role=link]'],
  visit(page, element, tell) {
    if (!isLink(element) || nameOf(page, element).name) return;
    // An image with no alternative that is all a link holds is told once, at the image.
    if (imagesIn(element).some((image) => !hasAlternative(page, image))) return;
    const href = valueOf(element, 'href') ?? valueOf(element, 'xlink:href') ?? '';
    tell({ at: element, message: imagesIn(element).length > 0 ? 'image' : 'empty', values: { href: href || 'nowhere' }, subject: href });
  },
});
