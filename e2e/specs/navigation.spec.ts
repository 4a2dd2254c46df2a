import { expect, test } from '../support/test';
import { atDesk, bringIn, freshTitle, standing } from '../support/desk';

test('from the shelf to a family’s notes on one page, by the counts', async ({ page }) => {
  await page.goto('/');
  const row = page.getByRole('row', { name: /A First Year with Bees/ });
  await expect(row).toContainText('held');
  await expect(row).toContainText(/about [\d.]+ h/);
  await row.getByRole('link', { name: 'A First Year with Bees', exact: true }).click();
  await expect(page.getByRole('row', { name: /Welcome to A First Year with Bees/ })).toContainText('Published');
  await page.getByRole('link', { name: /^2 open in Lists on Opening a hive/ }).click();
  await expect(page.getByRole('heading', { name: 'Notes, in page order: 2 open' })).toBeVisible();
  await expect(page.getByLabel('Family')).toHaveValue('lists');
  await page.getByLabel('Family').selectOption('all');
  await expect(page.getByRole('heading', { name: /^Notes, in page order: [89] open/ })).toBeVisible();
});

test('an address leads back to the same note and face', async ({ page, context }) => {
  await bringIn(page, '<h2></h2><p><a href="x"></a></p><p><img src="images/smoker.png"></p>', freshTitle('Address'));
  await page.getByRole('listitem').getByRole('button', { name: 'Link with no text' }).click();
  await page.getByRole('tab', { name: 'Changes' }).click();
  await expect(page).toHaveURL(/face=changes&note=\d+/);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByRole('tab', { name: 'Changes' })).toHaveAttribute('aria-selected', 'true');
  await expect(other.getByRole('heading', { level: 2, name: 'A link to x has no text' })).toBeVisible();
});

test('who is at the desk is recorded with what they do', async ({ page }) => {
  await bringIn(page, '<h2></h2><p>Text</p>', freshTitle('Hands'));
  await atDesk(page, 'Odile Marsh, author');
  await expect(page.getByRole('button', { name: 'Sign off' })).toBeDisabled();
  await page.getByRole('button', { name: 'Apply, go to next' }).click();
  await expect(standing(page)).toContainText('fixed by Odile Marsh');
  await page.getByRole('tab', { name: 'Changes' }).click();
  await expect(page.getByRole('row', { name: /^2 / })).toContainText('Heading with no text (take it out)');
  await atDesk(page, 'Ruth Pender, publisher');
  await page.getByRole('button', { name: 'Sign off' }).click();
  await expect(standing(page)).toContainText('Signed off');
  await expect(standing(page)).toContainText('by Ruth Pender');
});

test('the criterion behind a note is told beside the work, with its techniques, and ships with the application', async ({ page }) => {
  await page.goto('/collections/a-first-year-with-bees/inside-the-hive');
  const opener = page.getByRole('button', { name: '1.1.1 Non-text Content' });
  await opener.click();
  const pane = page.getByRole('complementary', { name: 'What the criterion says' });
  await expect(pane.getByRole('heading', { name: '1.1.1 Non-text Content, level A' })).toBeFocused();
  await expect(pane.getByText('An image has its words in alt.')).toBeVisible();
  // The note, its fix and the proof stay in sight.
  await expect(page.getByRole('button', { name: 'Apply, go to next' })).toBeInViewport();
  await expect(page.getByRole('region', { name: 'Proof' })).toBeInViewport();
  await page.keyboard.press('Escape');
  await expect(pane).toBeHidden();
  await expect(opener).toBeFocused();
  // Where it cannot be had, that is told.
  await page.route('**/api/criteria/**', (route) => route.abort(), { times: 1 });
  await page.getByRole('button', { name: '1.1.1 Non-text Content' }).click();
  await expect(pane.getByRole('alert')).toContainText('The server did not answer');
  await page.goto('/criteria/1.1.1');
  await expect(page.getByRole('heading', { level: 1, name: '1.1.1 Non-text Content' })).toBeVisible();
  await expect(page.getByText('Image with no alternative text')).toBeVisible();
});

test('an address with nothing at it says so', async ({ page }) => {
  for (const address of [
    '/collections/nowhere',
    '/collections/a-first-year-with-bees/nothing',
    '/criteria/9.9.9',
    '/proof/a-first-year-with-bees/nothing.png',
  ]) {
    const answer = await page.goto(address);
    expect([address, answer?.status()]).toEqual([address, 404]);
  }
});

test('a request that is wrong or comes from another site changes nothing', async ({ request }) => {
  const tries = [
    await request.post('/api/pages/1/fix', { data: { base: 'one' } }),
    await request.post('/api/pages/1/fix', { data: 'not json' }),
    await request.post('/api/pages/1/undo', { data: { version: 1 }, headers: { 'sec-fetch-site': 'cross-site' } }),
    await request.post('/api/pages/1/steal', { data: {} }),
    await request.post('/api/pages/999999/undo', { data: { version: 1 } }),
  ];
  expect(tries.map((answer) => answer.status())).toEqual([422, 422, 403, 404, 404]);
  for (const answer of tries) expect(await answer.json()).toMatchObject({ ok: false, problem: { what: expect.any(String) as unknown } });
});

test('one key goes to the next page with something open, past those that are done', async ({ page }) => {
  await bringIn(page, '<h2></h2>', freshTitle('Open before'));
  const before = page.url();
  await bringIn(page, '<h2>Wax</h2><p>All is well here.</p>', freshTitle('Done'));
  const title = freshTitle('Open after');
  await bringIn(page, '<h2></h2>', title);
  await page.goto(before);
  await expect(page.getByText('Looking for fixes…')).toBeHidden();
  await expect(page.getByRole('button', { name: 'Apply, go to next' })).toBeVisible();
  await page.keyboard.press('o');
  await expect(page.getByRole('heading', { level: 1, name: title })).toBeVisible();
});
