import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { sql } from 'kysely';
import { decodeHtml, limitsFrom, readPlace, zipSource } from '@inkwell/formats';
import { writeZip, type Packed } from '../../../formats/src/testing/zips.ts';
import {
  acceptIntoShelf,
  bringIn,
  desk,
  dismissPackage,
  examineArrivals,
  fix,
  fixAllCertain,
  goesOut,
  ledger,
  readPackage,
  receivePackage,
  saveSource,
  shelf,
  showPackage,
  unpackPackage,
  type Services,
} from '../index.ts';
import { bench, INES, RUTH } from '../testing/bench.ts';
import { document, packageBench } from '../testing/packages.ts';

const ground = bench();
const { services, db, look, SLUG, page } = ground;
const { folder, made, sent, shown, arrivals, arrived, out } = packageBench(ground);

const SITE: Packed[] = [
  { name: 'index.html', data: document('Larkmoor Canal', '<p><a href="locks.html#deep">Deep locks</a> <img src="heron.png"></p>') },
  { name: 'heron.png', data: Buffer.from([0x89, 0x50, 0x4e, 0x47]), stored: true },
  { name: 'gone.html', data: document('Gone', '<p><a href="nowhere.html">Nowhere at all</a></p>') },
  { name: 'locks.html', data: document('Locks', '<h2> </h2><p>Deep.</p>') },
];
const TOPIC = '<topic><text texttype="text/html">&lt;p&gt;Hello&lt;/p&gt;&lt;h3&gt;&lt;/h3&gt;&lt;p&gt;Bye&lt;/p&gt;</text></topic>';
const MANIFEST =
  '<manifest><organizations><organization><title>Bees</title><item identifierref="t"><title>Say hello</title></item></organization></organizations><resources><resource identifier="t" type="imsdt_xmlv1p1"><file href="t.xml"/></resource></resources></manifest>';

const slugsOnShelf = async () => {
  const rows = await shelf(services, INES);
  return rows.ok ? rows.value.map(({ slug }) => slug) : [];
};

describe('what it would cost', () => {
  test('is told before it is taken on, from its pages as they stand among each other', async () => {
    const pages = [
      { name: 'style.css', data: '.pale { color: #ccc; background: #fff }' },
      { name: 'heron.png', data: Buffer.from([0x89, 0x50, 0x4e, 0x47]), stored: true },
      ...['a', 'b', 'c'].map((name) => ({
        name: `${name}.html`,
        data: `<html lang="en"><head><title>${name}</title><link rel="stylesheet" href="style.css"></head><body><main><h1>${name}</h1>
<p class="pale">Hard to read.</p><p><a href="b.html">To page b</a> <img src="heron.png"></p></main></body></html>`,
      })),
    ];
    const id = await sent('cost.zip', pages);
    await readPackage(services, { id, last: false });
    const { cost } = await shown(id);
    // On each page an image without alternative, and a passage too pale: both as the collection says once it is here.
    const slug = await arrived(id);
    const here = await ledger(services, INES, { collection: slug });
    if (!here.ok || !cost) throw new Error('There is neither');
    expect(cost.looked).toBe(3);
    expect(cost.open).toBe(Object.values(here.value.sums.families).reduce((sum, many) => sum + many, 0));
    expect(cost.open).toBeGreaterThanOrEqual(6);
    expect(cost.cost.hours).toBe(here.value.sums.cost.hours);
    expect((await shown(id)).cost).toBeNull();
  });
});

