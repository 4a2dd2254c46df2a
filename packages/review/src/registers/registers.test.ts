import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { sql } from 'kysely';
import { limitsFrom, readPlace, zipSource } from '@inkwell/formats';
import { caseOf, thingOf, type Mend } from '@inkwell/core';
import {
  keepOpen,
  letStand,
  makeStroke,
  mend,
  outlines,
  proposeNames,
  redirects,
  register,
  registerSheet,
  saveSource,
  showMend,
  takeSheet,
  takeStrokeBackOn,
  thing,
  tryMends,
  unmakeMend,
} from '../index.ts';
import { bench, INES, personAs, SAM, UMA } from '../testing/bench.ts';
import { packageBench } from '../testing/packages.ts';

const ground = bench();
const { services, db } = ground;
const { sent, arrived, out, deskOn, folder } = packageBench(ground);

// Work in the background is done in the name of a person whom the database knows.
beforeAll(async () => {
  await sql`insert into memberships (person_id, role) select ${INES.id}, 'reviewer' where not exists (select 1 from memberships
    where person_id = ${INES.id})`.execute(db());
});

const TITLES = ['Lock', 'Weir', 'Wharf'];
const page = (title: string) =>
  `<html lang="en"><head><title>${title}</title></head><body><header><a href="index.html"><img src="logo.png"></a></header><main><h1>${title}</h1>
<p>The ${title} is by the water.</p><p><img src="boats.png" alt="${title === 'Weir' ? 'IMG_2034' : ''}"></p><h3>Opening times</h3><p>See <a href="https://larkmoor.example/times" target="_blank">here</a>.</p></main></body></html>`;

async function site(): Promise<string> {
  const pages = TITLES.map((title) => ({ name: `${title.toLowerCase()}.html`, data: page(title) }));
  return arrived(await sent('site.zip', [...pages, { name: 'spare.png', data: 'nothing more' }, { name: 'logo.png', data: 'a logo' }]));
}

async function linesOf(collection: string, of: Parameters<typeof register>[2]['choice']) {
  const shown = await register(services, INES, { collection, choice: of, skip: 0 });
  if (!shown.ok) throw new Error(shown.problem.what);
  return shown.value.lines;
}

async function workOff(together: string, run: typeof makeStroke) {
  const { rows } = await sql<{
    id: number;
    page_id: number;
  }>`select s.id, p.page_id from strokes s join stroke_pages p on p.stroke_id = s.id
    where s.together = ${together}`.execute(db());
  for (const stroke of new Set(rows.map(({ id }) => id)))
    await run(services, { stroke, pages: rows.flatMap((row) => (row.id === stroke ? [row.page_id] : [])) });
}

async function doneTo(collection: string, of: 'images' | 'links' | 'headings', name: string, one: Mend, more: object = {}) {
  const line = (await linesOf(collection, { register: of, group: 'thing' })).find((each) => each.name === name)!;
  const made = await mend(services, INES, { collection, register: of, chosen: { things: line.things }, mend: one, ...more });
  if (!made.ok) throw new Error(made.problem.what);
  await workOff(made.value.together, makeStroke);
  return made.value.together;
}

/** What a package that went out holds, by name. */
async function readZip(bytes: Buffer): Promise<Map<string, string>> {
  const file = join(folder, 'read.zip');
  writeFileSync(file, bytes);
  const { files } = await zipSource(file, limitsFrom({}));
  return new Map(await Promise.all(files.map(async ({ path, place }) => [path, (await readPlace(place, 1e6)).toString()] as const)));
}

const texts = async (slug: string) => Promise.all(TITLES.map(async (title) => (await deskOn(slug, title.toLowerCase())).html));

