import { commonIn, matchPages, sketchOf, type Matchable } from '@inkwell/core';
import { baseTexts, knownPages, type Became, type FoundIn, type KnownPage } from '@inkwell/store';
import type { Services } from '../services.ts';

type Told = FoundIn['pages'][number];

/** Pages that are looked at for what all pages have in common. */
const SAMPLE = 8;
/** Texts of pages read at once. */
const TOGETHER = 50;

/** Gives the texts of chosen pages of a package, one after another. */
export type TextsOf = (paths: ReadonlySet<string>) => AsyncIterable<{ path: string; html: string }>;

/**
 * Compares the pages of a package with those of the collection it is a newer version of: which page each is and what became of it, and
 * which pages it no longer holds.
 */
export async function comparedWith(
  services: Services,
  collectionId: number,
  pages: readonly Told[],
  textsOf: TextsOf,
): Promise<{ pages: Told[]; gone: number[] }> {
  const known = await knownPages(services.db, collectionId);
  const pairs = await paired(services, known, pages, textsOf);
  const byFresh = new Map([...pairs].map(([from, to]) => [to, known[from]!]));
  return {
    pages: pages.map((page, to) => {
      const old = byFresh.get(to);
      return old ? { ...page, page_id: old.id, became: whatBecame(old, page) } : page;
    }),
    gone: known.filter(({ gone, packed }, from) => packed && !gone && !pairs.has(from)).map(({ id }) => id),
  };
}

function whatBecame(old: KnownPage, page: Told): Became {
  if (old.gone) return 'back';
  const same = page.text_sha256 === old.base || page.text_sha256 === old.head;
  if (page.path === old.address) return same ? 'as it was' : 'changed';
  return same ? 'moved' : 'moved and changed';
}

/** By place and text first; only pages left alone are read for what they have in common. */
async function paired(
  services: Services,
  known: readonly KnownPage[],
  pages: readonly Told[],
  textsOf: TextsOf,
): Promise<Map<number, number>> {
  const old = known.map(({ address: path, base, head }): Matchable => ({ path, hashes: [base, head], sketch: [] }));
  const fresh = pages.map(({ path, text_sha256 }): Matchable => ({ path, hashes: [text_sha256!], sketch: [] }));
  const pairs = matchPages(old, fresh);
  const taken = new Set(pairs.values());
  const [lonely, coming] = [
    [...known.keys()].filter((from) => !pairs.has(from) && known[from]!.packed),
    [...pages.keys()].filter((to) => !taken.has(to)),
  ];
  if (lonely.length === 0 || coming.length === 0) return pairs;
  const sample = await baseTexts(
    services.db,
    [...pairs.keys()].slice(0, SAMPLE).map((from) => known[from]!.id),
  );
  const common = commonIn(sample.map(({ html }) => html));
  const sketches = new Map<number, Matchable['sketch']>();
  for (let at = 0; at < lonely.length; at += TOGETHER)
    for (const { id, html } of await baseTexts(
      services.db,
      lonely.slice(at, at + TOGETHER).map((from) => known[from]!.id),
    ))
      sketches.set(id, sketchOf(html, common));
  const newer = new Map<string, Matchable['sketch']>();
  for await (const { path, html } of textsOf(new Set(coming.map((to) => pages[to]!.path)))) newer.set(path, sketchOf(html, common));
  const more = matchPages(
    lonely.map((from) => ({ ...old[from]!, sketch: sketches.get(known[from]!.id) ?? [] })),
    coming.map((to) => ({ ...fresh[to]!, sketch: newer.get(fresh[to]!.path) ?? [] })),
  );
  for (const [from, to] of more) pairs.set(lonely[from]!, coming[to]!);
  return pairs;
}
