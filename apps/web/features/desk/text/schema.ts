import { lookup } from '@inkwell/core';
import { Extension, Mark, mergeAttributes, Node, type Extensions, type JSONContent } from '@tiptap/core';
import { ListItem } from '@tiptap/extension-list';
import { Plugin } from '@tiptap/pm/state';
import { Table, TableCell, TableHeader, TableRow } from '@tiptap/extension-table';
import StarterKit from '@tiptap/starter-kit';

/** A piece of the text as the editor holds it. */
export type Piece = JSONContent;

/** Attributes the editor has a place of its own for; every other one is kept as it came. */
const MANAGED: Readonly<Record<string, readonly string[]>> = {
  img: ['src', 'alt'],
  a: ['href'],
  td: ['rowspan', 'colspan', 'scope'],
  th: ['rowspan', 'colspan', 'scope'],
  ol: ['start', 'type'],
};

export type Kept = Readonly<Record<string, string>>;

function keptOf(element: HTMLElement): Kept | null {
  const managed = lookup(MANAGED, element.localName) ?? [];
  const others = [...element.attributes].filter(({ name }) => !managed.includes(name) && !name.startsWith('data-kept-'));
  return others.length > 0 ? Object.fromEntries(others.map(({ name, value }) => [name, value])) : null;
}

const WITH_KEPT = [
  'paragraph',
  'heading',
  'bulletList',
  'orderedList',
  'listItem',
  'blockquote',
  'table',
  'tableRow',
  'tableCell',
  'tableHeader',
  'image',
  'link',
  'bold',
  'italic',
  'phrase',
];

/** What a block or phrase carries besides its words is kept with it and never shown: it could dress the editor, or worse. */
const KeptAttributes = Extension.create({
  name: 'keptAttributes',
  addGlobalAttributes: () => [
    { types: WITH_KEPT, attributes: { kept: { default: null, rendered: false, keepOnSplit: false, parseHTML: keptOf } } },
    // Which block of the page's source it came from.
    {
      types: ['paragraph', 'heading', 'bulletList', 'orderedList', 'blockquote', 'table', 'opaque'],
      attributes: { origin: { default: null, rendered: false, keepOnSplit: false, parseHTML: () => null } },
    },
  ],
});

const PHRASES = [
  'span',
  'font',
  'u',
  's',
  'strike',
  'small',
  'big',
  'sub',
  'sup',
  'code',
  'kbd',
  'samp',
  'var',
  'abbr',
  'cite',
  'q',
  'dfn',
  'mark',
  'time',
  'bdi',
  'ins',
  'del',
  'tt',
  'acronym',
];

/** Any other phrasing element with its attributes; a language is a phrase too. */
const Phrase = Mark.create({
  name: 'phrase',
  excludes: '',
  inclusive: false,
  addAttributes: () => ({ tag: { default: 'span', rendered: false, parseHTML: (element: HTMLElement) => element.localName } }),
  parseHTML: () => PHRASES.map((tag) => ({ tag, consuming: false })),
  renderHTML: ({ mark }) => [
    'span',
    { class: 'phrase', lang: (mark.attrs.kept as Kept | null)?.lang, title: phraseTitle(mark.attrs as { tag: string; kept: Kept | null }) },
    0,
  ],
});

function phraseTitle({ tag, kept }: { tag: string; kept: Kept | null }): string {
  return kept?.lang ? `In ${kept.lang}` : tag;
}

const Link = Mark.create({
  name: 'link',
  inclusive: false,
  priority: 1000,
  addAttributes: () => ({ href: { default: '', rendered: false, parseHTML: (element: HTMLElement) => element.getAttribute('href') } }),
  parseHTML: () => [{ tag: 'a' }],
  // Not a link that leads away from here while one edits it; its address shows on hover.
  renderHTML: ({ mark }) => ['span', { class: 'link', title: mark.attrs.href as string }, 0],
});

const Image = (addressOf: (src: string) => string | null) =>
  Node.create({
    name: 'image',
    inline: true,
    group: 'inline',
    draggable: true,
    addAttributes: () => ({
      src: { default: '', rendered: false, parseHTML: (element: HTMLElement) => element.getAttribute('src') ?? '' },
      alt: { default: null, rendered: false, parseHTML: (element: HTMLElement) => element.getAttribute('alt') },
    }),
    parseHTML: () => [{ tag: 'img' }],
    renderHTML: ({ node }) => [
      'img',
      {
        src: addressOf(node.attrs.src as string) ?? '',
        alt: (node.attrs.alt as string | null) ?? '',
        title: altWords(node.attrs.alt as string | null),
      },
    ],
  });

function altWords(alt: string | null): string {
  return alt === null ? 'No alternative' : alt === '' ? 'Decorative' : alt;
}

