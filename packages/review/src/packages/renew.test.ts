import { sql } from 'kysely';
import type { Packed } from '../../../formats/src/testing/zips.ts';
import {
  acceptIntoShelf,
  auditAgain,
  dismissPackage,
  fix,
  fixAllCertain,
  ledger,
  letStand,
  readPackage,
  rule,
  saveSource,
  signOff,
  THE_SYSTEM,
  undo,
  unpackPackage,
} from '../index.ts';
import { bench, INES, RUTH } from '../testing/bench.ts';
import { document, packageBench } from '../testing/packages.ts';

const ground = bench();
const { services, db } = ground;
const { sent, shown, arrived, accepted, out, deskOn } = packageBench(ground);

const story = (about: string) =>
  Array.from({ length: 12 }, (_none, nth) => `<p>The ${about} came to lock ${nth}, says the ${about} log.</p>`);
const LOCKS = document('Locks', `<h2> </h2><p><img src="gate.png"></p>${story('lock keeper').join('')}`);
const SITE: Packed[] = [
  { name: 'index.html', data: document('Larkmoor Canal', '<p><a href="locks.html">The locks</a> <a href="walks.html">Walks</a></p>') },
  { name: 'locks.html', data: LOCKS },
  { name: 'walks.html', data: document('Walks', story('heron').join('')) },
  { name: 'trips.html', data: document('Boat trips', '<p>Every Sunday.</p>') },
  { name: 'gate.png', data: Buffer.from([0x89, 0x50, 0x4e, 0x47]), stored: true },
];
/** The site a month later: locks changed, walks moved, trips gone, a page of otters new, the image drawn anew. */
const LATER: Packed[] = [
  SITE[0]!,
  { name: 'locks.html', data: LOCKS.replace('The cut is open.', 'The cut is closed until May.') },
  { name: 'out/walks.html', data: SITE[2]!.data! },
  { name: 'otters.html', data: document('Otters', story('otter').join('')) },
  { name: 'gate.png', data: Buffer.from([0x89, 0x50, 0x4e, 0x48]), stored: true },
];

const at = ({ pageId, version }: { pageId: number; version: number }) => ({ pageId, version });
const titles = async (collection: string) => {
  const book = await ledger(services, INES, { collection, choice: { order: 'position' } });
  return book.ok ? book.value.pages.map(({ title, slug }) => `${slug}: ${title}`) : [];
};
/** What a worker does for the jobs that audit a collection's pages again. */
async function auditAll(collection: string) {
  const { rows } = await sql<{ id: number }>`select p.id from pages p join collections c on c.id = p.collection_id
    where c.slug = ${collection} and p.gone_at is null`.execute(db());
  for (const { id } of rows) await auditAgain(services, THE_SYSTEM, { pageId: id });
}

async function ready(): Promise<string> {
  const slug = await arrived(await sent('canal.zip', SITE));
  await fixAllCertain(services, INES, at(await deskOn(slug, 'locks')));
  const locks = await deskOn(slug, 'locks');
  const image = locks.notes.find((one) => one.rule === 'images/no-alternative')!;
  await fix(services, INES, { ...at(locks), findingId: image.id, remedy: 'describe', inputs: { alt: 'A lock gate, half open' } });
  return slug;
}

