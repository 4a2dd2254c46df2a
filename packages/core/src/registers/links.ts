import { valueOf } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { destinationOf } from '../inspect/uses.ts';
import { languageAt } from '../semantics/languages.ts';
import { isNavigation, links, opensWindow } from '../semantics/links.ts';
import { isAddress } from '../semantics/wording.ts';
import { languageFact } from './images.ts';
import { cut, traitsOf, type Use } from './types.ts';

/** Links by their text and where they lead. */
export function linkUses(page: Page, address: string): Use[] {
  return links(page).map(({ element, name, href }) => {
    const { to, state } = destinationOf(page, href, address);
    const opens = opensWindow(element);
    return {
      name: cut(name),
      place: cut(to),
      says: valueOf(element, 'title'),
      traits: traitsOf('links', [
        state === 'outside' && !MAIL.test(to) && 'outside',
        opens && 'new window',
        state === 'missing-page' && 'missing page',
        state === 'missing-anchor' && 'missing anchor',
        isAddress(name) && 'raw address',
        state === 'no-destination' && 'no destination',
        MAIL.test(to) && 'mail',
        isNavigation(page, element) && 'navigation',
      ]),
      facts: { state, ...(opens ? { opens } : {}), ...languageFact(languageAt(page, element)) },
      elements: [element],
    };
  });
}

const MAIL = /^(?:mailto|tel):/i;