/** A part of the page that this editor does not know: it can be moved or taken out, and is otherwise written as it came. */
const Opaque = Node.create({
  name: 'opaque',
  group: 'block',
  atom: true,
  draggable: true,
  addAttributes: () => ({
    source: {
      default: '',
      parseHTML: (element: HTMLElement) => element.getAttribute('data-kept-source') ?? '',
      renderHTML: ({ source }: { source: string }) => ({ 'data-kept-source': source }),
    },
  }),
  parseHTML: () => [{ tag: 'div[data-kept-source]' }],
  renderHTML: ({ node, HTMLAttributes }) => [
    'div',
    mergeAttributes(HTMLAttributes, { class: 'opaque', contenteditable: 'false' }),
    `Kept as it is: ${summaryOf(node.attrs.source as string)}`,
  ],
});

const LONGEST_SUMMARY = 140;

export function summaryOf(source: string): string {
  const tag = /^<([a-z0-9-]+)/i.exec(source)?.[1]?.toLowerCase();
  const words = source
    .replace(/<(script|style)[\s\S]*?<\/\1>/gi, ' ')
    .replace(/<[^>]*>/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  return [tag ? `<${tag}>` : '', words.length > LONGEST_SUMMARY ? `${words.slice(0, LONGEST_SUMMARY)} …` : words].filter(Boolean).join(' ');
}

/**
 * Tab and Shift+Tab go to the next and former cell of a table, put items deeper and back, and else do nothing: nobody leaves the text by
 * surprise, to type letters that are keys elsewhere. Escape, then Tab, leaves it (WCAG 2.1.2).
 */
const Stay = Extension.create({
  name: 'stay',
  addKeyboardShortcuts() {
    const { editor } = this;
    const tab = (isBack: boolean) => {
      if (isLeaving.has(editor)) return false;
      const { commands } = editor;
      if (editor.isActive('table')) void (isBack ? commands.goToPreviousCell() : commands.goToNextCell());
      else if (editor.isActive('listItem')) void (isBack ? commands.liftListItem('listItem') : commands.sinkListItem('listItem'));
      return true;
    };
    return { Tab: () => tab(false), 'Shift-Tab': () => tab(true) };
  },
  addProseMirrorPlugins() {
    const { editor } = this;
    const keydown = (_view: unknown, { key }: KeyboardEvent) => {
      if (key === 'Escape') isLeaving.add(editor);
      else if (key !== 'Tab' && key !== 'Shift') isLeaving.delete(editor);
      return false;
    };
    const stays = () => (isLeaving.delete(editor), false);
    return [new Plugin({ props: { handleDOMEvents: { keydown, focus: stays, mousedown: stays } } })];
  },
});

/** Editors in which Escape was the last key. */
const isLeaving = new WeakSet<object>();

/** A table with its caption; what Tab does in it, `Stay` says. */
const TextTable = Table.extend({
  addAttributes() {
    return {
      ...this.parent?.(),
      caption: {
        default: '',
        parseHTML: (element: HTMLElement) => element.getAttribute('data-kept-caption') ?? '',
        renderHTML: ({ caption }: { caption?: string }) => (caption ? { 'data-kept-caption': caption } : {}),
      },
      headRows: {
        default: 0,
        rendered: false,
        parseHTML: (element: HTMLElement) => element.querySelectorAll(':scope > thead > tr').length,
      },
    };
  },
  renderHTML: ({ HTMLAttributes }) => ['table', HTMLAttributes, ['tbody', 0]],
  addKeyboardShortcuts: () => ({}),
});

const SCOPE = { scope: { default: null, rendered: false, parseHTML: (element: HTMLElement) => element.getAttribute('scope') } };
const Cell = TableCell.extend({
  addAttributes() {
    return { ...this.parent?.(), ...SCOPE };
  },
});
const HeaderCell = TableHeader.extend({
  addAttributes() {
    return { ...this.parent?.(), ...SCOPE };
  },
});

/** Items go deeper and back with Tab and Shift+Tab (`Stay`), or Ctrl and a bracket. */
const Item = ListItem.extend({
  addKeyboardShortcuts() {
    return {
      Enter: () => this.editor.commands.splitListItem(this.name),
      'Mod-]': () => this.editor.commands.sinkListItem(this.name),
      'Mod-[': () => this.editor.commands.liftListItem(this.name),
    };
  },
});

/** Everything the text editor knows: sound markup alone. `addressOf` says where an image of the collection is shown from. */
export function textExtensions(addressOf: (src: string) => string | null): Extensions {
  return [
    StarterKit.configure({
      link: false,
      code: false,
      codeBlock: false,
      strike: false,
      underline: false,
      horizontalRule: false,
      listItem: false,
      trailingNode: false,
      heading: { levels: [1, 2, 3, 4, 5, 6] },
    }),
    Stay,
    Item,
    KeptAttributes,
    Phrase,
    Link,
    Image(addressOf),
    Opaque,
    TextTable.configure({ resizable: false }),
    TableRow,
    Cell,
    HeaderCell,
  ];
}
