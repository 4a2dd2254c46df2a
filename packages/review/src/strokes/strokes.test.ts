import { sql } from 'kysely';
import {
  auditAgain,
  desk,
  fix,
  makeStroke,
  repeated,
  sameSlip,
  saveSource,
  setContentType,
  strokeOver,
  strokePagesOver,
  takeStrokeBackOn,
  THE_SYSTEM,
  unmakeStroke,
} from '../index.ts';
import { bench, INES, personAs, RUTH } from '../testing/bench.ts';
import { packageBench } from '../testing/packages.ts';

const ground = bench();
const { services, db } = ground;
const { sent, arrived, deskOn } = packageBench(ground);

// Work in the background is done in the name of a person whom the database knows.
beforeAll(async () => {
  await sql`insert into memberships (person_id, role) select ${INES.id}, 'reviewer' where not exists (select 1 from memberships
    where person_id = ${INES.id})`.execute(db());
});

const HEADER =
  '<header><a href="index.html"><img src="logo.png"></a><p>Larkmoor Canal Trust, open every day of 2025</p><nav><ul><li><a href="index.html">Home</a></li></ul></nav></header>';
const page = (title: string, header = HEADER) =>
  `<html lang="en"><head><title>${title}</title></head><body>${header}<main><h1>${title}</h1><p>The ${title} is by the water.</p><img src="${title}.png"></main></body></html>`;
const TITLES = ['Lock', 'Weir', 'Wharf', 'Basin', 'Tunnel'];

/** A site of five pages with one header, and a sixth with another. */
async function site(): Promise<string> {
  const pages = TITLES.map((title, nth) => ({ name: `${title}.html`, data: page(title, HEADER.replace('2025', String(2021 + nth))) }));
  return arrived(await sent('site.zip', [...pages, { name: 'Odd.html', data: page('Odd', HEADER.replace('every day', 'on Sundays')) }]));
}

const LOGO = 'images/no-alternative';
const logoOn = async (slug: string, title: string) => {
  const view = await deskOn(slug, title.toLowerCase());
  return { view, note: view.notes.find((one) => one.rule === LOGO && one.slip?.startsWith('header'))! };
};

/** What a worker does with a stroke. */
async function work(run: typeof makeStroke, stroke: number) {
  const { rows } = await sql<{ page_id: number }>`select page_id from stroke_pages where stroke_id = ${stroke}`.execute(db());
  await run(services, { stroke, pages: rows.map((row) => row.page_id) });
}

async function fixedEverywhere(slug: string): Promise<number> {
  const { view, note } = await logoOn(slug, 'Lock');
  const pages = await sameSlip(services, INES, { pageId: view.pageId, findingId: note.id });
  const wish = {
    pageId: view.pageId,
    findingId: note.id,
    act: 'fix' as const,
    remedy: 'describe' as const,
    inputs: { alt: 'Larkmoor Canal Trust' },
    pages: pages.ok ? pages.value.map(({ id }) => id) : [],
  };
  const made = await strokeOver(services, INES, wish);
  if (!made.ok) throw new Error(made.problem.what);
  return made.value.stroke;
}

const texts = async (slug: string) =>
  Object.fromEntries(await Promise.all(TITLES.map(async (title) => [title, (await deskOn(slug, title.toLowerCase())).html])));

