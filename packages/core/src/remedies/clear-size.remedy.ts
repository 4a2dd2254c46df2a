import { valueOf, type ElementNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import type { Edit } from '../source/edits.ts';
import { forcedSizes } from '../semantics/dressing.ts';
import { dropAttribute, unwrap } from './markup.ts';
import { dropDeclarations } from './styling.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Leaves the size of text to the page: takes this forced size away wherever it stands. */
export const remedy: Remedy = {
  name: 'clear-size',
  label: 'Take this size away everywhere',
  certain: true,
  fields: [],
  plan({ page, finding }) {
    const edits = (forcedSizes(page).get(String(finding.values.size)) ?? []).flatMap((element) => withoutSize(page, element));
    return edits.length > 0 ? planned(...edits) : decline('This size is set in a way that cannot be taken away here; mend it in Source.');
  },
};

function withoutSize(page: Page, element: ElementNode): Edit[] {
  if (element.tag === 'font') {
    if (element.attributes.length === 1) return unwrap(element);
    const edit = valueOf(element, 'size') === null ? null : dropAttribute(page, element, 'size');
    return edit ? [edit] : [];
  }
  const edit = dropDeclarations(page, element, (property) => property === 'font-size' || property === 'font');
  return edit ? [edit] : [];
}
