import { placeFiles } from '@inkwell/store';
import { bringImage, chooseHeading, chooseImage, choosePage } from './index.ts';
import { bench, INES, RUTH } from './testing/bench.ts';

const { services, db, SLUG, page, collection } = bench();

const svg = (words: string) =>
  new TextEncoder().encode(`<svg xmlns="http://www.w3.org/2000/svg" width="4" height="2"><title>${words}</title></svg>`);
const bring = (name: string, bytes: Uint8Array) => bringImage(services, INES, { collection: SLUG, name, bytes });
const images = async (words: string, after = '') => {
  const found = await chooseImage(services, INES, { collection: SLUG, words, after });
  return found.ok ? found.value : null;
};

describe('an image that is taken in', () => {
  it('lies where images lie, under a plain name of what its bytes are, and is kept once', async () => {
    const there = ['one', 'two'].map((word) => ({ path: `images/${word}.svg`, mediaType: 'image/svg+xml', bytes: svg(word) }));
    await placeFiles(db(), collection(), there);
    expect(await bring('C:\\Pictures\\Honey Jars (2).JPG', svg('jars'))).toEqual({
      ok: true,
      value: { path: 'images/honey-jars-2.svg', width: 4, height: 2, known: false },
    });
    expect(await bring('other.svg', svg('jars'))).toMatchObject({ value: { path: 'images/honey-jars-2.svg', known: true } });
    expect(await bring('honey jars 2.svg', svg('full jars'))).toMatchObject({ value: { path: 'images/honey-jars-2-2.svg', known: false } });
    expect(await bring('…', svg('nameless'))).toMatchObject({ value: { path: 'images/image.svg' } });
  });

  it('has a name of its own, though two of one name come at the same moment', async () => {
    const both = await Promise.all(['one hive', 'another hive'].map((words) => bring('Hive.svg', svg(words))));
    const paths = both.map((one) => one.ok && one.value.path).sort();
    expect(paths).toEqual(['images/hive-2.svg', 'images/hive.svg']);
  });

  it('also lies where the pages of a course call its files by', async () => {
    await placeFiles(db(), collection(), [{ path: 'web_resources/images/old.svg', mediaType: 'image/svg+xml', bytes: svg('old') }]);
    await bring('Veil.svg', svg('veil'));
    const lies = await db()
      .selectFrom('assets')
      .select('path')
      .where('collection_id', '=', collection())
      .where('path', 'like', '%veil%')
      .execute();
    expect(lies.map(({ path }) => path).sort()).toEqual(['images/veil.svg', 'web_resources/images/veil.svg']);
    expect((await images('veil'))?.choices.map(({ path }) => path)).toEqual(['images/veil.svg']);
  });

  it('is refused in words where it is none, or where somebody may not change pages', async () => {
    expect(await bring('page.png', new TextEncoder().encode('<p>no image</p>'))).toMatchObject({
      ok: false,
      problem: { code: 'bad-page' },
    });
    expect(await bringImage(services, RUTH, { collection: SLUG, name: 'a.svg', bytes: svg('x') })).toMatchObject({
      problem: { code: 'not-allowed' },
    });
  });
});

describe('choosing from a collection', () => {
  it('finds images by file name and by what pages say of them, some at a time', async () => {
    const many = Array.from({ length: 70 }, (_, nth) => ({
      path: `images/row-${String(nth).padStart(2, '0')}.svg`,
      mediaType: 'image/svg+xml',
      bytes: svg(`row ${nth}`),
    }));
    await placeFiles(db(), collection(), many);
    await page('<p><img src="images/row-07.svg" alt="Clover in a row, 100% of it"></p>');
    expect(await images('clover')).toEqual({
      choices: [{ path: 'images/row-07.svg', size: many[7]!.bytes.length, alternative: 'Clover in a row, 100% of it' }],
      more: false,
    });
    expect((await images('100%'))?.choices).toHaveLength(1);
    const first = await images('row-');
    expect([first?.choices.length, first?.more]).toEqual([60, true]);
    expect((await images('row-', first!.choices.at(-1)!.path))?.choices).toHaveLength(10);
  });

  it('finds pages by title and address, and the headings of one with the names a link can lead to', async () => {
    const view = await page('<h2 id="wax">About <em>wax</em></h2><p>x</p><h3>More</h3>');
    const found = await choosePage(services, INES, { collection: SLUG, words: view.title, skip: 0 });
    expect(found).toMatchObject({ value: { choices: [{ slug: view.slug, address: view.address }], more: false } });
    expect(await chooseHeading(services, INES, { collection: SLUG, page: view.slug })).toEqual({
      ok: true,
      value: [
        { level: 2, name: 'About wax', id: 'wax' },
        { level: 3, name: 'More', id: null },
      ],
    });
  });
});
