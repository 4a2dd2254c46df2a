import { expect, test } from '../support/test';
import { atDesk, broughtIn, freshTitle, handedTo, ownCollection } from '../support/desk';
import { signedInAs } from '../support/signIn';

test('what others do appears without reload: on the ledger, on the page two are on, and as a notice; one stream serves all tabs', async ({
  page,
  browser,
  baseURL,
}) => {
  const collection = await ownCollection();
  const title = freshTitle('Live');
  const text = '<h2>Wax</h2><p><img src="images/hive.png"></p><p>Text</p>';
  const { slug } = await broughtIn(page, collection, title, text);

  // The reviewer has the ledger and the page open, in two tabs; the author comes to the page.
  await page.goto(`/collections/${collection}`);
  const row = page.getByRole('row').filter({ hasText: title });
  await expect(row).toContainText('Held');
  const desk = await page.context().newPage();
  const streams: string[] = [];
  desk.on('request', (request) => request.url().endsWith('/api/live') && streams.push(request.url()));
  await desk.goto(`/collections/${collection}/${slug}`);
  const authors = await browser.newContext({ storageState: await signedInAs('odile-marsh', baseURL!) });
  const odile = await authors.newPage();
  await odile.goto(`/collections/${collection}/${slug}`);
  await expect(desk.getByText('Odile Marsh is on this page too.')).toBeVisible();
  await expect(odile.getByText('Ines Calder is on this page too.')).toBeVisible();

  // The author mends it: both tabs of the reviewer know at once.
  await odile
    .getByRole('listitem')
    .getByRole('button', { name: /Image with no alternative text/ })
    .first()
    .click();
  await odile.getByLabel(/^Alternative text/).fill('A hive of pine boards on a stand');
  await odile.getByRole('button', { name: /^Apply/ }).click();
  await expect(odile.getByText(/fixed by Odile Marsh/)).toBeVisible();
  await expect(odile.getByText('Someone else has changed this page.')).toBeHidden();
  await expect(desk.getByText('Someone else has changed this page.')).toBeVisible();
  await page.bringToFront();
  await expect(row).not.toContainText('Held');
  await desk.bringToFront();
  await desk.getByRole('button', { name: 'Show it as it is now' }).click();
  await expect(desk.getByText(/revision 2/).first()).toBeVisible();
  expect(streams).toEqual([]);

  // Whoever is handed something learns of it where they are.
  await odile.goto('/docket');
  await expect(odile.getByRole('link', { name: /^Notices/ })).toBeVisible();
  const handed = await broughtIn(page, collection, freshTitle('Handed'), text);
  await handedTo(page, 'odile-marsh', collection, handed.slug, 'When you have time');
  await expect(odile.getByRole('link', { name: /^Notices \(\d+ new\)$/ })).toBeVisible();
  await odile.getByRole('link', { name: /^Notices/ }).click();
  await expect(odile.getByText('When you have time').first()).toBeVisible();
  // In the demo whoever sits down hears what is theirs, in a tab that listened for somebody else.
  await atDesk(page, 'Odile Marsh, author');
  await expect(page.getByRole('link', { name: 'Notices', exact: true })).toBeVisible();
  const more = await broughtIn(odile, collection, freshTitle('More'), text);
  const reviewer = await browser.newContext({ storageState: await signedInAs('ines-calder', baseURL!) });
  await handedTo(await reviewer.newPage(), 'odile-marsh', collection, more.slug, 'And this one');
  await expect(page.getByRole('link', { name: 'Notices (1 new)' })).toBeVisible();
  await reviewer.close();
  await authors.close();
  await expect(desk.getByText('Odile Marsh is on this page too.')).toBeHidden();
});

test('nobody listens who is not signed in', async ({ playwright, baseURL }) => {
  const nobody = await playwright.request.newContext({ baseURL: baseURL!, storageState: { cookies: [], origins: [] } });
  expect((await nobody.get('/api/live')).status()).toBe(401);
  await nobody.dispose();
});
