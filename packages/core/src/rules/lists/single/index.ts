import { FURNITURE, isInside, IN } from '../../../semantics/inside.ts';
import { realLists, showsNothing, isPartOfRun, type RealList } from '../../../semantics/lists.ts';
import { shownText } from '../../../semantics/names.ts';
import { defineRule } from '../../types.ts';
import type { Page } from '../../../document/page.ts';
import { elementsIn, has } from '../../../document/tree.ts';

export const rule = defineRule({
  id: 'lists/single',
  title: 'List of one item',
  why: 'A list is announced, and then there is only one thing in it.',
  fix: 'Let a lone item be a paragraph.',
  question: {
    ask: 'Is this a single thing rather than a list?',
    yes: 'Yes, it is a single thing',
    no: 'No, it is a list that happens to hold one',
    same: ['piece'],
  },
  criteria: ['1.3.1'],
  techniques: [],
  practice: true,
  weight: 'consider',
  scope: 'any',
  remedies: ['make-paragraph'],
  messages: {
    one: 'This list holds one item: “{text}”',
    several: '{many} lists here hold one item each, the first “{text}”',
  },
  end(page, tell) {
    const lone = realLists(page).filter((list) => isLone(page, list));
    const [first] = lone;
    if (!first) return;
    const text = shownText(page, first.items[0]!, 90);
    tell({
      at: first.element,
      places: lone.map((list) => list.element),
      message: lone.length > 1 ? 'several' : 'one',
      values: { text, many: lone.length },
      subject: text,
      outcome: 'cantTell',
    });
  },
});

/** A lone item; one that only leads somewhere, or lies in a list itself, is part of an outline that may well have single branches. */
function isLone(page: Page, { element, kind, items }: RealList): boolean {
  const [item] = items;
  if (kind === 'description' || items.length !== 1 || showsNothing(page, item!) || isInside(page, element, FURNITURE | IN.item | IN.table))
    return false;
  const linked = [...elementsIn(item!)]
    .filter((inner) => inner.tag === 'a' && has(inner, 'href'))
    .reduce((sum, link) => sum + shownText(page, link).length, 0);
  return linked < 0.8 * shownText(page, item!).length && !isPartOfRun(page, element);
}
