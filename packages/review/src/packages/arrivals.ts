import { arrivalsOf, packageTexts, setPackageJob, type Arrival, type Package, type PackageText, type Write } from '@inkwell/store';
import { enqueueUnder, type NewJob } from '@inkwell/work';
import type { Collection } from '@inkwell/formats';
import { firstFree, pageSlugOf } from '../bringIn.ts';
import { ARRIVE, BRING_IN } from '../jobs.ts';
import type { Services } from '../services.ts';
import { textsOf, type PageText } from './texts.ts';
import { PAGES_IN_JOB } from './receive.ts';
import { ownTitle } from './siteTitle.ts';

/** Has the pages of a collection examined that wait for it, under one parent. Gives how many. */
export async function enqueueArrivals(trx: Write, found: Package, collectionId: number, by: string): Promise<number> {
  const pages = await arrivalsOf(trx, collectionId);
  const work = { package: found.id, title: found.title };
  await setPackageJob(trx, found.id, await enqueueUnder(trx, by, BRING_IN, inJobs(found.id, pages), work));
  return pages.length;
}

function inJobs(id: number, pages: readonly number[]): NewJob[] {
  const jobs: NewJob[] = [];
  for (let at = 0; at < pages.length; at += PAGES_IN_JOB)
    jobs.push({ kind: ARRIVE, payload: { package: id, pages: pages.slice(at, at + PAGES_IN_JOB) } });
  return jobs;
}

/** Pages written in one transaction. */
const TOGETHER = 100;

/** The pages of a package that are new, with their texts, some at a time. `slugs`: addresses that are taken; theirs are added. */
export async function* arrivalsIn(
  services: Services,
  found: Package,
  collection: Collection,
  slugs: Set<string>,
): AsyncGenerator<Arrival[]> {
  for await (const { told, texts } of toldWithTexts(services, found, collection, ({ page_id: id }) => id === null)) {
    const byPath = new Map(told.map((one) => [one.path, one]));
    yield texts.map(({ page, read, html }) =>
      arrivalOf(byPath.get(page.path)!, { slugs, site: found.title }, { html, encoding: read.encoding, bom: read.bom }),
    );
  }
}

/** Chosen pages of a package as they were told, with their texts, some at a time. */
export async function* toldWithTexts(
  services: Services,
  found: Package,
  collection: Collection,
  chosen: (told: PackageText) => boolean,
): AsyncGenerator<{ told: PackageText[]; texts: PageText[] }> {
  for (let after = 0; ;) {
    const all = await packageTexts(services.db, found.id, after, TOGETHER);
    if (all.length === 0) return;
    after = all.at(-1)!.position;
    const told = all.filter(chosen);
    const paths = new Set(told.map(({ path }) => path));
    const texts: PageText[] = [];
    for await (const text of textsOf(
      collection.pages.filter(({ path }) => paths.has(path)),
      [],
    ))
      texts.push(text);
    if (texts.length > 0) yield { told, texts };
  }
}

/** `slugs`: addresses that are taken; the page's own is added. `site`: what the whole is called, which an address need not say again. */
function arrivalOf(
  told: PackageText,
  { slugs, site }: { slugs: Set<string>; site: string },
  text: Pick<Arrival, 'html' | 'encoding' | 'bom'>,
): Arrival {
  const { path, entry, inside, part, title, scope, content_type, position, refs } = told;
  const slug = firstFree(pageSlugOf(ownTitle(title, site)), slugs);
  slugs.add(slug);
  return { slug, title, scope, content_type, address: path, position, entry, inside, part, references: refs, ...text };
}
