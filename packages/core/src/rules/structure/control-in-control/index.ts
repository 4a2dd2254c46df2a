import { defineRule } from '../../types.ts';
import { elementParent, has, valueOf, type ElementNode } from '../../../document/tree.ts';
import { isExposed } from '../../../semantics/visibility.ts';
import { nameOf } from '../../../semantics/names.ts';
import { WHOLE_ROLES } from '../../../standards/aria.ts';
import { roleOf, isShutOff, isFocusable } from '../../../semantics/roles.ts';
export const rule = defineRule({
  id: 'structure/control-in-control',
  title: 'Control inside a control',
  why: 'Programs tell only of the outer one, so the inner one takes focus and says nothing.',
  fix: 'Let the two stand side by side.',
  criteria: ['4.1.2'],
  techniques: ['F92'],
  weight: 'must',
  scope: 'any',
  remedies: [],
  messages: {
    inside: '“{text}” takes focus and lies in {outer}, whose parts are told as one',
  },
  end(page, tell) {
    const around: (ElementNode | undefined)[] = [];
    for (const element of page.elements) {
      const parent = elementParent(element);
      if (!parent) continue;
      around[element.order] = isWhole(parent) ? parent : around[parent.order];
      const outer = around[element.order];
      if (!outer || !isExposed(page, element) || !isReached(element)) continue;
      const text = nameOf(page, element).name || element.tag;
      tell({ at: element, message: 'inside', values: { text, outer: outerName(outer) }, subject: text });
    }
  },
});

/** Buttons, links, options: nothing inside has a role of its own (WAI-ARIA 1.2, "Children Presentational"; HTML, "interactive content"). */
function isWhole(element: ElementNode): boolean {
  if (element.tag === 'button' || (element.tag === 'a' && has(element, 'href'))) return true;
  return has(element, 'role') && WHOLE_ROLES.has(roleOf(element) ?? '');
}

function outerName(element: ElementNode): string {
  return element.tag === 'a' ? 'a link' : element.tag === 'button' ? 'a button' : `what has the role “${roleOf(element) ?? ''}”`;
}

/** Takes focus by the Tab key; hidden fields and images of a link do not. */
function isReached(element: ElementNode): boolean {
  if (Number(valueOf(element, 'tabindex') ?? 0) < 0 || isShutOff(element)) return false;
  if (element.tag === 'a') return has(element, 'href');
  return isFocusable(element) || (['audio', 'video'].includes(element.tag) && has(element, 'controls'));
}
