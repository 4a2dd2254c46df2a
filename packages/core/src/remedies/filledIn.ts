import { resolveAddress } from '../document/addresses.ts';
import { elementAt } from '../document/paths.ts';
import { tidy, valueOf, type ElementNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import type { Edit } from '../source/edits.ts';
import { addressOf } from '../semantics/images.ts';
import { setAttribute } from './markup.ts';

/**
 * The edit that gives the image at a path an alternative, when it still shows a file. Null when it says so already, `gone` when there is
 * no such image any more.
 */
export function alternativeEdit(
  page: Page,
  address: string,
  wish: { path: string; file: string; alternative: string },
): Edit | null | 'gone' {
  const element = elementAt(page, wish.path);
  if (!element || !showsFile(element, address, wish.file)) return 'gone';
  if (valueOf(element, 'alt') === wish.alternative) return null;
  return setAttribute(element, 'alt', wish.alternative) ?? 'gone';
}

function showsFile(element: ElementNode, address: string, file: string): boolean {
  if (element.tag !== 'img' && element.tag !== 'input') return false;
  const written = tidy(addressOf(element));
  return (resolveAddress(address, written) ?? written) === file;
}
