import { has, tidy, valueOf, type ElementNode } from '../document/tree.ts';
import type { Edit } from '../source/edits.ts';
import { nameOf } from '../semantics/names.ts';
import { controlAround } from '../semantics/roles.ts';
import type { Page } from '../document/page.ts';
import { dropAttribute, NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Plan, type Remedy } from './types.ts';

/** Marks an image as one that adds nothing, so that it is passed over. */
export const remedy: Remedy = {
  name: 'decorative',
  label: 'It only decorates',
  certain: ['images/decorative-mixed'],
  fields: [],
  plan({ page, element, finding }) {
    if (finding.rule === 'images/decorative-mixed') return onlyDecorative(page, element);
    if (isOnlyName(page, element))
      return decline('This image is all that its link or button holds; without words it would have no name. Describe where it leads.');
    if (element.tag === 'img') return onlyDecorative(page, element);
    const edit = setAttribute(element, 'aria-hidden', 'true');
    return edit ? planned(edit) : decline(NO_SOURCE);
  },
};

/** Empties the alternative and takes away what else names the image; a role that says so is said by the empty alternative. */
function onlyDecorative(page: Page, element: ElementNode): Plan {
  const dropped = ['title', 'aria-label', 'tabindex'].map((name) => dropAttribute(page, element, name)).filter((edit) => edit !== null);
  const emptied = tidy(valueOf(element, 'alt') ?? '') === '' && has(element, 'alt') ? [] : [setAttribute(element, 'alt', '')];
  const edits = [...dropped, ...emptied];
  return edits.length > 0 && edits.every((edit) => edit !== null) ? planned(...(edits as Edit[])) : decline(NO_SOURCE);
}

function isOnlyName(page: Page, element: ElementNode): boolean {
  const control = controlAround(page, element);
  if (!control) return element.tag === 'input' || element.tag === 'area';
  const own = nameOf(page, element).name;
  const whole = nameOf(page, control).name;
  return whole === '' || whole === own;
}
