/** Hashes that stand for a text: two texts share as many of them as they share words in a row. */
export type Sketch = readonly number[];

/** Words in a row that count as one. */
const IN_A_ROW = 4;
/** Hashes kept of a text: the smallest ones. */
const KEPT = 128;
/** Two pages that share less are two pages. */
const ALIKE = 0.4;

/**
 * A text's smallest hashes over four words in a row, its markup left out; shorter texts are told by fewer words.
 *
 * @param common what stands on every page and tells none apart, as `commonIn` gives it
 * @see A. Z. Broder, "On the resemblance and containment of documents", 1997
 */
export function sketchOf(html: string, common: ReadonlySet<number> = new Set()): Sketch {
  const hashes = [...shinglesOf(html)].filter((one) => !common.has(one));
  return hashes.sort((a, b) => a - b).slice(0, KEPT);
}

/** What most of some pages hold: their header, their footer, their menus. A single page tells nothing of it. */
export function commonIn(pages: readonly string[]): Set<number> {
  const held = new Map<number, number>();
  for (const html of pages) for (const one of shinglesOf(html)) held.set(one, (held.get(one) ?? 0) + 1);
  return new Set([...held].filter(([, many]) => many >= Math.max(2, pages.length / 2)).map(([one]) => one));
}

function shinglesOf(html: string): Set<number> {
  const words = html
    .replace(/<(script|style)\b[\s\S]*?<\/\1\s*>|<[^>]*>/gi, ' ')
    .toLowerCase()
    .match(/[\p{L}\p{N}]+/gu);
  const hashes = new Set<number>();
  if (words) for (let at = 0; at <= Math.max(0, words.length - IN_A_ROW); at++) hashes.add(hash(words.slice(at, at + IN_A_ROW).join(' ')));
  return hashes;
}

/** FNV-1a, 32 bits (Fowler, Noll, Vo). */
function hash(text: string): number {
  let value = 0x811c9dc5;
  for (let at = 0; at < text.length; at++) value = Math.imul(value ^ text.charCodeAt(at), 0x01000193);
  return value >>> 0;
}

/** How much two texts have in common, 0 to 1, from the smallest hashes of both together. */
export function resemblance(a: Sketch, b: Sketch): number {
  const [first, second] = [new Set(a), new Set(b)];
  const least = [...new Set([...a, ...b])].sort((x, y) => x - y).slice(0, KEPT);
  if (least.length === 0) return 0;
  return least.filter((one) => first.has(one) && second.has(one)).length / least.length;
}

/** A page as versions of a collection are compared: its place, and its text by hash and by sketch. */
export interface Matchable {
  path: string;
  /** Hashes of the texts by which it is known: as it came, and as it is now. */
  hashes: readonly string[];
  sketch: Sketch;
}

/**
 * Which page of a collection each page of its newer version is: by place, then by its very text, then by what the texts have in common.
 * Gives the newer page's index by the older one's; pages without a partner are in neither.
 */
export function matchPages(old: readonly Matchable[], fresh: readonly Matchable[]): Map<number, number> {
  const pairs = new Map<number, number>();
  const taken = new Set<number>();
  const pair = (from: number, to: number) => {
    if (pairs.has(from) || taken.has(to)) return;
    pairs.set(from, to);
    taken.add(to);
  };
  const byPath = new Map(fresh.map(({ path }, to) => [path, to]));
  for (const [from, { path }] of old.entries()) if (byPath.has(path)) pair(from, byPath.get(path)!);
  const byHash = new Map<string, number[]>();
  for (const [to, { hashes }] of fresh.entries()) for (const one of hashes) byHash.set(one, [...(byHash.get(one) ?? []), to]);
  for (const [from, { hashes }] of old.entries()) {
    const to = hashes.flatMap((one) => byHash.get(one) ?? []).find((one) => !taken.has(one));
    if (to !== undefined) pair(from, to);
  }
  for (const { from, to } of alikePairs(old, fresh, pairs, taken)) pair(from, to);
  return pairs;
}

/** Pairs of pages without a partner that have much in common, the most alike first. */
function alikePairs(
  old: readonly Matchable[],
  fresh: readonly Matchable[],
  pairs: ReadonlyMap<number, number>,
  taken: ReadonlySet<number>,
): { from: number; to: number; share: number }[] {
  const sharing = new Map<number, number[]>();
  for (const [to, { sketch }] of fresh.entries())
    if (!taken.has(to)) for (const one of sketch) sharing.set(one, [...(sharing.get(one) ?? []), to]);
  const alike: { from: number; to: number; share: number }[] = [];
  for (const [from, { sketch }] of old.entries()) {
    if (pairs.has(from)) continue;
    // What every page has, such as a header, brings all pages together and tells none apart.
    const near = new Set(sketch.flatMap((one) => (sharing.get(one) ?? []).slice(0, MOST_SHARING)));
    for (const to of near) {
      const share = resemblance(sketch, fresh[to]!.sketch);
      if (share >= ALIKE) alike.push({ from, to, share });
    }
  }
  return alike.sort((a, b) => b.share - a.share || a.from - b.from || a.to - b.to);
}

const MOST_SHARING = 50;
