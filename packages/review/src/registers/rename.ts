import {
  append,
  lookup,
  applyEdits,
  FILE_BASE_FOLDER,
  oddNameOf,
  type OddName,
  renameInStyles,
  renameInXml,
  type Renames,
} from '@inkwell/core';
import { nameFromWords, plainName } from '@inkwell/formats';
import {
  casesOf,
  filesOf,
  hashOf,
  keepFile,
  pagesShowing,
  pathsIn,
  pathsLike,
  snapshot,
  thingsChosen,
  textsOfFiles,
  type StrokeFile,
  type Write,
} from '@inkwell/store';
import type { Actor } from '../actor.ts';
import { inCollection } from '../inCollection.ts';
import type { Services } from '../services.ts';
import { reached, type Reach } from './reach.ts';
import { wishOf, type RegisterChoice } from './register.ts';
import { keysOf } from './thing.ts';
import { done, refused, type Result } from '../problems.ts';

export interface Renamed {
  renames: (readonly [string, string])[];
  /** The same without the names that only pages of a course call files by: what readers are sent on by. */
  redirects: (readonly [string, string])[];
  /** Files that lie elsewhere, and those that refer to them and follow. */
  files: StrokeFile[];
  /** Pages that refer to them. */
  showing: number[];
}

/** Longest style sheet or drawing that is looked through for references, in bytes. */
const LONGEST = 4_000_000;