describe('one slip on many pages', () => {
  test('is told once, with its pages and who answers for it', async () => {
    const slug = await site();
    const told = await repeated(services, INES, { collection: slug });
    if (!told.ok) throw new Error(told.problem.what);
    const logo = told.value.slips.find((one) => one.rule === LOGO)!;
    expect(logo).toMatchObject({ pages: 5, many: 5, part: 'header', answers: 'theme', first: { slug: 'basin' } });
    // Each page's own image is a slip of its own.
    expect(told.value.slips.filter((one) => one.rule === LOGO)).toHaveLength(1);
    const { view, note } = await logoOn(slug, 'Lock');
    const pages = await sameSlip(services, INES, { pageId: view.pageId, findingId: note.id });
    expect(pages.ok && pages.value.map(({ title }) => title).sort()).toEqual([...TITLES].sort());
    const own = view.notes.find((one) => one.rule === LOGO && one.id !== note.id)!;
    expect(await sameSlip(services, INES, { pageId: view.pageId, findingId: own.id })).toEqual({ ok: true, value: [] });
  });

  test('is fixed on all of them, once each, and one word takes it back byte for byte', async () => {
    const slug = await site();
    const before = await texts(slug);
    const stroke = await fixedEverywhere(slug);
    await work(makeStroke, stroke);
    await work(makeStroke, stroke);
    for (const title of TITLES) {
      const view = await deskOn(slug, title.toLowerCase());
      expect(view.html).toContain('<img alt="Larkmoor Canal Trust" src="logo.png">');
      expect(view.revision.number).toBe(2);
    }
    expect((await deskOn(slug, 'odd')).html).not.toContain('alt=');
    const after = await repeated(services, INES, { collection: slug });
    expect(after.ok && after.value.slips.map((one) => one.rule)).not.toContain(LOGO);
    expect(after.ok && after.value.strokes[0]).toMatchObject({ done: 5, waiting: 0, left: [], label: 'describe it' });
    await unmakeStroke(services, INES, { stroke });
    await work(takeStrokeBackOn, stroke);
    expect(await texts(slug)).toEqual(before);
    expect(await unmakeStroke(services, INES, { stroke })).toMatchObject({ ok: false, problem: { code: 'nothing-to-do' } });
  });

  test('leaves what changed meanwhile, and says so; taken back it leaves what was changed since', async () => {
    const slug = await site();
    const stroke = await fixedEverywhere(slug);
    const weir = await logoOn(slug, 'Weir');
    await fix(services, INES, {
      pageId: weir.view.pageId,
      version: weir.view.version,
      findingId: weir.note.id,
      remedy: 'describe',
      inputs: { alt: 'The trust' },
    });
    await work(makeStroke, stroke);
    const told = await repeated(services, INES, { collection: slug });
    expect(told.ok && told.value.strokes[0]).toMatchObject({ done: 4, left: [{ slug: 'weir' }] });
    const [lock, wharf] = [await deskOn(slug, 'lock'), await deskOn(slug, 'wharf')];
    const save = (view: typeof lock, from: string, to: string) =>
      saveSource(services, INES, { pageId: view.pageId, version: view.version, html: view.html.replace(from, to) });
    await save(lock, 'by the water', 'by the deep water');
    await save(wharf, 'alt="Larkmoor Canal Trust"', 'alt="Trust"');
    await unmakeStroke(services, INES, { stroke });
    await work(takeStrokeBackOn, stroke);
    expect((await deskOn(slug, 'lock')).html).toContain('<img src="logo.png">');
    expect((await deskOn(slug, 'lock')).html).toContain('deep water');
    expect((await deskOn(slug, 'wharf')).html).toContain('alt="Trust"');
    const then = await repeated(services, INES, { collection: slug });
    expect(then.ok && then.value.strokes[0]).toMatchObject({ returned: 3, taken_back: true });
    expect(then.ok && then.value.strokes[0]!.left.map((one) => one.slug).sort()).toEqual(['weir', 'wharf']);
  });

  test('that was decided half-way by a worker that died is decided once, and all of it taken back', async () => {
    const slug = await site();
    const { view, note } = await logoOn(slug, 'Lock');
    const made = await strokeOver(services, INES, { pageId: view.pageId, findingId: note.id, act: 'elsewhere', pages: [view.pageId] });
    const stroke = made.ok ? made.value.stroke : 0;
    await work(makeStroke, stroke);
    // As it stands when the decision was written and the word that it is done was not.
    await sql`update stroke_pages set state = 'waiting' where stroke_id = ${stroke}`.execute(db());
    await work(makeStroke, stroke);
    await unmakeStroke(services, INES, { stroke });
    await work(takeStrokeBackOn, stroke);
    expect((await logoOn(slug, 'Lock')).note.standing).toBe('open');
  });

  test('that is a question is answered on all of them, and the answers taken back', async () => {
    const header = HEADER.replace('<p>', '<p>For the times of all the boats <a href="https://larkmoor.example/x">click here</a>. ');
    const slug = await arrived(
      await sent(
        'asks.zip',
        TITLES.map((title) => ({ name: `${title}.html`, data: page(title, header) })),
      ),
    );
    const question = async () => {
      const view = await deskOn(slug, 'lock');
      return { view, note: view.notes.find((one) => one.rule === 'links/vague')! };
    };
    const { view, note } = await question();
    expect(note.outcome).toBe('cantTell');
    const pages = await sameSlip(services, INES, { pageId: view.pageId, findingId: note.id });
    const wish = {
      pageId: view.pageId,
      findingId: note.id,
      act: 'no problem' as const,
      pages: pages.ok ? pages.value.map(({ id }) => id) : [],
    };
    const made = await strokeOver(services, INES, wish);
    const stroke = made.ok ? made.value.stroke : 0;
    await work(makeStroke, stroke);
    expect((await question()).note.standing).toBe('ruled out');
    const told = await repeated(services, INES, { collection: slug });
    expect(told.ok && told.value.strokes[0]).toMatchObject({ done: 5, label: 'ruled no problem' });
    await unmakeStroke(services, INES, { stroke });
    await work(takeStrokeBackOn, stroke);
    expect((await question()).note.standing).toBe('open');
  });

  test('is told apart for the theme on all of them, and back', async () => {
    const slug = await site();
    const { view, note } = await logoOn(slug, 'Lock');
    const pages = await sameSlip(services, INES, { pageId: view.pageId, findingId: note.id });
    const wish = {
      pageId: view.pageId,
      findingId: note.id,
      act: 'elsewhere' as const,
      pages: pages.ok ? pages.value.map(({ id }) => id) : [],
    };
    const made = await strokeOver(services, INES, wish);
    const stroke = made.ok ? made.value.stroke : 0;
    await work(makeStroke, stroke);
    for (const title of TITLES) expect((await logoOn(slug, title)).note.standing).toBe('elsewhere');
    await unmakeStroke(services, INES, { stroke });
    await work(takeStrokeBackOn, stroke);
    for (const title of TITLES) expect((await logoOn(slug, title)).note.standing).toBe('open');
    expect(await strokeOver(services, RUTH, wish)).toMatchObject({ ok: false, problem: { code: 'not-allowed' } });
    expect(await strokeOver(services, personAs('author'), wish)).toMatchObject({ ok: false, problem: { code: 'not-allowed' } });
  });

  test('is the same after an edit elsewhere on the page, and another where its piece is changed', async () => {
    const slug = await site();
    const first = await logoOn(slug, 'Lock');
    const edit = async (from: string, to: string) => {
      const now = await deskOn(slug, 'lock');
      await saveSource(services, INES, { pageId: now.pageId, version: now.version, html: now.html.replace(from, to) });
    };
    await edit('by the water', 'by the deep water');
    expect((await logoOn(slug, 'Lock')).note).toMatchObject({ id: first.note.id, slip: first.note.slip });
    await edit('open every day', 'closed');
    const changed = await logoOn(slug, 'Lock');
    expect(changed.note.id).toBe(first.note.id);
    expect(changed.note.slip).not.toBe(first.note.slip);
    const told = await repeated(services, INES, { collection: slug });
    expect(told.ok && told.value.slips.find((one) => one.rule === LOGO)?.pages).toBe(4);
    expect((await auditAgain(services, THE_SYSTEM, { pageId: first.view.pageId })).ok).toBe(true);
    expect((await desk(services, INES, { collection: slug, page: 'lock' })).ok).toBe(true);
  });
});

