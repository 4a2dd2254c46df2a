import { decodeHtml, LARGEST_PAGE, pagesInXml, readPlace, UnreadableEntry, type CollectionPage, type Decoded } from '@inkwell/formats';

/** A page of a package with its text. */
export interface PageText {
  page: CollectionPage;
  read: Decoded;
  html: string;
}

/** The texts of pages, one after another; what cannot be read is told in `troubles`. A file that holds several is read once. */
export async function* textsOf(pages: readonly CollectionPage[], troubles: { path: string; what: string }[]): AsyncGenerator<PageText> {
  let [last, bytes, inside]: [CollectionPage['file'] | null, Decoded | null, ReturnType<typeof pagesInXml>] = [null, null, []];
  for (const page of pages) {
    if (page.file !== last) {
      const read = await decoded(page);
      if (typeof read === 'string') troubles.push({ path: page.path, what: read });
      [last, bytes, inside] = [page.file, typeof read === 'string' ? null : read, []];
      if (bytes && page.inside !== null) inside = pagesInXml(bytes.text);
    }
    if (!bytes) continue;
    const html = page.inside === null ? bytes.text : inside.find(({ path }) => path === page.inside)?.html;
    if (html !== undefined) yield { page, read: bytes, html };
  }
}

async function decoded({ file }: CollectionPage): Promise<Decoded | string> {
  try {
    const read = decodeHtml(await readPlace(file.place, LARGEST_PAGE));
    if (read.ok) return read;
    return read.reason === 'empty' ? 'is empty, and was left out' : 'is no page of text, and was left out';
  } catch (error) {
    if (error instanceof UnreadableEntry) return error.message;
    throw error;
  }
}