test('a register lists each thing once, with its uses, pages and what is wrong with it', async () => {
  const slug = await site();
  const images = await linesOf(slug, { register: 'images', order: 'name', group: 'thing' });
  expect(images.map(({ name, uses, pages, open, same, traits }) => [name, uses, pages, open > 0, same, traits])).toEqual([
    ['boats.png', 3, 3, true, false, ['decorative', 'described']],
    ['logo.png', 3, 3, true, true, ['untold', 'linked']],
    ['spare.png', 0, 0, false, true, []],
  ]);
  expect(images[1]!.rules).toContain('images/no-alternative');
  const links = await linesOf(slug, { register: 'links', trait: 'new window' });
  expect(links).toMatchObject([
    { name: 'here', place: 'https://larkmoor.example/times', uses: 3, rules: expect.arrayContaining(['links/vague']) as string[] },
  ]);
  expect(await linesOf(slug, { register: 'headings', words: 'opening' })).toMatchObject([
    { name: 'Opening times', levels: [3, 3], uses: 3 },
  ]);
  expect((await linesOf(slug, { register: 'images', state: 'unused' })).map(({ name }) => name)).toEqual(['spare.png']);
});

test('what is done to a thing is done on all its pages, and one word gives back every byte', async () => {
  const slug = await site();
  const before = await texts(slug);
  const together = await doneTo(slug, 'images', 'logo.png', { do: 'describe', alternative: 'Larkmoor Canal Trust' });
  for (const html of await texts(slug)) expect(html).toContain('<img alt="Larkmoor Canal Trust" src="logo.png">');
  expect(await showMend(services, INES, { together })).toMatchObject({
    ok: true,
    value: { done: 3, waiting: 0, title: 'Image described' },
  });
  const [logo] = await linesOf(slug, { register: 'images', words: 'logo' });
  expect(logo).toMatchObject({ traits: ['described', 'linked'] });
  expect(logo!.rules).not.toContain('images/no-alternative');
  expect(await unmakeMend(services, INES, { together })).toMatchObject({ ok: true, value: { pages: 3 } });
  await workOff(together, takeStrokeBackOn);
  expect(await texts(slug)).toEqual(before);
  expect((await linesOf(slug, { register: 'images', words: 'logo' }))[0]!.rules).toContain('images/no-alternative');
});

test('cases of a thing are told apart, tried, and left where they are excepted', async () => {
  const slug = await site();
  const [boats] = await linesOf(slug, { register: 'images', words: 'boats' });
  const view = await thing(services, INES, { collection: slug, register: 'images', things: boats!.things, skip: 0 });
  if (!view.ok) throw new Error(view.problem.what);
  expect(view.value.cases.map(({ says, pages }) => [says, pages])).toEqual([
    ['', 2],
    ['IMG_2034', 1],
  ]);
  expect(view.value.uses.map(({ slug: on }) => on).sort()).toEqual(['lock', 'weir', 'wharf']);
  const cases = view.value.cases.map(({ thing: of, case: its, page: on }) => ({
    thing: of,
    case: its,
    page: on,
    mend: { do: 'describe' as const, alternative: 'Narrowboats' },
  }));
  const tried = await tryMends(services, INES, { collection: slug, register: 'images', cases });
  expect(tried.ok && tried.value.map((one) => one.tried)).toEqual([
    { ok: true, before: '<img src="boats.png" alt="">', after: '<img src="boats.png" alt="Narrowboats">', declined: [] },
    { ok: true, before: '<img src="boats.png" alt="IMG_2034">', after: '<img src="boats.png" alt="Narrowboats">', declined: [] },
  ]);
  const left = view.value.cases[0]!;
  await doneTo(
    slug,
    'images',
    'boats.png',
    { do: 'describe', alternative: 'Narrowboats' },
    { without: [{ thing: left.thing, case: left.case }] },
  );
  expect((await texts(slug)).map((html) => html.includes('Narrowboats'))).toEqual([false, true, false]);
});

test('what was changed meanwhile is left, and named', async () => {
  const slug = await site();
  const [logo] = await linesOf(slug, { register: 'images', words: 'logo' });
  const made = await mend(services, INES, {
    collection: slug,
    register: 'images',
    chosen: { things: logo!.things },
    mend: { do: 'describe', alternative: 'Larkmoor Canal Trust' },
  });
  const weir = await deskOn(slug, 'weir');
  const html = weir.html.replace('src="logo.png"', 'src="logo.png" alt="The trust’s own words"');
  await saveSource(services, INES, { pageId: weir.pageId, version: weir.version, html });
  await workOff(made.ok ? made.value.together : '', makeStroke);
  expect((await deskOn(slug, 'weir')).html).toBe(html);
  expect(await showMend(services, INES, { together: made.ok ? made.value.together : '' })).toMatchObject({
    value: { done: 2, left: [{ slug: 'weir' }] },
  });
});

