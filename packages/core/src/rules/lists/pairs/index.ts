import { childElements, elementsIn, type ElementNode } from '../../../document/tree.ts';
import { realLists } from '../../../semantics/lists.ts';
import { shownText } from '../../../semantics/names.ts';
import { defineRule } from '../../types.ts';
import type { Page } from '../../../document/page.ts';

export const rule = defineRule({
  id: 'lists/pairs',
  title: 'Term or description without its partner',
  why: 'A listener hears a term and waits for what it means, or a meaning of nothing.',
  fix: 'Give each term its description, or use another kind of list.',
  criteria: ['1.3.1'],
  techniques: ['H40'],
  weight: 'should',
  scope: 'any',
  remedies: [],
  messages: { term: 'The term “{text}” has no description', description: 'The description “{text}” has no term' },
  end(page, tell) {
    for (const { element, kind, items } of realLists(page)) {
      // A list of descriptions only is used to indent, one of terms only to set names in: other notes' matter.
      if (kind !== 'description' || !items.some((item) => item.tag === 'dt') || !items.some((item) => item.tag === 'dd')) continue;
      const lone = groupsOf(element).flatMap((group) => loneIn(page, group) ?? []);
      const [first] = lone;
      if (first)
        tell({
          at: first,
          places: lone,
          message: first.tag === 'dt' ? 'term' : 'description',
          values: { text: shownText(page, first, 90) },
        });
    }
  },
});

/** The list as one run, or each `div` in it as a run of its own. */
function groupsOf(list: ElementNode): ElementNode[][] {
  const children = childElements(list);
  const divs = children.filter((child) => child.tag === 'div').map((div) => childElements(div).filter(isPart));
  return [children.filter(isPart), ...divs].filter((group) => group.length > 0);
}

function isPart(element: ElementNode): boolean {
  return element.tag === 'dt' || element.tag === 'dd';
}

/** A description before any term; or a last term without one, where every other has its own and none is but a link. */
function loneIn(page: Page, group: readonly ElementNode[]): ElementNode | null {
  if (group[0]!.tag === 'dd') return group[0]!;
  const last = group.at(-1)!;
  if (last.tag !== 'dt' || group.length < 3) return null;
  const paired = group.every((item, i) => item.tag === 'dd' || i === group.length - 1 || group[i + 1]!.tag === 'dd');
  const linked = [...elementsIn(last)].some((inner) => inner.tag === 'a' && shownText(page, inner) === shownText(page, last));
  return paired && !linked && shownText(page, last, 1) !== '' ? last : null;
}
