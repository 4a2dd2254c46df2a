import { listsBy, lookup, importsOf, resolveAddress, type Neighbours, type Reference, type Vocabulary } from '@inkwell/core';
import { named, textsOfFiles, type Database, type Write } from '@inkwell/store';

/** A page in its collection, as far as neighbours go. */
export interface Place {
  id: number;
  collection_id: number;
  title: string;
  address: string;
}

const LONGEST_SHEET = 2_000_000;
/** Sheets may import others, so deep. */
const DEEPEST = 5;

/**
 * What a page's collection knows of the things the page names, and of nothing else: titles behind its links, which of its addresses
 * lead somewhere, what others say of its images, its style sheets. A page of 5,000 asks for its own 50 neighbours.
 */
export async function neighboursOf(
  db: Database | Write,
  page: Place,
  references: readonly Reference[],
  vocabulary: Vocabulary,
): Promise<Neighbours> {
  const inside = (one: Reference) => !/^[a-z][a-z0-9+.-]*:|^\/\//i.test(one.target);
  const own = references.filter((one) => one.kind !== 'anchor' && inside(one));
  const targets = [...new Set(own.map((one) => one.target))].sort();
  // A folder stands for the page in it.
  const paths = [...targets, ...targets.map((target) => `${target.replace(/\/$/, '')}${target === '' ? '' : '/'}index.html`)];
  const fragments = own
    .filter((one) => one.kind === 'link' && one.fragment !== '' && one.target !== page.address)
    .map(({ target, fragment }) => ({ target, fragment }));
  const images = [...new Set(own.filter((one) => one.kind === 'image').map((one) => one.target))].sort();
  const found = await named(db, page, paths, fragments, images);
  const names = listsBy(found.anchors.map(({ address, name }) => [address, name]));
  return {
    titles: Object.fromEntries([...found.pages.map(({ address, title }) => [address, title]), [page.address, page.title]]),
    files: found.files,
    asked: targets,
    anchors: Object.fromEntries(found.pages.map(({ address }) => [address, lookup(names, address) ?? []])),
    ...(found.ledTo.length > 0 ? { ledTo: { [page.address]: found.ledTo } } : {}),
    alternatives: listsBy(found.alternatives.map(({ target, page: where, alt }) => [target, { page: where, alt }])),
    vocabulary,
    sheets: await sheetsBehind(
      db,
      page.collection_id,
      own.filter((one) => one.kind === 'sheet').map((one) => one.target),
    ),
  };
}

/** Style sheets by path, with those they import. */
async function sheetsBehind(db: Database | Write, collectionId: number, paths: readonly string[]): Promise<Record<string, string>> {
  const sheets: Record<string, string> = {};
  let wanted = [...new Set(paths)];
  for (let depth = 0; wanted.length > 0 && depth < DEEPEST; depth++) {
    const read = await textsOfFiles(db, collectionId, wanted, LONGEST_SHEET);
    Object.assign(sheets, read);
    wanted = [
      ...new Set(Object.entries(read).flatMap(([path, text]) => importsOf(text).flatMap((address) => resolveAddress(path, address) ?? []))),
    ].filter((path) => !Object.hasOwn(sheets, path));
  }
  return sheets;
}

/** Whether a text names something its former one did not: then its neighbours have to be asked for anew. */
export function namesMore(before: readonly Reference[], after: readonly Reference[]): boolean {
  const known = new Set(before.map(nameOf));
  return after.some((one) => one.kind !== 'anchor' && !known.has(nameOf(one)));
}

const nameOf = ({ kind, target, fragment }: Reference) => `${kind}\n${target}\n${fragment}`;
