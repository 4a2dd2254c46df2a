import { everythingIn, fixAllCertain, ledger, letStand, newTerm, rule, saveSource, shelf, signOff } from './index.ts';
import { bench, INES, RUTH } from './testing/bench.ts';
import { document, packageBench } from './testing/packages.ts';

const ground = bench();
const { services, db } = ground;
const { made, sent, arrived, out, deskOn } = packageBench(ground);

const SITE = [
  {
    name: 'index.html',
    data: document('Larkmoor Canal', '<p><a href="locks.html">The locks</a></p><h2> </h2><p><img src="heron.png"></p>'),
  },
  { name: 'locks.html', data: document('Locks', '<p>Deep.</p>') },
  { name: 'heron.png', data: Buffer.from([0x89, 0x50, 0x4e, 0x47]), stored: true },
];
const at = ({ pageId, version }: { pageId: number; version: number }) => ({ pageId, version });

async function reviewed(): Promise<string> {
  const slug = await arrived(await sent('canal.zip', SITE));
  const first = await deskOn(slug, 'larkmoor-canal');
  await fixAllCertain(services, INES, at(first));
  const image = (await deskOn(slug, 'larkmoor-canal')).notes.find((note) => note.rule === 'images/no-alternative')!;
  const now = at(await deskOn(slug, 'larkmoor-canal'));
  await letStand(services, INES, { ...now, findingId: image.id, reason: 'It is being drawn anew.', until: '2027-06-01' });
  for (const note of (await deskOn(slug, 'locks')).notes.filter(({ outcome }) => outcome === 'cantTell'))
    await rule(services, INES, { ...at(await deskOn(slug, 'locks')), findingId: note.id, answer: 'no problem' });
  expect(await signOff(services, RUTH, at(await deskOn(slug, 'locks')))).toMatchObject({ ok: true });
  return slug;
}

async function copied(slug: string): Promise<string> {
  const result = await newTerm(services, INES, { collection: slug, title: 'Canal, spring term' });
  if (!result.ok) throw new Error(result.problem.what);
  made.add((await db().selectFrom('collections').select('id').where('slug', '=', result.value.collection).executeTakeFirstOrThrow()).id);
  return result.value.collection;
}

describe('a new term', () => {
  test('has the pages with their history, and what holds of what was decided', async () => {
    const slug = await reviewed();
    const term = await copied(slug);
    for (const page of ['larkmoor-canal', 'locks']) {
      const [old, fresh] = [await deskOn(slug, page), await deskOn(term, page)];
      const standing = (view: typeof old) =>
        view.notes.map((note) => [note.rule, note.at.start, note.standing, note.exception?.reason ?? null]);
      expect(standing(fresh)).toEqual(standing(old));
      expect([fresh.html, fresh.verdict, fresh.release, fresh.revision.number]).toEqual([
        old.html,
        old.verdict,
        old.release,
        old.revision.number,
      ]);
      expect(fresh.history.map(({ cause, by }) => [cause, by])).toEqual(old.history.map(({ cause, by }) => [cause, by]));
    }
    expect((await deskOn(term, 'locks')).signOff).toMatchObject({ lapsed: null });
    const shelved = await shelf(services, INES);
    const sums = shelved.ok ? shelved.value.filter((row) => row.slug === slug || row.slug === term) : [];
    expect(sums.map(({ tally, verdicts, signedOff }) => ({ tally, verdicts, signedOff }))).toEqual([
      expect.anything(),
      expect.objectContaining({ tally: sums[0]!.tally, verdicts: sums[0]!.verdicts, signedOff: sums[0]!.signedOff }),
    ]);
  });

  test('goes its own way from then on, and out as the package it came in', async () => {
    const slug = await reviewed();
    const term = await copied(slug);
    expect((await out(term)).bytes.equals((await out(slug)).bytes)).toBe(true);
    const locks = await deskOn(term, 'locks');
    await saveSource(services, INES, { ...at(locks), html: locks.html.replace('Deep.', 'Very deep.') });
    expect((await deskOn(slug, 'locks')).html).toContain('<p>Deep.</p>');
    expect((await deskOn(slug, 'locks')).release).toBe('signed off');
    expect((await deskOn(term, 'locks')).release).toBe('lapsed');
    const book = await ledger(services, INES, { collection: term });
    expect(book.ok && book.value.version).toMatchObject({ nth: 1, name: 'canal.zip' });
    expect(await newTerm(services, INES, { collection: slug, title: ' ' })).toMatchObject({ ok: false });
    expect(await newTerm(services, RUTH, { collection: slug, title: 'x' })).toMatchObject({ ok: false, problem: { code: 'not-allowed' } });
  });
});

test('everything of a collection is a table: each finding with where it stands, settled ones too', async () => {
  const slug = await reviewed();
  const table = await everythingIn(services, RUTH, { collection: slug });
  if (!table.ok) throw new Error(table.problem.what);
  let csv = '';
  for await (const part of table.value.parts) csv += part;
  const lines = csv.trimEnd().split('\r\n');
  expect(table.value.name).toBe(`${slug}.csv`);
  expect(lines[0]).toBe(
    'page,title,content type,verdict,revision,family,weight,outcome,standing,excepted until,rule,finding,criteria,place',
  );
  const notes = [...(await deskOn(slug, 'larkmoor-canal')).notes, ...(await deskOn(slug, 'locks')).notes];
  // Fixed findings are on no page any more, and in the table still.
  expect(lines.slice(1).filter((line) => !line.includes(',fixed,'))).toHaveLength(notes.length);
  expect(lines.some((line) => line.includes(',fixed,') && line.includes('headings/blank'))).toBe(true);
  expect(lines.some((line) => line.includes(',excepted,2027-06-01,images/no-alternative'))).toBe(true);
});
