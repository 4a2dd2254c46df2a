import { sql } from 'kysely';
import { fix, learning, noteFor, saveSource, undo, type Actor, type Result } from './index.ts';
import { bench, INES, personAs, RUTH, UMA } from './testing/bench.ts';

const { services, db, look, SLUG, page, at } = bench();
const ODILE = personAs('author', `odile-learns-${process.pid}`, 'Odile Marsh');

function value<T>(result: Result<T>): T {
  if (!result.ok) throw new Error(result.problem.what);
  return result.value;
}

beforeAll(async () => {
  await sql`insert into people (id, name) values (${ODILE.id}, ${ODILE.name})`.execute(db());
});

test('what was fixed and came back is told by month, rule, person and content type', async () => {
  expect(value(await learning(services, INES, { collection: SLUG })).many).toBe(0);
  const { slug } = await page('<h2>Wax</h2><p><img src="hive.png"></p>');
  const found = await look(slug);
  const image = found.notes.find(({ rule }) => rule === 'images/no-alternative')!;
  value(await fix(services, INES, { ...at(found), findingId: image.id, remedy: 'describe', inputs: { alt: 'A hive of pine boards' } }));
  const mended = await look(slug);
  value(await saveSource(services, INES, { ...at(mended), html: mended.html.replace(/ alt="[^"]*"/, '') }));
  const told = value(await learning(services, INES, { collection: SLUG }));
  expect(told).toMatchObject({
    many: 1,
    byRule: [{ name: 'Image with no alternative text', many: 1 }],
    byPerson: [{ name: 'Ines Calder', many: 1 }],
    byContentType: [{ many: 1 }],
  });
  expect(told.byMonth).toHaveLength(12);
  expect(told.byMonth.at(-1)).toMatchObject({ families: { images: 1 }, many: 1 });
  // What undo gives back has not come back: nobody made that slip again.
  const again = await look(slug);
  value(await undo(services, INES, at(again)));
  value(await undo(services, INES, at(await look(slug))));
  expect(value(await learning(services, INES, { collection: SLUG })).many).toBe(1);
});

test('somebody is told of their three commonest slips, from their own pages, in plain words', async () => {
  for (const title of ['One', 'Two']) {
    const { pageId, version } = await page('<h2>Text</h2><p>Plain</p>', `Own ${title}`);
    const html =
      '<h2></h2><h2>Text</h2><p><img src="hive.png"></p><p>See <a href="https://larkmoor.example/a">https://larkmoor.example/a</a></p><table><tr><td>a</td></tr></table>';
    value(await saveSource(services, ODILE, { pageId, version, html }));
  }
  const note = value(await noteFor(services, ODILE, { person: null }));
  expect(note).toMatchObject({ isOwn: true, person: { name: 'Odile Marsh' } });
  expect(note.slips).toHaveLength(3);
  for (const slip of note.slips) expect(slip).toMatchObject({ pages: 2, fixed: 0, title: expect.stringMatching(/^Own /) as string });
  expect(note.slips.map(({ name }) => name)).toContain('Image with no alternative text');
  // Whoever hands work out may look; others may not.
  expect(await noteFor(services, RUTH, { person: ODILE.id })).toMatchObject({ ok: true, value: { isOwn: false } });
  expect(await noteFor(services, UMA, { person: ODILE.id })).toMatchObject({ ok: false, problem: { code: 'not-found' } });
  const nobody: Actor = { ...INES, memberships: [] };
  expect(await learning(services, nobody, { collection: SLUG })).toMatchObject({ ok: false });
});
