import type { Page } from '../document/page.ts';
import { languageAt } from '../semantics/languages.ts';
import { outline } from '../semantics/outline.ts';
import { languageFact } from './images.ts';
import { cut, traitsOf, type Use } from './types.ts';

/** Headings by their text, each with its level and its place in the page's outline. */
export function headingUses(page: Page): Use[] {
  return outline(page).map(({ element, level, name }, nth) => ({
    name: cut(name),
    place: '',
    says: String(level),
    traits: traitsOf('headings', [`level ${Math.min(6, Math.max(1, level)) as 1 | 2 | 3 | 4 | 5 | 6}`]),
    facts: { nth, ...languageFact(languageAt(page, element)) },
    elements: [element],
  }));
}