describe('a package', () => {
  test('is shown before anything of it is a page, in reading order', async () => {
    const id = await sent('canal.zip', SITE);
    expect(await shown(id)).toMatchObject({ state: 'waiting', shown: [] });
    await readPackage(services, { id, last: false });
    const view = await shown(id);
    expect(view).toMatchObject({
      state: 'read',
      kind: 'site',
      title: 'Larkmoor Canal',
      files: 4,
      pages: 3,
      types: [{ type: 'article', many: 3 }],
    });
    expect(view.shown.map((one) => [one.path, one.title, one.scope])).toEqual([
      ['index.html', 'Larkmoor Canal', 'document'],
      ['locks.html', 'Locks', 'document'],
      ['gone.html', 'Gone', 'document'],
    ]);
    await dismissPackage(services, INES, { id });
    expect(await showPackage(services, INES, { id, after: 0 })).toMatchObject({ ok: false, problem: { code: 'not-found' } });
  });

  test('becomes a collection whose pages know of one another, examined once each', async () => {
    const id = await sent('canal.zip', SITE);
    const slug = await arrived(id, { article: 'announcement' });
    const book = await ledger(services, INES, { collection: slug, choice: { order: 'position' } });
    if (!book.ok) throw new Error(book.problem.what);
    expect(book.value.pages.map((one) => [one.title, one.contentType, one.revision])).toEqual([
      ['Larkmoor Canal', 'announcement', 1],
      ['Locks', 'announcement', 1],
      ['Gone', 'announcement', 1],
    ]);
    const rules = async (name: string) => {
      const view = await desk(services, INES, { collection: slug, page: name });
      return view.ok ? view.value.notes.map(({ rule }) => rule) : [];
    };
    expect(await rules('larkmoor-canal')).toEqual(expect.arrayContaining(['images/no-alternative', 'links/missing-anchor']));
    expect(await rules('gone')).toContain('links/missing-page');
    // Nothing is left to be audited again: each page knew of all others from the first.
    const { rows: waiting } = await sql`select 1 from jobs j join pages p on p.id = (j.payload ->> 'page')::integer
      join collections c on c.id = p.collection_id where c.slug = ${slug} and j.state = 'waiting'`.execute(db());
    expect(waiting).toEqual([]);
    // A job that is given out again finds its pages done.
    for (const pages of await arrivals(id)) await examineArrivals(services, { package: id, pages, by: INES.id, last: false });
    expect(
      await db()
        .selectFrom('audits')
        .innerJoin('pages', 'pages.id', 'audits.page_id')
        .innerJoin('collections', 'collections.id', 'collection_id')
        .select('audits.id')
        .where('collections.slug', '=', slug)
        .execute(),
    ).toHaveLength(3);
  });

  test('is on the shelf only when the last page is here, however often its work is begun again', async () => {
    const many = Array.from({ length: 20 }, (_none, nth) => ({ name: `p${nth}.html`, data: document(`Page ${nth}`, '') }));
    const id = await sent('many.zip', many);
    await readPackage(services, { id, last: false });
    await acceptIntoShelf(services, INES, { id, title: 'Twenty pages', types: {} });
    await unpackPackage(services, { id, by: INES.id, last: false });
    await unpackPackage(services, { id, by: INES.id, last: false });
    const jobs = await arrivals(id);
    expect(jobs.map((pages) => pages.length)).toEqual([8, 8, 4]);
    for (const pages of jobs.slice(0, 2)) await examineArrivals(services, { package: id, pages, by: INES.id, last: false });
    expect(await slugsOnShelf()).not.toContain('twenty-pages');
    expect(await shown(id)).toMatchObject({ state: 'arriving', collection: null });
    await Promise.all([0, 1].map(() => examineArrivals(services, { package: id, pages: jobs[2]!, by: INES.id, last: false })));
    expect(await slugsOnShelf()).toContain('twenty-pages');
    expect((await ledger(services, INES, { collection: 'twenty-pages', choice: { order: 'title' } })).ok).toBe(true);
    made.add((await db().selectFrom('collections').select('id').where('slug', '=', 'twenty-pages').executeTakeFirstOrThrow()).id);
  });

  test('that is sent away half-way leaves nothing', async () => {
    const id = await sent('half.zip', SITE);
    await readPackage(services, { id, last: false });
    await acceptIntoShelf(services, INES, { id, title: 'Half', types: {} });
    await unpackPackage(services, { id, by: INES.id, last: false });
    const [jobs] = [await arrivals(id)];
    await dismissPackage(services, INES, { id });
    for (const pages of jobs) await examineArrivals(services, { package: id, pages, by: INES.id, last: false });
    expect(await db().selectFrom('collections').select('id').where('slug', '=', 'half').execute()).toEqual([]);
    expect(await db().selectFrom('packages').select('id').where('id', '=', id).execute()).toEqual([]);
  });

  test('that is cut short, or no package, is refused with a word, and nothing stays on disk', async () => {
    writeFileSync(join(folder, 'no.zip'), '%PDF-1.4');
    expect(await receivePackage(services, INES, { name: 'no.zip', file: join(folder, 'no.zip') })).toMatchObject({
      ok: false,
      problem: { code: 'bad-page' },
    });
    await writeZip(join(folder, 'whole.zip'), SITE);
    writeFileSync(join(folder, 'cut.zip'), readFileSync(join(folder, 'whole.zip')).subarray(0, 400));
    const cut = await receivePackage(services, INES, { name: 'cut.zip', file: join(folder, 'cut.zip') });
    await readPackage(services, { id: cut.ok ? cut.value : 0, last: false });
    expect(await shown(cut.ok ? cut.value : 0)).toMatchObject({
      state: 'refused',
      problem: expect.stringContaining('cut short') as unknown,
    });
    expect(readdirSync(tmpdir()).filter((name) => name.startsWith(`inkwell-package-${process.pid}-`))).toEqual([]);
  });

  test('that cannot be read or put in place, however often it is tried, is refused with a word', async () => {
    const broken: Services = { ...services, db: services.db, engine: { run: () => Promise.reject(new Error('no engine')) } };
    const id = await sent('canal.zip', SITE);
    await expect(readPackage(broken, { id, last: false })).rejects.toThrow('no engine');
    expect(await shown(id)).toMatchObject({ state: 'waiting' });
    await expect(readPackage(broken, { id, last: true })).rejects.toThrow('no engine');
    expect(await shown(id)).toMatchObject({ state: 'refused', problem: expect.stringContaining('not made for') as unknown });
    const other = await sent('other.zip', SITE);
    await readPackage(services, { id: other, last: false });
    await acceptIntoShelf(services, INES, { id: other, title: 'Gone under', types: {} });
    await sql`update packages set sha256 = (select sha256 from files where media_type = 'image/png' limit 1) where id = ${other}`.execute(
      db(),
    );
    await unpackPackage(services, { id: other, by: INES.id, last: true });
    expect(await shown(other)).toMatchObject({ state: 'refused' });
    expect(await db().selectFrom('collections').select('id').where('slug', '=', 'gone-under').execute()).toEqual([]);
  });

  test('is not for a publisher to bring in', async () => {
    expect(await receivePackage(services, RUTH, { name: 'no.zip', file: join(folder, 'no.zip') })).toMatchObject({
      ok: false,
      problem: { code: 'not-allowed' },
    });
  });
});

