import { tidy, type ElementNode, type TreeNode } from '../../../document/tree.ts';
import type { Page } from '../../../document/page.ts';
import { figureOf, images, plainAlternative } from '../../../semantics/imageContext.ts';
import { shownText } from '../../../semantics/names.ts';
import { addressOf, writtenAlternative } from '../../../semantics/images.ts';
import { controlAround } from '../../../semantics/roles.ts';
import { bare } from '../../../standards/phrases/index.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'images/alt-repeats-text',
  title: 'Alternative text that repeats the words beside it',
  why: 'The same words are heard twice in a row, as if there were two things.',
  fix: 'Mark the image as decorative, or describe what the words beside it do not say.',
  alike: true,
  criteria: ['1.1.1'],
  techniques: ['H2'],
  weight: 'should',
  scope: 'any',
  remedies: ['decorative', 'describe'],
  messages: {
    caption: 'The alternative text says the caption again: “{alt}”',
    link: 'The alternative text says the link’s text again: “{alt}”',
    beside: 'The alternative text says the words beside the image again: “{alt}”',
  },
  end(page, tell) {
    for (const image of images(page)) {
      const alt = plainAlternative(image);
      const message = alt ? repeats(page, image, alt) : null;
      if (message)
        tell({
          at: image,
          message,
          values: { alt: writtenAlternative(image)! },
          subject: `${addressOf(image)} ${alt}`,
          remedies: message === 'caption' ? ['describe', 'decorative'] : ['decorative', 'describe'],
        });
    }
  },
});

function repeats(page: Page, image: ElementNode, alt: string): 'caption' | 'link' | 'beside' | null {
  const caption = figureOf(page, image)?.caption;
  if (caption && bare(caption) === alt) return 'caption';
  const control = controlAround(page, image);
  if (control && bare(shownText(page, control, 400)) === alt) return 'link';
  const siblings = image.parent!.children;
  return [neighbour(siblings, image.index, -1), neighbour(siblings, image.index, 1)].some(
    (node) => node !== null && bare(textOf(page, node)) === alt,
  )
    ? 'beside'
    : null;
}

/** The nearest sibling that shows something; a line break between does not part them. */
function neighbour(siblings: readonly TreeNode[], from: number, step: 1 | -1): TreeNode | null {
  for (let at = from + step; at >= 0 && at < siblings.length; at += step) {
    const node = siblings[at]!;
    if (node.kind === 'comment' || (node.kind === 'text' && tidy(node.text) === '') || (node.kind === 'element' && node.tag === 'br'))
      continue;
    return node;
  }
  return null;
}

function textOf(page: Page, node: TreeNode): string {
  return node.kind === 'text' ? tidy(node.text) : node.kind === 'element' ? shownText(page, node, 400) : '';
}
