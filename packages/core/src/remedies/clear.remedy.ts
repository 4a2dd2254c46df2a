import type { ElementNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import type { Edit } from '../source/edits.ts';
import { forcedFaces, halfSetColours, inlineColours } from '../semantics/dressing.ts';
import { dropAttribute, unwrap } from './markup.ts';
import { dropDeclarations } from './styling.ts';
import { decline, planned, type Remedy, type Target } from './types.ts';

/** Takes a look away that is set on single pieces of the page, wherever it is set so. */
export const remedy: Remedy = {
  name: 'clear',
  label: 'Take this look away',
  certain: ['text/forced-face'],
  fields: [],
  plan(target) {
    const edits = editsFor(target);
    return edits.length > 0 ? planned(...edits) : decline('This look comes from a style sheet; mend it there.');
  },
};

function editsFor({ page, element, finding }: Target): Edit[] {
  switch (finding.rule) {
    case 'text/forced-face':
      return (forcedFaces(page).get(String(finding.values.face)) ?? []).flatMap((one) => without(page, one, ['font-family'], 'face'));
    case 'text/too-many-colours':
      return [...inlineColours(page).values()].flat().flatMap((one) => without(page, one, ['color'], 'color'));
    case 'colour/half-set':
      return (halfSetColours(page).get(`${finding.message} ${String(finding.values.value)}`) ?? []).flatMap((one) => without(page, one, finding.message === 'text' ? ['color'] : ['background', 'background-color'], 'color'));
    default:
      return element.tag === 'u' ? unwrap(element) : without(page, element, ['text-decoration', 'text-decoration-line'], '');
  }
}

/** Without some properties; a font tag loses its attribute, and goes when it has no other. */
function without(page: Page, element: ElementNode, properties: readonly string[], attribute: string): Edit[] {
  if (element.tag === 'font' && attribute) {
    if (element.attributes.length === 1) return unwrap(element);
    const edit = dropAttribute(page, element, attribute);
    return edit ? [edit] : [];
  }
  const edit = dropDeclarations(page, element, (property) => properties.includes(property));
  return edit ? [edit] : [];
}

