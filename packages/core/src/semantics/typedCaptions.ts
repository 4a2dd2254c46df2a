import { closestWithin, elementParent, tidy, type ElementNode } from '../document/tree.ts';
import { fact, type Page } from '../document/page.ts';
import { isBlock } from './blocks.ts';
import { figureOf, images } from './imageContext.ts';
import { shownText } from './names.ts';

export interface TypedCaption {
  image: ElementNode;
  text: string;
  /** The paragraph of its own that the line is; null when it stands in the image's own paragraph. */
  line: ElementNode | null;
}

/** A word and a number before a colon, stop or dash and more words, in any script: “Figure 1: …”, “Abb. 2. …”; no version of a program. */
const NUMBERED = /^\p{L}[\p{L}.]{0,18}[\s\u00a0]{0,2}\d{1,3}(?:[.\-–]\d{1,3})?\s*[.:–—-](?:\s+\S|[^\d\s])/u;
const LONGEST = 240;

/** Images with a numbered line typed right under them, in no figure, in document order. */
export const typedCaptions = fact((page: Page): TypedCaption[] =>
  images(page).flatMap((image): TypedCaption[] => {
    if (figureOf(page, image)) return [];
    const block = closestWithin(image, 6, isBlock);
    if (!block || !['p', 'div', 'center'].includes(block.tag)) return [];
    const own = shownText(page, block, LONGEST + 1);
    if (own !== '') return isCaption(own) && isFirst(block, image) ? [{ image, text: own, line: null }] : [];
    const line = nextBlock(block);
    const text = line ? shownText(page, line, LONGEST + 1) : '';
    return line && isCaption(text) ? [{ image, text, line }] : [];
  }),
);

function isCaption(text: string): boolean {
  return text.length <= LONGEST && NUMBERED.test(text);
}

/** Whether nothing but the image stands before its caption. */
function isFirst(block: ElementNode, image: ElementNode): boolean {
  let top = image;
  while (elementParent(top) !== block) top = elementParent(top)!;
  return block.children.slice(0, top.index).every((node) => node.kind === 'comment' || (node.kind === 'text' && tidy(node.text) === ''));
}

function nextBlock(block: ElementNode): ElementNode | null {
  for (const node of block.parent!.children.slice(block.index + 1)) {
    if (node.kind === 'text' && tidy(node.text) !== '') return null;
    if (node.kind === 'element') return ['p', 'div', 'center'].includes(node.tag) ? node : null;
  }
  return null;
}