test('a page on which somebody else has changes that are not saved is passed by, and named', async () => {
  const slug = await site();
  const lock = await deskOn(slug, 'lock');
  expect(await keepOpen(services, UMA, { pageId: lock.pageId, open: true })).toMatchObject({ ok: false, problem: { code: 'not-allowed' } });
  await keepOpen(services, SAM, { pageId: lock.pageId, open: true });
  const together = await doneTo(slug, 'images', 'logo.png', { do: 'describe', alternative: 'Larkmoor Canal Trust' });
  expect((await deskOn(slug, 'lock')).html).toBe(lock.html);
  expect(await showMend(services, INES, { together })).toMatchObject({
    value: { done: 2, left: [{ slug: 'lock', why: expect.stringContaining('Sam Okello') as string }] },
  });
  await keepOpen(services, SAM, { pageId: lock.pageId, open: false });
  const again = await doneTo(slug, 'images', 'logo.png', { do: 'describe', alternative: 'The trust' });
  expect(await showMend(services, INES, { together: again })).toMatchObject({ value: { done: 3, left: [] } });
});

test('links, headings and findings are mended from their registers; what a person settled is left alone', async () => {
  const slug = await site();
  await doneTo(slug, 'links', 'here', { do: 'text', text: 'Opening times of the locks' });
  await doneTo(slug, 'links', 'Opening times of the locks', { do: 'lead', to: 'lock.html#times' });
  await doneTo(slug, 'headings', 'Opening times', { do: 'level', level: 2 });
  for (const html of await texts(slug)) {
    expect(html).toContain('<h2>Opening times</h2>');
    expect(html).toMatch(/<a href="(?:lock.html)?#times" target="_blank">Opening times of the locks<\/a>/);
  }
  const lock = await deskOn(slug, 'lock');
  const note = lock.notes.find((one) => one.rule === 'links/new-window')!;
  expect(note).toBeDefined();
  const stands = await letStand(services, INES, {
    pageId: lock.pageId,
    version: lock.version,
    findingId: note.id,
    reason: 'It is a map',
    until: '2027-06-01',
  });
  expect(stands).toMatchObject({ ok: true });
  await doneTo(slug, 'links', 'Opening times of the locks', { do: 'fix', rule: 'links/new-window', remedy: 'same-window', inputs: {} });
  expect((await texts(slug)).map((html) => html.includes('_blank'))).toEqual([true, false, false]);
});

test('a thing is named by its text and place, whatever they hold', () => {
  expect(thingOf({ name: 'a', place: 'b' })).not.toBe(thingOf({ name: 'a\nb', place: '' }).slice(0, 2));
  expect(caseOf({ says: null, facts: { nth: 1, language: 'en' } })).toBe(caseOf({ says: null, facts: { nth: 7, language: 'en' } }));
});

test('only whoever may change pages mends them, and only where they may', async () => {
  const slug = await site();
  const [logo] = await linesOf(slug, { register: 'images', words: 'logo' });
  const wish = {
    collection: slug,
    register: 'images' as const,
    chosen: { things: logo!.things },
    mend: { do: 'describe' as const, alternative: 'x' },
  };
  expect(await mend(services, personAs('publisher'), wish)).toMatchObject({ ok: false, problem: { code: 'not-allowed' } });
  const elsewhere = { ...personAs('reviewer'), memberships: [{ collection: 1, role: 'reviewer' as const }] };
  expect(await mend(services, elsewhere, { ...wish, collection: null })).toMatchObject({ ok: false, problem: { code: 'nothing-to-do' } });
});

