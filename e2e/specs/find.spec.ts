import { expect, test } from '../support/test';
import { broughtIn, freshTitle, ownCollection } from '../support/desk';
import { signedInAs } from '../support/signIn';

test('words lead to a page, to what is found on it and to a colleague’s docket', async ({ page }) => {
  const title = freshTitle('Winding the clock');
  await broughtIn(page, await ownCollection(), title, '<h2>Wax</h2><p><img src="images/hive.png"></p>');
  await page.goto('/');
  await page.getByRole('link', { name: 'Search' }).click();
  await page.getByRole('searchbox', { name: 'Words' }).fill(title);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('listitem').filter({ hasText: title })).toContainText('Held');
  await page.getByRole('link', { name: title }).click();
  await expect(page.getByRole('heading', { level: 1, name: title })).toBeVisible();
  await page.goto('/search?words=no%20alternative');
  await page.getByRole('main').getByRole('link', { name: 'Image with no alternative text' }).first().click();
  await expect(page.getByRole('heading', { level: 2, name: /has no alternative text/ })).toBeVisible();
  await page.goto('/search?words=odile');
  await page.getByRole('link', { name: 'Docket of Odile Marsh' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Docket of Odile Marsh' })).toBeVisible();
  await page.goto('/search?words=zzzzz');
  await expect(page.getByText('Nothing has “zzzzz”')).toBeVisible();
});

test('an author’s note tells their commonest slips, and leads to one of their own pages', async ({ browser, baseURL }) => {
  const own = await browser.newContext({ storageState: await signedInAs('odile-marsh', baseURL!) });
  const odile = await own.newPage();
  await odile.goto('/docket');
  await odile.getByRole('link', { name: 'A note for you' }).click();
  await expect(odile.getByRole('main').getByRole('listitem')).toHaveCount(3);
  const first = odile.getByRole('main').getByRole('listitem').first();
  await expect(first).toContainText(/Found \d+ times on \d+ pages/);
  await first.getByRole('link').click();
  await expect(odile.locator('#note-heading')).toBeVisible();
  await own.close();
});
