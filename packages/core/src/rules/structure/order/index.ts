import { childElements, type ElementNode } from '../../../document/tree.ts';
import { FURNITURE, isInside } from '../../../semantics/inside.ts';
import { shownText } from '../../../semantics/names.ts';
import { isSeen } from '../../../semantics/visibility.ts';
import type { Page } from '../../../document/page.ts';
import { declaring, styleOf } from '../../../style/cascade.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'structure/order',
  title: 'Content placed out of its order',
  why: 'What is heard and tabbed through comes in another order than what is seen.',
  fix: 'Write the content in the order in which it is to be read.',
  question: {
    ask: 'Does the page lose its sense in the order of its source?',
    yes: 'Yes, the order matters',
    no: 'No, either order does',
    same: ['piece'],
  },
  criteria: ['1.3.2'],
  techniques: ['C27', 'F1'],
  weight: 'should',
  scope: 'any',
  remedies: [],
  messages: {
    reversed: 'The parts of this box are shown in reverse',
    ordered: 'Style gives the parts of this box another order',
    placed: '“{text}” is lifted out of its place and put elsewhere',
  },
  end(page, tell) {
    for (const element of declaring(page)) {
      if (!isSeen(page, element) || isInside(page, element, FURNITURE)) continue;
      const message = boxOrder(page, element) ?? (isLifted(page, element) ? 'placed' : null);
      if (message)
        tell({
          at: element,
          message,
          values: { text: shownText(page, element, 90) },
          subject: `${message} ${shownText(page, element, 80)}`,
          outcome: 'cantTell',
        });
    }
  },
});

/** A flexible box whose parts with text are shown in another order than they are written. */
function boxOrder(page: Page, element: ElementNode): 'reversed' | 'ordered' | null {
  const { display, declared } = styleOf(page, element);
  if (!/flex|grid/.test(display)) return null;
  const parts = childElements(element).filter((child) => isSeen(page, child) && shownText(page, child, 1) !== '');
  if (parts.length < 2) return null;
  if (display.includes('flex') && (declared.get('flex-direction') ?? '').endsWith('reverse')) return 'reversed';
  const orders = parts.map((part) => Number(styleOf(page, part).declared.get('order') ?? 0) || 0);
  return orders.some((order, i) => i > 0 && order < orders[i - 1]!) ? 'ordered' : null;
}

/** Text of some length, placed by coordinates over or before what it follows. */
function isLifted(page: Page, element: ElementNode): boolean {
  const { position, declared } = styleOf(page, element);
  if (position !== 'absolute' || element.parent?.kind !== 'element' || styleOf(page, element.parent).position === 'absolute') return false;
  const placed = ['top', 'left', 'right'].some((side) => /^\d/.test(declared.get(side) ?? ''));
  const clipped =
    declared.has('clip') || declared.has('clip-path') || /^-\d{3,}/.test(declared.get('left') ?? '') || declared.get('width') === '1px';
  return (
    placed &&
    !clipped &&
    shownText(page, element, 120).length >= 60 &&
    element.parent.children.slice(0, element.index).some((node) => node.kind === 'element' && shownText(page, node, 1) !== '')
  );
}