test('files are renamed with every reference, go out under their new names, and one word gives every byte back', async () => {
  const css = 'body{background:url(boats.png)}';
  const slug = await arrived(
    await sent('named.zip', [
      ...TITLES.map((title) => ({ name: `${title.toLowerCase()}.html`, data: page(title) })),
      { name: 'style.css', data: css },
      { name: 'boats.png', data: 'boats' },
      { name: 'logo.png', data: 'a logo' },
    ]),
  );
  const before = await out(slug);
  const [boats] = await linesOf(slug, { register: 'images', group: 'thing', words: 'boats' });
  const wish = { collection: slug, register: 'images' as const, chosen: { things: boats!.things } };
  const bad = await mend(services, INES, { ...wish, renames: [{ thing: 'boats.png\n', name: 'logo.png' }] });
  expect(bad).toMatchObject({ ok: false, problem: { code: 'duplicate' } });
  const made = await mend(services, INES, { ...wish, renames: [{ thing: 'boats.png\n', name: 'narrowboats-at-the-lock.png' }] });
  const together = made.ok ? made.value.together : '';
  await workOff(together, makeStroke);
  for (const html of await texts(slug)) expect(html).toContain('src="narrowboats-at-the-lock.png"');
  const files = await readZip((await out(slug)).bytes);
  expect([...files.keys()].sort()).toEqual(
    ['lock.html', 'logo.png', 'narrowboats-at-the-lock.png', 'style.css', 'wharf.html', 'weir.html'].sort(),
  );
  expect(files.get('style.css')).toBe('body{background:url(narrowboats-at-the-lock.png)}');
  expect(files.get('narrowboats-at-the-lock.png')).toBe('boats');
  expect(await redirects(services, INES, { collection: slug })).toMatchObject({
    ok: true,
    value: [{ path: 'boats.png', leads_to: 'narrowboats-at-the-lock.png' }],
  });
  await unmakeMend(services, INES, { together });
  await workOff(together, takeStrokeBackOn);
  expect((await out(slug)).bytes.equals(before.bytes)).toBe(true);
  expect(await redirects(services, INES, { collection: slug })).toMatchObject({ ok: true, value: [] });
});

test('images are described in a spreadsheet and brought back; a row that no longer fits is kept aside', async () => {
  const slug = await site();
  const sheet = await registerSheet(services, INES, { collection: slug, choice: { register: 'images' } });
  const text = sheet.ok ? sheet.value.text : '';
  const rows = text.trim().split('\r\n');
  expect(rows[0]).toBe('collection,file,alternative,decorative,caption,says now,where,uses,pages,case');
  expect(rows).toHaveLength(4);
  // What a spreadsheet makes of it: semicolons, and other columns in between.
  const filled = rows.map((row, nth) => {
    const cells = row.split(',');
    if (nth > 0) {
      cells[2] = cells[1] === 'logo.png' ? 'Larkmoor Canal Trust' : `Boats ${cells[5]}`;
      cells[3] = 'no';
    }
    return cells.map((cell) => (cell.includes(';') ? `"${cell}"` : cell)).join(';');
  });
  const weir = await deskOn(slug, 'weir');
  await saveSource(services, INES, {
    pageId: weir.pageId,
    version: weir.version,
    html: weir.html.replace('IMG_2034', 'Two boats in the weir'),
  });
  const taken = await takeSheet(services, INES, { collection: slug, bytes: Buffer.from(filled.join('\r\n')) });
  expect(taken).toMatchObject({ ok: true, value: { taken: 2, same: 0, aside: [{ file: 'boats.png', says: 'Boats IMG_2034' }] } });
  expect(taken.ok && taken.value.aside[0]!.why).toContain('Two boats in the weir');
  await workOff(taken.ok ? taken.value.together! : '', makeStroke);
  const [lock, now] = await texts(slug);
  expect(lock).toContain('<img alt="Larkmoor Canal Trust" src="logo.png">');
  expect(lock).toContain('alt="Boats (decorative)"');
  expect(now).toContain('alt="Two boats in the weir"');
  // The same sheet again, and one that is none.
  const again = await takeSheet(services, INES, { collection: slug, bytes: Buffer.from(filled.slice(0, 1).join('\r\n')) });
  expect(again).toMatchObject({ ok: true, value: { together: null, taken: 0 } });
  expect(await takeSheet(services, INES, { collection: slug, bytes: Buffer.from('a,b\r\n1,2') })).toMatchObject({
    ok: false,
    problem: { code: 'bad-page' },
  });
});

