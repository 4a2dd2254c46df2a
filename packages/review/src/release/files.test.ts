import { fileAt, hashOf, placeFiles } from '@inkwell/store';
import { lookAtHost, settleBoth, showGate, signOff } from '../index.ts';
import { bench, INES, RUTH } from '../testing/bench.ts';
import { hostBench, value } from '../testing/hostBench.ts';

const on = bench();
const { services, db, at, look, SLUG, collection } = on;
const { there, signed, publish, run, releaseOf, origin, wrong, putLong, TOKEN } = hostBench(on);

let many = 0;
const image = (what: string) => ({ mediaType: 'image/png', bytes: Buffer.from(`an image of ${what}`) });
const shows = (path: string) => `<h2>The hive</h2>\n<p>Boxes: <img src="${path}" alt="Three boxes, one above the other"></p>\n`;

/** What lies at a path, on the host and here. */
async function lies(path: string): Promise<{ there: string | null; here: string | undefined }> {
  const shown = await fetch(`${origin()}/site/bees/${path}`);
  return {
    there: shown.ok ? hashOf(new Uint8Array(await shown.arrayBuffer())) : null,
    here: (await fileAt(db(), collection(), path))?.sha256,
  };
}

/** The host's own people put a file there. */
async function putThere(path: string, bytes: Buffer): Promise<void> {
  const headers = { authorization: `Bearer ${TOKEN}`, 'content-type': 'image/png' };
  const answer = await fetch(`${origin()}/api/places/bees/files/${path}`, { method: 'PUT', headers, body: new Uint8Array(bytes) });
  expect(answer.status).toBe(200);
}

const putHere = (path: string, file: ReturnType<typeof image>) => placeFiles(db(), collection(), [{ path, ...file }]);
const lookThere = () => lookAtHost(services, { collection: collection() });
const freshPath = () => `images/hive-${++many}.png`;
const differing = async () =>
  value(await showGate(services, RUTH, { group: 'to sign', collection: SLUG, after: null })).collection!.host!.files;

test('a page goes out with the files it shows, and with no others', async () => {
  const [path, unused] = [freshPath(), freshPath()];
  for (const one of [path, unused]) await putHere(one, image(one));
  const { view } = await signed(shows(path));
  await publish(view.pageId);
  expect(await run(view.pageId)).toMatchObject({ state: 'done' });
  expect(await lies(path)).toEqual({ there: hashOf(image(path).bytes), here: hashOf(image(path).bytes) });
  expect((await lies(unused)).there).toBeNull();
});

test('a file that is new there comes here; one that is replaced there alone comes too, and ends the sign-off of pages that show it', async () => {
  const path = freshPath();
  await putThere(path, image('boxes').bytes);
  const { view } = await signed(shows(path));
  expect((await lies(path)).here).toBe(hashOf(image('boxes').bytes));
  await putThere(path, image('other boxes').bytes);
  await lookThere();
  expect((await lies(path)).here).toBe(hashOf(image('other boxes').bytes));
  expect(await look(view.slug)).toMatchObject({ release: 'lapsed', signOff: { lapsed: { because: 'file' } } });
  // Another one here goes there with its page, in the place of the one that was seen.
  await putHere(path, image('better boxes'));
  value(await signOff(services, RUTH, at(await look(view.slug))));
  await publish(view.pageId);
  expect(await run(view.pageId)).toMatchObject({ state: 'done' });
  expect((await lies(path)).there).toBe(hashOf(image('better boxes').bytes));
});

test.each(['theirs', 'ours'] as const)(
  'where another lies on both sides, no page that shows it goes out until somebody says: %s',
  async (take) => {
    const path = freshPath();
    await putHere(path, image('ours'));
    await putThere(path, image('theirs').bytes);
    const { view } = await signed(shows(path));
    expect(await differing()).toEqual({ paths: [path], many: 1 });
    await publish(view.pageId);
    expect(await run(view.pageId)).toMatchObject({
      state: 'failed',
      problem: expect.stringContaining(`${path} is another one on the host`),
    });
    await lookThere();
    expect(await lies(path)).toEqual({ there: hashOf(image('theirs').bytes), here: hashOf(image('ours').bytes) });
    value(await settleBoth(services, INES, { collection: SLUG, page: null, take }));
    expect([(await differing()).many, await releaseOf(view.slug)]).toEqual([0, take === 'theirs' ? 'lapsed' : 'signed off']);
    if (take === 'theirs') value(await signOff(services, RUTH, at(await look(view.slug))));
    await publish(view.pageId);
    expect(await run(view.pageId)).toMatchObject({ state: 'done' });
    expect(await lies(path)).toEqual({ there: hashOf(image(take).bytes), here: hashOf(image(take).bytes) });
    expect(await settleBoth(services, INES, { collection: SLUG, page: null, take })).toMatchObject({ problem: { code: 'nothing-to-do' } });
  },
);

test('a file replaced there in between is not written over, and the page stays in', async () => {
  const path = freshPath();
  await putThere(path, image('seen').bytes);
  const { view } = await signed(shows(path));
  await putHere(path, image('ours'));
  await putThere(path, image('later').bytes);
  await publish(view.pageId);
  expect(await run(view.pageId)).toMatchObject({ state: 'failed', problem: expect.stringContaining('changed on the host meanwhile') });
  expect((await lies(path)).there).toBe(hashOf(image('later').bytes));
});

test('a host that takes a file and shows yesterday’s: the page stays in, and goes out once it is well', async () => {
  const path = freshPath();
  await putThere(path, image('yesterday').bytes);
  const { view, remote } = await signed(shows(path));
  await putHere(path, image('today'));
  wrong('yesterday');
  await publish(view.pageId);
  expect(await run(view.pageId)).toMatchObject({ state: 'failed', problem: expect.stringContaining('shows other bytes') });
  expect((await there('GET', remote)).public).toBeNull();
  wrong('none');
  await publish(view.pageId);
  expect(await run(view.pageId)).toMatchObject({ state: 'done' });
});

test('a file too long to be read keeps its page in while the host has none, and not once it lies there', async () => {
  const path = freshPath();
  await putHere(path, { mediaType: 'image/png', bytes: Buffer.alloc(25_000_001) });
  const { view } = await signed(shows(path));
  await publish(view.pageId);
  expect(await run(view.pageId)).toMatchObject({ state: 'failed', problem: expect.stringContaining('put it there by hand') });
  await putLong(path, 25_000_001);
  await publish(view.pageId);
  expect(await run(view.pageId)).toMatchObject({ state: 'done' });
});

test('a file that was missing here and comes ends no sign-off', async () => {
  const path = freshPath();
  const { view } = await signed(shows(path));
  await putThere(path, image('boxes').bytes);
  await lookThere();
  expect([(await lies(path)).here, await releaseOf(view.slug)]).toEqual([hashOf(image('boxes').bytes), 'signed off']);
});

test('a file of a path that leads elsewhere, or of a page’s, stays where it is', async () => {
  const { view } = await signed();
  const { address } = await db().selectFrom('pages').select('address').where('id', '=', view.pageId).executeTakeFirstOrThrow();
  await putThere(address, Buffer.from('no page'));
  await lookThere();
  expect((await lies(address)).here).toBeUndefined();
  const headers = { authorization: `Bearer ${TOKEN}` };
  const out = await fetch(`${origin()}/api/places/bees/files/images/%2e%2e%2fx.png`, { method: 'PUT', headers, body: 'x' });
  expect(out.status).toBe(422);
});
