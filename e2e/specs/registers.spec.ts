import { expect, test, type Locator, type Page } from '../support/test';
import { broughtIn, ownCollection } from '../support/desk';

const rows = (page: Page) =>
  page
    .getByRole('grid')
    .getByRole('row')
    .filter({ has: page.getByRole('gridcell') });
const hand = (page: Page) => page.getByRole('region', { name: 'In hand' });
const alternative = (page: Page) => hand(page).getByRole('textbox', { name: /^Alternative text/ });
const said = (page: Page) => page.getByRole('status', { name: 'What was done' });

async function bring(page: Page, collection: string, texts: Readonly<Record<string, string>>): Promise<void> {
  for (const [title, text] of Object.entries(texts)) await broughtIn(page, collection, title, text);
}

async function open(page: Page, collection: string, register: string, query = ''): Promise<void> {
  await page.goto(`/collections/${collection}/registers/${register}${query}`);
  await expect(rows(page).first()).toBeVisible();
}

/** The source of a page, as its Desk has it. */
async function sourceOf(page: Page, collection: string, slug: string): Promise<string> {
  const response = await page.request.get(`/api/collections/${collection}/page?page=${slug}`);
  return response.text();
}

async function focused(page: Page): Promise<Locator> {
  return page.locator(':focus');
}

