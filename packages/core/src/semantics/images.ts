import { childElements, elementsIn, has, tidy, valueOf, type ElementNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { remembered } from '../document/remembered.ts';
import { nameOf } from './names.ts';
import { roleOf } from './roles.ts';

/** The file name at the end of an address, decoded, without query; '' when there is none. */
export const fileNameOf = remembered((address) => {
  if (/^data:/i.test(address)) return '';
  const last = address.split(/[?#]/)[0]!.split(/[/\\]/).pop() ?? '';
  try {
    return decodeURIComponent(last);
  } catch {
    return last;
  }
});

export function addressOf(image: ElementNode): string {
  return valueOf(image, 'src') ?? valueOf(image, 'data') ?? valueOf(image, 'href') ?? '';
}

/** The written alternative of an img, area or image button, tidied; null when it has none. */
export function writtenAlternative(image: ElementNode): string | null {
  const alt = valueOf(image, 'alt');
  return alt === null ? null : tidy(alt);
}

/** Whether an element that shows an image has words in its place, or says that it needs none. */
export function hasAlternative(page: Page, element: ElementNode): boolean {
  if (element.tag === 'img' && has(element, 'alt')) {
    // alt=" " with spaces only is not the empty alternative, yet browsers treat it as one.
    return true;
  }
  if (roleOf(element) === 'presentation') return true;
  if (nameOf(page, element).name) return true;
  if (element.tag === 'object' || element.tag === 'canvas') return fallbackText(element) !== '';
  return false;
}

function fallbackText(element: ElementNode): string {
  let text = '';
  for (const child of element.children) if (child.kind === 'text') text += child.text;
  for (const inner of elementsIn(element)) {
    text += valueOf(inner, 'alt') ?? '';
    for (const child of inner.children) if (child.kind === 'text') text += child.text;
  }
  return tidy(text);
}

/** Whether an object or embed shows an image, by its type or the end of its address. */
export function showsImage(element: ElementNode): boolean {
  const type = (valueOf(element, 'type') ?? '').trim().toLowerCase();
  if (type) return type.startsWith('image/');
  return /\.(?:svg|png|jpe?g|gif|webp|avif|bmp)$/i.test(addressOf(element).split(/[?#]/)[0]!);
}

/** The images inside an element, itself not counted. */
export function imagesIn(element: ElementNode): ElementNode[] {
  return [...elementsIn(element)].filter((inner) => inner.tag === 'img');
}

/** An inline drawing with text or several shapes of its own is more than an ornament. */
export function drawsSomething(svg: ElementNode): boolean {
  if (childElements(svg).length === 0) return false;
  for (const inner of elementsIn(svg)) if (inner.tag === 'text' || inner.tag === 'image' || inner.tag === 'foreignObject') return true;
  return false;
}

/**
 * The addresses of a source set, each with its place in it (HTML Living Standard, 4.8.4.2.1): a comma ends one only where white space or a
 * descriptor does.
 */
export function candidatesIn(srcset: string): { address: string; start: number; end: number }[] {
  return [...srcset.matchAll(/(?:^|,)[\s,]*([^\s,](?:[^\s]*[^\s,])?)(?=[\s,]|$)[^,]*/dg)].map(({ 1: address, indices }) => {
    const [start, end] = indices![1]!;
    return { address: address!, start, end };
  });
}
