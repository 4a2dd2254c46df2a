import { childElements, elementParent, has, valueOf, closest, type ElementNode } from '../document/tree.ts';
import { carried, fact, type Page } from '../document/page.ts';
import { lookup } from '../source/lookup.ts';

/** Role of an element from its tag, after HTML-AAM, for the elements the rules speak of. Null: no role of its own. */
function nativeRole(element: ElementNode): string | null {
  const { tag } = element;
  if (element.space === 'svg') return tag === 'svg' ? 'graphics-document' : tag === 'a' && hasHref(element) ? 'link' : null;
  if (element.space !== 'html') return null;
  switch (tag) {
    case 'a':
    case 'area':
      return hasHref(element) ? 'link' : 'generic';
    case 'img':
      return valueOf(element, 'alt') === '' &&
        !has(element, 'aria-label') &&
        !has(element, 'aria-labelledby') &&
        !valueOf(element, 'title')?.trim()
        ? 'presentation'
        : 'img';
    case 'input':
      return inputRole(element);
    case 'select':
      return has(element, 'multiple') || Number(valueOf(element, 'size')) > 1 ? 'listbox' : 'combobox';
    default:
      return lookup(PLAIN_ROLES, tag) ?? null;
  }
}

const PLAIN_ROLES: Record<string, string> = {
  address: 'group',
  article: 'article',
  aside: 'complementary',
  blockquote: 'blockquote',
  button: 'button',
  caption: 'caption',
  code: 'code',
  datalist: 'listbox',
  dd: 'definition',
  del: 'deletion',
  details: 'group',
  dfn: 'term',
  dialog: 'dialog',
  dt: 'term',
  em: 'emphasis',
  fieldset: 'group',
  figcaption: 'caption',
  figure: 'figure',
  form: 'form',
  h1: 'heading',
  h2: 'heading',
  h3: 'heading',
  h4: 'heading',
  h5: 'heading',
  h6: 'heading',
  hgroup: 'group',
  hr: 'separator',
  ins: 'insertion',
  li: 'listitem',
  main: 'main',
  mark: 'mark',
  math: 'math',
  menu: 'list',
  meter: 'meter',
  nav: 'navigation',
  ol: 'list',
  optgroup: 'group',
  option: 'option',
  output: 'status',
  p: 'paragraph',
  progress: 'progressbar',
  s: 'deletion',
  search: 'search',
  select: 'combobox',
  strong: 'strong',
  sub: 'subscript',
  summary: 'button',
  sup: 'superscript',
  table: 'table',
  tbody: 'rowgroup',
  td: 'cell',
  textarea: 'textbox',
  tfoot: 'rowgroup',
  th: 'columnheader',
  thead: 'rowgroup',
  time: 'time',
  tr: 'row',
  ul: 'list',
};

function inputRole(element: ElementNode): string {
  const type = (valueOf(element, 'type') ?? 'text').toLowerCase();
  if (type === 'hidden') return 'none';
  if (['button', 'submit', 'reset', 'image'].includes(type)) return 'button';
  if (type === 'checkbox' || type === 'radio') return type;
  if (type === 'range') return 'slider';
  if (has(element, 'list') && ['text', 'search', 'url', 'tel', 'email'].includes(type)) return 'combobox';
  return type === 'number' ? 'spinbutton' : type === 'search' ? 'searchbox' : 'textbox';
}

function hasHref(element: ElementNode): boolean {
  return has(element, 'href') || has(element, 'xlink:href');
}

/** ARIA 1.2 roles an author may give that concern the rules; unknown words are skipped, as browsers do. */
const AUTHOR_ROLES = new Set(
  (
    'alert alertdialog application article banner blockquote button caption cell checkbox code columnheader combobox ' +
    'complementary contentinfo definition deletion dialog document emphasis feed figure form generic grid gridcell group ' +
    'heading img image insertion link list listbox listitem log main mark marquee math menu menubar menuitem ' +
    'menuitemcheckbox menuitemradio meter navigation none note option paragraph presentation progressbar radio radiogroup ' +
    'region row rowgroup rowheader scrollbar search searchbox separator slider spinbutton status strong subscript ' +
    'superscript switch tab table tablist tabpanel term textbox time timer toolbar tooltip tree treegrid treeitem ' +
    // Digital Publishing WAI-ARIA 1.0.
    'doc-abstract doc-acknowledgments doc-afterword doc-appendix doc-backlink doc-biblioentry doc-bibliography doc-biblioref ' +
    'doc-chapter doc-colophon doc-conclusion doc-cover doc-credit doc-credits doc-dedication doc-endnote doc-endnotes ' +
    'doc-epigraph doc-epilogue doc-errata doc-example doc-footnote doc-foreword doc-glossary doc-glossref doc-index ' +
    'doc-introduction doc-noteref doc-notice doc-pagebreak doc-pagefooter doc-pageheader doc-pagelist doc-part doc-preface ' +
    'doc-prologue doc-pullquote doc-qna doc-subtitle doc-tip doc-toc'
  ).split(' '),
);

