import { createHash } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import sharp from 'sharp';
import { bringIn, desk, mend, rule, signOff, type Actor, type Result } from '@inkwell/review';
import { migrate, openDatabase, type Database } from '@inkwell/store';
import { COLLECTIONS, PEOPLE, STEPS, type ScenarioCollection, type Step } from './scenario.ts';

const folder = join(dirname(fileURLToPath(import.meta.url)), '..');

/** Brings the tables up to date and fills an empty database with the Larkmoor scenario; `--fresh` empties it first. */
async function seed(): Promise<void> {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('DATABASE_URL is not set: run bin/demo, which starts the database and sets it.');
  const db = openDatabase({ url, most: 2 });
  try {
    await migrate(db);
    if (process.argv.includes('--fresh')) await empty(db);
    const { many } = await db.selectFrom('collections').select((eb) => eb.fn.countAll<string>().as('many')).executeTakeFirstOrThrow();
    if (Number(many) > 0) return;
    await db.insertInto('people').values([...PEOPLE]).onConflict((on) => on.doNothing()).execute();
    for (const collection of COLLECTIONS) await bringCollection(db, collection);
    for (const step of STEPS) await take(db, step);
    console.error(`Seeded the demo: ${COLLECTIONS.map((one) => `${one.title} (${one.pages.length} pages)`).join(', ')}.`);
  } finally {
    await db.destroy();
  }
}

async function empty(db: Database): Promise<void> {
  for (const table of ['collections', 'files', 'people'] as const) await db.deleteFrom(table).execute();
}

async function bringCollection(db: Database, collection: ScenarioCollection): Promise<void> {
  const { slug, title, kind, scope } = collection;
  const { id } = await db.insertInto('collections').values({ slug, title, kind, scope }).returning('id').executeTakeFirstOrThrow();
  for (const [path, drawing] of Object.entries(collection.pictures)) {
    await storeFile(db, id, path, 'image/png', await sharp(join(folder, 'pictures', `${drawing}.svg`)).png({ compressionLevel: 9 }).toBuffer());
  }
  for (const file of collection.texts) await storeFile(db, id, file, 'text/css; charset=utf-8', await readFile(join(folder, 'pages', collection.folder, file)));
  for (const page of collection.pages) {
    const bytes = await readFile(join(folder, 'pages', collection.folder, page.file));
    must(await bringIn(db, actor('odile-marsh'), { collection: slug, title: page.title, contentType: page.contentType, incoming: { kind: 'bytes', bytes, fileName: page.file } }), page.file);
  }
}

async function storeFile(db: Database, collectionId: number, path: string, mediaType: string, bytes: Buffer): Promise<void> {
  const sha256 = createHash('sha256').update(bytes).digest('hex');
  await db.insertInto('files').values({ sha256, media_type: mediaType, bytes }).onConflict((on) => on.doNothing()).execute();
  await db.insertInto('assets').values({ collection_id: collectionId, path, sha256 }).execute();
}

function actor(id: string): Actor {
  return PEOPLE.find((person) => person.id === id)!;
}

/** One step of the scenario, through the same use-cases as a person's. */
async function take(db: Database, step: Step): Promise<void> {
  const place = await db.selectFrom('pages').innerJoin('collections', 'collections.id', 'pages.collection_id').select(['pages.slug', 'collections.slug as collection']).where('address', '=', step.page).executeTakeFirstOrThrow();
  const page = must(await desk(db, place.collection, place.slug), step.page);
  const where = { pageId: page.pageId, base: page.revision.number };
  const what = `${step.do} on ${step.page}`;
  if (step.do === 'sign off') return void must(await signOff(db, actor(step.by), where), what);
  const note = page.notes.find((one) => one.rule === step.rule && one.standing === 'open' && (step.do === 'mend' || one.outcome === 'cantTell'));
  if (!note) throw new Error(`${what}: no open note of ${step.rule}`);
  if (step.do === 'rule') must(await rule(db, actor(step.by), { ...where, findingId: note.id, answer: step.answer }), what);
  else must(await mend(db, actor(step.by), { ...where, findingId: note.id, remedy: step.remedy, inputs: step.inputs ?? {} }), what);
}

function must<T>(result: Result<T>, what: string): T {
  if (!result.ok) throw new Error(`The demo could not be seeded (${what}): ${result.problem.what}. ${result.problem.why ?? ''}`);
  return result.value;
}

await seed();