/** What it takes to give files of a collection other names: the files themselves, and whatever refers to them. */
export async function renamesIn(trx: Write, collectionId: number, wished: ReadonlyMap<string, string>): Promise<Result<Renamed>> {
  if (wished.size === 0) return done({ renames: [], redirects: [], files: [], showing: [] });
  const all = await filesOf(trx, collectionId);
  const byPath = new Map(all.map((file) => [file.path, file]));
  const taken = new Set(byPath.keys());
  const renames: (readonly [string, string])[] = [];
  for (const [called, name] of wished) {
    const own = called.startsWith(BASE) ? called.slice(BASE.length) : called;
    const path = byPath.has(own) ? own : called;
    if (!byPath.has(path)) return gone(path);
    const to = `${path.slice(0, path.lastIndexOf('/') + 1)}${name}`;
    if (to === path || renames.some(([from]) => from === path)) continue;
    if (!/^[\p{L}\p{N}][^/\\?#%:*"<>|\s]{0,120}$/u.test(name) || plainName(name) === '') return badName(name);
    if (taken.has(to)) return isTaken(to, path, name, taken);
    taken.add(to);
    renames.push([path, to]);
  }
  // In a course each file also lies where its pages call it by.
  const aliases = renames.flatMap(([from, to]) => (byPath.has(`${BASE}${from}`) ? [[`${BASE}${from}`, `${BASE}${to}`] as const] : []));
  const moved = [...renames, ...aliases];
  const files = moved.flatMap(([from, to]): StrokeFile[] => {
    const { sha256 } = byPath.get(from)!;
    return [
      { path: from, before: sha256, after: null },
      { path: to, before: null, after: sha256 },
    ];
  });
  append(files, await following(trx, collectionId, all, new Map(moved)));
  const showing = await pagesShowing(
    trx,
    collectionId,
    moved.map(([from]) => from),
  );
  return done({ renames: moved, redirects: renames, files, showing });
}

const BASE = `${FILE_BASE_FOLDER}/`;

/** Style sheets and drawings that refer to files, with their references following. */
async function following(
  trx: Write,
  collectionId: number,
  all: Awaited<ReturnType<typeof filesOf>>,
  renames: Renames,
): Promise<StrokeFile[]> {
  const some = all.filter(({ path, size }) => /\.(?:css|svg)$/i.test(path) && size <= LONGEST && !renames.has(path));
  const texts = await textsOfFiles(
    trx,
    collectionId,
    some.map(({ path }) => path),
    LONGEST,
  );
  const changed: StrokeFile[] = [];
  for (const { path, sha256, mediaType } of some) {
    const text = lookup(texts, path) ?? '';
    const edits = /\.css$/i.test(path) ? renameInStyles(text, path, renames) : renameInXml(text, path, renames);
    if (edits.length === 0) continue;
    const bytes = new TextEncoder().encode(applyEdits(text, edits));
    await keepFile(trx, mediaType, bytes);
    changed.push({ path, before: sha256, after: hashOf(bytes) });
  }
  return changed;
}

const gone = (path: string) =>
  refused({
    code: 'not-found',
    what: `${path} is no longer here`,
    why: 'It was renamed or taken out meanwhile.',
    kept: 'Nothing was changed.',
    next: 'Look at the register again.',
  });

const badName = (name: string) =>
  refused({
    code: 'declined',
    what: `“${name}” cannot be a file’s name`,
    why: 'It needs letters or digits, and no spaces, slashes or signs that addresses are made of.',
    kept: 'Nothing was changed.',
    next: 'Use lower-case words with dashes: heron-at-lock.png.',
  });

function isTaken(to: string, path: string, name: string, taken: ReadonlySet<string>) {
  const words = name.replace(/\.[a-z0-9]+$/i, '');
  const free = nameFromWords(path, words, (other) => taken.has(other));
  return refused({
    code: 'duplicate',
    what: `Another file is called ${to} already`,
    kept: 'Nothing was changed.',
    ...(free ? { next: `${free} is free.` } : {}),
  });
}

export interface NameForFile {
  /** What is odd about the name it has; null where nothing is. */
  odd: OddName | null;
  /** A name made of the words that is free in its folder; null where they say nothing. */
  proposed: string | null;
}

/** What an image file's name is like, and the one that words give it. */
export async function proposeName(
  services: Services,
  actor: Actor,
  wish: { collection: string; path: string; words: string },
): Promise<Result<NameForFile>> {
  const found = await inCollection(services.db, actor, 'see', wish.collection);
  if (!found.ok) return found;
  const folder = wish.path.slice(0, wish.path.lastIndexOf('/') + 1);
  const taken = await pathsLike(services.db, found.value.id, folder);
  return done({
    odd: oddNameOf(wish.path),
    proposed: nameFromWords(wish.path, wish.words, (other) => other !== wish.path && taken.has(other)),
  });
}

export interface ProposedName {
  thing: string;
  collection: string;
  path: string;
  odd: OddName | null;
  /** Without its folder; null where nothing is known that would make a name. */
  proposed: string | null;
  pages: number;
}

/** Files that are named at one time. */
const MOST_NAMED = 500;

/** Names for the files of images that were chosen, each made of what is said of it, unlike any other there. */
export function proposeNames(
  services: Services,
  actor: Actor,
  wish: Reach & { choice: RegisterChoice; keys: readonly string[] | null },
): Promise<Result<ProposedName[]>> {
  return snapshot(services.db, async (at) => {
    const found = await reached(at, actor, 'see', wish);
    if (!found.ok) return found;
    const things = await thingsChosen(at, wishOf(wish.choice, found.value), wish.keys, MOST_NAMED);
    const cases = await casesOf(at, things, MOST_NAMED * 10);
    const slugs = new Map(found.value.map(({ id, slug }) => [id, slug]));
    const taken = new Map<number, Set<string>>();
    for (const { path, collection_id: id } of await pathsIn(at, [...slugs.keys()])) taken.set(id, (taken.get(id) ?? new Set()).add(path));
    const named = new Map<string, ProposedName>();
    for (const one of cases) {
      const key = `${one.collection_id} ${one.thing}`;
      const there = taken.get(one.collection_id);
      if (!there?.has(one.thing) || one.facts.kind === 'icon') continue;
      const known = named.get(key);
      const words = one.facts.decorative ? '' : (one.says ?? String(one.facts.caption ?? ''));
      if (known && (known.proposed !== null || words.trim() === '')) {
        known.pages += one.pages;
        continue;
      }
      const proposed = nameFromWords(one.thing, words, (other) => other !== one.thing && there.has(other));
      const folder = one.thing.slice(0, one.thing.lastIndexOf('/') + 1);
      if (proposed !== null) there.add(`${folder}${proposed}`);
      const { thing } = keysOf(one);
      const pages = one.pages + (known?.pages ?? 0);
      named.set(key, { thing, collection: slugs.get(one.collection_id)!, path: one.thing, odd: oddNameOf(one.thing), proposed, pages });
    }
    return done([...named.values()].sort((a, b) => Number(b.odd !== null) - Number(a.odd !== null)));
  });
}
