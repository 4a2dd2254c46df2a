import { elementParent, has, type ElementNode } from '../document/tree.ts';
import { fact, type Page } from '../document/page.ts';
import { IN, isInside } from './inside.ts';
import { nameOf } from './names.ts';
import { roleOf } from './roles.ts';
import { isExposed } from './visibility.ts';

export interface Landmark {
  element: ElementNode;
  role: string;
  name: string;
}

/** WAI-ARIA 1.2, landmark roles. */
const ROLES = new Set(['banner', 'complementary', 'contentinfo', 'form', 'main', 'navigation', 'region', 'search']);

const TAGS = new Set(['main', 'nav', 'aside', 'header', 'footer', 'section', 'form', 'search']);
/** Inside these a header, footer or aside belongs to them and not to the page (HTML-AAM). */
const SECTIONING = IN.article | IN.aside | IN.main | IN.nav;

/** The page's landmarks in document order. A form or section is one only when it is named. */
export const landmarks = fact((page: Page): Landmark[] =>
  page.elements.flatMap((element) => {
    if (!TAGS.has(element.tag) && !(element.attributes.length > 0 && has(element, 'role'))) return [];
    const role = isExposed(page, element) ? landmarkRole(page, element) : null;
    return role === null ? [] : [{ element, role, name: nameOf(page, element).name }];
  }),
);

function landmarkRole(page: Page, element: ElementNode): string | null {
  const role = roleOf(element);
  const parent = elementParent(element);
  const sectioned = parent !== null && isInside(page, parent, SECTIONING);
  if (role !== null && ROLES.has(role) && has(element, 'role')) return (role === 'form' || role === 'region') && !nameOf(page, element).name ? null : role;
  switch (element.tag) {
    case 'header':
      return sectioned || role !== null ? null : 'banner';
    case 'footer':
      return sectioned || role !== null ? null : 'contentinfo';
    case 'section':
      return role === null && nameOf(page, element).name ? 'region' : null;
    case 'form':
      return role === 'form' && nameOf(page, element).name ? 'form' : null;
    case 'aside':
      return role !== 'complementary' || (sectioned && !nameOf(page, element).name) ? null : role;
    default:
      return role !== null && ROLES.has(role) ? role : null;
  }
}
