import { linkAfter, links, showsOf } from '../../../semantics/links.ts';
import { tidy, valueOf } from '../../../document/tree.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'links/doubled',
  title: 'Image and words linked apart to one place',
  why: 'Keyboard users stop twice and listeners hear the same destination twice.',
  fix: 'Put the image and the words into one link.',
  criteria: ['1.1.1', '2.4.4'],
  techniques: ['H2'],
  weight: 'should',
  scope: 'any',
  remedies: ['join'],
  messages: { twice: 'The image and “{text}” beside it lead to the same place by two links' },
  end(page, tell) {
    const names = new Map(links(page).map((link) => [link.element, link.name]));
    for (const { element, href } of links(page)) {
      const after = href ? linkAfter(element) : null;
      if (!after || tidy(valueOf(after.next, 'href') ?? '') !== href) continue;
      const kinds = `${showsOf(element)} ${showsOf(after.next)}`;
      if (kinds !== 'image words' && kinds !== 'words image') continue;
      const text = names.get(kinds === 'image words' ? after.next : element) ?? '';
      tell({ at: element, through: after.next, message: 'twice', values: { text }, subject: `${href} ${text}` });
    }
  },
});
