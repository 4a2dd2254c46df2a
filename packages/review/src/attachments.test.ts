import { attached, judgeAttachments, lookIntoAttachments, newTerm, type Attached } from './index.ts';
import { bench, INES, RUTH } from './testing/bench.ts';
import { document, packageBench } from './testing/packages.ts';

const b = bench();
const { services } = b;
const packages = packageBench(b);

const VTT = `WEBVTT ${b.SLUG}\n\n00:01.000 --> 00:02.000\nHello.\n`;
const SITE = [
  { name: 'index.html', data: document('Visit', '<p><a href="files/plan.pdf">The plan</a> and <a href="files/plan.pdf">again</a></p>') },
  { name: 'walk.html', data: document('Walk', '<p><a href="files/plan.pdf">The plan</a></p>') },
  { name: 'files/plan.pdf', data: `%PDF-1.4 ${b.SLUG}` },
  { name: 'files/copy.pdf', data: `%PDF-1.4 ${b.SLUG}` },
  { name: 'media/walk.vtt', data: VTT },
  { name: 'images/boat.png', data: 'no attachment' },
];

async function listed(collection: string, choice: Attached['choice'] = {}): Promise<Attached> {
  const view = await attached(services, INES, { collection, choice });
  if (!view.ok) throw new Error(view.problem.what);
  return view.value;
}

const judged = (collection: string, wish: Partial<Parameters<typeof judgeAttachments>[2]>) =>
  judgeAttachments(services, INES, { collection, files: [], ...wish });

test('a package says before it is accepted what is attached; then each has a standing, a count of pages, and the same bytes are read once', async () => {
  const id = await packages.sent('with-files.zip', SITE);
  const { readPackage } = await import('./index.ts');
  await readPackage(services, { id, last: false });
  expect((await packages.shown(id)).attached.files.map(({ path, kind }) => [path, kind])).toEqual([
    ['files/plan.pdf', 'PDF'],
    ['files/copy.pdf', 'PDF'],
    ['media/walk.vtt', 'captions'],
  ]);
  const slug = await packages.accepted(id);
  const seen: string[] = [];
  const look = (_bytes: Uint8Array, path: string) => {
    seen.push(path);
    return Promise.resolve({ of: 'unreadable' as const, why: 'a test' });
  };
  const collection = (await b.db().selectFrom('collections').select('id').where('slug', '=', slug).executeTakeFirstOrThrow()).id;
  await lookIntoAttachments(services, look, { collection });
  await lookIntoAttachments(services, look, { collection });
  expect(seen).toHaveLength(2);
  const { shown, many, unseen } = await listed(slug);
  expect([many, unseen]).toEqual([3, 3]);
  expect(shown.map(({ path, pages, standing, facts }) => [path, pages, standing, facts?.of])).toEqual([
    ['files/copy.pdf', 0, 'unseen', 'unreadable'],
    ['files/plan.pdf', 2, 'unseen', 'unreadable'],
    ['media/walk.vtt', 0, 'unseen', 'unreadable'],
  ]);
});

test('in a course the pages of a file are counted by whichever name they call it', async () => {
  const file = (id: string, href: string) =>
    `<resource identifier="${id}" type="webcontent" href="${href}"><file href="${href}"/></resource>`;
  const manifest = `<manifest><organizations><organization><title>Bees</title><item identifierref="a"><title>A</title></item></organization>
</organizations><resources>${file('a', 'pages/a.html')}${file('p', 'plan.pdf')}</resources></manifest>`;
  const slug = await packages.arrived(
    await packages.sent('plan.imscc', [
      { name: 'imsmanifest.xml', data: manifest },
      { name: 'pages/a.html', data: document('A', '<p><a href="$IMS-CC-FILEBASE$/plan.pdf">The plan</a></p>') },
      { name: 'plan.pdf', data: `%PDF-1.4 ${b.SLUG} course` },
    ]),
  );
  expect((await listed(slug)).shown.map(({ path, pages }) => [path, pages])).toEqual([['plan.pdf', 1]]);
});