test('images are described one after another with the keyboard alone, each for all its pages, and taken back', async ({ page }) => {
  const collection = await ownCollection();
  const image = (name: string) => `<p>At the stand: <img src="images/${name}"></p>`;
  await bring(page, collection, {
    Wax: `<h2>Wax</h2>${image('hive.png')}${image('smoker.png')}`,
    Frames: `<h2>Frames</h2>${image('hive.png')}`,
    Spring: `<h2>Spring</h2>${image('hive.png')}${image('frame.png')}`,
  });
  await open(page, collection, 'images', '?state=open&order=uses&group=thing');
  await expect(rows(page).first()).toContainText('hive.png');
  // From the grid into the field with one key, and on to the next image with one.
  await page.locator('[data-cell="here"]').focus();
  await page.keyboard.press('Enter');
  await expect(alternative(page)).toBeFocused();
  await expect(hand(page).getByRole('button', { name: 'Apply, next image' })).toBeVisible();
  await page.keyboard.type('A hive of pine boards on a stand');
  await expect(hand(page).getByText('3 uses on 3 pages')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(hand(page).getByRole('heading', { level: 2 })).not.toHaveText('hive.png');
  await expect(alternative(page)).toBeFocused();
  await expect(said(page)).toContainText('Image described: done on 3 pages', { timeout: 20_000 });
  // What is written is looked at while it is typed.
  await page.keyboard.type('Photo of a thing');
  await expect(
    hand(page)
      .getByText(/Would be noted/)
      .first(),
  ).toBeVisible();
  await said(page).getByRole('button', { name: 'Take it back' }).click();
  await expect(said(page)).toContainText('taken back on 3 pages', { timeout: 20_000 });
});

/** A green field of 40 by 20 pixels. */
const GREEN =
  'iVBORw0KGgoAAAANSUhEUgAAACgAAAAUCAMAAADImI+JAAAAA1BMVEUvb1763TecAAAACXBIWXMAAAPoAAAD6AG1e1JrAAAAEUlEQVQokWNgGAWjYBQwkAAAAzQAAWANf2kAAAAASUVORK5CYII=';

test('a part of an image takes its place, seen on its pages before, and the whole stays in the collection', async ({ page }) => {
  const collection = await ownCollection();
  const at = `/api/collections/${collection}/image?name=field.png`;
  const sent = (await (await page.request.post(at, { data: Buffer.from(GREEN, 'base64') })).json()) as { value: { path: string } };
  const { path } = sent.value;
  const image = `<img src="${path}" width="40" alt="A field">`;
  await bring(page, collection, { Field: `<h2>Field</h2><p>${image}</p>`, Fence: `<h2>Fence</h2><p>${image}</p>` });
  await open(page, collection, 'images', '?words=field&group=thing');
  await hand(page).getByRole('button', { name: 'Crop it or make it smaller…' }).click();
  await expect(page.getByText('Kept: 40 by 20 of 40 by 20 pixels.')).toBeVisible();
  await page.getByLabel('Width in pixels').fill('16');
  await page.getByRole('button', { name: 'Crop', exact: true }).click();
  const sheet = page.getByRole('dialog', { name: 'Another image in its place' });
  const shown = sheet.frameLocator('iframe').locator('img');
  await expect(shown).toHaveJSProperty('naturalWidth', 16);
  await sheet.getByRole('button', { name: 'Next page' }).click();
  await expect(sheet.getByText(/page 2 of 2/)).toBeVisible();
  await expect(shown).toHaveJSProperty('naturalWidth', 16);
  await sheet.getByRole('button', { name: 'Put it in, 2 uses' }).click();
  await expect(said(page)).toContainText('done on 2 pages', { timeout: 20_000 });
  expect(await sourceOf(page, collection, 'field')).toContain('field-part.png');
  expect((await page.request.get(`/proof/${collection}/${path}`)).status()).toBe(200);
  await said(page).getByRole('button', { name: 'Take it back' }).click();
  await expect(said(page)).toContainText('taken back on 2 pages', { timeout: 20_000 });
  expect(await sourceOf(page, collection, 'field')).toContain(path);
});

test('addresses outside are not asked where nobody allowed it, and whoever asks is told who can', async ({ page }) => {
  const collection = await ownCollection();
  await bring(page, collection, { Times: '<h2>Times</h2><p><a href="https://larkmoor.example/times">Opening times</a></p>' });
  await open(page, collection, 'links');
  await expect(hand(page).getByText('Nobody has looked yet whether this address answers.')).toBeVisible();
  await page.getByRole('button', { name: 'Addresses outside…' }).click();
  const sheet = page.getByRole('dialog', { name: 'Do addresses outside still answer?' });
  await sheet.getByRole('button', { name: 'Look at them' }).click();
  await expect(sheet.getByText(/INKWELL_LINK_HOSTS/)).toBeVisible();
});

test('a grid is moved in, chosen from and sorted with the keys of the grid pattern', async ({ page }) => {
  const collection = await ownCollection();
  const heading = (nth: number) => `<h2>Part ${String(nth).padStart(3, '0')}</h2><p>Text.</p>`;
  await bring(page, collection, { Long: Array.from({ length: 140 }, (_, nth) => heading(nth)).join('') });
  await open(page, collection, 'headings', '?order=name');
  await page.locator('[data-cell="here"]').focus();
  await expect(await focused(page)).toContainText('Part 000');
  await page.keyboard.press('ArrowDown');
  await expect(await focused(page)).toContainText('Part 001');
  await page.keyboard.press('ArrowRight');
  await expect(await focused(page)).toHaveText('2');
  await page.keyboard.press('Home');
  await page.keyboard.press(' ');
  await expect(page.getByText('1 chosen', { exact: true })).toBeVisible();
  // The last of many lines, which are fetched where they are scrolled to.
  await page.keyboard.press('Control+End');
  await page.keyboard.press('Home');
  await page.keyboard.press('ArrowRight');
  await expect(await focused(page)).toContainText('Part 139');
  await expect(hand(page).getByRole('heading', { level: 2 })).toHaveText('Part 139');
  await page.keyboard.press('Control+a');
  await expect(page.getByText('140 chosen', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Sort by Pages' }).waitFor({ state: 'detached' });
  await page.getByRole('button', { name: 'Sort by Open' }).click();
  await expect(page).not.toHaveURL(/order=name/);
});

test('one text for all uses of a link, with an exception left as it is', async ({ page }) => {
  const collection = await ownCollection();
  const link = (lang = '') => `<h2>Wax</h2><p${lang}>Read <a href="spring.html">more here</a>.</p>`;
  await bring(page, collection, { One: link(), Two: link(), Three: link(' lang="de"') });
  await open(page, collection, 'links', '?words=more+here');
  await hand(page)
    .getByRole('textbox', { name: /^Link text/ })
    .fill('Spring work');
  // What stands in another language is not ticked.
  await expect(hand(page).getByRole('button', { name: 'Apply to 2 uses' })).toBeEnabled();
  await expect(hand(page).getByText('<a href="spring.html">Spring work</a>').first()).toBeVisible();
  await hand(page).getByRole('button', { name: 'Apply to 2 uses' }).click();
  await expect(said(page)).toContainText('Link text written: done on 2 pages', { timeout: 20_000 });
  await expect(rows(page)).toHaveCount(1);
  await expect(rows(page).first()).toContainText('more here');
  expect(await sourceOf(page, collection, 'three')).toContain('more here');
});

test('many are chosen, looked at and fixed in one go; what changed meanwhile is named', async ({ page }) => {
  const collection = await ownCollection();
  const opening = (nth: number) => `<h2>Leaf ${nth}</h2><p>See <a href="leaf-${nth}.html" target="_blank">leaf ${nth}</a>.</p>`;
  await bring(page, collection, Object.fromEntries([1, 2, 3, 4].map((nth) => [`Leaf ${nth}`, opening(nth)])));
  await open(page, collection, 'links', '?trait=new+window');
  await page.getByRole('button', { name: 'Choose all 4 links' }).click();
  await page.getByRole('button', { name: 'Keep in the same window' }).click();
  const sheet = page.getByRole('dialog', { name: /^Keep in the same window/ });
  await sheet.getByRole('button', { name: 'Do it' }).click();
  await expect(said(page)).toContainText('Link kept in its window: done on 4 pages', { timeout: 20_000 });
  await expect(page.getByText('0 links, 0 uses, 0 open findings')).toBeVisible();
  await said(page).getByRole('button', { name: 'Take it back' }).click();
  await expect(said(page)).toContainText('taken back on 4 pages', { timeout: 20_000 });
  expect(await sourceOf(page, collection, 'leaf-1')).toContain('_blank');
});

test('a register is shown at 320 pixels, and leads to the pages it tells of', async ({ page }) => {
  const collection = await ownCollection();
  await bring(page, collection, { Wax: '<h2>Wax</h2><p>Read <a href="x">click here</a>.</p>' });
  await page.setViewportSize({ width: 320, height: 700 });
  await open(page, collection, 'links', '?words=click');
  const across = await page.evaluate(() => document.documentElement.scrollWidth);
  expect(across).toBeLessThanOrEqual(320);
  await hand(page).getByRole('list', { name: 'Pages that use it' }).getByRole('link').first().click();
  await expect(page).toHaveURL(new RegExp(`/collections/${collection}/wax`));
});
