import { lookup, backgroundsIn, fileAt } from '@inkwell/core';
import { lookDistance, printDistance, type ImageLook } from '@inkwell/formats';
import {
  bytesWhole,
  collectionsToLookAt,
  firstLooks,
  imagesToLookAt,
  printsOf,
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
  const seen: Seen[] = [];
  for (const file of some)
    seen.push({ sha256: file.sha256, ...(file.size > LONGEST_IMAGE ? NOT_SEEN : await lookAt(await bytesWhole(db, file))) });
  if (seen.length > 0) await writeImageFacts(db, await withAlike(services, seen));
  const sheets = await readSheets(services, wish.collection);
  if (some.length === TOGETHER || sheets) await enqueue(db, SYSTEM, [lookAtImagesJob(wish.collection)]);
}

type Seen = ImageLook & { sha256: string };

const NOT_SEEN: ImageLook = { width: null, height: null, look: null, print: null, thumbnail: null };

/**
 * How far a copy of another size or quality may be from an image: places of the look, the shape, squares of the print. Measured on 2,400
 * images of Debian's documentation: pairs within them show the same thing, and drawings that differ in one box are 15 apart and more.
 */
const FARTHEST = 6;
const OTHER_SHAPE = 0.03;
const OTHER_PRINT = 10;

interface Leader {
  sha256: string;
  look: string;
  ratio: number;
}

/** Each image with the one seen first that it looks like; itself where there is none. */
async function withAlike({ db }: Services, seen: readonly Seen[]): Promise<NewImageFacts[]> {
  const leaders: Leader[] = await firstLooks(db);
  const near = new Set(seen.flatMap((one) => nearTo(one, leaders).map(({ sha256 }) => sha256)));
  const prints = await printsOf(db, [...near]);
  return seen.map((one) => {
    const { look, print, width, height } = one;
    if (look === null || print === null || width === null || height === null) return { ...one, alike: null };
    const same = nearTo(one, leaders).find(({ sha256 }) => {
      const other = prints.get(sha256);
      return other !== undefined && printDistance(other, print) <= OTHER_PRINT;
    });
    if (!same) {
      leaders.push({ sha256: one.sha256, look, ratio: width / height });
      prints.set(one.sha256, print);
    }
    return { ...one, alike: same?.sha256 ?? one.sha256 };
  });
}

/** Images seen before that an image may be a copy of, the nearest first. */
function nearTo({ look, width, height }: ImageLook, leaders: readonly Leader[]): Leader[] {
  if (look === null || width === null || height === null) return [];
  return leaders
    .filter((one) => Math.abs((one.ratio * height) / width - 1) <= OTHER_SHAPE)
    .map((one) => ({ one, apart: lookDistance(one.look, look) }))
    .filter(({ apart }) => apart <= FARTHEST)
    .sort((a, b) => a.apart - b.apart)
    .map(({ one }) => one);
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
    backgroundsIn(lookup(texts, path) ?? '').flatMap(({ selector, url }) => {
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