test('outlines stand one under the other; what leaps and what has another level elsewhere says so', async () => {
  const slug = await site();
  await doneTo(slug, 'headings', 'Opening times', { do: 'level', level: 2 });
  const lock = await deskOn(slug, 'lock');
  const html = lock.html.replace(/h2>/g, 'h4>');
  await saveSource(services, INES, { pageId: lock.pageId, version: lock.version, html });
  const shown = await outlines(services, INES, { collection: slug, contentType: null, skip: 0 });
  const lines = shown.ok ? Object.fromEntries(shown.value.pages.map((one) => [one.slug, one.lines])) : {};
  expect(lines.lock).toEqual([
    { text: 'Lock', level: 1, leaps: false, usually: null },
    { text: 'Opening times', level: 4, leaps: true, usually: { level: 2, pages: 2 } },
  ]);
  expect(lines.weir![1]).toEqual({ text: 'Opening times', level: 2, leaps: false, usually: null });
});

test('in a course a file is one thing, whatever its pages call it by, and is renamed as one', async () => {
  const manifest = `<?xml version="1.0"?><manifest identifier="m" xmlns="http://www.imsglobal.org/xsd/imsccv1p3/imscp_v1p1"><metadata><schema>IMS Common Cartridge</schema><schemaversion>1.3.0</schemaversion></metadata><organizations><organization identifier="o" structure="rooted-hierarchy"><item identifier="r"><item identifier="i" identifierref="p"><title>Hive</title></item></item></organization></organizations><resources><resource identifier="p" type="webcontent" href="pages/hive.html"><file href="pages/hive.html"/></resource><resource identifier="f" type="webcontent" href="images/DSC1.png"><file href="images/DSC1.png"/></resource></resources></manifest>`;
  const slug = await arrived(
    await sent('course.imscc', [
      { name: 'imsmanifest.xml', data: manifest },
      {
        name: 'pages/hive.html',
        data: '<html lang="en"><head><title>Hive</title></head><body><p><img src="$IMS-CC-FILEBASE$/images/DSC1.png" alt="A hive on a stand"></p></body></html>',
      },
      { name: 'images/DSC1.png', data: 'a hive' },
    ]),
  );
  const before = await out(slug);
  const lines = await linesOf(slug, { register: 'images', group: 'thing' });
  expect(lines.map(({ name, uses, files }) => [name, uses, files])).toEqual([['images/DSC1.png', 1, 1]]);
  const names = await proposeNames(services, INES, { collection: slug, choice: { register: 'images' }, keys: null });
  const [proposed] = names.ok ? names.value : [];
  expect(proposed?.proposed).toBe('a-hive-on-a-stand.png');
  const wish = { collection: slug, register: 'images' as const, chosen: { things: lines[0]!.things } };
  const made = await mend(services, INES, { ...wish, renames: [{ thing: proposed!.thing, name: proposed!.proposed! }] });
  const together = made.ok ? made.value.together : '';
  await workOff(together, makeStroke);
  const files = await readZip((await out(slug)).bytes);
  expect([...files.keys()].sort()).toEqual(['images/a-hive-on-a-stand.png', 'imsmanifest.xml', 'pages/hive.html']);
  expect(files.get('pages/hive.html')).toContain('src="$IMS-CC-FILEBASE$/images/a-hive-on-a-stand.png"');
  expect(files.get('imsmanifest.xml')).toContain('href="images/a-hive-on-a-stand.png"');
  expect(await redirects(services, INES, { collection: slug })).toMatchObject({ value: [{ path: 'images/DSC1.png' }] });
  expect(await showMend(services, INES, { together })).toMatchObject({ value: { title: 'File renamed to a-hive-on-a-stand.png' } });
  await unmakeMend(services, INES, { together });
  await workOff(together, takeStrokeBackOn);
  expect((await out(slug)).bytes.equals(before.bytes)).toBe(true);
});
