import { tidy, valueOf, type ElementNode } from '../document/tree.ts';
import { carried, fact, type Page } from '../document/page.ts';
import { tagged } from '../document/tagged.ts';
import { isLeafBlock } from './blocks.ts';
import { sizeOf } from './imageContext.ts';
import { addressOf, imagesIn } from './images.ts';
import { shownText } from './names.ts';
import { isExposed } from './visibility.ts';

export interface ImageBullet {
  block: ElementNode;
  image: ElementNode;
}

/** An image larger than this, in px, is no bullet. Common practice. */
const LARGEST = 40;

/** Runs of neighbouring paragraphs that each begin with the same small image. */
export const imageBulletRuns = fact((page: Page): ImageBullet[][] => {
  const runs: ImageBullet[][] = [];
  for (const block of tagged(page, 'p', 'div')) {
    const bullet = bulletOf(page, block);
    if (!bullet) continue;
    const last = runs.at(-1)?.at(-1);
    if (last && addressOf(last.image) === addressOf(bullet.image) && isNext(last.block, block)) runs.at(-1)!.push(bullet);
    else runs.push([bullet]);
  }
  return runs.filter((run) => run.length >= 2);
}, carried);

function bulletOf(page: Page, block: ElementNode): ImageBullet | null {
  const first = block.children.find((node) => node.kind !== 'comment' && !(node.kind === 'text' && tidy(node.text) === ''));
  if (first?.kind !== 'element' || first.tag !== 'img' || !isExposed(page, block) || !isLeafBlock(page, block)) return null;
  const { width, height } = sizeOf(first);
  const alt = tidy(valueOf(first, 'alt') ?? '');
  if (width > LARGEST || height > LARGEST || addressOf(first) === '' || imagesIn(block).length > 1 || shownText(page, block, 1) === '')
    return null;
  // Words of its own make it more than a bullet; a size says that it is small.
  const small = (width > 0 || height > 0 || /bullet|dot|ball|arrow|square|circle|punkt|puce/i.test(addressOf(first))) && alt.length <= 8;
  return small ? { block, image: first } : null;
}

function isNext(one: ElementNode, other: ElementNode): boolean {
  return (
    one.parent === other.parent &&
    one
      .parent!.children.slice(one.index + 1, other.index)
      .every((node) => node.kind === 'comment' || (node.kind === 'text' && tidy(node.text) === ''))
  );
}
