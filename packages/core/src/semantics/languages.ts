import { elementParent, valueOf, type ElementNode } from '../document/tree.ts';

/** The language tag in force at an element: the nearest `lang`, or '' when none is said. */
export function languageAt(element: ElementNode): string {
  for (let up: ElementNode | null = element; up; up = elementParent(up)) {
    const written = valueOf(up, 'lang') ?? valueOf(up, 'xml:lang');
    if (written !== null) return written.trim();
  }
  return '';
}
