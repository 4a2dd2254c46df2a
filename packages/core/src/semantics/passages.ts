import { groupedBy } from '../document/grouped.ts';
import { elementParent, tidy, valueOf, type ElementNode, type TextNode, type TreeNode } from '../document/tree.ts';
import { fact, type Page, type TextChange } from '../document/page.ts';
import { styleOf } from '../style/cascade.ts';
import { isBlock } from './blocks.ts';
import { isExposed } from './visibility.ts';

/** One unbroken run of text and inline elements of a block: a paragraph, an item, a cell, or loose text between blocks. */
export interface Passage {
  block: ElementNode;
  /** Tidied, a line break for each `br`. */
  text: string;
  /** How many words the text has. */
  words: number;
  texts: readonly TextNode[];
  breaks: readonly ElementNode[];
  /** Texts and breaks in order. */
  pieces: readonly (TextNode | ElementNode)[];
  images: number;
  /** First and last node of the run that lies directly in the block. */
  first: TreeNode;
  last: TreeNode;
  /** In a `pre`, where white space shows. */
  kept: boolean;
  /** What was found out about it: see `passageFact`. */
  facts: unknown[];
}

/** Elements whose content is not running text. */
const REPLACED = new Set([
  'script',
  'style',
  'textarea',
  'select',
  'svg',
  'math',
  'iframe',
  'object',
  'canvas',
  'video',
  'audio',
  'template',
  'noscript',
  'title',
  'datalist',
  'progress',
  'meter',
  'button',
]);

interface Draft {
  block: ElementNode;
  pieces: (TextNode | ElementNode)[];
  texts: TextNode[];
  breaks: ElementNode[];
  images: number;
  first: TreeNode;
  last: TreeNode;
}

/** Every passage that is told to readers, in document order: one walk without recursion. */
export const passages = fact((page: Page): Passage[] => {
  const found: Passage[] = [];
  const open: { block: ElementNode; draft: Draft | null }[] = [{ block: page.body, draft: null }];
  const close = () => {
    const top = open.at(-1)!;
    if (top.draft) finish(page, top.draft, found);
    top.draft = null;
  };
  // What is left to walk, last first; null ends a block.
  const waiting: (TreeNode | null)[] = [];
  const wait = ({ children }: ElementNode) => {
    for (let at = children.length - 1; at >= 0; at--) waiting.push(children[at]!);
  };
  waiting.push(null);
  wait(page.body);
  while (waiting.length > 0) {
    const node = waiting.pop()!;
    if (node === null) {
      close();
      open.pop();
      continue;
    }
    if (node.kind === 'comment') continue;
    if (node.kind === 'text') {
      note(open.at(-1)!, node);
      continue;
    }
    if (REPLACED.has(node.tag) || !isExposed(page, node) || isTypedInto(node)) continue;
    if (isBlock(node)) {
      close();
      open.push({ block: node, draft: null });
      waiting.push(null);
    } else note(open.at(-1)!, node);
    wait(node);
  }
  return found;
}, withText);

/** A part that its reader writes into holds no text of the page. */
function isTypedInto(element: ElementNode): boolean {
  if (element.attributes.length === 0) return false;
  const editable = valueOf(element, 'contenteditable');
  return (editable !== null && editable.toLowerCase() !== 'false') || valueOf(element, 'role') === 'textbox';
}

function note(top: { block: ElementNode; draft: Draft | null }, node: TextNode | ElementNode): void {
  if (!top.draft) {
    if (node.kind === 'text' && !/[^\s]/.test(node.text)) return;
    top.draft = { block: top.block, pieces: [], texts: [], breaks: [], images: 0, first: node, last: node };
  }
  const { draft } = top;
  if (node.parent === top.block) draft.last = node;
  if (node.kind === 'text') {
    draft.pieces.push(node);
    draft.texts.push(node);
  } else if (node.tag === 'br') {
    draft.pieces.push(node);
    draft.breaks.push(node);
  } else if (node.tag === 'img') draft.images++;
}

const SPACES = /[ \t\r\n\f\u00a0]+/g;

function finish(page: Page, draft: Draft, found: Passage[]): void {
  const { block, pieces, texts, breaks, images, first, last } = draft;
  const text = wordingOf(pieces, breaks.length > 0);
  const kept = block.tag === 'pre' || (styleOf(page, block).declared.get('white-space') ?? '').startsWith('pre');
  if (text !== '' || images > 0 || breaks.length > 0)
    found.push({ block, text, words: countWords(text), texts, breaks, pieces, images, first, last, kept, facts: [] });
}

/** The text of a passage: a line end in the source is but a space, a break ends a line. */
function wordingOf(pieces: Passage['pieces'], broken: boolean): string {
  if (!broken) return tidy(pieces.map((piece) => (piece.kind === 'text' ? piece.text : '')).join(''));
  return pieces
    .map((piece) => (piece.kind === 'text' ? piece.text.replace(SPACES, ' ') : '\n'))
    .join('')
    .replace(/ *\n */g, '\n')
    .replace(/^ +| +$/g, '');
}

/** The passages after a change of one of their texts. */
function withText(known: Passage[], { text: changed }: TextChange): Passage[] {
  return known.map((passage) => {
    if (!passage.texts.includes(changed)) return passage;
    const text = wordingOf(passage.pieces, passage.breaks.length > 0);
    return { ...passage, text, words: countWords(text), facts: [] };
  });
}

let made = 0;

/**
 * Makes a fact about single passages: computed at the first asking, kept as long as the passage says the same. It may be anything but
 * undefined.
 */
export function passageFact<T>(compute: (page: Page, passage: Passage) => T): (page: Page, passage: Passage) => T {
  const place = made++;
  return (page, passage) => {
    const known = passage.facts[place];
    return known === undefined ? ((passage.facts[place] = compute(page, passage)) as T) : (known as T);
  };
}

/** The passages of each block, in order. */
export const passagesByBlock = fact((page: Page) => groupedBy(passages(page), (passage) => passage.block));

/** Whether all visible text of a passage has a property. */
export function everyText(passage: Passage, holds: (element: ElementNode) => boolean): boolean {
  let some = false;
  for (const text of passage.texts) {
    if (!/[^\s\u00a0]/.test(text.text)) continue;
    some = true;
    if (!holds(elementParent(text)!)) return false;
  }
  return some;
}

/** Words of a text: runs of letters and digits. */
export function countWords(text: string): number {
  let count = 0;
  let inside = false;
  for (let i = 0; i < text.length; i++) {
    const unit = text.charCodeAt(i);
    const letter: boolean =
      unit > 0x7f
        ? unit !== 0xa0 && !(unit >= 0x2000 && unit <= 0x206f)
        : (unit >= 48 && unit <= 57) || (unit >= 65 && unit <= 90) || (unit >= 97 && unit <= 122) || (inside && unit === 39);
    if (letter && !inside) count++;
    inside = letter;
  }
  return count;
}
