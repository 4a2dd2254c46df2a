import { readFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import sharp from 'sharp';
import {
  auditAgain,
  bringIn,
  desk,
  endException,
  fix,
  HERE,
  letStand,
  rule,
  signOff,
  slugOf,
  THE_SYSTEM,
  type Actor,
  type Desk,
  type Result,
  type Services,
} from '@inkwell/review';
import {
  addCollection,
  emptyHouse,
  isFurnished,
  migrate,
  nameHouse,
  openDatabase,
  placeFiles,
  setPeople,
  type NewFile,
} from '@inkwell/store';
import { COLLECTIONS, PEOPLE, STEPS, type ScenarioCollection, type Step } from './scenario.ts';

const folder = join(dirname(fileURLToPath(import.meta.url)), '..');

/** Brings the tables up to date and fills an empty database with the Larkmoor scenario; `--fresh` empties it first. */
async function seed(): Promise<void> {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('DATABASE_URL is not set: run bin/demo, which starts the database and sets it.');
  const db = openDatabase({ url, most: 2 });
  const services: Services = { db, engine: HERE, now: () => new Date() };
  try {
    await migrate(db);
    if (process.argv.includes('--fresh')) await emptyHouse(db);
    if (await isFurnished(db)) return;
    await nameHouse(db, 'Larkmoor Open College');
    await setPeople(db, PEOPLE);
    for (const collection of COLLECTIONS) await bringCollection(services, collection);
    for (const step of STEPS) await take(services, step);
    console.error(`Seeded the demo: ${COLLECTIONS.map((one) => `${one.title} (${one.pages.length} pages)`).join(', ')}.`);
  } finally {
    await db.destroy();
  }
}

async function bringCollection(services: Services, collection: ScenarioCollection): Promise<void> {
  const { slug, title, kind, scope } = collection;
  const id = await addCollection(services.db, { slug, title, kind, scope });
  const files: NewFile[] = [];
  for (const [path, drawing] of Object.entries(collection.images))
    files.push({
      path,
      mediaType: 'image/png',
      bytes: await sharp(join(folder, 'drawings', `${drawing}.svg`))
        .png({ compressionLevel: 9 })
        .toBuffer(),
    });
  for (const path of collection.texts)
    files.push({ path, mediaType: 'text/css; charset=utf-8', bytes: await readFile(join(folder, 'pages', collection.folder, path)) });
  await placeFiles(services.db, id, files);
  const pages: Desk[] = [];
  for (const page of collection.pages) {
    const bytes = await readFile(join(folder, 'pages', collection.folder, page.file));
    const brought = must(
      await bringIn(services, actor('odile-marsh'), {
        collection: slug,
        title: page.title,
        contentType: page.contentType,
        incoming: { kind: 'bytes', bytes, fileName: page.file },
      }),
      page.file,
    );
    pages.push(must(await desk(services, actor('odile-marsh'), { collection: slug, page: brought.slug }), page.file));
  }
  // Each page was alone when it came in: now that its neighbours are there, links between them are known.
  for (const page of pages) must(await auditAgain(services, THE_SYSTEM, { pageId: page.pageId }), page.slug);
}

function actor(id: string): Actor {
  const person = PEOPLE.find((one) => one.id === id)!;
  return { id, name: person.name, kind: 'person', disabled: false, memberships: [{ collection: null, role: person.role }] };
}

/** One step of the scenario, through the same use-cases as a person's. */
async function take(services: Services, step: Step): Promise<void> {
  const by = actor(step.by);
  const collection = COLLECTIONS.find((one) => one.pages.some((page) => page.file === step.page))!;
  const page = must(
    await desk(services, by, { collection: collection.slug, page: slugOf(collection.pages.find((one) => one.file === step.page)!.title) }),
    step.page,
  );
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
