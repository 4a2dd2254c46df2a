import { expect, test } from '@playwright/test';
import { broughtIn, freshTitle, handedTo, ownCollection } from '../support/desk';
import { signedInAs } from '../support/signIn';

test('work is handed to an author, who fixes it from their own list; it leaves the list when an audit saw it, and is back with the slip', async ({
  page,
  browser,
  baseURL,
}) => {
  const collection = await ownCollection();
  const title = freshTitle('Handed');
  const text = '<h2>Wax</h2><p><img src="images/hive.png"></p><p><a href="a.html">here</a></p><h3></h3>';
  const { slug } = await broughtIn(page, collection, title, text);

  // The reviewer hands one thing out, with a day and a word.
  await page.goto(`/collections/${collection}/${slug}`);
  await page
    .getByRole('listitem')
    .getByRole('button', { name: /Image with no alternative text/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Hand to somebody…' }).click();
  const sheet = page.getByRole('dialog', { name: 'Hand to somebody' });
  await sheet.getByRole('combobox', { name: /^To\b/ }).selectOption('Odile Marsh, author');
  await sheet.getByLabel('By').fill('2099-05-04');
  await sheet.getByLabel('A word that goes with it').fill('You took this picture.');
  await sheet.getByRole('button', { name: 'Hand it over' }).click();
  await expect(page.getByText(/^Handed to Odile Marsh by Ines Calder/)).toContainText('You took this picture.');

  // The author's own list, in plain words; it opens the page on just that.
  const own = await browser.newContext({ storageState: await signedInAs('odile-marsh', baseURL!) });
  const odile = await own.newPage();
  await odile.goto('/home');
  await expect(odile).toHaveURL('/docket');
  const mine = odile.getByRole('listitem').filter({ has: odile.getByRole('heading', { name: title }) });
  await expect(mine).toContainText('You took this picture.');
  await mine.getByRole('link', { name: 'The image hive.png has no alternative text' }).click();
  await expect(odile.getByRole('heading', { level: 2, name: 'The image hive.png has no alternative text' })).toBeVisible();
  await expect(odile.getByText(/^Handed to you by Ines Calder/)).toBeVisible();
  await expect(odile.getByRole('listitem').getByRole('button', { name: /Heading with no text/ })).toBeHidden();
  await odile.getByLabel(/^Alternative text/).fill('A hive of pine boards on a stand');
  await odile.getByRole('button', { name: /^Apply/ }).click();
  await expect(odile.getByText(/fixed by Odile Marsh/)).toBeVisible();
  await odile.goto('/docket');
  await expect(odile.getByRole('heading', { name: title })).toBeHidden();
  await odile.goto('/docket?state=done');
  await expect(odile.getByRole('heading', { name: title })).toBeVisible();

  // The slip comes back with another hand's change: so does the work.
  await page.goto(`/collections/${collection}/${slug}`);
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByText(/revision 3/).first()).toBeVisible();
  await odile.goto('/docket');
  await expect(mine.getByRole('link', { name: 'The image hive.png has no alternative text' })).toBeVisible();
  // Taken back, it is on nobody’s list.
  await page.goto(`/collections/${collection}/${slug}`);
  await page
    .getByRole('listitem')
    .getByRole('button', { name: /Image with no alternative text/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByText(/^Handed to Odile Marsh/)).toBeHidden();
  await odile.reload();
  await expect(odile.getByRole('heading', { name: title })).toBeHidden();
  await own.close();
});

test('pages are handed out from the ledger; whoever may not is told so', async ({ page }) => {
  const collection = await ownCollection();
  for (const title of ['One', 'Two']) await broughtIn(page, collection, title, '<h2></h2><p><img src="images/hive.png"></p>');
  await page.goto(`/collections/${collection}`);
  for (const title of ['One', 'Two'])
    await page
      .getByRole('checkbox', { name: new RegExp(title) })
      .first()
      .check({ force: true });
  await page.getByRole('button', { name: 'Hand to somebody…' }).click();
  const sheet = page.getByRole('dialog', { name: 'Hand to somebody' });
  await sheet.getByRole('combobox', { name: /^To\b/ }).selectOption('Uma Hale, specialist');
  await sheet.getByRole('button', { name: 'Hand it over' }).click();
  await expect(page.getByText(/^Uma Hale has \d+ findings on 2 pages to see to\.$/)).toBeVisible();
  await page.goto('/docket?person=uma-hale');
  await expect(page.getByRole('heading', { level: 1, name: 'Docket of Uma Hale' })).toBeVisible();
  await expect(page.getByRole('heading', { level: 2, name: 'One' }).first()).toBeVisible();
  const refused = await page.request.post('/api/docket/hand-out', {
    data: { collection, to: 'ruth-pender', due: null, words: '', pages: ['one'], findings: null },
  });
  expect(refused.status()).toBe(422);
});

test('a reviewer and an author talk about a finding; a calendar gets an address of its own, which can be ended', async ({
  page,
  browser,
  baseURL,
}) => {
  const collection = await ownCollection();
  const text = '<h2>Wax</h2><p><img src="images/hive.png"></p>';
  const { slug } = await broughtIn(page, collection, freshTitle('Talked of'), text);
  await handedTo(page, 'odile-marsh', collection, slug, '', '2099-06-01');
  await page.goto(`/collections/${collection}/${slug}`);
  await page.getByRole('button', { name: 'Remarks…' }).click();
  const sheet = page.getByRole('dialog', { name: 'Remarks' });
  await sheet.getByLabel('Say something').fill('Is that the old hive?');
  await sheet.getByRole('button', { name: 'Say it' }).click();
  await expect(sheet.getByRole('listitem')).toContainText('Is that the old hive?');
  await sheet.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('button', { name: 'Remarks (1)…' })).toBeVisible();

  const own = await browser.newContext({ storageState: await signedInAs('odile-marsh', baseURL!) });
  const odile = await own.newPage();
  await odile.goto('/notices');
  await expect(odile.getByText('Is that the old hive?').first()).toBeVisible();
  await odile.goto('/you');
  await odile.getByRole('button', { name: /^Make (?:an|another) address$/ }).click();
  const address = await odile.getByLabel('Its address, shown this once').inputValue();
  const nobody = await browser.newContext({ storageState: { cookies: [], origins: [] } });
  const calendar = await nobody.request.get(new URL(address).pathname);
  expect(calendar.headers()['content-type']).toContain('text/calendar');
  expect(await calendar.text()).toContain('DTSTART;VALUE=DATE:20990601');
  await odile.getByRole('button', { name: 'End it', exact: true }).click();
  await expect(odile.getByLabel('Its address, shown this once')).toBeHidden();
  expect((await nobody.request.get(new URL(address).pathname)).status()).toBe(404);
  await own.close();
  await nobody.close();
});
