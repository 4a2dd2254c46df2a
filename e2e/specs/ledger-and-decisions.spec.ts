import { expect, test, type Page } from '../support/test';
import { atDesk, bringIn, freshTitle, hadOpen, ownCollection, ownTitle, standing, takeUp } from '../support/desk';

/** Brings in so many short pages without a screen, a few at a time. */
async function bringMany(page: Page, collection: string, many: number): Promise<void> {
  const one = async (i: number) => {
    const text = i % 3 === 0 ? '<h2></h2><p>Text.</p>' : '<h2>Wax</h2><p>Text.</p>';
    expect(
      (await page.request.post('/api/bring-in', { data: { collection, title: `Leaf ${String(i).padStart(3, '0')}`, text } })).status(),
    ).toBe(200);
  };
  for (let i = 0; i < many; i += 4) await Promise.all(Array.from({ length: Math.min(4, many - i) }, (_, k) => one(i + k)));
}

test('a collection of many pages is read a hundred at a time, in an order, and narrowed by what is looked for', async ({ page }) => {
  const collection = await ownCollection();
  await bringMany(page, collection, 106);
  await page.goto(`/collections/${collection}`);
  await expect(page.getByText(/^106 pages, 36 open findings/)).toBeVisible();
  const rows = page.getByRole('row').filter({ has: page.getByRole('rowheader') });
  await expect(rows).toHaveCount(100);
  // What holds most comes first.
  await expect(rows.first()).toContainText('Held');
  await page.getByRole('button', { name: 'Show more pages' }).click();
  await expect(rows).toHaveCount(106);
  await expect(page.getByRole('button', { name: 'Show more pages' })).toBeHidden();

  await page.getByLabel('Order').selectOption('Title');
  await expect(page).toHaveURL(/order=title/);
  await expect(rows.nth(1)).toContainText('Leaf 001');
  await page.getByLabel('Verdict').selectOption('Held');
  await expect(rows).toHaveCount(36);
  await page.getByLabel('Title holds').fill('leaf 03');
  await page.getByRole('button', { name: 'Find' }).click();
  await expect(page).toHaveURL(/words=leaf\+03/);
  await expect(page.getByText(/^4 pages, 4 open findings/)).toBeVisible();
  await page.goto(page.url().replace('verdict=held', 'verdict=ready&release=signed+off'));
  await expect(page.getByText('No page is left by this choice.')).toBeVisible();

  await page.goto('/');
  await page.getByRole('link', { name: `36 held in ${ownTitle()}` }).click();
  await expect(rows).toHaveCount(36);
  expect((await page.goto(`/collections/${collection}?after=broken`))!.status()).toBe(200);
  await expect(page.getByRole('alert').filter({ hasText: 'This place in the ledger is not known' })).toBeVisible();
});

test('pages chosen together are fixed, given another content type and signed off in one go', async ({ page }) => {
  const collection = await ownCollection();
  await bringMany(page, collection, 4);
  await page.goto(`/collections/${collection}`);
  await page.getByRole('checkbox', { name: 'All 4 pages' }).check({ force: true });
  const bar = page.getByRole('group', { name: 'Chosen pages' });
  await expect(bar).toContainText('All 4 pages chosen');
  await bar.getByLabel('Content type').selectOption('announcement');
  await expect(page.getByText('announcement, revision 1')).toHaveCount(4);
  await bar.getByRole('button', { name: 'Fix what is certain…' }).click();
  const fixing = page.getByRole('dialog', { name: 'Fix what is certain' });
  await fixing.getByRole('button', { name: 'Fix on 4 pages' }).click();
  await expect(fixing.getByText('Done on 2 pages.')).toBeVisible({ timeout: 30_000 });
  await fixing.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByText('announcement, revision 2')).toHaveCount(2);
  await page.getByRole('checkbox', { name: 'Choose Leaf 001' }).check({ force: true });
  await page.getByRole('button', { name: 'Sign off…' }).click();
  const signing = page.getByRole('dialog', { name: 'Sign off' });
  await signing.getByRole('button', { name: 'Sign off 1 page' }).click();
  await expect(signing.getByText('Done on 1 page.')).toBeVisible({ timeout: 30_000 });
  await signing.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('row').filter({ hasText: 'Leaf 001' })).toContainText('Signed off');
});

