import { has, valueOf, type ElementNode } from '../document/tree.ts';

type Test = (element: ElementNode) => boolean;

const never: Test = () => false;
const FIELDS = new Set(['input', 'select', 'textarea', 'button', 'optgroup', 'option', 'fieldset']);
const TYPED_IN = new Set(['input', 'textarea']);

function isAnyLink(element: ElementNode): boolean {
  return (element.tag === 'a' || element.tag === 'area') && (has(element, 'href') || has(element, 'xlink:href'));
}

/** Nothing typed in, pressed, hovered or focused: the page as it first stands. */
const AT_REST = (
  'hover active focus focus-visible focus-within visited target target-within current past future playing user-invalid user-valid fullscreen image-in-image modal popover-open ' +
  'autofill -webkit-autofill indeterminate default valid invalid in-range out-of-range host -webkit-full-screen state'
).split(' ');

/** Pseudo-classes that look at the element alone (Selectors 4; HTML Living Standard, 4.16), on a page nobody has touched. */
export const PSEUDO_TESTS: Readonly<Record<string, Test>> = {
  ...Object.fromEntries(AT_REST.map((name) => [name, never])),
  'any-link': isAnyLink,
  '-webkit-any-link': isAnyLink,
  link: isAnyLink,
  root: (element) => element.parent?.kind === 'root',
  scope: (element) => element.parent?.kind === 'root',
  empty: (element) => element.children.every((child) => child.kind === 'comment' || (child.kind === 'text' && child.text === '')),
  checked: (element) => (element.tag === 'input' && has(element, 'checked')) || (element.tag === 'option' && has(element, 'selected')),
  disabled: (element) => FIELDS.has(element.tag) && has(element, 'disabled'),
  enabled: (element) => FIELDS.has(element.tag) && !has(element, 'disabled'),
  required: (element) => has(element, 'required') && ['input', 'select', 'textarea'].includes(element.tag),
  optional: (element) => !has(element, 'required') && ['input', 'select', 'textarea'].includes(element.tag),
  'read-write': (element) => TYPED_IN.has(element.tag) && !has(element, 'readonly') && !has(element, 'disabled'),
  'read-only': (element) => !(TYPED_IN.has(element.tag) && !has(element, 'readonly') && !has(element, 'disabled')),
  'placeholder-shown': (element) => TYPED_IN.has(element.tag) && has(element, 'placeholder') && !valueOf(element, 'value'),
  defined: () => true,
  open: (element) => (element.tag === 'details' || element.tag === 'dialog') && has(element, 'open'),
};
