import { readFile, writeFile } from 'node:fs/promises';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test, type Page } from '../support/test';
import { writeDocx } from '../../packages/formats/src/testing/docx';
import { writeZip, type Packed } from '../../packages/formats/src/testing/zips';
import { freshTitle, standing } from '../support/desk';

const folder = mkdtempSync(join(tmpdir(), 'inkwell-e2e-'));
test.afterAll(() => rmSync(folder, { recursive: true }));

const whole = (title: string, body: string) =>
  `<html lang="en">\r\n<head><title>${title}</title></head><body><main><h1>${title}</h1><p>Open from May.</p>${body}</main></body></html>`;

function site(title: string): Packed[] {
  return [
    { name: 'index.html', data: whole(title, '<p><a href="moorings.html">Where to moor</a></p>') },
    { name: 'moorings.html', data: whole('Moorings', '<h2> </h2><p>Ask at the hut.</p>') },
    { name: 'img/lock.png', data: Buffer.from([0x89, 0x50, 0x4e, 0x47]), stored: true },
  ];
}

/** Sends a package through the screen, up to what it holds. */
async function send(page: Page, file: string): Promise<void> {
  await page.goto('/');
  await page.getByRole('link', { name: 'Bring in a collection' }).click();
  await page.getByLabel(/^A package/).setInputFiles(file);
  await expect(page).toHaveURL(/\/bring-in\/\d+$/);
}

async function accept(page: Page): Promise<void> {
  await expect(page.getByText(/looked at: \d+ open findings?\. Until all are fixed it would take about/)).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: /^Bring in \d/ }).click();
  await page.getByRole('link', { name: 'Open its ledger' }).click({ timeout: 60_000 });
}

async function download(page: Page): Promise<{ name: string; bytes: Buffer }> {
  await page.getByRole('button', { name: 'Download the package…' }).click();
  const link = page.getByRole('dialog', { name: 'Download the package' }).getByRole('link', { name: 'Download it' });
  const [sent] = await Promise.all([page.waitForEvent('download'), link.click()]);
  return { name: sent.suggestedFilename(), bytes: await readFile(await sent.path()) };
}

test('a site comes in as its zip, one page is fixed, and the zip that goes out differs in that page alone', async ({ page }) => {
  const title = freshTitle('Canal');
  const file = join(folder, 'canal.zip');
  await writeZip(file, site(title), 'Larkmoor');
  await send(page, file);
  await expect(page.getByRole('heading', { level: 1, name: title })).toBeVisible();
  await expect(page.getByText('Site: 2 pages in 3 files')).toBeVisible();
  await page.getByLabel('2 pages taken for').selectOption('announcement');
  await accept(page);
  await expect(page.getByText('announcement, revision 1')).toHaveCount(2);
  expect(await download(page)).toEqual({ name: 'canal.zip', bytes: await readFile(file) });

  await page.getByRole('link', { name: 'Moorings', exact: true }).click();
  await page.getByRole('button', { name: 'Fix what is certain…' }).click();
  await page
    .getByRole('dialog', { name: 'Fix what is certain' })
    .getByRole('button', { name: /^Fix (it|all \d)$/ })
    .click();
  await expect(standing(page)).toContainText('Ready');
  await page.getByRole('link', { name: title, exact: true }).click();
  const expected = join(folder, 'expected.zip');
  await writeZip(
    expected,
    site(title).map((one) => (one.name === 'moorings.html' ? { ...one, data: String(one.data).replace('<h2> </h2>', '') } : one)),
    'Larkmoor',
  );
  const out = await download(page);
  expect(out.bytes.equals(await readFile(expected))).toBe(true);
});

