import { mkdtempSync, rmSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test, type Page } from '../support/test';
import { limitsFrom, zipSource } from '@inkwell/formats';
import { writeZip, type Packed } from '../../packages/formats/src/testing/zips';
import { freshTitle } from '../support/desk';

const folder = mkdtempSync(join(tmpdir(), 'inkwell-e2e-'));
test.afterAll(() => rmSync(folder, { recursive: true }));

const whole = (title: string, body: string) =>
  `<html lang="en"><head><title>${title}</title></head><body><main><h1>${title}</h1><p>Open from May.</p>${body}</main></body></html>`;

async function send(page: Page, entries: readonly Packed[]): Promise<void> {
  const file = join(folder, 'sent.zip');
  await writeZip(file, entries, 'Larkmoor');
  await page.goto('/bring-in');
  await page.getByLabel(/^A package/).setInputFiles(file);
  await expect(page).toHaveURL(/\/bring-in\/\d+$/);
}

async function accept(page: Page): Promise<void> {
  await page.getByRole('button', { name: /^Bring in \d/ }).click();
  await page.getByRole('link', { name: 'Open its ledger' }).click({ timeout: 60_000 });
}

const PASTED = `<p class="MsoNormal"><b><span style="font-size:14.0pt">Along the towpath</span></b></p>
<p class="MsoNormal">The path is level for three miles and wide enough for two, with a bench at every lock.<o:p></o:p></p>
<p class="MsoNormal">Where the water is <span style="color:#C00000">deep</span> the path keeps well away from the edge of it.</p>`;

test('a pasted page is cleaned at the door: asked about first, shown on both sides, the raw text kept as revision 1', async ({ page }) => {
  const title = freshTitle('Walks');
  await send(page, [
    { name: 'index.html', data: whole(title, '') },
    { name: 'walk.html', data: whole('A walk', PASTED) },
  ]);
  await expect(page.getByText('1 page carries markup that was pasted from elsewhere.')).toBeVisible();
  await page.getByRole('link', { name: 'Look at them first' }).click();
  const clean = page.getByRole('button', { name: 'Clean it as it comes in' });
  await expect(page.getByText('1 answer is missing')).toBeVisible();
  await expect(clean).toBeDisabled();
  const asked = page.getByRole('list', { name: 'Asked before anything is stripped' });
  await asked.getByRole('listitem').filter({ hasText: 'deep' }).getByLabel('It is').selectOption('goes');
  const after = page.frameLocator('iframe[title="The page as it would be cleaned"]');
  await expect(after.getByRole('heading', { level: 2, name: 'Along the towpath' })).toBeVisible();
  await asked.getByRole('listitem').first().getByLabel('It is').selectOption('text');
  await expect(after.getByRole('heading', { level: 2 })).toHaveCount(0);
  await asked.getByRole('listitem').first().getByLabel('It is').selectOption('2');
  await expect(after.getByRole('heading', { level: 2, name: 'Along the towpath' })).toBeVisible();
  await clean.click();
  await expect(page).toHaveURL(/\/bring-in\/\d+$/);
  await expect(page.getByText('1 will be cleaned, 0 come in as they are.')).toBeVisible();
  await accept(page);
  await expect(page.getByText('article, revision 2')).toHaveCount(1);
  await page.getByRole('link', { name: 'A walk', exact: true }).click();
  await page.getByRole('tab', { name: 'Changes' }).click();
  await expect(page.getByText('cleaned as it came in').first()).toBeVisible();
});

test('one pasted page is cleaned as it is brought in', async ({ page }) => {
  await page.goto('/collections/a-first-year-with-bees/bring-in');
  await page.getByLabel('The page’s content').fill(PASTED);
  await page.getByLabel('Title').fill(freshTitle('Walk'));
  await page.getByText('Clean it as it comes in').click();
  const asked = page.getByRole('list', { name: 'Asked before anything is stripped' });
  await asked.getByRole('listitem').filter({ hasText: 'deep' }).getByLabel('It is').selectOption('stays');
  const after = page.frameLocator('iframe[title="The page as it would be cleaned"]');
  await expect(after.getByRole('heading', { level: 2, name: 'Along the towpath' })).toBeVisible();
  await page.getByRole('button', { name: 'Bring it in' }).click();
  await page.getByRole('tab', { name: 'Changes' }).click();
  await expect(page.getByText('cleaned as it came in').first()).toBeVisible();
});

