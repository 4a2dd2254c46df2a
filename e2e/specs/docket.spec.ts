import { readFileSync } from 'node:fs';
import { expect, test } from '../support/test';
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

test('all that is handed out lies on a board; cards are handed on together, and a table goes out and comes back', async ({ page }) => {
  const collection = await ownCollection();
  const text = '<h2>Wax</h2><p><img src="images/hive.png"></p>';
  const title = freshTitle('On the board');
  const { slug } = await broughtIn(page, collection, title, text);
  await handedTo(page, 'odile-marsh', collection, slug, '', '2099-06-01');
  await page.goto('/docket');
  await page.getByRole('link', { name: 'All that is handed out' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Handed out' })).toBeVisible();
  await page.getByText('By page', { exact: true }).click();
  await page.getByRole('link', { name: title }).click();
  // A page's own board; by keyboard alone.
  const todo = page.getByRole('region', { name: /^To do/ });
  await expect(todo.getByRole('listitem')).toHaveCount(1);
  await todo.getByRole('checkbox', { name: `${title}, Odile Marsh` }).focus();
  await page.keyboard.press('Space');
  const acts = page.getByRole('group', { name: 'Chosen' });
  await acts.getByLabel('Hand on to').selectOption({ label: 'Tomas Wren, reviewer' });
  await acts.getByRole('button', { name: 'Hand them on' }).click();
  await expect(page.getByText(/^\d+ things? (?:was|were) changed\.$/)).toBeVisible();
  await expect(todo.getByRole('listitem')).toContainText('Tomas Wren');
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Download as CSV' }).click()]);
  const sheet = readFileSync(await file.path(), 'utf8');
  const [head, ...lines] = sheet.split('\r\n');
  const own = lines.filter((line) => line.includes(title)).map((line) => line.replace(/,2099-06-01,/, ',2099-07-02,'));
  expect(own.length).toBeGreaterThan(0);
  const name = 'docket.csv';
  await page
    .locator('input[type=file]')
    .setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from([head, ...own, own[0]!.replace(/^\d+/, '999999999')].join('\r\n')) });
  await expect(page.getByRole('dialog')).toContainText(`${own.length === 1 ? '1 thing was' : `${own.length} things were`} handed on`);
  await expect(page.getByRole('list', { name: 'Rows kept aside' }).getByRole('listitem')).toHaveCount(1);
  await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
  await expect(todo.getByRole('listitem')).toContainText(/2 Jul|Jul 2|2099-07-02/);
});
