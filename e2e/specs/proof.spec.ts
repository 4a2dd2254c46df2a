import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect, test } from '../support/test';
import { bringIn, freshTitle } from '../support/desk';

test('notes stand beside their lines, and choosing either moves the other', async ({ page }) => {
  await bringIn(
    page,
    `<h2>Wax</h2><p>${'Words of a long paragraph. '.repeat(120)}</p><p><a href="swarms.html"></a></p><p>${'More words. '.repeat(200)}</p><p><img src="images/smoker.png"></p>`,
    freshTitle('Margin'),
  );
  const margin = page.getByRole('group', { name: 'Margin' });
  const mark = margin.getByRole('button', { name: /must: Image with no alternative/ });
  await mark.click();
  await expect(page.getByRole('heading', { level: 2, name: /smoker\.png has no alternative/ })).toBeVisible();
  const image = page.frameLocator('iframe').locator('img');
  const [markBox, imageBox] = [await mark.boundingBox(), await image.boundingBox()];
  expect(markBox!.y).toBeGreaterThan(imageBox!.y - 20);
  expect(markBox!.y).toBeLessThan(imageBox!.y + imageBox!.height);

  await page.getByRole('listitem').getByRole('button', { name: 'Link with no text' }).click();
  await expect(margin.getByRole('button', { name: /must: Link with no text/ })).toHaveAttribute('aria-current', 'true');
  await image.click();
  await expect(mark).toHaveAttribute('aria-current', 'true');
});

test('what cannot be seen on the page has its notes in a tray', async ({ page }) => {
  await page.goto('/collections/larkmoor-canal-trust/locks-and-walks');
  const tray = page.getByRole('group', { name: 'Notes on what is not seen on the page' });
  await tray.getByRole('button', { name: /Page with no language/ }).click();
  await expect(page.getByRole('heading', { level: 2, name: 'The page does not say which language it is in' })).toBeVisible();
});

test('a hostile page runs nothing, fetches nothing from outside and cannot leave its frame', async ({ page }) => {
  const asked: string[] = [];
  const outside = createServer((request, answer) => void (asked.push(request.url ?? ''), answer.end('taken')));
  await new Promise<void>((resolve) => outside.listen(0, '127.0.0.1', resolve));
  const away = `http://127.0.0.1:${(outside.address() as AddressInfo).port}`;
  const said: string[] = [];
  page.on('dialog', (dialog) => void (said.push(dialog.message()), dialog.dismiss()));
  await bringIn(
    page,
    `<h2>Traps</h2><script>alert(1); parent.document.title = 'taken'</script><img src="x" onerror="alert(2)" alt="Bait"><img src="${away}/track.png" alt="Bait">
     <iframe src="${away}/frame"></iframe><link rel="stylesheet" href="${away}/a.css"><style>@import url(${away}/b.css); body { background: url(${away}/c.png) }</style>
     <meta http-equiv="refresh" content="0;url=${away}/refresh"><a id="away" href="${away}/top" target="_top">Bait link with words</a><form action="${away}/form"><button>Send it off</button></form>
     <svg onload="alert(3)"><script>alert(4)</script></svg><a href="javascript:alert(5)">Script link with words</a><object data="${away}/o">words</object><video src="${away}/v" autoplay></video><base href="${away}/">`,
    freshTitle('Traps'),
  );
  const frame = page.frameLocator('iframe');
  await frame.locator('#away').click();
  await frame.getByRole('link', { name: 'Script link with words' }).click();
  await frame.getByRole('button', { name: 'Send it off' }).click();
  await page.waitForTimeout(1_000);
  expect(said).toEqual([]);
  expect(asked).toEqual([]);
  await expect(page).toHaveTitle(/^Traps/);
  await expect(frame.getByRole('heading', { name: 'Traps' })).toBeVisible();
  outside.close();
});

test('a page of 150,000 pixels is seen to its end, with its last note beside its line', async ({ page }) => {
  const long = Array.from({ length: 3_600 }, (_, i) => `<p>Line ${i} of a long page.</p>`).join('');
  await bringIn(page, `<h2>Wax</h2>${long}<p><a href="a.html">here</a> is where it ends.</p>`, freshTitle('Long'));
  await page.getByRole('listitem').getByRole('button', { name: /Links/ }).click();
  const proof = page.frameLocator('iframe[title^="Proof of"]');
  const end = proof.getByText('is where it ends.');
  await expect(end).toBeInViewport();
  const [box, sheet] = [(await end.boundingBox())!, (await page.getByRole('region', { name: 'Proof' }).boundingBox())!];
  expect(await page.locator('iframe[title^="Proof of"]').evaluate((one) => one.getBoundingClientRect().height)).toBeGreaterThan(120_000);
  expect(box.y + box.height).toBeLessThan(sheet.y + sheet.height);
  // Words are painted there: a blank stretch of the same size makes a far smaller picture.
  const [words, blank] = await Promise.all([
    page.screenshot({ clip: { x: box.x, y: box.y, width: 150, height: 20 } }),
    page.screenshot({ clip: { x: box.x + 400, y: box.y, width: 150, height: 20 } }),
  ]);
  expect(words.length).toBeGreaterThan(blank.length + 300);
});

test('a page in quirks mode, or one as high as its window, does not grow for ever', async ({ page }) => {
  const whole = (head: string, title: string, body: string) =>
    `${head}<html lang="en"><head><title>${title}</title><style>${body}</style></head><body><p>Text.</p><h3></h3></body></html>`;
  for (const [name, head, body] of [
    ['quirks', '', ''],
    ['windowed', '<!doctype html>', 'body { min-height: 110vh }'],
  ] as const) {
    const title = freshTitle(name);
    await bringIn(page, whole(head, title, body), title);
    await expect(page.getByRole('button', { name: /^Note 1/ })).toBeVisible();
    await page.waitForTimeout(1_000);
    const height = () => page.locator('iframe[title^="Proof of"]').evaluate((one) => one.getBoundingClientRect().height);
    const first = await height();
    await page.waitForTimeout(500);
    expect(await height()).toBe(first);
    expect(first).toBeLessThan(1_500);
  }
});
