import { backgroundsIn, fileAt } from '@inkwell/core';
import { lookDistance, type ImageLook } from '@inkwell/formats';
import {
  bytesOf,
  collectionsToLookAt,
  firstLooks,
  imagesToLookAt,
  sheetsToRead,
  SYSTEM,
  textsOfFiles,
  writeImageFacts,
  writeSheetImages,
  writing,
  type NewImageFacts,
} from '@inkwell/store';
import { enqueue } from '@inkwell/work';
import { lookAtImagesJob } from '../jobs.ts';
import type { Services } from '../services.ts';

/** What draws an image small and tells how it looks: in a thread of its own. */
export type LookAtImage = (bytes: Uint8Array) => Promise<ImageLook>;

/** Images looked at in one job: whatever else waits comes in between. */
const TOGETHER = 24;
/** Longest image and style sheet that is read, in bytes. */
const LONGEST_IMAGE = 40_000_000;
const LONGEST_SHEET = 2_000_000;

/** A job: looks at some images of a collection, and reads its style sheets for those they set; puts in another for the rest. */
export async function lookAtImages(services: Services, lookAt: LookAtImage, wish: { collection: number }): Promise<void> {
  const { db } = services;
  const some = await imagesToLookAt(db, wish.collection, TOGETHER);
  if (some.length > 0) {
    const leaders = await firstLooks(db);
    const facts: NewImageFacts[] = [];
    for (const file of some) {
      const seen = file.size > LONGEST_IMAGE ? NOT_SEEN : await lookAt(await bytesTogether(services, file));
      facts.push({ sha256: file.sha256, ...seen, alike: alikeTo(file.sha256, seen, leaders) });
    }
    await writeImageFacts(db, facts);
  }
  const sheets = await readSheets(services, wish.collection);
  if (some.length === TOGETHER || sheets) await enqueue(db, SYSTEM, [lookAtImagesJob(wish.collection)]);
}

const NOT_SEEN: ImageLook = { width: null, height: null, look: null, thumbnail: null };

async function bytesTogether({ db }: Services, file: Parameters<typeof bytesOf>[1]): Promise<Uint8Array> {
  const parts: Buffer[] = [];
  for await (const part of bytesOf(db, file)) parts.push(part);
  return Buffer.concat(parts);
}

/** Most places in which the looks of one image in two sizes or qualities differ, of 64, and how far their shapes may. Measured: see docs. */
const FARTHEST = 3;
const OTHER_SHAPE = 0.03;

/** The image seen first that this one looks like; itself where there is none. */
function alikeTo(
  sha256: string,
  { look, width, height }: ImageLook,
  leaders: { sha256: string; look: string; ratio: number }[],
): string | null {
  if (look === null || width === null || height === null) return null;
  const ratio = width / height;
  const near = leaders
    .filter((one) => Math.abs(one.ratio / ratio - 1) <= OTHER_SHAPE)
    .map((one) => ({ one, apart: lookDistance(one.look, look) }))
    .filter(({ apart }) => apart <= FARTHEST)
    .sort((a, b) => a.apart - b.apart)[0];
  if (near) return near.one.sha256;
  leaders.push({ sha256, look, ratio });
  return sha256;
}

/** Reads style sheets that have changed; whether there may be more. */
async function readSheets({ db }: Services, collection: number): Promise<boolean> {
  const sheets = await sheetsToRead(db, collection, LONGEST_SHEET, TOGETHER);
  if (sheets.length === 0) return false;
  const texts = await textsOfFiles(
    db,
    collection,
    sheets.map(({ path }) => path),
    LONGEST_SHEET,
  );
  const images = sheets.flatMap(({ path }) =>
    backgroundsIn(texts[path] ?? '').flatMap(({ selector, url }) => {
      const file = fileAt(url, path);
      return file ? [{ sheet: path, selector, name: file.file, borrowed: file.borrowed }] : [];
    }),
  );
  await writing(db, (trx) => writeSheetImages(trx, collection, sheets, images));
  return sheets.length === TOGETHER;
}

/** Puts in jobs for all that nobody has looked at: many workers put in one for each collection between them. */
export async function lookWhereNobodyHas({ db }: Services): Promise<void> {
  await enqueue(db, SYSTEM, (await collectionsToLookAt(db)).map(lookAtImagesJob));
}
