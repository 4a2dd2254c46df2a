import { surroundingsFrom, type Neighbours, type Surroundings } from '@inkwell/core';
import { sheetsByPath, titlesByAddress, type Database, type StoredPage, type Write } from '@inkwell/store';

/** What a page's collection holds that the engine has a use for. */
export async function neighboursIn(db: Database | Write, collectionId: number): Promise<Neighbours> {
  const [titles, sheets] = [await titlesByAddress(db, collectionId), await sheetsByPath(db, collectionId)];
  return { titles: Object.fromEntries(titles), sheets };
}

/** What the engine may know of a page's place: its shown title, the titles behind its relative links, its style sheets. */
export async function surroundingsOf(db: Database | Write, page: Pick<StoredPage, 'collection_id' | 'address' | 'scope' | 'title'>): Promise<Surroundings> {
  return surroundingsFrom(page, await neighboursIn(db, page.collection_id));
}
