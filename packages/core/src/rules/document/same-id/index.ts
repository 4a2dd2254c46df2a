import { valueOf } from '../../../document/tree.ts';
import { carried, fact, type Page } from '../../../document/page.ts';
import { attributed } from '../../../document/tagged.ts';
import { anchorOf, anchors, links } from '../../../semantics/links.ts';
import { defineRule } from '../../types.ts';

const REFERENCES = [
  'for',
  'headers',
  'aria-labelledby',
  'aria-describedby',
  'aria-controls',
  'aria-owns',
  'aria-details',
  'aria-activedescendant',
  'aria-flowto',
  'aria-errormessage',
  'list',
  'form',
];

export const rule = defineRule({
  id: 'document/same-id',
  title: 'One id on several elements',
  why: 'What refers to it reaches only the first, so labels, headers and names go to the wrong place.',
  fix: 'Give each element an id of its own.',
  criteria: ['4.1.1'],
  techniques: ['F77'],
  weight: 'consider',
  scope: 'any',
  remedies: ['rename-id'],
  messages: { referred: 'The id “{id}” stands {many} times, and something refers to it', idle: 'The id “{id}” stands {many} times' },
  end(page, tell) {
    const linked = new Set(
      links(page)
        .filter((link) => link.href.startsWith('#'))
        .map((link) => anchorOf(link.href)),
    );
    for (const [id, all] of anchors(page)) {
      const elements = all.filter((element) => valueOf(element, 'id') === id);
      // Anchors of links have a note of their own.
      if (elements.length < 2 || linked.has(id) || elements[0]!.tag === 'a') continue;
      const referred = referredIds(page).has(id);
      tell({
        at: elements[1]!,
        message: referred ? 'referred' : 'idle',
        values: { id, many: elements.length },
        subject: id,
        ...(referred ? { weight: 'must' as const, alsoCriteria: ['1.3.1', '4.1.2'] } : {}),
      });
    }
  },
});

const referredIds = fact((page: Page) => {
  const found = new Set<string>();
  for (const { attributes } of attributed(page))
    for (const { name, value } of attributes) if (REFERENCES.includes(name)) for (const id of value.split(/\s+/)) found.add(id);
  return found;
}, carried);