test('a file longer than many pieces is kept byte for byte, and once', async () => {
  const film = Buffer.alloc(21_000_003, 'Larkmoor film, reel after reel. ');
  const entries = [
    ...SITE,
    { name: 'film.mp4', data: film, stored: true },
    { name: 'again.mp4', data: film, stored: true },
    { name: 'none.mp4', data: Buffer.alloc(0) },
  ];
  const slug = await arrived(await sent('films.zip', entries));
  const { rows } = await sql<{ path: string; size: number; whole: number; sum: string }>`select a.path, f.size,
      sum(length(p.bytes))::integer as whole, md5(string_agg(p.bytes, ''::bytea order by p.nth)) as sum
    from assets a join collections c on c.id = a.collection_id join files f on f.sha256 = a.sha256 join file_pieces p on p.sha256 = f.sha256
    where c.slug = ${slug} and a.path like '%.mp4' group by a.path, f.size order by a.path`.execute(db());
  const sum = createHash('md5').update(film).digest('hex');
  expect(rows).toEqual([
    { path: 'again.mp4', size: film.length, whole: film.length, sum },
    { path: 'film.mp4', size: film.length, whole: film.length, sum },
    { path: 'none.mp4', size: 0, whole: 0, sum: createHash('md5').digest('hex') },
  ]);
}, 30_000);