describe('a newer version of a collection', () => {
  test('says before it is accepted what came, changed, moved and went', async () => {
    const slug = await ready();
    const id = await sent('canal-2.zip', LATER, slug);
    await readPackage(services, { id, last: false });
    const view = await shown(id);
    expect(view.newer).toMatchObject({
      became: { 'as it was': 1, changed: 1, moved: 1, new: 1, gone: 1 },
      gone: [{ slug: 'boat-trips', title: 'Boat trips' }],
    });
    expect(view.shown.map(({ path, became }) => `${path} ${became}`).sort()).toEqual([
      'index.html as it was',
      'locks.html changed',
      'otters.html new',
      'out/walks.html moved',
    ]);
    expect(view.collection).toBe(slug);
    expect(await titles(slug)).toHaveLength(4);
    await dismissPackage(services, INES, { id });
    expect(await titles(slug)).toHaveLength(4);
  });

  test('keeps what was mended and decided, beside what the author changed', async () => {
    const slug = await ready();
    const before = await deskOn(slug, 'locks');
    const id = await sent('canal-2.zip', LATER, slug);
    expect(await arrived(id)).toBe(slug);
    const locks = await deskOn(slug, 'locks');
    expect(locks.html).toContain('closed until May');
    expect(locks.html).toContain('alt="A lock gate, half open"');
    expect(locks.html).not.toContain('<h2> </h2>');
    expect(locks.history.slice(0, 2).map(({ cause, note }) => [cause, note])).toEqual([
      ['fixed', '2 changes made here, carried over'],
      ['imported', 'from its newer version'],
    ]);
    const open = (view: typeof locks) => view.notes.filter(({ standing }) => standing !== 'fixed').map(({ id: one }) => one);
    expect(open(locks)).toEqual(open(before));
    expect(await titles(slug)).toEqual(['larkmoor-canal: Larkmoor Canal', 'locks: Locks', 'otters: Otters', 'walks: Walks']);
    // One step back is the author's text as it came.
    await undo(services, INES, at(locks));
    expect((await deskOn(slug, 'locks')).html).toBe(LATER[1]!.data);
  });

  test('goes out as the newer package, with what is mended in it', async () => {
    const slug = await ready();
    await arrived(await sent('canal-2.zip', LATER, slug));
    const { name, bytes } = await out(slug);
    expect(name).toBe('canal-2.zip');
    const again = await sent('canal-3.zip', LATER, slug);
    await dismissPackage(services, INES, { id: again });
    expect(bytes.includes('out/walks.html')).toBe(true);
    expect(bytes.includes('trips.html')).toBe(false);
  });

  test('that has our fixes in it already brings nothing to do', async () => {
    const slug = await ready();
    const mended = (await deskOn(slug, 'locks')).html;
    const id = await sent(
      'canal-2.zip',
      SITE.map((one) => (one.name === 'locks.html' ? { ...one, data: mended } : one)),
      slug,
    );
    await readPackage(services, { id, last: false });
    expect((await shown(id)).newer?.became).toEqual({ 'as it was': 4 });
    const { revision } = await deskOn(slug, 'locks');
    await accepted(id);
    expect(await shown(id)).toMatchObject({ state: 'here' });
    expect((await deskOn(slug, 'locks')).revision).toEqual(revision);
    expect(await out(slug)).toMatchObject({ name: 'canal-2.zip' });
  });

  test('keeps rulings, exceptions and sign-offs where they still hold', async () => {
    const slug = await arrived(await sent('canal.zip', SITE));
    const locks = await deskOn(slug, 'locks');
    const [blank, image] = ['headings/blank', 'images/no-alternative'].map((one) => locks.notes.find((note) => note.rule === one)!);
    await letStand(services, INES, { ...at(locks), findingId: blank!.id, reason: 'It is being written.', until: '2027-06-01' });
    const trips = await deskOn(slug, 'boat-trips');
    for (const note of trips.notes.filter(({ outcome }) => outcome === 'cantTell'))
      await rule(services, INES, { ...at(await deskOn(slug, 'boat-trips')), findingId: note.id, answer: 'no problem' });
    const signed = await signOff(services, RUTH, at(await deskOn(slug, 'boat-trips')));
    expect(signed).toMatchObject({ ok: true });
    await arrived(await sent('canal-2.zip', [...LATER, SITE[3]!], slug));
    await auditAll(slug);
    const after = await deskOn(slug, 'locks');
    expect(after.notes.find(({ id }) => id === blank!.id)).toMatchObject({ standing: 'excepted' });
    expect(after.notes.find(({ id }) => id === image!.id)).toMatchObject({ standing: 'open' });
    const book = await ledger(services, INES, { collection: slug });
    expect(book.ok && book.value.pages.find((one) => one.slug === 'boat-trips')?.release).toBe('signed off');
  });

  test('a page that went leads nowhere, and comes back as the page it was', async () => {
    const slug = await arrived(await sent('canal.zip', SITE));
    const walks = await deskOn(slug, 'walks');
    await arrived(await sent('canal-2.zip', [SITE[0]!, SITE[1]!, SITE[3]!, SITE[4]!], slug));
    await auditAll(slug);
    expect(await titles(slug)).not.toContain('walks: Walks');
    expect((await deskOn(slug, 'larkmoor-canal')).notes.map((note) => note.rule)).toContain('links/missing-page');
    // It can still be opened by its address, and what it refers to is none of the others' business.
    const gone = await deskOn(slug, 'walks');
    await saveSource(services, INES, { ...at(gone), html: gone.html.replace('</main>', '<p><a href="locks.html#x">Locks</a></p></main>') });
    const { rows } = await sql`select 1 from page_references where page_id = ${gone.pageId}`.execute(db());
    expect(rows).toEqual([]);
    const id = await sent('canal-3.zip', SITE, slug);
    await readPackage(services, { id, last: false });
    expect((await shown(id)).newer?.became).toEqual({ back: 1, 'as it was': 3 });
    await accepted(id);
    await auditAll(slug);
    expect((await deskOn(slug, 'walks')).pageId).toBe(walks.pageId);
    expect(await titles(slug)).toContain('walks: Walks');
    expect((await deskOn(slug, 'larkmoor-canal')).notes.map((note) => note.rule)).not.toContain('links/missing-page');
  });

  test('that was compared with a version no longer the newest is compared anew', async () => {
    const slug = await arrived(await sent('canal.zip', SITE));
    const [first, second] = [await sent('canal-2.zip', LATER, slug), await sent('canal-3.zip', LATER, slug)];
    for (const id of [first, second]) await readPackage(services, { id, last: false });
    await accepted(first);
    expect(await acceptIntoShelf(services, INES, { id: second, title: '', types: {} })).toMatchObject({
      ok: false,
      problem: { code: 'conflict' },
    });
    expect(await shown(second)).toMatchObject({ state: 'waiting' });
    await readPackage(services, { id: second, last: false });
    expect((await shown(second)).newer?.became).toEqual({ 'as it was': 4 });
  });

  test('comes in whole or not at all: accepted it cannot be cancelled, and one that fails leaves all as it was', async () => {
    const slug = await ready();
    const id = await sent('canal-2.zip', LATER, slug);
    await readPackage(services, { id, last: false });
    await acceptIntoShelf(services, INES, { id, title: '', types: {} });
    expect(await dismissPackage(services, INES, { id })).toMatchObject({ ok: false, problem: { code: 'nothing-to-do' } });
    await sql`update packages set sha256 = (select sha256 from files where media_type = 'image/png' limit 1) where id = ${id}`.execute(
      db(),
    );
    await unpackPackage(services, { id, by: INES.id, last: true });
    expect(await shown(id)).toMatchObject({ state: 'refused' });
    expect(await titles(slug)).toHaveLength(4);
    expect((await deskOn(slug, 'locks')).html).toContain('A lock gate, half open');
  });
});
