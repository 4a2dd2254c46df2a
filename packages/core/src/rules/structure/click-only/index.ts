import { elementsIn, has, valueOf, type ElementNode } from '../../../document/tree.ts';
import { shownText } from '../../../semantics/names.ts';
import { isFocusable, roleOf } from '../../../semantics/roles.ts';
import { defineRule } from '../../types.ts';

const HANDLERS = ['onclick', 'onmousedown', 'onmouseup', 'ondblclick', 'onpointerdown'];
const WIDGETS = new Set([
  'button',
  'link',
  'checkbox',
  'radio',
  'tab',
  'menuitem',
  'menuitemcheckbox',
  'menuitemradio',
  'option',
  'switch',
  'slider',
  'textbox',
  'searchbox',
  'combobox',
  'treeitem',
  'gridcell',
  'spinbutton',
]);

export const rule = defineRule({
  id: 'structure/click-only',
  title: 'Something that works only under a mouse',
  why: 'Keyboard and voice users cannot reach it, and listeners are not told that it does anything.',
  fix: 'Make it a button or a link.',
  question: {
    ask: 'Is something here out of reach of the keyboard?',
    yes: 'Yes, it has to be a button or link',
    no: 'No, another control does it',
    same: ['piece'],
  },
  criteria: ['2.1.1', '4.1.2'],
  techniques: ['F59', 'F54'],
  weight: 'must',
  scope: 'any',
  remedies: [],
  messages: {
    noRole: '“{text}” acts on a click and is no control',
    noKeys: '“{text}” has the role of a control and cannot be reached from the keyboard',
  },
  tags: ['*'],
  visit(page, element, tell) {
    if (!HANDLERS.some((handler) => has(element, handler))) return;
    const role = roleOf(element) ?? '';
    const reached = isFocusable(element);
    const native =
      ['a', 'button', 'input', 'select', 'textarea', 'summary', 'label', 'option', 'area', 'body'].includes(element.tag) &&
      (reached || element.tag === 'label' || element.tag === 'summary' || element.tag === 'body');
    if (native || (WIDGETS.has(role) && reached)) return;
    // A frame around real controls listens for their clicks.
    if (!WIDGETS.has(role) && [...elementsIn(element)].some(isControl)) return;
    const text = shownText(page, element, 90) || valueOf(element, 'id') || element.tag;
    tell({ at: element, message: WIDGETS.has(role) ? 'noKeys' : 'noRole', values: { text }, subject: text, outcome: 'cantTell' });
  },
});

function isControl(element: ElementNode): boolean {
  return ['a', 'button', 'input', 'select', 'textarea'].includes(element.tag) && isFocusable(element);
}
