import { sql } from 'kysely';
import {
  bringPages,
  changePage,
  desk,
  fix,
  followMove,
  ledger,
  movePage,
  pagesTakenOut,
  replacePage,
  takePages,
  type Desk,
} from '../index.ts';
import { bench, INES, RUTH } from '../testing/bench.ts';

const { services, SLUG, db, page, look, at } = bench();

const rules = (view: Desk) => view.notes.map(({ rule }) => rule);
const order = async () => {
  const shown = await ledger(services, INES, { collection: SLUG, choice: { order: 'position' } });
  return shown.ok ? shown.value.pages.map(({ slug }) => slug) : [];
};

// A move is followed in the name of whoever moved, as the database knows them.
beforeAll(async () => {
  await sql`insert into memberships (person_id, role) select ${INES.id}, 'reviewer' where not exists (select 1 from memberships
    where person_id = ${INES.id})`.execute(db());
});

describe('what a page is', () => {
  it('is called otherwise, is of another sort, and stands elsewhere in the order', async () => {
    const [first, second, third] = [await page('<h2>A</h2>'), await page('<h2>B</h2>'), await page('<h2>C</h2>')];
    expect(
      await changePage(services, INES, { ...at(third), title: '  Third  things ', contentType: 'Assignment', behind: first.slug }),
    ).toMatchObject({
      ok: true,
    });
    expect(await look(third.slug)).toMatchObject({
      title: 'Third things',
      contentType: 'assignment',
      beside: { before: { slug: first.slug } },
    });
    const now = (await order()).filter((slug) => [first, second, third].some((one) => one.slug === slug));
    expect(now).toEqual([first.slug, third.slug, second.slug]);
    await changePage(services, INES, { ...at(await look(third.slug)), behind: null });
    expect((await order())[0]).toBe(third.slug);
  });

  it('as a whole page it is asked for a title and a language; as a part of one again it is not', async () => {
    const part = await page('<h2>A</h2><p>Text</p>');
    expect(rules(part)).not.toContain('document/no-title');
    await changePage(services, INES, { ...at(part), scope: 'document' });
    const whole = await look(part.slug);
    expect(whole.scope).toBe('document');
    expect(whole.notes.length).toBeGreaterThan(part.notes.length);
    await changePage(services, INES, { ...at(whole), scope: 'fragment' });
    const again = await look(part.slug);
    expect(again.notes.filter(({ standing }) => standing === 'open').map(({ rule }) => rule)).toEqual(rules(part));
  });

  it('is told why it stays as it was', async () => {
    const view = await page('<h2>A</h2>');
    expect(await changePage(services, INES, { ...at(view), title: ' ' })).toMatchObject({ problem: { code: 'bad-page' } });
    expect(await changePage(services, RUTH, { ...at(view), title: 'X' })).toMatchObject({ problem: { code: 'not-allowed' } });
    await changePage(services, INES, { ...at(view), title: 'Y' });
    expect(await changePage(services, INES, { ...at(view), behind: 'nowhere' })).toMatchObject({ problem: { code: 'not-found' } });
    expect((await look(view.slug)).title).toBe('Y');
  });
});

describe('a page that moves', () => {
  it('takes its references along, and those who lead to it follow, each as a revision', async () => {
    const moving = await page('<p><img src="hive.png" alt="A hive"> and <a href="#end">the end</a></p><p id="end">End</p>');
    const leading = await page(`<p>See <a href="${moving.address}#end">how it ends</a> and <a href="else.html">what else</a></p>`);
    const moved = await movePage(services, INES, { ...at(moving), address: `deep/in/${moving.slug}.html` });
    expect(moved).toEqual({ ok: true, value: { following: 1 } });
    const there = await look(moving.slug);
    expect(there.address).toBe(`deep/in/${moving.slug}.html`);
    expect(there.html).toContain('<img src="../../hive.png" alt="A hive">');
    expect(there.html).toContain('<a href="#end">');
    const job = { page: leading.pageId, by: INES.id, from: moving.address, to: there.address };
    await followMove(services, job);
    await followMove(services, job);
    const led = await look(leading.slug);
    expect(led.html).toContain(`<a href="deep/in/${moving.slug}.html#end">`);
    expect(led.html).toContain('<a href="else.html">');
    expect(led.revision).toMatchObject({ number: 2, by: 'Ines Calder' });
  });

  it('goes only where a page can lie, and where nothing lies', async () => {
    const view = await page('<h2>A</h2>');
    const other = await page('<h2>B</h2>');
    for (const address of ['', '../up.html', 'https://example.org/a.html', 'folder/', 'notes.txt', other.address, view.address])
      expect(await movePage(services, INES, { ...at(view), address })).toMatchObject({ ok: false, problem: { code: 'bad-page' } });
    expect((await look(view.slug)).address).toBe(view.address);
  });
});

