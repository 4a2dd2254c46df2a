import { elementParent, type ElementNode } from '../document/tree.ts';
import type { Edit } from '../source/edits.ts';
import { isBlock } from '../semantics/blocks.ts';
import { typedCaptions } from '../semantics/typedCaptions.ts';
import { NO_SOURCE, insertAt } from './markup.ts';
import { decline, planned, type Plan, type Remedy } from './types.ts';

/** Makes the typed line under an image its caption: the two become a figure. */
export const remedy: Remedy = {
  name: 'adopt-caption',
  label: 'Make the line its caption',
  certain: false,
  fields: [],
  plan({ page, element }) {
    const found = typedCaptions(page).find((one) => one.image === element);
    if (!found) return decline('No typed caption stands under this image any more.');
    let block = elementParent(element)!;
    while (!isBlock(block)) block = elementParent(block)!;
    return found.line ? fromTwo(block, found.line) : fromOne(block, element);
  },
};

/** The image's paragraph and the line's. */
function fromTwo(block: ElementNode, line: ElementNode): Plan {
  if (!block.startTag || !block.endTag || !line.startTag || !line.endTag) return decline(NO_SOURCE);
  return planned(
    { ...block.startTag, text: '<figure>' },
    { ...block.endTag, text: '' },
    { ...line.startTag, text: '<figcaption>' },
    { ...line.endTag, text: '</figcaption></figure>' },
  );
}

/** One paragraph that holds both, perhaps with a break between. */
function fromOne(block: ElementNode, image: ElementNode): Plan {
  let top = image;
  while (elementParent(top) !== block) top = elementParent(top)!;
  if (!block.startTag || !block.endTag || !top.range) return decline(NO_SOURCE);
  const next = block.children
    .slice(top.index + 1)
    .find((node) => node.kind === 'element' || /\S/.test(node.kind === 'text' ? node.text : ''));
  const open: Edit =
    next?.kind === 'element' && next.tag === 'br' && next.range
      ? { ...next.range, text: '<figcaption>' }
      : insertAt(top.range.end, '<figcaption>');
  return planned({ ...block.startTag, text: '<figure>' }, open, { ...block.endTag, text: '</figcaption></figure>' });
}
