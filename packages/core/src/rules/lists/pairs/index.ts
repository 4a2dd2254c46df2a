import { childElements, type ElementNode } from '../../../document/tree.ts';
import { realLists } from '../../../semantics/lists.ts';
import { shownText } from '../../../semantics/names.ts';
import { defineRule } from '../../types.ts';

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
      // A list of descriptions only is used to indent: another note's matter.
      if (kind !== 'description' || !items.some((item) => item.tag === 'dt')) continue;
      for (const group of groupsOf(element)) {
        const lone = loneIn(group);
        if (lone) tell({ at: lone, message: lone.tag === 'dt' ? 'term' : 'description', values: { text: shownText(page, lone, 90) } });
      }
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

function loneIn(group: readonly ElementNode[]): ElementNode | null {
  if (group[0]!.tag === 'dd') return group[0]!;
  return group.at(-1)!.tag === 'dt' ? group.at(-1)! : null;
}
