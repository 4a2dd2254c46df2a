import type { ElementNode } from '../document/tree.ts';
import { nameOf } from '../semantics/names.ts';
import { controlAround } from '../semantics/roles.ts';
import type { Page } from '../document/page.ts';
import { NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Marks a picture as one that adds nothing, so that it is passed over. */
export const remedy: Remedy = {
  name: 'decorative',
  label: 'It only decorates',
  certain: false,
  fields: [],
  plan({ page, element }) {
    if (isOnlyName(page, element)) return decline('This picture is all that its link or button holds; without words it would have no name. Describe where it leads.');
    const edit = element.tag === 'img' ? setAttribute(element, 'alt', '') : setAttribute(element, 'aria-hidden', 'true');
    return edit ? planned(edit) : decline(NO_SOURCE);
  },
};

function isOnlyName(page: Page, element: ElementNode): boolean {
  const control = controlAround(page, element);
  if (!control) return element.tag === 'input' || element.tag === 'area';
  const own = nameOf(page, element).name;
  const whole = nameOf(page, control).name;
  return whole === '' || whole === own;
}
