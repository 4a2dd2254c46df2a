import { rawText, tidy, type ElementNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { tagged } from '../document/tagged.ts';

/** The title element of the page itself; drawings have titles of their own. */
export function titleElement(page: Page): ElementNode | undefined {
  return tagged(page, 'title').find((element) => element.space === 'html');
}

/** The page's own title, tidied; '' when it has none. */
export function titleText(page: Page): string {
  const title = titleElement(page);
  return title ? tidy(rawText(title)) : '';
}
