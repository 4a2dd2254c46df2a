import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { writeNewZip } from '@inkwell/formats';
import {
  acceptIntoShelf,
  desk,
  examineArrivals,
  readPackage,
  receivePackage,
  saveSource,
  sendOut,
  unpackPackage,
  type Actor,
  type Result,
  type Services,
} from '@inkwell/review';
import { arrivalsOf, packageById } from '@inkwell/store';
import { generatedPage } from './pages.ts';

/** Bytes of one of the pages, and every so many of them another text. */
const BYTES = { course: 20_000, small: 2_000 };

function must<T>(result: Result<T>): T {
  if (!result.ok) throw new Error(`${result.problem.what}: ${result.problem.why ?? ''}`);
  return result.value;
}

/** Whole collections in and out again, in a folder of their own that goes with the work. */
export async function inAFolder(work: (whole: WholeCollections) => Promise<void>, services: Services, by: Actor): Promise<void> {
  const folder = await mkdtemp(join(tmpdir(), 'inkwell-bench-'));
  try {
    await work(new WholeCollections(services, by, folder));
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

export class WholeCollections {
  constructor(
    private readonly services: Services,
    private readonly by: Actor,
    private readonly folder: string,
  ) {}

  /** Writes a site of so many pages as its zip. `changed`: so many of them have another text than usual. */
  async site(name: string, pages: number, size: keyof typeof BYTES, changed = 0): Promise<string> {
    const file = join(this.folder, name);
    await writeNewZip(file, entries(pages, BYTES[size], changed));
    return file;
  }

  /** A package from what was sent to a filled ledger, as one worker would do it. Gives the collection's address. */
  async in(name: string, file: string, newerOf?: string): Promise<string> {
    const id = must(await receivePackage(this.services, this.by, { name, file, newerOf }));
    await readPackage(this.services, { id, last: true });
    must(await acceptIntoShelf(this.services, this.by, { id, title: name, types: {} }));
    await unpackPackage(this.services, { id, by: this.by.id, last: true });
    const { collection_id: collection } = (await packageById(this.services.db, id))!;
    const pages = await arrivalsOf(this.services.db, collection!);
    for (let at = 0; at < pages.length; at += 8)
      await examineArrivals(this.services, { package: id, pages: pages.slice(at, at + 8), by: this.by.id, last: true });
    const { slug } = await this.services.db
      .selectFrom('collections')
      .select('slug')
      .where('id', '=', collection!)
      .executeTakeFirstOrThrow();
    return slug;
  }

  /** Changes a word on so many pages. */
  async mend(collection: string, pages: number): Promise<void> {
    for (let nth = 1; nth <= pages; nth++) {
      const { pageId, version, html } = must(await desk(this.services, this.by, { collection, page: `page-${nth}` }));
      must(await saveSource(this.services, this.by, { pageId, version, html: html.replace('</body>', '<p>Looked through.</p></body>') }));
    }
  }

  async out(collection: string): Promise<void> {
    must(await sendOut(this.services, this.by, { collection, folder: this.folder }));
  }
}

async function* entries(pages: number, bytes: number, changed: number) {
  for (let nth = 1; nth <= pages; nth++) {
    const text = generatedPage(bytes, nth).replace(/<title>[^<]*<\/title>/, `<title>Page ${nth}</title>`);
    const html = nth <= changed ? text.replace('</body>', '<p>A newer word.</p></body>') : text;
    yield await Promise.resolve({ path: `page-${nth}.html`, bytes: () => Promise.resolve(Buffer.from(html)) });
  }
}
