import { closest, has, tidy, valueOf } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { imagesShown, UNTOLD_KINDS } from '../inspect/uses.ts';
import { shownText } from '../semantics/names.ts';
import { oddNameOf } from '../semantics/fileNames.ts';
import { languageAt } from '../semantics/languages.ts';
import { cut, traitsOf, type Use } from './types.ts';

/** Images by their file; `data:` images, which are no files, are left out. */
export function imageUses(page: Page, address: string): Use[] {
  return imagesShown(page, address).map(({ file, borrowed, element, kind, alt, decorative, linked, caption }) => {
    const told = !UNTOLD_KINDS.has(kind);
    const link = linked ? closest(element, (up) => up.tag === 'a' && has(up, 'href')) : null;
    // A link that shows nothing else is named by its image (WCAG technique H30).
    const alone = link !== null && shownText(page, link, 1) === '';
    return {
      name: cut(file),
      place: '',
      says: told ? alt : null,
      traits: traitsOf('images', [
        told && alt === null && !decorative && 'untold',
        told && decorative && 'decorative',
        told && alt !== null && tidy(alt) !== '' && !decorative && 'described',
        linked && 'linked',
        kind === 'background' && 'background',
        kind === 'icon' && 'icon',
        kind === 'poster' && 'poster',
        borrowed && 'borrowed',
        caption !== null && 'captioned',
        kind === 'srcset' && 'source',
        kind !== 'icon' && !borrowed && oddNameOf(file) !== null && 'odd name',
      ]),
      facts: {
        kind,
        decorative,
        ...(alone ? { link: cut(tidy(valueOf(link, 'href') ?? '')) } : {}),
        ...(caption !== null ? { caption: cut(caption) } : {}),
        ...languageFact(languageAt(page, element)),
      },
      elements: [element],
    };
  });
}

/** The language in force where something stands, where one is said. */
export function languageFact(tag: string): { language?: string } {
  const language = tag.toLowerCase().split('-')[0]!;
  return language === '' ? {} : { language };
}
