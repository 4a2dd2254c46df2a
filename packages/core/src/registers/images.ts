import { closest, has, tidy, valueOf, type ElementNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { destinationOf, imagesShown, UNTOLD_KINDS, type ImageShown } from '../inspect/uses.ts';
import { shownText } from '../semantics/names.ts';
import { oddNameOf } from '../semantics/fileNames.ts';
import { languageAt } from '../semantics/languages.ts';
import { cut, traitsOf, type Use } from './types.ts';

/** Images by their file; `data:` images, which are no files, are left out. */
export function imageUses(page: Page, address: string): Use[] {
  return imagesShown(page, address).map((shown) => {
    const { file, element, kind, alt, decorative, linked, caption } = shown;
    const link = linked ? linkOf(page, address, element) : null;
    return {
      name: cut(file),
      place: '',
      says: UNTOLD_KINDS.has(kind) ? null : alt,
      traits: traitsFor(shown, page.surroundings.vocabulary?.fileNames),
      facts: {
        kind,
        decorative,
        ...(link === null ? {} : { link: cut(link) }),
        ...(caption !== null ? { caption: cut(caption) } : {}),
        ...languageFact(languageAt(page, element)),
      },
      elements: [element],
    };
  });
}

function traitsFor({ file, borrowed, kind, alt, decorative, linked, caption }: ImageShown, plans: readonly string[] | undefined): number {
  const told = UNTOLD_KINDS.has(kind) ? null : decorative ? 'decorative' : alt === null || tidy(alt) === '' ? 'untold' : 'described';
  const own = kind === 'background' || kind === 'icon' || kind === 'poster' ? kind : kind === 'srcset' ? 'source' : null;
  const odd = kind !== 'icon' && !borrowed && oddNameOf(file, plans) !== null;
  return traitsOf('images', [told, own, linked && 'linked', borrowed && 'borrowed', caption !== null && 'captioned', odd && 'odd name']);
}

/**
 * Where a link leads of which an image is all: it names the link (WCAG technique H30). Null where the link has words of its own. As a path
 * of the collection, the same from every page.
 */
function linkOf(page: Page, address: string, element: ElementNode): string | null {
  const link = closest(element, (up) => up.tag === 'a' && has(up, 'href'));
  if (!link || shownText(page, link, 1) !== '') return null;
  return destinationOf(page, tidy(valueOf(link, 'href') ?? ''), address).to;
}

/** The language in force where something stands, where one is said. */
export function languageFact(tag: string): { language?: string } {
  const language = tag.toLowerCase().split('-')[0]!;
  return language === '' ? {} : { language };
}
