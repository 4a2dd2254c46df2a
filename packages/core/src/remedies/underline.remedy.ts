import type { Page } from '../document/page.ts';
import type { Edit } from '../source/edits.ts';
import type { ElementNode } from '../document/tree.ts';
import { FURNITURE, isInside } from '../semantics/inside.ts';
import { originOf, reachedBy, type Origin } from '../style/origin.ts';
import { placesOf } from './lastingColour.ts';
import { NO_SOURCE } from './markup.ts';
import { setDeclaration } from './styling.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Gives links in running text the line that shows them, where it was taken from them. */
export const remedy: Remedy = {
  name: 'underline',
  label: 'Underline it',
  certain: true,
  fields: [],
  plan(target) {
    const { page } = target;
    const places = placesOf(target);
    const edits = new Map<number, Edit>();
    for (const place of places) {
      const origin = originOf(page, place, 'text-decoration-line', false);
      if (origin.kind === 'linked') return decline(`The line is taken away by ${origin.address}, which other pages share; fix it there.`);
      const edit = editAt(page, origin, place);
      if (!edit) return decline(NO_SOURCE);
      edits.set(edit.start, edit);
    }
    return planned([...edits.values()]);
  },
};

/** In the rule of the page's own sheet, unless menus are dressed by it too; else on the link. */
function editAt(page: Page, origin: Origin, place: ElementNode): Edit | null {
  if (origin.kind === 'page' && !reachedBy(page, origin.rule).some((element) => isInside(page, element, FURNITURE)))
    return { ...origin.range, text: 'underline' };
  return setDeclaration(place, 'text-decoration', 'underline');
}
