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
  if (role === null || !ROLES.has(role) || !has(element, 'role')) return impliedLandmark(page, element, role);
  return role === 'form' || role === 'region' ? ifNamed(page, element, role) : role;
}

/** The landmark an element is by its tag, where no role attribute says so (HTML-AAM). */
function impliedLandmark(page: Page, element: ElementNode, role: string | null): string | null {
  switch (element.tag) {
    case 'header':
      return role === null && !isSectioned(page, element) ? 'banner' : null;
    case 'footer':
      return role === null && !isSectioned(page, element) ? 'contentinfo' : null;
    case 'section':
      return role === null ? ifNamed(page, element, 'region') : null;
    case 'form':
      return role === 'form' ? ifNamed(page, element, role) : null;
    case 'aside':
      if (role !== 'complementary') return null;
      return isSectioned(page, element) ? ifNamed(page, element, role) : role;
    default:
      return role !== null && ROLES.has(role) ? role : null;
  }
}

const ifNamed = (page: Page, element: ElementNode, role: string) => (nameOf(page, element).name ? role : null);

function isSectioned(page: Page, element: ElementNode): boolean {
  const parent = elementParent(element);
  return parent !== null && isInside(page, parent, SECTIONING);
}
