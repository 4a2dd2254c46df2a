import { FILE_BASE_FOLDER } from '@inkwell/core';
import { readImage } from '@inkwell/formats';
import {
  folderOfImages,
  hashOf,
  imagesToChoose,
  imageWithHash,
  lockCollection,
  pageForEngine,
  pagesToChoose,
  pathsLike,
  placeFiles,
  writing,
  type ImageToChoose,
  type PageToChoose,
} from '@inkwell/store';
import type { Actor } from './actor.ts';
import { placed } from './examine.ts';
import { slugOf } from './bringIn.ts';
import { inCollection } from './inCollection.ts';
import { done, notFound, refused, type Result } from './problems.ts';
import type { Services } from './services.ts';

/** Told at once. */
const SOME = 60;

export interface Choices<T> {
  choices: T[];
  more: boolean;
}

export type HeadingToChoose = { level: number; name: string; id: string | null };

function some<T>(found: readonly T[]): Choices<T> {
  return { choices: found.slice(0, SOME), more: found.length > SOME };
}

/** Images of a collection, by path from `after` on: what an image of a page can be. */
export async function chooseImage(
  services: Services,
  actor: Actor,
  wish: { collection: string; words: string; after: string },
): Promise<Result<Choices<ImageToChoose>>> {
  const found = await inCollection(services.db, actor, 'see', wish.collection);
  if (!found.ok) return found;
  return done(some(await imagesToChoose(services.db, found.value.id, { words: wish.words.trim(), after: wish.after, limit: SOME + 1 })));
}

/** Pages of a collection in its order, but for the first `skip`: where a link can lead. */
export async function choosePage(
  services: Services,
  actor: Actor,
  wish: { collection: string; words: string; skip: number },
): Promise<Result<Choices<PageToChoose>>> {
  const found = await inCollection(services.db, actor, 'see', wish.collection);
  if (!found.ok) return found;
  return done(some(await pagesToChoose(services.db, found.value.id, { words: wish.words.trim(), skip: wish.skip, limit: SOME + 1 })));
}

/** The headings of a page: a link leads to one that has a name of its own. */
export async function chooseHeading(
  services: Services,
  actor: Actor,
  wish: { collection: string; page: string },
): Promise<Result<HeadingToChoose[]>> {
  const found = await inCollection(services.db, actor, 'see', wish.collection);
  if (!found.ok) return found;
  const page = await pageForEngine(services.db, { collection: wish.collection, slug: wish.page });
  if (!page) return notFound('This page');
  const text = placed(page.page, page.html, { titles: {}, vocabulary: page.bar.vocabulary });
  return done(await services.engine.run('headings', { page: text }));
}

/** Largest image taken in, in bytes. */
export const LARGEST_IMAGE = 20_000_000;

export interface BroughtImage {
  path: string;
  width: number;
  height: number;
  /** Whether its very bytes lay there already. */
  known: boolean;
}

/**
 * Takes an image into a collection, where most of its images lie, under a name made of its own. What its bytes are counts, not what it
 * is called. One that is there already is not kept twice.
 */
export async function bringImage(
  services: Services,
  actor: Actor,
  wish: { collection: string; name: string; bytes: Uint8Array },
): Promise<Result<BroughtImage>> {
  const found = await inCollection(services.db, actor, 'change a page', wish.collection);
  if (!found.ok) return found;
  const image = readImage(wish.bytes);
  if (!image)
    return refused({
      code: 'bad-page',
      what: 'This file is no image that pages can show',
      why: 'Browsers show PNG, JPEG, GIF, WebP, AVIF and SVG; this holds something else, or was cut short.',
      kept: 'Nothing was taken in, and the page is as it was.',
      next: 'Save the image as PNG or JPEG, and choose that.',
    });
  const { ending, mediaType, width, height } = image;
  return writing(services.db, async (trx) => {
    // Two at once must not be given one name.
    await lockCollection(trx, wish.collection);
    const known = await imageWithHash(trx, found.value.id, hashOf(wish.bytes));
    if (known !== null) return done({ path: known, width, height, known: true });
    const folder = (await folderOfImages(trx, found.value.id)) ?? 'images/';
    const start = `${folder}${nameOf(wish.name)}`;
    const taken = await pathsLike(trx, found.value.id, start);
    let path = `${start}.${ending}`;
    for (let nth = 2; taken.has(path); nth++) path = `${start}-${nth}.${ending}`;
    // In a course files also lie where its pages call them by.
    const called = `${FILE_BASE_FOLDER}/${folder}`;
    const also = (await pathsLike(trx, found.value.id, called)).size > 0 ? [`${FILE_BASE_FOLDER}/${path}`] : [];
    await placeFiles(
      trx,
      found.value.id,
      [path, ...also].map((at) => ({ path: at, mediaType, bytes: wish.bytes })),
    );
    return done({ path, width, height, known: false });
  });
}

/** A file's name without its ending: lower case, plain letters, words joined by dashes. */
function nameOf(name: string): string {
  const stem = name.replace(/^.*[/\\]/, '').replace(/\.[a-z0-9]{1,5}$/i, '');
  const slug = slugOf(stem);
  return slug === 'page' && !/page/i.test(stem) ? 'image' : slug;
}