describe('a page that is taken out', () => {
  it('is in no ledger and stands beside no other, and comes back with what was done to it', async () => {
    const view = await page('<p><img src="hive.png"></p>');
    await fix(services, INES, { ...at(view), findingId: view.notes[0]!.id, remedy: 'describe', inputs: { alt: 'A hive' } });
    expect(await takePages(services, INES, { collection: SLUG, pages: [view.slug] })).toEqual({ ok: true, value: { pages: 1 } });
    expect(await order()).not.toContain(view.slug);
    const shown = await desk(services, INES, { collection: SLUG, page: view.slug });
    expect(shown).toMatchObject({ value: { out: true } });
    expect(await pagesTakenOut(services, INES, { collection: SLUG, skip: 0 })).toMatchObject({
      value: { pages: [{ slug: view.slug, by: 'Ines Calder' }], more: false },
    });
    expect(await bringPages(services, INES, { collection: SLUG, pages: [view.slug] })).toEqual({ ok: true, value: { pages: 1 } });
    expect(await order()).toContain(view.slug);
    expect(await look(view.slug)).toMatchObject({ out: false, revision: { number: 2 }, fixedHere: 1 });
  });

  it('is not taken out by whoever may not', async () => {
    const view = await page('<h2>A</h2>');
    expect(await takePages(services, RUTH, { collection: SLUG, pages: [view.slug] })).toMatchObject({ problem: { code: 'not-allowed' } });
  });
});

describe('a newer file in a page’s place', () => {
  it('is a revision of its own, and what was mended here is made again on it', async () => {
    const view = await page('<h2>Wax</h2><p><img src="hive.png"></p><p>Old words.</p>');
    await fix(services, INES, { ...at(view), findingId: view.notes[0]!.id, remedy: 'describe', inputs: { alt: 'A hive' } });
    const newer = '<h2>Wax</h2><p><img src="hive.png"></p><p>Newer words.</p>';
    const result = await replacePage(services, INES, { ...at(await look(view.slug)), bytes: Buffer.from(newer) });
    expect(result.ok).toBe(true);
    const now = await look(view.slug);
    expect(now.html).toBe('<h2>Wax</h2><p><img alt="A hive" src="hive.png"></p><p>Newer words.</p>');
    expect(now.history.slice(0, 2).map(({ cause }) => cause)).toEqual(['fixed', 'imported']);
  });

  it('is refused where it is no page of text, or the page has changed meanwhile', async () => {
    const view = await page('<h2>Wax</h2>');
    const png = Buffer.from('89504e470d0a1a0a0000000d49484452', 'hex');
    expect(await replacePage(services, INES, { ...at(view), bytes: png })).toMatchObject({ problem: { code: 'bad-page' } });
    await changePage(services, INES, { ...at(view), title: 'Wax and honey' });
    await replacePage(services, INES, { ...at(await look(view.slug)), bytes: Buffer.from('<h2>Honey</h2>') });
    expect(await replacePage(services, INES, { ...at(view), bytes: Buffer.from('<h2>Lost?</h2>') })).toMatchObject({
      problem: { code: 'conflict' },
    });
    const waiting = await db().selectFrom('arrivals').select('page_id').where('page_id', '=', view.pageId).execute();
    expect([(await look(view.slug)).html, waiting]).toEqual(['<h2>Honey</h2>', []]);
  });
});