describe('what goes out', () => {
  test('is the very package that came in, and with one page fixed differs in that page alone', async () => {
    const slug = await arrived(await sent('canal.zip', SITE));
    expect((await out(slug)).bytes.equals(readFileSync(join(folder, 'canal.zip')))).toBe(true);
    const view = await desk(services, INES, { collection: slug, page: 'locks' });
    if (!view.ok) throw new Error(view.problem.what);
    expect(await fixAllCertain(services, INES, { pageId: view.value.pageId, version: view.value.version })).toMatchObject({ ok: true });
    await writeZip(
      join(folder, 'expected.zip'),
      SITE.map((one) => (one.name === 'locks.html' ? { ...one, data: String(one.data).replace('<h2> </h2>', '') } : one)),
      'Larkmoor',
    );
    const { name, bytes } = await out(slug);
    expect([name, bytes.equals(readFileSync(join(folder, 'expected.zip')))]).toEqual(['canal.zip', true]);
    expect(await goesOut(services, RUTH, { collection: slug })).toMatchObject({
      ok: true,
      value: { name: 'canal.zip', came: true, troubles: [] },
    });
  });

  test('has HTML inside XML in its escaping', async () => {
    const slug = await arrived(
      await sent('bees.imscc', [
        { name: 'imsmanifest.xml', data: MANIFEST },
        { name: 't.xml', data: TOPIC },
      ]),
    );
    const view = await desk(services, INES, { collection: slug, page: 'say-hello' });
    if (!view.ok) throw new Error(view.problem.what);
    const { pageId, version, notes } = view.value;
    const blank = notes.find(({ rule }) => rule === 'headings/blank')!;
    expect(await fix(services, INES, { pageId, version, findingId: blank.id, remedy: 'remove', inputs: {} })).toMatchObject({ ok: true });
    await writeZip(
      join(folder, 'expected.imscc'),
      [
        { name: 'imsmanifest.xml', data: MANIFEST },
        { name: 't.xml', data: TOPIC.replace('&lt;h3&gt;&lt;/h3&gt;', '') },
      ],
      'Larkmoor',
    );
    expect((await out(slug)).bytes.equals(readFileSync(join(folder, 'expected.imscc')))).toBe(true);
  });

  test('says what is still open in it, and which page its encoding cannot hold as it is now', async () => {
    const latin = Buffer.from('<meta charset="iso-8859-1"><h2>Caf\u00e9</h2><p>Open.</p><p><img src="x.png"></p>', 'latin1');
    const slug = await arrived(await sent('old.zip', [{ name: 'cafe.html', data: latin }]));
    const view = await desk(services, INES, { collection: slug, page: 'cafe' });
    if (!view.ok) throw new Error(view.problem.what);
    const { pageId, version, html } = view.value;
    await saveSource(services, INES, { pageId, version, html: html.replace('Open.', 'Offen \u2713') });
    expect(await goesOut(services, INES, { collection: slug })).toMatchObject({
      ok: true,
      value: { open: { must: 1 }, troubles: [{ path: 'cafe.html', what: expect.stringContaining('which has no “\u2713”') as unknown }] },
    });
    expect((await out(slug)).bytes.equals(readFileSync(join(folder, 'old.zip')))).toBe(true);
  });

  test('has pages that came alone in the encoding they came in, or marked as UTF-8', async () => {
    const latin = Buffer.from(
      '<html lang="fr"><head><meta charset="iso-8859-1"><title>Caf\u00e9</title></head><body></body></html>',
      'latin1',
    );
    const slug = await arrived(await sent('canal.zip', SITE));
    const brought = await bringIn(services, INES, { collection: slug, incoming: { kind: 'bytes', bytes: latin, fileName: 'cafe.html' } });
    if (!brought.ok) throw new Error(brought.problem.what);
    const sentBack = async () => {
      writeFileSync(join(folder, 'back.zip'), (await out(slug)).bytes);
      const source = await zipSource(join(folder, 'back.zip'), limitsFrom({}));
      return readPlace(source.files.find(({ path }) => path === 'cafe.html')!.place, 10_000);
    };
    expect((await sentBack()).equals(latin)).toBe(true);
    const view = await desk(services, INES, { collection: slug, page: brought.value.slug });
    if (!view.ok) throw new Error(view.problem.what);
    const { pageId, version, html } = view.value;
    await saveSource(services, INES, { pageId, version, html: html.replace('<body>', '<body>\u2713') });
    expect(decodeHtml(await sentBack())).toMatchObject({ ok: true, encoding: 'utf-8', text: html.replace('<body>', '<body>\u2713') });
  });

  test('has pages that joined later behind all others; a collection without a package becomes one', async () => {
    const slug = await arrived(await sent('canal.zip', SITE));
    await bringIn(services, INES, { collection: slug, title: 'Late', incoming: { kind: 'text', text: document('Late', '') } });
    await writeZip(join(folder, 'base.zip'), SITE, 'Larkmoor');
    expect((await out(slug)).bytes.length).toBeGreaterThan(readFileSync(join(folder, 'base.zip')).length);
    await page('<h2>Wax</h2><p>x</p>', 'Wax');
    expect((await look('wax')).title).toBe('Wax');
    const alone = await out(SLUG);
    expect(await goesOut(services, INES, { collection: SLUG })).toMatchObject({ ok: true, value: { name: 'tests.zip', came: false } });
    expect([alone.name, alone.bytes.includes('wax.html'), alone.bytes.includes('hive.png')]).toEqual(['tests.zip', true, true]);
  });
});
