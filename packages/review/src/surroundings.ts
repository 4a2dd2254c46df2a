import { surroundingsFrom, type Surroundings } from '@inkwell/core';
import { titlesByAddress, type Database, type StoredPage, type Write } from '@inkwell/store';

/** What the engine may know of a page's place: its shown title, and the titles behind its relative links. */
export async function surroundingsOf(db: Database | Write, page: Pick<StoredPage, 'collection_id' | 'address' | 'scope' | 'title'>): Promise<Surroundings & { titles: Record<string, string> }> {
  const titles = Object.fromEntries(await titlesByAddress(db, page.collection_id));
  return { ...surroundingsFrom(page, titles), titles };
}
