import type { Page } from '../document/page.ts';
import { pathOf } from '../document/paths.ts';
import { exposedRole } from '../semantics/exposedRoles.ts';
import { descriptionOf, nameOf, type NameSource } from '../semantics/names.ts';
import { headingLevel } from '../semantics/outline.ts';

export interface NameRow {
  path: string;
  role: string;
  name: string;
  description: string;
  /** Of headings. */
  level?: number;
  nameFrom: NameSource;
}

/** Every element that assistive technology is told of with a role of its own, in document order. */
export function inspectNames(page: Page): NameRow[] {
  return page.elements.flatMap((element) => {
    const role = exposedRole(page, element);
    if (role === null) return [];
    const { name, from } = nameOf(page, element);
    const level = role === 'heading' ? headingLevel(element) : null;
    return [
      {
        path: pathOf(page, element),
        role,
        name,
        description: descriptionOf(page, element),
        ...(level === null ? {} : { level }),
        nameFrom: from,
      },
    ];
  });
}
