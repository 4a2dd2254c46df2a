import { tidy, valueOf } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { pathOf } from '../document/paths.ts';
import { exposedRole } from '../semantics/exposedRoles.ts';
import { fields } from '../semantics/fields.ts';
import { images } from '../semantics/imageContext.ts';
import { landmarks } from '../semantics/landmarks.ts';
import { links } from '../semantics/links.ts';
import { nameOf } from '../semantics/names.ts';
import { outline } from '../semantics/outline.ts';
import { roleOf } from '../semantics/roles.ts';
import { lookup } from '../source/lookup.ts';

/** One thing in a list of its kind, out of its surroundings, as a screen reader's user browses a page. */
export interface KindRow {
  path: string;
  /** What is said of it in the list; empty when it has no name. */
  name: string;
  /** What it is, more closely: "level 2", "navigation", "text field". */
  detail: string;
}

export interface Kinds {
  headings: KindRow[];
  links: KindRow[];
  landmarks: KindRow[];
  images: KindRow[];
  fields: KindRow[];
}

const ROLE_WORDS: Readonly<Record<string, string>> = {
  banner: 'head of the page',
  contentinfo: 'foot of the page',
  complementary: 'beside the content',
  navigation: 'navigation',
  main: 'main part',
  region: 'part',
  search: 'search',
  form: 'form',
  textbox: 'field',
  searchbox: 'search field',
  combobox: 'list to choose from',
  listbox: 'list to choose from',
  checkbox: 'check box',
  radio: 'choice',
  slider: 'slider',
  spinbutton: 'number field',
  switch: 'switch',
};

/**
 * The page by kind: headings, links, landmarks, images and fields, each in document order. Decorative images are not told, so not listed.
 */
export function inspectKinds(page: Page): Kinds {
  const row = (element: Parameters<typeof pathOf>[1], name: string, detail: string): KindRow => ({
    path: pathOf(page, element),
    name,
    detail,
  });
  return {
    headings: outline(page).map(({ element, name, level }) => row(element, name, `level ${level}`)),
    links: links(page).map(({ element, name, href }) => row(element, name, href)),
    landmarks: landmarks(page).map(({ element, role, name }) => row(element, name, lookup(ROLE_WORDS, role) ?? role)),
    images: images(page)
      .filter((image) => roleOf(image) !== 'presentation' && !(valueOf(image, 'alt') !== null && tidy(valueOf(image, 'alt')!) === ''))
      .map((image) => row(image, nameOf(page, image).name, 'image')),
    fields: fields(page).map((field) =>
      row(field, nameOf(page, field).name, lookup(ROLE_WORDS, exposedRole(page, field) ?? '') ?? 'field'),
    ),
  };
}
