import { sql } from 'kysely';
import { auditAgain, palette, recolour, recolouring, register, setPalette, THE_SYSTEM, unmakeMend } from '../index.ts';
import { bench, INES, personAs, SAM } from '../testing/bench.ts';
import { packageBench } from '../testing/packages.ts';

const ground = bench();
const { services, db } = ground;
const { sent, arrived, out } = packageBench(ground);

const CSS = '/* the site */\n.quiet { color: #9aa0a6; background: #fff }\nbody { color: #202124 }\n';
const page = (nth: number) =>
  `<html lang="en"><head><title>Page ${nth}</title><link rel="stylesheet" href="css/site.css"></head><body><main><h1>Page ${nth}</h1><p>The lock is open.</p><p class="quiet">Seen by the keeper on the towpath.</p></main></body></html>`;

async function site(): Promise<string> {
  const pages = Array.from({ length: 12 }, (_, nth) => ({ name: `p${nth}.html`, data: page(nth) }));
  return arrived(await sent('site.zip', [...pages, { name: 'css/site.css', data: CSS }]));
}

/** The audits that wait, as a worker would make them. */
async function lookAgain(slug: string): Promise<number> {
  const { rows } = await sql<{ id: number }>`select p.id from pages p join collections c on c.id = p.collection_id where c.slug = ${slug}
    and exists (select 1 from jobs j where j.kind = 'audit a page again' and j.state = 'waiting' and (j.payload ->> 'page')::integer = p.id)`.execute(
    db(),
  );
  for (const { id } of rows) await auditAgain(services, THE_SYSTEM, { pageId: id });
  await sql`delete from jobs where kind = 'audit a page again' and state = 'waiting'`.execute(db());
  return rows.length;
}

async function failing(collection: string) {
  const shown = await register(services, INES, { collection, choice: { register: 'colours', trait: 'too little' }, skip: 0 });
  if (!shown.ok) throw new Error(shown.problem.what);
  return shown.value.lines;
}

test('a colour is changed in the shared style sheet, and all its pages pass; one word gives the sheet back', async () => {
  const slug = await site();
  const before = await out(slug);
  const [pair] = await failing(slug);
  expect(pair).toMatchObject({ name: '#9aa0a6 on #ffffff', pages: 12, traits: expect.arrayContaining(['linked sheet']) as string[] });
  const known = await recolouring(services, INES, { collection: slug, things: pair!.things });
  expect(known).toMatchObject({
    ok: true,
    value: { pages: 12, sources: [{ sheet: 'css/site.css', selector: '.quiet', value: '#9aa0a6' }] },
  });
  const nearest = known.ok ? known.value.passing[0]!.colour : '';
  const done = await recolour(services, INES, { collection: slug, things: pair!.things, color: nearest });
  expect(done).toMatchObject({ ok: true, value: { pages: 12 } });
  expect(await lookAgain(slug)).toBe(12);
  expect(await failing(slug)).toEqual([]);
  expect((await out(slug)).bytes.equals(before.bytes)).toBe(false);
  await unmakeMend(services, INES, { together: done.ok ? done.value.together : '' });
  expect(await lookAgain(slug)).toBe(12);
  expect((await failing(slug))[0]).toMatchObject({ pages: 12 });
  expect((await out(slug)).bytes.equals(before.bytes)).toBe(true);
});

test('what is no colour, and whoever may not, is declined in words', async () => {
  const slug = await site();
  const [pair] = await failing(slug);
  const wish = { collection: slug, things: pair!.things };
  expect(await recolour(services, INES, { ...wish, color: 'mauvish' })).toMatchObject({ ok: false, problem: { code: 'declined' } });
  expect(await recolour(services, personAs('publisher'), { ...wish, color: '#000' })).toMatchObject({
    ok: false,
    problem: { code: 'not-allowed' },
  });
});

test('the palette is found from style sheets, named by an administrator, and says what may stand on what', async () => {
  const slug = await site();
  await setPalette(services, SAM, { colours: [] });
  const found = await palette(services, INES, { collection: slug });
  expect(found.ok && found.value.found.map(({ colour }) => colour)).toEqual(expect.arrayContaining(['#202124', '#9aa0a6', '#ffffff']));
  expect(await setPalette(services, INES, { colours: [] })).toMatchObject({ ok: false });
  expect(await setPalette(services, SAM, { colours: [{ value: 'no', name: 'Nothing' }] })).toMatchObject({ ok: false });
  const wish = {
    colours: [
      { value: '#202124', name: 'Ink' },
      { value: 'white', name: 'Paper' },
    ],
  };
  expect(await setPalette(services, SAM, wish)).toMatchObject({ ok: true });
  const named = await palette(services, SAM, { collection: slug });
  const on = (ink: number, paper: number) => [
    { value: '#202124', ratio: ink },
    { value: '#ffffff', ratio: paper },
  ];
  expect(named.ok && named.value.colours).toEqual([
    { value: '#202124', name: 'Ink', on: on(1, 16.09) },
    { value: '#ffffff', name: 'Paper', on: on(16.09, 1) },
  ]);
  const [pair] = await failing(slug);
  const known = await recolouring(services, INES, { collection: slug, things: pair!.things });
  expect(known.ok && known.value.passing[0]).toMatchObject({ colour: '#202124', way: 'house' });
  expect(known.ok && known.value.names['#202124']).toBe('Ink');
  await setPalette(services, SAM, { colours: [] });
});