/** Whether an author may use a role: WAI-ARIA 1.2 and its module for books, and the roles of the Graphics module. */
export function isKnownRole(word: string): boolean {
  return (
    AUTHOR_ROLES.has(word) ||
    /^graphics-(?:document|object|symbol)$/.test(word) ||
    word === 'directory' ||
    word === 'suggestion' ||
    word === 'comment'
  );
}

const GLOBAL_NAMING = ['aria-label', 'aria-labelledby', 'aria-describedby', 'aria-live', 'aria-controls', 'aria-owns'];

/** The role assistive technology is told: the first known word of `role`, else the element's own. */
export function roleOf(element: ElementNode): string | null {
  const written = valueOf(element, 'role');
  if (written === null) return nativeRole(element);
  for (const word of written.toLowerCase().split(/\s+/)) {
    if (!AUTHOR_ROLES.has(word)) continue;
    if (word !== 'none' && word !== 'presentation') return word === 'image' ? 'img' : word;
    // Presentational roles conflict resolution (WAI-ARIA 1.2, 4.6): focusable or globally named elements keep their role.
    return isFocusable(element) || GLOBAL_NAMING.some((name) => has(element, name)) ? nativeRole(element) : 'presentation';
  }
  return nativeRole(element);
}

export function isFocusable(element: ElementNode): boolean {
  if (has(element, 'tabindex')) return true;
  if (element.tag === 'a' || element.tag === 'area') return hasHref(element);
  if (['button', 'select', 'textarea'].includes(element.tag)) return !has(element, 'disabled');
  if (element.tag === 'input') return valueOf(element, 'type')?.toLowerCase() !== 'hidden' && !has(element, 'disabled');
  return element.tag === 'iframe' || isOpener(element) || hasControls(element) || isEditable(element);
}

/** The summary of a details element: the first one in it (HTML Living Standard, 4.11.2). */
function isOpener(element: ElementNode): boolean {
  if (element.tag !== 'summary') return false;
  const { parent } = element;
  return parent?.kind === 'element' && parent.tag === 'details' && childElements(parent).find(({ tag }) => tag === 'summary') === element;
}

const hasControls = (element: ElementNode) => (element.tag === 'audio' || element.tag === 'video') && has(element, 'controls');

/** Editing hosts (HTML Living Standard, 6.8.1). */
function isEditable(element: ElementNode): boolean {
  const said = element.attributes.length > 0 ? valueOf(element, 'contenteditable')?.toLowerCase() : undefined;
  return said === '' || said === 'true' || said === 'plaintext-only';
}

/** Whether an element cannot take focus for what is around it: it lies in an inert part, or in a fieldset that is switched off. */
export function isShutOff(element: ElementNode): boolean {
  if (has(element, 'inert') || closest(element, (up) => has(up, 'inert'))) return true;
  if (!['button', 'select', 'textarea', 'input'].includes(element.tag)) return false;
  const fieldset = closest(element, (up) => up.tag === 'fieldset' && has(up, 'disabled'));
  // What stands in the first legend stays in use (HTML Living Standard, 4.10.18.5).
  const legend = fieldset && closest(element, (up) => up.tag === 'legend' && up.parent === fieldset);
  return fieldset !== null && !legend;
}

const LINKS = new Set(['link', 'doc-backlink', 'doc-biblioref', 'doc-glossref', 'doc-noteref']);

export function isLink(element: ElementNode): boolean {
  return LINKS.has(roleOf(element) ?? '');
}

/** The link or button an element lies in, when it does. */
export function controlAround(page: Page, element: ElementNode): ElementNode | null {
  return controls(page)[element.order] ?? null;
}

/** The nearest link or button around each element, by `order`: one pass, so that depth costs nothing. */
const controls = fact((page: Page) => {
  const around: (ElementNode | undefined)[] = [];
  for (const element of page.elements) {
    const parent = elementParent(element);
    if (!parent) continue;
    const role = parent.attributes.length > 0 || parent.tag === 'button' || parent.tag === 'summary' ? roleOf(parent) : null;
    around[element.order] = role === 'link' || role === 'button' ? parent : around[parent.order];
  }
  return around;
}, carried);
