import { elementParent, has, valueOf, type ElementNode } from '../../../document/tree.ts';
import { isFocusable, isShutOff } from '../../../semantics/roles.ts';
import { isSeen } from '../../../semantics/visibility.ts';
import { shownText } from '../../../semantics/names.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'structure/hidden-but-focusable',
  title: 'Control that is hidden from listeners and still takes focus',
  why: 'Someone who listens lands on it and hears nothing at all.',
  fix: 'Show it to everyone, or take it out of the tab order too.',
  criteria: ['4.1.2'],
  techniques: ['F92'],
  weight: 'must',
  scope: 'any',
  remedies: [],
  messages: {
    hidden: '“{text}” is hidden from listeners by aria-hidden and takes the keyboard’s focus',
    presentation: '“{text}” is marked as presentation and takes the keyboard’s focus',
  },
  end(page, tell) {
    const hidden: boolean[] = [];
    for (const element of page.elements) {
      const parent = elementParent(element);
      const above = parent ? hidden[parent.order]! : false;
      const here = above || (element.attributes.length > 0 && valueOf(element, 'aria-hidden')?.trim().toLowerCase() === 'true');
      hidden[element.order] = here;
      if (!isReachable(element) || !isSeen(page, element)) continue;
      const text = shownText(page, element, 90) || element.tag;
      if (here) tell({ at: element, message: 'hidden', values: { text }, subject: text });
      else if (has(element, 'role') && /^\s*(?:none|presentation)\s*$/i.test(valueOf(element, 'role')!) && element.tag !== 'img')
        tell({ at: element, message: 'presentation', values: { text }, subject: text });
    }
  },
});

/** Reached by the Tab key. */
function isReachable(element: ElementNode): boolean {
  return (
    (element.attributes.length > 0 || element.tag === 'button' || element.tag === 'summary') &&
    isFocusable(element) &&
    !(Number(valueOf(element, 'tabindex') ?? 0) < 0) &&
    !isShutOff(element)
  );
}