test('a newer version shows what became of each page, keeps what was mended here, and goes out as itself', async ({ page }) => {
  const title = freshTitle('Canal twice');
  const [file, newer] = [join(folder, 'first.zip'), join(folder, 'second.zip')];
  await writeZip(file, [...site(title), { name: 'notices.html', data: whole('Notices', '<p>None today.</p>') }], 'Larkmoor');
  await send(page, file);
  await accept(page);
  await page.getByRole('link', { name: 'Moorings', exact: true }).click();
  await page.getByRole('button', { name: 'Fix what is certain…' }).click();
  await page
    .getByRole('dialog', { name: 'Fix what is certain' })
    .getByRole('button', { name: /^Fix (it|all \d)$/ })
    .click();
  await expect(standing(page)).toContainText('Ready');

  const later = site(title).map((one) => ({
    ...one,
    data: one.name === 'moorings.html' ? String(one.data).replace('at the hut', 'Ada') : one.data,
  }));
  await writeZip(newer, [...later, { name: 'trips.html', data: whole('Boat trips', '<p>On Sundays.</p>') }], 'Larkmoor');
  await page.getByRole('link', { name: title, exact: true }).click();
  await page.getByRole('button', { name: 'This collection…' }).click();
  await page.getByRole('link', { name: 'Bring in a newer version' }).click();
  await page.getByLabel(/^A package/).setInputFiles(newer);
  await expect(page.getByText('1 changed, 1 new, 1 as it was, 1 no longer there')).toBeVisible();
  await page.getByLabel('Show').selectOption({ label: 'changed (1)' });
  await expect(page.getByRole('rowheader')).toHaveText([/^Moorings/]);
  await page.getByRole('button', { name: 'Bring in the newer version' }).click();
  await page.getByRole('link', { name: 'Open its ledger' }).click({ timeout: 60_000 });
  await expect(page.getByText('Version 2, second.zip, brought in by')).toBeVisible();
  await expect(page.getByRole('main').getByRole('link', { name: 'Notices', exact: true })).toHaveCount(0);
  const expected = join(folder, 'expected-2.zip');
  await writeZip(
    expected,
    [...later, { name: 'trips.html', data: whole('Boat trips', '<p>On Sundays.</p>') }].map((one) =>
      one.name === 'moorings.html' ? { ...one, data: String(one.data).replace('<h2> </h2>', '') } : one,
    ),
    'Larkmoor',
  );
  expect((await download(page)).bytes.equals(await readFile(expected))).toBe(true);
});

test('one slip in a header of many pages is told once, fixed on all of them from one, and taken back', async ({ page }) => {
  const title = freshTitle('One header');
  const header = '<header><a href="index.html"><img src="img/lock.png"></a><p>Larkmoor Canal Trust, open all the year</p></header>';
  const pages = ['index', 'weir', 'wharf', 'basin'].map((name) => ({
    name: `${name}.html`,
    data: whole(name === 'index' ? title : name, `<p>All about the ${name}.</p>`).replace('<body>', `<body>${header}`),
  }));
  const file = join(folder, 'header.zip');
  await writeZip(file, [...pages, { name: 'img/lock.png', data: Buffer.from([0x89, 0x50, 0x4e, 0x47]), stored: true }], 'Larkmoor');
  await send(page, file);
  await accept(page);
  await page.getByRole('link', { name: 'One slip, many pages' }).click();
  const row = page.getByRole('row').filter({ hasText: 'in the header' }).filter({ hasText: 'Must' });
  await expect(row.getByRole('cell', { name: '4', exact: true })).toBeVisible();
  await row.getByRole('link').click();
  await expect(page.getByText('The same slip stands in an equal piece on 3 other pages.')).toBeVisible();
  await page.getByLabel(/^Alternative text: /).fill('Larkmoor Canal Trust, to the first page');
  await page.getByRole('button', { name: 'On all 4 pages…', exact: true }).click();
  const sheet = page.getByRole('dialog', { name: /^On many pages/ });
  await sheet.getByText('wharf', { exact: true }).click();
  await sheet.getByRole('button', { name: 'Fix it on 3 pages' }).click();
  await expect(sheet.getByText('Done on 3 pages.')).toBeVisible({ timeout: 30_000 });
  await sheet.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByText('The same slip stands in an equal piece')).toHaveCount(0);
  await page.getByRole('link', { name: title, exact: true }).click();
  await page.getByRole('link', { name: 'One slip, many pages' }).click();
  await page.getByRole('button', { name: 'Take it back on 3 pages' }).click();
  await expect(page.getByText('Taken back: 3 pages are as before.')).toBeVisible({ timeout: 30_000 });
  await page.getByRole('link', { name: title, exact: true }).click();
  expect((await download(page)).bytes.equals(await readFile(file))).toBe(true);
});

