import { childElements, type ElementNode, type TextNode, type TreeNode } from '../document/tree.ts';
import { fact, type Page } from '../document/page.ts';
import { isBlock } from './blocks.ts';
import { IN, isInside } from './inside.ts';
import { countWords, passages, type Passage } from './passages.ts';
import { typedLists } from './typedLists.ts';

/** Shorter loose text may be a caption, a label or furniture. */
const LOOSE_WORDS = 5;

export interface BrokenParagraphs {
  passage: Passage;
  /** Two breaks and more in place of paragraphs; or text that stands in no block of its own. */
  kind: 'breaks' | 'loose';
}

/** Running text whose paragraphs have no markup, in document order. */
export const brokenParagraphs = fact((page: Page): BrokenParagraphs[] => {
  const listed = new Set(typedLists(page).flatMap((list) => list.lines.flatMap((line) => line.nodes)));
  const found: BrokenParagraphs[] = [];
  for (const passage of passages(page)) {
    const { block } = passage;
    if (passage.kept || isInside(page, block, IN.code | IN.address | IN.button | IN.label | IN.heading)) continue;
    // Lines of a typed list are a list's, and what is left is looked at once it is one.
    if (listed.size > 0 && passage.texts.some((text) => listed.has(childHolding(block, text)))) continue;
    if (hasDoubleBreak(passage)) found.push({ passage, kind: 'breaks' });
    else if (isLoose(page, passage)) found.push({ passage, kind: 'loose' });
  }
  return found;
});

/** The child of a block in which a text of it stands. */
function childHolding(block: ElementNode, text: TextNode): TreeNode {
  let here: TreeNode = text;
  while (here.parent !== block && here.parent?.kind === 'element') here = here.parent;
  return here;
}

/** The breaks that stand in place of paragraphs. */
export const paragraphBreaks = fact(
  (page: Page): ReadonlySet<ElementNode> =>
    new Set(brokenParagraphs(page).flatMap(({ passage, kind }) => (kind === 'breaks' ? passage.breaks : []))),
);

/** Two breaks in a row, or more, with running text on both sides. */
export function hasDoubleBreak({ text, breaks }: Passage): boolean {
  return breaks.length >= 2 && text.split(/\n{2,}/).filter((part) => countWords(part) >= 3).length >= 2;
}

/** Text directly in the body, or beside blocks in a part of the page that holds blocks. */
function isLoose(page: Page, { block, words, last }: Passage): boolean {
  if (words < LOOSE_WORDS || !last.range) return false;
  if (block === page.body) return true;
  return ['main', 'article', 'section'].includes(block.tag) && childElements(block).some(isBlock);
}