test('attached files are told with what is in them, and each has a standing, an owner and a day', async ({ page }) => {
  const title = freshTitle('Files');
  await send(page, [
    { name: 'index.html', data: whole(title, '<p><a href="files/plan.pdf">The plan</a></p>') },
    { name: 'files/plan.pdf', data: 'This is no PDF.' },
    { name: 'media/walk.en.vtt', data: `WEBVTT ${title}\n\n00:01.000 --> 00:02.000\nHello.\n\n01:00.000 --> 01:02.000\n\n` },
  ]);
  await page.getByText('2 files are attached and no page: 1 PDF, 1 captions').click();
  await accept(page);
  await page.getByRole('link', { name: 'Attached files' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Attached files' })).toBeVisible();
  const row = (name: string) => page.getByRole('row').filter({ hasText: name });
  await expect(async () => {
    await page.reload();
    await expect(row('walk.en.vtt')).toContainText('2 captions, up to 1:02, in English');
  }).toPass({ timeout: 20_000 });
  await expect(row('walk.en.vtt')).toContainText('1 caption without words');
  await expect(row('plan.pdf')).toContainText('It is damaged, or no PDF at all.');
  await page.getByLabel('All files shown').check({ force: true });
  const chosen = page.getByRole('group', { name: 'Chosen files' });
  await chosen.getByLabel('Give to').selectOption({ label: 'Ines Calder' });
  await expect(row('plan.pdf')).toContainText('Ines Calder');
  await chosen.getByLabel('By').fill('2027-03-01');
  await chosen.getByRole('button', { name: 'Set the day' }).click();
  await expect(row('walk.en.vtt').getByRole('time').last()).toHaveAttribute('datetime', '2027-03-01');
  await page.getByLabel('Choose files/plan.pdf').uncheck({ force: true });
  await chosen.getByLabel('Standing').selectOption('to mend');
  await expect(row('walk.en.vtt')).toContainText('To be fixed');
  await chosen.getByRole('button', { name: 'No day' }).click();
  await expect(
    row('walk.en.vtt')
      .getByText('by', { exact: false })
      .filter({ has: page.getByRole('time') }),
  ).toHaveCount(0);
  await chosen.getByLabel('Remark').fill('The words at one minute are missing.');
  await chosen.getByRole('button', { name: 'Set the remark' }).click();
  await expect(row('walk.en.vtt')).toContainText('The words at one minute are missing.');
  // Another tab says something of one of two meanwhile: it is left as it is, and named.
  await page.getByLabel('All files shown').check({ force: true });
  const other = await page.context().newPage();
  await other.goto(page.url());
  await other.getByLabel('Choose files/plan.pdf').check({ force: true });
  await other.getByRole('group', { name: 'Chosen files' }).getByLabel('Standing').selectOption('to become a page');
  await expect(other.getByRole('row').filter({ hasText: 'plan.pdf' })).toContainText('To become a page');
  await chosen.getByLabel('Standing').selectOption('to mend');
  const notice = page.getByRole('alert').filter({ hasText: 'One file was left as it is' });
  await expect(notice).toContainText('files/plan.pdf');
  await expect(row('plan.pdf')).toContainText('To become a page');
  await chosen.getByLabel('Standing').selectOption('unseen');
  await expect(row('plan.pdf')).toContainText('Nobody looked yet');
  await expect(notice).toHaveCount(0);
  await page.getByLabel('Choose media/walk.en.vtt').check({ force: true });
  await page.getByLabel('Choose files/plan.pdf').uncheck({ force: true });
  await chosen.getByLabel('Standing').selectOption('to mend');
  await expect(row('walk.en.vtt')).toContainText('To be fixed');
  await page.getByRole('search', { name: 'Choose files' }).getByLabel('Standing').selectOption('unseen');
  await expect(page).toHaveURL(/standing=unseen/);
  await expect(row('walk.en.vtt')).toHaveCount(0);
  await expect(row('plan.pdf')).toBeVisible();
});

test('pages are fetched from where they are published, with what they show, and come in like any package', async ({ page, baseURL }) => {
  await page.goto('/bring-in');
  await page.getByLabel('Its address').fill(`${baseURL}/published/larkmoor-canal-trust/index.html`);
  await page.getByRole('button', { name: 'Fetch from here on' }).click();
  await expect(page).toHaveURL(/\/bring-in\/\d+$/);
  await expect(page.getByText(/^Site: \d+ pages in \d+ files/)).toBeVisible({ timeout: 30_000 });
  await accept(page);
  await expect(page.getByRole('link', { name: 'Boat trips', exact: true })).toBeVisible();
});

test('what no house allows is not fetched, and what was typed stays', async ({ page }) => {
  await page.goto('/bring-in');
  await page.getByText('Some pages', { exact: true }).click();
  await page.getByLabel('Their addresses, one a line').fill('https://elsewhere.example/a.html');
  await page.getByRole('button', { name: 'Fetch these pages' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Nothing is fetched from there' })).toBeVisible();
  await expect(page.getByLabel('Their addresses, one a line')).toHaveValue('https://elsewhere.example/a.html');
});

test('a ledger of many pages reads on as it is scrolled, and a whole choice is acted on at once', async ({ page }) => {
  const title = freshTitle('Many');
  const pages = Array.from({ length: 230 }, (_none, nth) => ({
    name: `${nth < 115 ? 'east' : 'west'}/house-${String(nth).padStart(3, '0')}.html`,
    data: whole(`House ${nth}`, ''),
  }));
  await send(page, [{ name: 'index.html', data: whole(title, '') }, ...pages]);
  await accept(page);
  await page.getByRole('combobox', { name: 'Order' }).selectOption('part');
  await expect(page.getByText('100 of 231 pages shown')).toBeVisible();
  const grid = page.getByRole('region', { name: 'Pages by family' });
  await expect(grid.getByRole('rowheader', { name: /^east 115 pages/ })).toBeVisible();
  await expect(async () => {
    await grid.evaluate((box) => (box.scrollTop = box.scrollHeight));
    await expect(grid.getByRole('link', { name: 'House 229' })).toBeVisible({ timeout: 500 });
  }).toPass({ timeout: 20_000 });
  // Only what is in sight is drawn.
  expect(await grid.locator('tbody tr').count()).toBeLessThan(80);
  await page.getByRole('combobox', { name: 'Part' }).selectOption('west');
  // Scrolled to its end, the grid may have read on already.
  await expect(page.getByLabel('All 115 pages')).toBeAttached();
  await page.getByLabel('All 115 pages').check({ force: true });
  await expect(page.getByText('All 115 pages chosen')).toBeVisible();
  await page.getByRole('group', { name: 'Chosen pages' }).getByLabel('Content type').selectOption('lesson');
  await expect(page.getByRole('search').getByLabel('Content type').getByRole('option', { name: 'lesson (115)' })).toBeAttached();
});

test('a folder goes out alone, and so does one page', async ({ page }) => {
  const title = freshTitle('Parts');
  await send(page, [
    { name: 'index.html', data: whole(title, '') },
    { name: 'walks/short.html', data: whole('A short walk', '') },
    { name: 'walks/map.png', data: 'a map' },
  ]);
  await accept(page);
  await page.getByRole('button', { name: 'Download the package…' }).click();
  const sheet = page.getByRole('dialog', { name: 'Download the package' });
  await sheet.getByLabel('Or one folder of it').selectOption('walks/');
  const [zip] = await Promise.all([page.waitForEvent('download'), sheet.getByRole('link', { name: 'Download the folder' }).click()]);
  const { files } = await zipSource(await zip.path(), limitsFrom({}));
  expect([zip.suggestedFilename(), files.map(({ path }) => path)]).toEqual(['walks.zip', ['walks/short.html', 'walks/map.png']]);
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'A short walk' }).click();
  await page.getByRole('tab', { name: 'Source' }).click();
  const [one] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Download the page' }).click()]);
  expect([one.suggestedFilename(), await readFile(await one.path(), 'utf8')]).toEqual(['short.html', whole('A short walk', '')]);
});

test('pages of one content type are compared, and the one that differs opens on its outline', async ({ page }) => {
  const title = freshTitle('Alike');
  const week = (nth: number) => whole(`Week ${nth}`, '<h2>What you need</h2><p>A veil.</p><h2>What you learnt</h2><p>Much.</p>');
  await send(page, [
    { name: 'index.html', data: week(1).replaceAll('Week 1', title) },
    ...[2, 3, 4, 5].map((nth) => ({ name: `week-${nth}.html`, data: week(nth) })),
    { name: 'week-6.html', data: whole('Week 6', '<h3>At once</h3><p>Begin.</p>') },
  ]);
  await accept(page);
  await page.getByRole('link', { name: 'Spread' }).click();
  await expect(page.getByText('Their last section: “what you learnt”')).toBeVisible();
  await expect(page.getByRole('rowheader')).toHaveText(['Week 6']);
  await expect(page.getByText('last section: “at once”', { exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'Week 6' }).click();
  await expect(page.getByRole('tab', { name: 'Outline' })).toHaveAttribute('aria-selected', 'true');
});
