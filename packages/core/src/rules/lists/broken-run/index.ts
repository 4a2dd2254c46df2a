import { tidy, valueOf, childElements, has, type ElementNode } from '../../../document/tree.ts';
import { realLists, bulletRuns, type RealList } from '../../../semantics/lists.ts';
import { shownText } from '../../../semantics/names.ts';
import type { Page } from '../../../document/page.ts';
import { defineRule } from '../../types.ts';

/** More blocks between two lists than this, and they are two. Common practice. */
const FEW_BETWEEN = 3;

export const rule = defineRule({
  id: 'lists/broken-run',
  title: 'One numbered list cut in several',
  why: 'A listener hears several short lists, each beginning again, and loses count of the steps.',
  fix: 'Make one list of the parts; what stands between them belongs into the item before.',
  question: { ask: 'Does this list go on from the one before it?', yes: 'Yes, they are one list', no: 'No, they are two', same: ['piece'] },
  criteria: ['1.3.1'],
  techniques: ['H48'],
  weight: 'should',
  scope: 'any',
  remedies: ['join'],
  messages: {
    continued: 'This list begins at {start}, where the one before it ends',
    single: 'Lists of one item each follow one another here',
    bullets: '{many} bullet lists of one item each follow one another here',
  },
  end(page, tell) {
    for (const run of bulletRuns(page))
      tell({
        at: run[0]!.element,
        places: run.map((list) => list.element),
        message: 'bullets',
        values: { many: run.length },
        subject: shownText(page, run[0]!.element, 80),
        outcome: 'cantTell',
      });
    let before: RealList | null = null;
    for (const list of realLists(page)) {
      if (list.kind !== 'ordered') continue;
      const message = before && follows(page, before, list);
      if (message)
        tell({
          at: list.element,
          message,
          values: { start: startOf(list.element) },
          subject: shownText(page, list.element, 80),
          outcome: 'cantTell',
        });
      before = list;
    }
  },
});

function startOf(list: ElementNode): number {
  const first = childElements(list).find((child) => child.tag === 'li');
  const value = first ? /^\s*(-?\d+)/.exec(valueOf(first, 'value') ?? '')?.[1] : undefined;
  if (value !== undefined) return Number(value);
  return Number(/^\s*(-?\d+)/.exec(valueOf(list, 'start') ?? '')?.[1] ?? 1);
}

function follows(page: Page, before: RealList, list: RealList): 'continued' | 'single' | null {
  if (
    before.element.parent !== list.element.parent ||
    before.items.length === 0 ||
    has(list.element, 'reversed') ||
    has(before.element, 'reversed')
  )
    return null;
  if ((valueOf(before.element, 'type') ?? '') !== (valueOf(list.element, 'type') ?? '')) return null;
  const between = list.element.parent!.children.slice(before.element.index + 1, list.element.index);
  if (
    between.some(
      (node) =>
        (node.kind === 'element' && /^(?:h[1-6]|hr|ul|ol|table|section)$/.test(node.tag)) ||
        (node.kind === 'text' && tidy(node.text) !== ''),
    ) ||
    between.filter((node) => node.kind === 'element').length > FEW_BETWEEN
  )
    return null;
  if (startOf(list.element) > 1) return startOf(list.element) === startOf(before.element) + before.items.length ? 'continued' : null;
  return before.items.length === 1 &&
    list.items.length === 1 &&
    between.some((node) => node.kind === 'element' && shownText(page, node, 1) !== '')
    ? 'single'
    : null;
}