test('standing, owner and day are set for many, kept against whoever saw an older state, and chosen by', async () => {
  const slug = await packages.arrived(await packages.sent('judged.zip', SITE));
  const { shown } = await listed(slug);
  const files = shown.map(({ path, version }) => ({ path, version }));
  expect(await judged(slug, { files, owner: INES.id, due: '2027-01-15' })).toEqual({ ok: true, value: { changed: 3, left: [] } });
  expect(await judged(slug, { files: files.slice(0, 1), standing: 'to mend' })).toMatchObject({ ok: false, problem: { code: 'conflict' } });
  const now = (await listed(slug)).shown;
  // One of two was changed meanwhile: the other is, and the first is named.
  await judged(slug, { files: [now[0]!], due: null });
  expect(await judged(slug, { files: [now[0]!, now[2]!], note: 'Ask Ruth.' })).toEqual({
    ok: true,
    value: { changed: 1, left: ['files/copy.pdf'] },
  });
  expect((await listed(slug)).shown.map(({ due, note }) => [due, note])).toEqual([
    [null, ''],
    ['2027-01-15', ''],
    ['2027-01-15', 'Ask Ruth.'],
  ]);
  await judged(slug, { files: [now[1]!], standing: 'fit', note: 'Read by Ines.' });
  const fit = await listed(slug, { standing: 'fit' });
  expect(fit.shown).toMatchObject([
    { path: 'files/plan.pdf', owner: INES.id, due: '2027-01-15', note: 'Read by Ines.', last: { by: INES.name } },
  ]);
  expect((await listed(slug, { owner: '' })).many).toBe(0);
  expect((await listed(slug, { kind: 'captions', owner: INES.id })).many).toBe(1);
  expect((await listed(slug, { after: 'files/plan.pdf' })).shown.map(({ path }) => path)).toEqual(['media/walk.vtt']);
});

test('a publisher may not say that a file is fit', async () => {
  const slug = await packages.arrived(await packages.sent('roles.zip', SITE));
  const { shown } = await listed(slug);
  const wish = { collection: slug, files: [shown[0]!], standing: 'fit' as const };
  expect(await judgeAttachments(services, RUTH, wish)).toMatchObject({ ok: false, problem: { code: 'not-allowed' } });
});

test('a newer version with other bytes makes a file unseen again, and keeps who has it; one with the same bytes keeps all', async () => {
  const slug = await packages.arrived(await packages.sent('first.zip', SITE));
  const { shown } = await listed(slug);
  await judged(slug, { files: shown, standing: 'fit', owner: INES.id });
  const newer = SITE.map((entry) => (entry.name === 'files/plan.pdf' ? { ...entry, data: '%PDF-1.4 drawn anew' } : entry));
  const without = newer.filter(({ name }) => name !== 'media/walk.vtt');
  await packages.arrived(await packages.sent('second.zip', without, slug));
  expect((await listed(slug)).shown.map(({ path, standing, owner }) => [path, standing, owner])).toEqual([
    ['files/copy.pdf', 'fit', INES.id],
    ['files/plan.pdf', 'unseen', INES.id],
  ]);
  // It comes back as it was: what was said of it still holds.
  await packages.arrived(await packages.sent('third.zip', newer, slug));
  expect((await listed(slug, { kind: 'captions' })).shown).toMatchObject([{ standing: 'fit' }]);
});

test('a new term begins with what was said of the same bytes', async () => {
  const slug = await packages.arrived(await packages.sent('term.zip', SITE));
  const { shown } = await listed(slug);
  await judged(slug, { files: [shown[0]!], standing: 'to become a page', owner: INES.id });
  const copied = await newTerm(services, INES, { collection: slug, title: `Spring ${b.SLUG}` });
  if (!copied.ok) throw new Error(copied.problem.what);
  const { id } = await b.db().selectFrom('collections').select('id').where('slug', '=', copied.value.collection).executeTakeFirstOrThrow();
  packages.made.add(id);
  expect((await listed(copied.value.collection)).shown.map(({ standing, owner }) => [standing, owner])).toEqual([
    ['to become a page', null],
    ['unseen', null],
    ['unseen', null],
  ]);
});
