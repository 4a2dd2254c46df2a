import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import {
  acceptIntoShelf,
  desk,
  endException,
  examineArrivals,
  fix,
  handOut,
  HERE,
  letStand,
  readPackage,
  receivePackage,
  rule,
  setContentType,
  signOff,
  unpackPackage,
  type Actor,
  type Result,
  type Services,
} from '@inkwell/review';
import {
  arrivalsOf,
  collectionBySlug,
  emptyHouse,
  isFurnished,
  migrate,
  nameHouse,
  openDatabase,
  packageById,
  pageAtAddress,
  setPeople,
} from '@inkwell/store';
import { letPeopleIn } from './signIn.ts';
import { writeLarge } from './large.ts';
import { LESSON, writePackages } from './packages.ts';
import { COLLECTIONS, HANDS, PEOPLE, STEPS, type Hand, type ScenarioCollection, type Step } from './scenario.ts';

const folder = join(dirname(fileURLToPath(import.meta.url)), '..');

/**
 * Brings the tables up to date and fills an empty database with the Larkmoor scenario, from the packages its collections would come in;
 * `--fresh` empties it first, `--large` adds a collection of 2,000 pages.
 */
async function seed(): Promise<void> {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('DATABASE_URL is not set: run bin/demo, which starts the database and sets it.');
  const db = openDatabase({ url, most: 2 });
  const services: Services = { db, engine: HERE, now: () => new Date() };
  try {
    await migrate(db);
    if (process.argv.includes('--fresh')) await emptyHouse(db);
    if (await isFurnished(db)) return await letPeopleIn(db);
    await nameHouse(db, 'Larkmoor Open College');
    await setPeople(db, PEOPLE);
    await letPeopleIn(db);
    const files = await writePackages(process.env.INKWELL_PACKAGES ?? join(folder, 'packages'));
    for (const collection of COLLECTIONS) await bringCollection(services, collection, files.get(collection.package)!);
    await bringPackage(services, files.get(LESSON)!, LESSON);
    if (process.argv.includes('--large')) await bringPackage(services, await writeLarge(files), 'larkmoor-parish-archive.zip');
    for (const step of STEPS) await take(services, step);
    for (const hand of HANDS) await giveOut(services, hand);
    console.error(`Seeded the demo from its packages: ${[...files.keys()].join(', ')}.`);
  } finally {
    await db.destroy();
  }
}

/** A package all the way to the shelf, through the same use-cases as a person and the worker. Gives the collection's number. */
async function bringPackage(services: Services, file: string, name: string): Promise<number> {
  const by = actor('odile-marsh');
  const id = must(await receivePackage(services, by, { name, file }), name);
  await readPackage(services, { id, last: true });
  must(await acceptIntoShelf(services, by, { id, title: '', types: {} }), name);
  await unpackPackage(services, { id, by: by.id, last: true });
  const { collection_id: collection, problem } = (await packageById(services.db, id))!;
  if (collection === null) throw new Error(`The demo could not be seeded (${name}): ${problem ?? 'it was not unpacked'}`);
  await examineArrivals(services, { package: id, pages: await arrivalsOf(services.db, collection), by: by.id, last: true });
  return collection;
}

async function bringCollection(services: Services, collection: ScenarioCollection, file: string): Promise<void> {
  const id = await bringPackage(services, file, collection.package);
  const pages = new Map(collection.pages.map(({ file: at, contentType }) => [at, contentType]));
  for (const contentType of new Set(pages.values())) {
    const addresses = [...pages].flatMap(([address, type]) => (type === contentType ? [address] : []));
    const slugs = await slugsAt(services, id, addresses);
    must(await setContentType(services, actor('odile-marsh'), { collection: collection.slug, pages: slugs, contentType }), contentType);
  }
}

async function slugsAt({ db }: Services, collection: number, addresses: readonly string[]): Promise<string[]> {
  const found = await Promise.all(addresses.map((address) => pageAtAddress(db, collection, address)));
  return found.flatMap((page) => (page ? [page.slug] : []));
}

function actor(id: string): Actor {
  const person = PEOPLE.find((one) => one.id === id)!;
  return { id, name: person.name, kind: 'person', disabled: false, memberships: [{ collection: null, role: person.role }] };
}

/** Work that is handed to somebody, some days from now. */
async function giveOut(services: Services, { by, to, collection, pages, days, words }: Hand): Promise<void> {
  const due = new Date(services.now().getTime() + days * 86_400_000).toISOString().slice(0, 10);
  const wish = { collection, to, due, words, pages, findings: null, site: process.env.INKWELL_ADDRESS ?? 'http://127.0.0.1:4310' };
  must(await handOut(services, actor(by), wish), `${to}, ${pages.join(', ')}`);
}

/** One step of the scenario, through the same use-cases as a person's. */
async function take(services: Services, step: Step): Promise<void> {
  const by = actor(step.by);
  const collection = COLLECTIONS.find((one) => one.pages.some((page) => page.file === step.page))!;
  const { id } = (await collectionBySlug(services.db, collection.slug))!;
  const [slug] = await slugsAt(services, id, [step.page]);
  const page = must(await desk(services, by, { collection: collection.slug, page: slug! }), step.page);
  const where = { pageId: page.pageId, version: page.version };
  const what = `${step.do} on ${step.page}`;
  if (step.do === 'sign off') return void must(await signOff(services, by, where), what);
  const note = page.notes.find(
    (one) =>
      one.rule === step.rule &&
      (step.do === 'end exception' ? one.standing === 'excepted' : one.standing === 'open') &&
      (step.do !== 'rule' || one.outcome === 'cantTell'),
  );
  if (!note) throw new Error(`${what}: no note of ${step.rule} that fits`);
  const on = { ...where, findingId: note.id };
  if (step.do === 'rule') must(await rule(services, by, { ...on, answer: step.answer }), what);
  else if (step.do === 'let stand') must(await letStand(services, by, { ...on, reason: step.reason, until: dayFromNow(step.days) }), what);
  else if (step.do === 'end exception') must(await endException(services, by, on), what);
  else must(await fix(services, by, { ...on, remedy: step.remedy, inputs: step.inputs ?? {} }), what);
}

const dayFromNow = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);

function must<T>(result: Result<T>, what: string): T {
  if (!result.ok) throw new Error(`The demo could not be seeded (${what}): ${result.problem.what}. ${result.problem.why ?? ''}`);
  return result.value;
}

await seed();