test('a collection is put away, taken out with a word about what goes, and brought back', async ({ page }) => {
  const title = freshTitle('Old leaflets');
  const file = join(folder, 'old.zip');
  await writeZip(file, site(title));
  await send(page, file);
  await accept(page);
  await page.getByRole('button', { name: 'This collection…' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Put it away' }).click();
  // The sheet closes when the answer is here: leaving sooner would leave the question unasked.
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.goto('/');
  await expect(page.getByRole('region', { name: 'Collections' }).getByText(title)).toHaveCount(0);
  await page.getByRole('link', { name: title, exact: true }).click();
  await page.getByRole('button', { name: 'This collection…' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'See what would go' }).click();
  await expect(page.getByRole('dialog').getByText('With it go 2 pages, 2 revisions.')).toBeVisible();
  await page.getByRole('dialog').getByRole('button', { name: 'Take out 2 pages' }).click();
  await page.getByRole('button', { name: `Bring ${title} back` }).click();
  await expect(page.getByRole('link', { name: title, exact: true })).toBeVisible();
});

test('several pages that were chosen together are a site', async ({ page }) => {
  const title = freshTitle('Leaflets');
  await page.goto('/bring-in');
  await page.getByLabel(/^Several pages/).setInputFiles([
    { name: 'index.html', mimeType: 'text/html', buffer: Buffer.from(whole(title, '')) },
    { name: 'two.html', mimeType: 'text/html', buffer: Buffer.from(whole('Two', '')) },
  ]);
  await expect(page.getByText('Site: 2 pages in 2 files, pages.zip')).toBeVisible();
  await page.getByRole('button', { name: 'Send it away' }).click();
  await expect(page).toHaveURL(/\/bring-in$/);
  await page.goto('/');
  await expect(page.getByText(title)).toHaveCount(0);
});

test('a word-processor document and a page saved as one file come in as sites of one page, images on their own as one that shows them', async ({
  page,
}) => {
  const title = freshTitle('Candles');
  const image = Buffer.from([0x89, 0x50, 0x4e, 0x47]);
  const lesson = join(folder, `${title}.docx`);
  await writeDocx(
    lesson,
    [
      { style: 'heading 1', text: title },
      { style: 'Normal', text: 'Clean wax burns.' },
      { image, alt: '' },
      { style: 'Fancy Box', text: 'Take care.' },
    ],
    { title: '', language: 'en-GB' },
  );
  await send(page, lesson);
  await expect(page.getByRole('heading', { level: 1, name: title })).toBeVisible();
  await expect(page.getByText('has the style “Fancy Box”, which a page does not have: its text is plain')).toBeVisible();
  await accept(page);
  const name = title.toLowerCase().replace(/ /g, '-');
  const { bytes } = await download(page);
  for (const part of [`${name}.html`, `${name}-images/image-1.png`, `${title}.docx`]) expect(bytes.includes(part)).toBe(true);

  await page.goto('/proof/larkmoor-canal-trust/index.html');
  const devtools = await page.context().newCDPSession(page);
  const { data } = await devtools.send('Page.captureSnapshot', { format: 'mhtml' });
  const saved = join(folder, 'saved.mhtml');
  await writeFile(saved, data);
  await send(page, saved);
  await expect(page.getByText(/^Site: 1 page in \d+ files/)).toBeVisible();

  const images = join(folder, 'shots.zip');
  await writeZip(images, [
    { name: 'DSC1.png', data: image },
    { name: 'b.png', data: image },
  ]);
  await send(page, images);
  await expect(page.getByRole('heading', { level: 1, name: 'Images of shots' })).toBeVisible();
  await expect(page.getByText('Site: 1 page in 3 files')).toBeVisible();
});

test('a package that was cut short, and a file that is none, get a clear word', async ({ page }) => {
  const file = join(folder, 'cut.zip');
  await writeZip(file, site(freshTitle('Cut')));
  const bytes = (await readFile(file)).subarray(0, 300);
  await page.goto('/bring-in');
  await page.getByLabel(/^A package/).setInputFiles({ name: 'plan.zip', mimeType: 'application/zip', buffer: Buffer.from('%PDF-1.7') });
  await expect(page.getByRole('alert').filter({ hasText: 'This file is no package' })).toBeVisible();
  await page.getByLabel(/^A package/).setInputFiles({ name: 'cut.zip', mimeType: 'application/zip', buffer: bytes });
  await expect(page.getByRole('alert').filter({ hasText: 'cut short on its way' })).toBeVisible({ timeout: 20_000 });
});
