import { anchorOf, anchors, links } from '../../../semantics/links.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'links/anchor-name',
  title: 'Anchor whose name does not work everywhere',
  why: 'Links to it may lead to the wrong place, or to none.',
  fix: 'Give the anchor one name of letters, digits and dashes that stands once on the page.',
  criteria: ['4.1.1'],
  techniques: ['H93'],
  practice: true,
  weight: 'should',
  scope: 'any',
  remedies: ['rename-anchor'],
  messages: {
    spaces: 'The anchor “{name}” has a space in its name',
    digit: 'The anchor “{name}” begins with a digit',
    twice: 'The anchor “{name}” stands {many} times on the page, and only the first can be reached',
  },
  end(page, tell) {
    const linked = new Set(
      links(page)
        .filter((link) => link.href.startsWith('#'))
        .map((link) => anchorOf(link.href)),
    );
    for (const [name, elements] of anchors(page)) {
      const element = elements[0]!;
      const isAnchor = element.tag === 'a' || linked.has(name);
      if (!isAnchor) continue;
      if (elements.length > 1)
        tell({ at: elements[1]!, message: 'twice', values: { name, many: elements.length }, subject: name, remedies: ['rename-anchor'] });
      else if (/\s/.test(name)) tell({ at: element, message: 'spaces', values: { name }, subject: name });
      // HTML allows it since 2014; older style sheets and scripts stumble over it.
      else if (/^\d/.test(name)) tell({ at: element, message: 'digit', values: { name }, subject: name, weight: 'consider' });
    }
  },
});
