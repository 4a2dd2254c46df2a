import { lookup } from '../source/lookup.ts';
/** A page that may be chosen for a sample. */
export interface Candidate {
  id: number;
  contentType: string;
  /** How it is made up, as one word: pages of the same are alike. */
  makeUp: string;
  /** What is open on it by family, and whether it holds. */
  families: Readonly<Record<string, number>>;
  /** Whether it is where readers begin: the first page of the collection, or of a part of it. */
  isEntry: boolean;
}

export interface Chosen {
  id: number;
  chosen: 'structured' | 'random';
  because: string;
}

/**
 * A sample after WCAG-EM 1.0, step 3: a structured one of pages that stand for the others (where readers begin, each content type, each way
 * of being made up, where most of each family stands open), and a random one of a tenth of it, drawn from the rest. The same seed gives the
 * same pages. `most`: how many the structured sample may hold; it takes one of each reason in turn.
 */
export function samplePages(candidates: readonly Candidate[], seed: number, most: number): Chosen[] {
  const structured = new Map<number, string>();
  const take = (page: Candidate | undefined, because: string) => {
    if (page && structured.size < most && !structured.has(page.id)) structured.set(page.id, because);
  };
  for (const page of candidates.filter(({ isEntry }) => isEntry).slice(0, Math.ceil(most / 4))) take(page, 'readers begin here');
  const types = firstOfEach(candidates, ({ contentType }) => contentType);
  for (const [type, page] of types) take(page, `stands for pages of the type ${type || 'page'}`);
  const families = [...new Set(candidates.flatMap(({ families: own }) => Object.keys(own)))].sort();
  for (const family of families) take(worstIn(candidates, family), `most of ${family} stands open here`);
  const ways = [...firstOfEach(candidates, ({ makeUp }) => makeUp)].sort((a, b) => manyOf(candidates, b[0]) - manyOf(candidates, a[0]));
  for (const [, page] of ways) take(page, 'stands for pages made up like it');
  const rest = candidates.filter(({ id }) => !structured.has(id));
  const random = drawn(rest, Math.min(rest.length, Math.max(1, Math.ceil(structured.size / 10))), seed);
  return [
    ...[...structured].map(([id, because]) => ({ id, chosen: 'structured' as const, because })),
    ...random.map(({ id }) => ({ id, chosen: 'random' as const, because: `drawn with seed ${seed}` })),
  ];
}

function firstOfEach(candidates: readonly Candidate[], key: (page: Candidate) => string): Map<string, Candidate> {
  const found = new Map<string, Candidate>();
  for (const page of candidates) if (!found.has(key(page))) found.set(key(page), page);
  return found;
}

const manyOf = (candidates: readonly Candidate[], makeUp: string) =>
  candidates.reduce((many, one) => many + (one.makeUp === makeUp ? 1 : 0), 0);

function worstIn(candidates: readonly Candidate[], family: string): Candidate | undefined {
  let worst: Candidate | undefined;
  for (const page of candidates) if ((lookup(page.families, family) ?? 0) > (lookup(worst?.families, family) ?? 0)) worst = page;
  return worst;
}

/** So many of a list, each as likely as any other (Fisher–Yates, from its end), in the order of the list. */
function drawn<T>(list: readonly T[], many: number, seed: number): T[] {
  const next = numbersFrom(seed);
  const order = list.map((_, nth) => nth);
  for (let nth = 0; nth < many; nth++) {
    const other = nth + Math.floor(next() * (order.length - nth));
    [order[nth], order[other]] = [order[other]!, order[nth]!];
  }
  return order
    .slice(0, many)
    .sort((a, b) => a - b)
    .map((nth) => list[nth]!);
}

/** Numbers from 0 to 1 that a seed gives (mulberry32, a published generator of 32 bits). */
function numbersFrom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}
