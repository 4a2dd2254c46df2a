import { elementParent, has, type ElementNode } from '../document/tree.ts';
import { carried, fact, type Page } from '../document/page.ts';
import { lookup } from '../source/lookup.ts';

/** Kinds of surroundings, as bits. */
export const IN = {
  nav: 1,
  header: 2,
  footer: 4,
  table: 8,
  item: 16,
  quote: 32,
  figure: 64,
  code: 128,
  form: 256,
  link: 512,
  button: 1024,
  heading: 2048,
  label: 4096,
  aside: 8192,
  caption: 16384,
  main: 32768,
  details: 65536,
  article: 131072,
  address: 262144,
} as const;

const BITS: Record<string, number> = {
  nav: IN.nav,
  header: IN.header,
  footer: IN.footer,
  table: IN.table,
  li: IN.item,
  dt: IN.item,
  dd: IN.item,
  blockquote: IN.quote,
  q: IN.quote,
  figure: IN.figure,
  pre: IN.code,
  code: IN.code,
  kbd: IN.code,
  samp: IN.code,
  tt: IN.code,
  var: IN.code,
  form: IN.form,
  button: IN.button,
  h1: IN.heading,
  h2: IN.heading,
  h3: IN.heading,
  h4: IN.heading,
  h5: IN.heading,
  h6: IN.heading,
  label: IN.label,
  legend: IN.label,
  aside: IN.aside,
  figcaption: IN.caption,
  caption: IN.caption,
  main: IN.main,
  details: IN.details,
  summary: IN.button,
  article: IN.article,
  section: IN.article,
  address: IN.address,
};
const ROLE_BITS: Record<string, number> = {
  navigation: IN.nav,
  banner: IN.header,
  contentinfo: IN.footer,
  main: IN.main,
  complementary: IN.aside,
  heading: IN.heading,
  button: IN.button,
  link: IN.link,
};

/** What each element is or lies in, by `order`: one pass. */
const surroundings = fact((page: Page) => {
  const found = new Int32Array(page.elements.length);
  for (const element of page.elements) {
    const parent = elementParent(element);
    let bits = (parent ? found[parent.order]! : 0) | (lookup(BITS, element.tag) ?? 0);
    if (element.attributes.length > 0) {
      if (element.tag === 'a' && has(element, 'href')) bits |= IN.link;
      const role = element.attributes.find((attribute) => attribute.name === 'role');
      if (role) bits |= lookup(ROLE_BITS, role.value.trim().toLowerCase()) ?? 0;
    }
    found[element.order] = bits;
  }
  return found;
}, carried);

/** Whether an element is, or lies in, one of some kinds: `isInside(page, element, IN.nav | IN.table)`. */
export function isInside(page: Page, element: ElementNode, kinds: number): boolean {
  return (surroundings(page)[element.order]! & kinds) !== 0;
}

/** Furniture that a site repeats around its content. */
export const FURNITURE = IN.nav | IN.header | IN.footer;