test('a collection is walked in steps: what was looked at is kept, and the walk goes on with the next page', async ({ page }) => {
  const collection = await ownCollection();
  await bringMany(page, collection, 2);
  await page.goto(`/collections/${collection}`);
  await page.getByRole('link', { name: 'Steps', exact: true }).click();
  await expect(page.getByText('1 open, 0 of 2 pages looked at')).toBeVisible();
  await page.getByRole('link', { name: 'Go on with Title and outline' }).click();
  await expect(page).toHaveURL(/step=outline/);
  const strip = page.getByRole('group', { name: 'Steps' });
  await expect(strip.getByRole('button', { name: 'Title and outline', exact: false }).first()).toHaveAttribute('aria-pressed', 'true');
  await strip.getByRole('button', { name: 'I have looked at: Title and outline' }).click();
  await expect(strip.getByText('Looked at by Ines Calder')).toBeVisible();
  await page.goto(`/collections/${collection}/steps`);
  await expect(page.getByText('1 open, 1 of 2 pages looked at')).toBeVisible();
});

test('of two who decide on one finding the second is told what the first decided, and nothing is overwritten', async ({
  page,
  context,
}) => {
  await bringIn(page, '<h2>Wax</h2><p>For the chart of combs <a href="https://larkmoor.example/x">click here</a>.</p>', freshTitle('Both'));
  const other = await context.newPage();
  await other.goto(page.url());
  await page.getByRole('button', { name: 'No, it is plain where it stands' }).click();
  await expect(standing(page)).toContainText('Ready');
  await other.getByRole('button', { name: 'Yes, it needs better words' }).click();
  await expect(other.getByRole('alert').filter({ hasText: 'This was decided since you opened the page' })).toContainText(
    'it now stands as ruled out',
  );
  await other.getByRole('button', { name: 'Show the newest revision' }).click();
  await expect(standing(other)).toContainText('Ready');
});

test('keys typed ahead are done one after another: three times undo are three steps back', async ({ page }) => {
  await bringIn(page, '<h2></h2><p>One</p><h2></h2><p>Two</p><h2></h2><p>Three</p>', freshTitle('Ahead'));
  for (const revision of [2, 3, 4]) {
    await page.getByRole('button', { name: 'Apply, go to next' }).click();
    await expect(standing(page)).toContainText(`revision ${revision}`);
  }
  await page.getByRole('heading', { level: 1 }).click();
  for (const key of 'uuu') await page.keyboard.press(key);
  await expect(standing(page)).toContainText('revision 7');

  await expect(page.locator('#content').getByRole('alert')).toHaveCount(0);
  await expect(page.getByRole('heading', { name: 'Notes, in page order: 3 open' })).toBeVisible();
});

test('Enter Enter fixes two notes and a third waits; what was typed ahead is never a conflict with oneself', async ({ page }) => {
  await bringIn(page, '<h2></h2><p>One</p><h2></h2><p>Two</p><h2></h2><p>Three</p><h2></h2><p>Four</p>', freshTitle('Twice'));
  await page.getByRole('button', { name: 'Apply, go to next' }).focus();
  await page.locator('#note-heading').focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await expect(standing(page)).toContainText('revision 3');
  await expect(page.getByRole('heading', { name: 'Notes, in page order: 2 open' })).toBeVisible();
  for (const key of 'aa') await page.keyboard.press(key);
  await expect(standing(page)).toContainText('revision 5');
  await expect(page.getByRole('heading', { level: 2, name: 'Nothing is open on this page' })).toBeVisible();
  await expect(page.locator('#content').getByRole('alert')).toHaveCount(0);
});

