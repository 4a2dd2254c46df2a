import { inspectImages, parsePage, resolveAddress } from '@inkwell/core';
import { pagesHolding, type Database } from '@inkwell/store';
import { done, type Result } from './problems.ts';

/** A page that shows a picture, with what it says of it: null for nothing, '' for decorative. */
export interface PictureUse {
  slug: string;
  title: string;
  alt: string | null;
}

/** Pages read at most: a picture on more of them belongs to the collection's frame, and a few tell enough. */
const MOST_PAGES = 20;

/** The other pages of a page's collection that show a picture, by its path in the collection. */
export async function pictureUses(db: Database, wish: { pageId: number; picture: string }): Promise<Result<PictureUse[]>> {
  const name = wish.picture.slice(wish.picture.lastIndexOf('/') + 1);
  // The file's name must stand in the text; whether it leads to this picture is then read from the page.
  const others = await pagesHolding(db, wish.pageId, [...new Set([name, encodeURIComponent(name)])], MOST_PAGES);
  return done(others.flatMap(({ slug, title, address, scope, html }) => {
    const image = inspectImages(parsePage(html, { scope })).find((one) => resolveAddress(address, one.src) === wish.picture);
    return image ? [{ slug, title, alt: image.alt }] : [];
  }));
}
