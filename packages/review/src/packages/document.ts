import { readFile, stat } from 'node:fs/promises';
import { join } from 'node:path';
import {
  convertDocx,
  convertMhtml,
  isBareImages,
  isDocx,
  isMhtml,
  isZip,
  limitsFrom,
  pageOfImages,
  RefusedZip,
  spliceZip,
  UnreadableDocument,
  writeNewZip,
  zipSource,
  type Converted,
  type Source,
} from '@inkwell/formats';

/** What was sent, as a package that can be read. */
export interface Opened {
  source: Source;
  /** The package that was made of it, where it was none; with the name it goes by. */
  made: { file: string; name: string } | null;
  /** What it calls itself; '' where it is a package, which says so itself. */
  title: string;
  troubles: { path: string; what: string }[];
}

/**
 * Opens what was sent. A word-processor document and a page saved as one file become a site of one page with its images; images alone get a
 * page that shows them.
 *
 * @param folder where it may write
 * @throws RefusedZip, UnreadableDocument
 */
export async function openSent(file: string, name: string, folder: string): Promise<Opened> {
  if (!(await isZip(file))) {
    const bytes = await wholeOf(file);
    if (!isMhtml(bytes.subarray(0, HEAD))) throw new RefusedZip('not a zip', `${name} is no zip archive`);
    return ofDocument(await convertMhtml(bytes, name), name, folder);
  }
  const source = await zipSource(file, limitsFrom(process.env));
  if (isDocx(source)) return ofDocument(await convertDocx(await wholeOf(file), source, name), name, folder);
  const paths = source.files.map(({ path }) => path);
  if (isBareImages(paths)) return withPage(source, name, folder);
  return { source, made: null, title: '', troubles: [] };
}

/** Bytes by which the kind of a file is told. */
const HEAD = 4_096;

/** Largest document taken in, in bytes: what converts it holds all of it. */
const LARGEST_DOCUMENT = 100_000_000;

async function wholeOf(file: string): Promise<Buffer> {
  if ((await stat(file)).size > LARGEST_DOCUMENT)
    throw new UnreadableDocument(`It is a document of more than ${LARGEST_DOCUMENT / 1_000_000} MB; a site of so much comes as a zip.`);
  return readFile(file);
}

const withoutEnding = (name: string) => name.replace(/\.[^.]+$/, '');

async function ofDocument({ title, files, troubles }: Converted, name: string, folder: string): Promise<Opened> {
  const file = join(folder, 'made.zip');
  await writeNewZip(file, inTurn(files));
  return {
    source: await zipSource(file, limitsFrom(process.env)),
    made: { file, name: `${withoutEnding(name)}.zip` },
    title,
    troubles: [...troubles],
  };
}

async function* inTurn(files: Converted['files']) {
  for (const { path, bytes } of files) yield await Promise.resolve({ path, bytes: () => Promise.resolve(bytes) });
}

/** An archive of images with a page that shows them; every image stays byte for byte. */
async function withPage(source: Source, name: string, folder: string): Promise<Opened> {
  const title = `Images of ${withoutEnding(name)}`;
  const html = pageOfImages(
    source.files.map(({ path }) => path),
    title,
  );
  const file = join(folder, 'made.zip');
  await spliceZip(source.directory!, none(), file, page(html));
  return { source: await zipSource(file, limitsFrom(process.env)), made: { file, name }, title, troubles: [] };
}

async function* none() {}

async function* page(html: string) {
  yield await Promise.resolve({ path: 'index.html', bytes: Buffer.from(html) });
}
