import { expect, test } from '../support/test';
import { freshTitle, standing } from '../support/desk';

test.beforeEach(async ({ page }) => {
  await page.goto('/collections/a-first-year-with-bees/bring-in');
});

test('rich text from the clipboard comes in as its markup', async ({ page }) => {
  const box = page.getByLabel('The page’s content');
  await box.focus();
  await page.evaluate(() => {
    const data = new DataTransfer();
    data.setData('text/plain', 'Wax');
    data.setData('text/html', '<html><body><!--StartFragment--><p><b>Wax</b></p><p>Text of it</p><!--EndFragment--></body></html>');
    document.activeElement!.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  });
  await expect(box).toHaveValue('<p><b>Wax</b></p><p>Text of it</p>');
  await expect(page.getByText('Taken as formatted text')).toBeVisible();
});

test('a file comes in by its own encoding', async ({ page }) => {
  const title = freshTitle('Café');
  await page.getByText('Choose its file').click();
  const bytes = Buffer.concat([
    Buffer.from('<html lang="fr"><head><title>Caf'),
    Buffer.from([0xe9]),
    Buffer.from(`</title></head><body><main><h1>${title}</h1><p>Ouvert le mardi.</p></main></body></html>`),
  ]);
  await page.getByLabel('The page’s file (.html)').setInputFiles({ name: 'cafe.html', mimeType: 'text/html', buffer: bytes });
  await page.getByRole('button', { name: 'Bring it in' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Café' })).toBeVisible();
  await expect(standing(page)).toContainText('Ready');
});

test('a fragment is asked for its title, and nothing typed is lost', async ({ page }) => {
  await page.getByLabel('The page’s content').fill('<p>Part of a page</p>');
  await expect(page.getByText('Part of a page, 0 notes so far.')).toBeVisible();
  await page.getByRole('button', { name: 'Bring it in' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'This page needs a title' })).toBeVisible();
  await expect(page.getByLabel('Title')).toBeFocused();
  await expect(page.getByLabel('The page’s content')).toHaveValue('<p>Part of a page</p>');
});

for (const [shows, name, buffer, answer] of [
  ['a PDF', 'plan.html', Buffer.from('%PDF-1.7\n1 0 obj'), 'This is not a page of text'],
  ['an empty file', 'empty.html', Buffer.from('  \n'), 'There is nothing in this page'],
  ['a file of 22 MB', 'long.html', Buffer.alloc(22_000_000, 'a '), 'This page is too large to take in'],
  ['a file of 33 MB', 'longer.html', Buffer.alloc(33_000_000, 'a '), 'This file is too large to be one page'],
] as const) {
  test(`${shows} gets a clear answer`, async ({ page }) => {
    await page.getByText('Choose its file').click();
    await page.getByLabel('Title').fill(freshTitle('Bad'));
    await page.getByLabel('The page’s file (.html)').setInputFiles({ name, mimeType: 'text/html', buffer });
    // The largest is refused as soon as it is chosen; the others by the server.
    if (buffer.length < 32_000_000) await page.getByRole('button', { name: 'Bring it in' }).click();
    await expect(page.getByRole('alert').filter({ hasText: answer })).toBeVisible({ timeout: 30_000 });
  });
}

test('100,000 nested tags are taken in as a browser would, in reasonable time', async ({ page }) => {
  await page.getByLabel('The page’s content').fill('<div>'.repeat(100_000) + '<p><img src="images/smoker.png"></p>');
  await page.getByLabel('Title').fill(freshTitle('Deep'));
  await page.getByRole('button', { name: 'Bring it in' }).click();
  await expect(standing(page)).toContainText('1 must', { timeout: 30_000 });
});