test('what only the theme can fix is told apart, and comes back', async ({ page }) => {
  await bringIn(page, '<h2>Wax</h2><p>Words.</p><h2></h2><p>Text.</p>', freshTitle('Theme'));
  await takeUp(page, 'Heading with no text');
  await page.getByRole('button', { name: 'For the theme or host' }).click();
  await expect(standing(page)).toContainText('Ready');
  await expect(standing(page)).toContainText('1 for the theme or host');
  await page.getByRole('button', { name: /^The page can fix it: / }).click();
  await expect(standing(page)).toContainText('Held');
});

/** Puts somebody at the desk, and waits until the server knows. */
test('a draft is one person’s: another at the same browser finds none', async ({ page }) => {
  await bringIn(page, '<h2>Wax</h2>\n<p>Text</p>\n', freshTitle('Whose draft'));
  await page.getByRole('tab', { name: 'Source' }).click();
  await page.locator('.cm-content').click();
  await page.keyboard.press('Control+End');
  await page.keyboard.insertText('<p>Of Ines</p>');
  await expect(page.getByRole('heading', { name: /^In this draft/ })).toBeVisible();
  // It is written down before the page is left.
  await page.waitForTimeout(300);
  await atDesk(page, 'Tomas Wren, reviewer');
  await page.reload();
  await expect(page.locator('.cm-content')).not.toContainText('Of Ines');
  await atDesk(page, 'Ines Calder, reviewer');
  await page.reload();
  await expect(page.locator('.cm-content')).toContainText('Of Ines');
  await page.getByRole('button', { name: /^Save as revision/ }).click();
  await expect(standing(page)).toContainText('revision 2, edited by Ines Calder');
});

test('a request that is too long is refused before it is read, and files are served in ranges', async ({ request }) => {
  const long = await request.post('/api/pages/1/rule', { data: { version: 1, findingId: 1, answer: 'stands', more: 'x'.repeat(400_000) } });
  expect([long.status(), ((await long.json()) as { problem: { code: string } }).problem.code]).toEqual([413, 'too-large']);
  const address = '/proof/a-first-year-with-bees/images/smoker.png';
  const whole = await request.get(address);
  const bytes = await whole.body();
  expect([whole.status(), whole.headers()['accept-ranges'], whole.headers()['content-encoding'], bytes.subarray(1, 4).toString()]).toEqual([
    200,
    'bytes',
    undefined,
    'PNG',
  ]);
  const part = await request.get(address, { headers: { range: 'bytes=10-29' } });
  expect([part.status(), part.headers()['content-range'], (await part.body()).equals(bytes.subarray(10, 30))]).toEqual([
    206,
    `bytes 10-29/${bytes.length}`,
    true,
  ]);
  const tail = await request.get(address, { headers: { range: 'bytes=-5' } });
  expect((await tail.body()).equals(bytes.subarray(-5))).toBe(true);
  expect((await request.get(address, { headers: { range: `bytes=${bytes.length}-` } })).status()).toBe(416);
  expect((await request.get(address, { headers: { 'if-none-match': whole.headers().etag! } })).status()).toBe(304);
});

test('what stood open is drawn day by day, with its table', async ({ page }) => {
  const collection = await ownCollection();
  await bringIn(page, '<h2>Wax</h2><p>Text.</p><h2></h2>', freshTitle('Trend'), collection);
  await hadOpen(collection, [
    { day: '2026-01-12', must: 9 },
    { day: '2026-01-13', must: 5 },
  ]);
  await page.goto(`/collections/${collection}/trend`);
  await expect(page.getByText(/open today, \d+ fewer than on 2026-01-12\./)).toBeVisible();
  const rows = page.getByRole('row').filter({ has: page.getByRole('rowheader') });
  await expect(rows).toHaveCount(3);
  // The curve of must comes down: its drawn area is as wide as the chart, and highest on the left.
  const must = page.locator('.recharts-area-area').first();
  const { width, height } = (await must.boundingBox())!;
  expect(width).toBeGreaterThan(400);
  expect(height).toBeGreaterThan(100);
  const tops = (await must.getAttribute('d'))!.match(/^M[\d.]+,([\d.]+)[\s\S]*?[\d.]+,([\d.]+)L/)!;
  expect(Number(tops[1])).toBeLessThan(Number(tops[2]));
});
