import type { ElementNode } from '../document/tree.ts';
import { fact, type Page } from '../document/page.ts';
import { exposedRole } from './exposedRoles.ts';
import { nameOf } from './names.ts';

export interface Landmark {
  element: ElementNode;
  role: string;
  name: string;
}

/** WAI-ARIA 1.2, landmark roles. */
const ROLES = new Set(['banner', 'complementary', 'contentinfo', 'form', 'main', 'navigation', 'region', 'search']);

/** The page's landmarks in document order. A form is one only when it is named. */
export const landmarks = fact((page: Page): Landmark[] =>
  page.elements.flatMap((element) => {
    const role = exposedRole(page, element);
    if (role === null || !ROLES.has(role)) return [];
    const { name } = nameOf(page, element);
    return role === 'form' && !name ? [] : [{ element, role, name }];
  }),
);
