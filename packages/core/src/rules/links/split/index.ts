import { tidy, valueOf } from '../../../document/tree.ts';
import { linkAfter, links, showsOf } from '../../../semantics/links.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'links/split',
  title: 'One phrase cut into several links',
  why: 'Each piece is announced as a link of its own and makes no sense by itself.',
  fix: 'Make one link of the pieces.',
  criteria: ['2.4.4'],
  techniques: [],
  practice: true,
  weight: 'consider',
  scope: 'any',
  remedies: ['join'],
  messages: { cut: '“{first}” and “{second}” are two links to one place, one right after the other' },
  end(page, tell) {
    const names = new Map(links(page).map((link) => [link.element, link.name]));
    for (const { element, name, href } of links(page)) {
      const after = href && name ? linkAfter(element) : null;
      if (!after || tidy(valueOf(after.next, 'href') ?? '') !== href || after.between.some((node) => node.kind === 'element')) continue;
      if (showsOf(element) !== 'words' || showsOf(after.next) !== 'words') continue;
      tell({
        at: element,
        through: after.next,
        message: 'cut',
        values: { first: name, second: names.get(after.next) ?? '' },
        subject: `${href} ${name}`,
      });
    }
  },
});