describe('pages chosen together', () => {
  const onPages = async (slug: string, act: 'certain' | 'sign off', pages = TITLES.map((title) => title.toLowerCase())) => {
    const made = await strokePagesOver(services, INES, { collection: slug, act, pages });
    if (!made.ok) throw new Error(made.problem.what);
    await work(makeStroke, made.value.stroke);
    return made.value.stroke;
  };
  const told = async (slug: string) => {
    const shown = await repeated(services, INES, { collection: slug });
    if (!shown.ok) throw new Error(shown.problem.what);
    return shown.value.strokes[0]!;
  };

  test('have what is certain fixed, and taken back; what has nothing certain is left without a word', async () => {
    const slug = await site();
    const weir = await deskOn(slug, 'weir');
    const html = weir.html.replace('</main>', '<h2> </h2></main>');
    await saveSource(services, INES, { pageId: weir.pageId, version: weir.version, html });
    const stroke = await onPages(slug, 'certain');
    expect(await told(slug)).toMatchObject({ done: 1, waiting: 0, left: [], title: 'What is certain, fixed' });
    expect((await deskOn(slug, 'weir')).html).not.toContain('<h2>');
    await unmakeStroke(services, INES, { stroke });
    await work(takeStrokeBackOn, stroke);
    expect((await deskOn(slug, 'weir')).html).toBe(html);
  });

  test('are signed off where the gate lets them through, and named where it does not', async () => {
    const slug = await arrived(
      await sent('two.zip', [
        { name: 'a.html', data: page('Alder', '').replace('<img src="Alder.png">', '') },
        { name: 'b.html', data: page('Birch') },
      ]),
    );
    const stroke = await onPages(slug, 'sign off', ['alder', 'birch']);
    expect(await told(slug)).toMatchObject({ done: 1, left: [{ slug: 'birch' }] });
    expect((await deskOn(slug, 'alder')).release).toBe('signed off');
    expect(await unmakeStroke(services, INES, { stroke })).toMatchObject({ ok: false, problem: { code: 'nothing-to-do' } });
    const author = personAs('author', INES.id);
    expect(await strokePagesOver(services, author, { collection: slug, act: 'sign off', pages: ['alder'] })).toMatchObject({ ok: false });
  });

  test('are given another content type', async () => {
    const slug = await site();
    expect(
      await setContentType(services, INES, { collection: slug, pages: ['lock', 'weir', 'none'], contentType: 'Announcement ' }),
    ).toEqual({
      ok: true,
      value: { pages: 2 },
    });
    expect((await deskOn(slug, 'lock')).contentType).toBe('announcement');
    expect((await deskOn(slug, 'wharf')).contentType).toBe('article');
    expect(await setContentType(services, INES, { collection: slug, pages: ['lock'], contentType: ' ' })).toMatchObject({ ok: false });
    expect(await setContentType(services, RUTH, { collection: slug, pages: ['lock'], contentType: 'x' })).toMatchObject({ ok: false });
  });
});
