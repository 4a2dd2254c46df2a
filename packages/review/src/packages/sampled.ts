import { append, importsOf, resolveAddress, type Family, type Neighbours } from '@inkwell/core';
import { readPlace, UnreadableEntry, type Collection } from '@inkwell/formats';
import { barFor, type FoundIn } from '@inkwell/store';
import { askedOf } from '../bars.ts';
import { placed } from '../examine.ts';
import type { Services } from '../services.ts';
import { textsOf } from './texts.ts';

/** Open findings of a page by family. */
export type FamilyCounts = Partial<Record<Family, number>>;

/** Pages looked at before a package is taken on, spread evenly over it as it is read. */
const SAMPLE = 24;
/** Longest style sheet that is read for it, in bytes. */
const LONGEST_SHEET = 1_000_000;

/**
 * What stands open on some pages of a package that is no collection yet, as the house's standard asks for it: each page among its
 * neighbours in the package.
 */
export async function sampleOf(services: Services, collection: Collection, pages: FoundIn['pages']): Promise<FamilyCounts[]> {
  const chosen = new Map(spreadOver(pages, SAMPLE).map((page) => [page.path, page]));
  const titles = new Map(pages.map(({ path, title }) => [path, title]));
  const sheets = new Map<string, Promise<string>>();
  const counts: FamilyCounts[] = [];
  const texts = textsOf(
    collection.pages.filter(({ path }) => chosen.has(path)),
    [],
  );
  for await (const { page, html } of texts) {
    const told = chosen.get(page.path)!;
    const bar = await barFor(services.db, 0, told.content_type);
    const neighbours = { ...(await neighboursIn(collection, told, titles, sheets)), vocabulary: bar.vocabulary };
    const text = placed({ scope: told.scope, title: told.title, address: told.path }, html, neighbours);
    const { findings } = await services.engine.run('examine', { page: text });
    counts.push(byFamily(askedOf(findings, bar).filter(({ outcome }) => outcome === 'failed')));
  }
  return counts;
}

/** Some of a list at even distances, the first and the last among them. */
export function spreadOver<T>(all: readonly T[], most: number): T[] {
  if (all.length <= most) return [...all];
  return Array.from({ length: most }, (_, nth) => all[Math.round((nth * (all.length - 1)) / (most - 1))]!);
}

async function neighboursIn(
  collection: Collection,
  { path, title, refs }: FoundIn['pages'][number],
  titles: ReadonlyMap<string, string>,
  sheets: Map<string, Promise<string>>,
): Promise<Neighbours> {
  const targets = [...new Set(refs.filter(({ kind }) => kind !== 'anchor').map(({ target }) => target))];
  const named = targets.flatMap((target) => (titles.has(target) ? [[target, titles.get(target)!] as const] : []));
  return {
    titles: Object.fromEntries([...named, [path, title]]),
    files: collection.known,
    sheets: await sheetsIn(
      collection,
      refs.filter(({ kind }) => kind === 'sheet').map(({ target }) => target),
      sheets,
    ),
  };
}

/** Style sheets with those they import. */
async function sheetsIn(
  collection: Collection,
  paths: readonly string[],
  known: Map<string, Promise<string>>,
): Promise<Record<string, string>> {
  const found: Record<string, string> = {};
  for (const waiting = [...paths]; waiting.length > 0;) {
    const path = waiting.shift()!;
    if (Object.hasOwn(found, path)) continue;
    known.set(path, known.get(path) ?? textOf(collection, path));
    const text = await known.get(path)!;
    found[path] = text;
    append(
      waiting,
      importsOf(text).flatMap((address) => resolveAddress(path, address) ?? []),
    );
  }
  return found;
}

async function textOf({ files }: Collection, path: string): Promise<string> {
  const file = files.find((one) => one.path === path);
  if (!file) return '';
  try {
    return Buffer.from(await readPlace(file.place, LONGEST_SHEET)).toString('utf8');
  } catch (error) {
    if (error instanceof UnreadableEntry) return '';
    throw error;
  }
}

function byFamily(findings: readonly { family: Family }[]): FamilyCounts {
  const counts: FamilyCounts = {};
  for (const { family } of findings) counts[family] = (counts[family] ?? 0) + 1;
  return counts;
}
