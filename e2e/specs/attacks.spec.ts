import { request as httpRequest } from 'node:http';
import { expect, test } from '../support/test';
import { bringIn, broughtIn, freshTitle, ownCollection } from '../support/desk';

test.describe('addresses that cannot be read', () => {
  const PATHS = [
    '/search?words=%00',
    '/collections/%E0%A4%A',
    '/collections/%00',
    '/statement/%00',
    '/link/%00',
    '/api/register-sheet?collection=%00',
    '/api/report-file?collection=%00',
    '/api/jobs/%00',
    '/api/v1/jobs/%00',
    '/api/v1/collections/%FF/pages',
    '/proof/a-first-year-with-bees/%00.html',
    '/thumbnail/%00',
  ];
  for (const path of PATHS)
    test(`${path} is refused in words`, async ({ page }) => {
      const answer = await page.request.get(path);
      expect([answer.status(), /cannot be read/.test(await answer.text())]).toEqual([400, true]);
    });

  test('in a path or a text that comes with a body, too', async ({ page }) => {
    for (const [path, data] of [
      ['/api/collections/%00/rename', { title: 'x' }],
      ['/api/pages/%00/source', { version: 1, html: 'x' }],
      ['/api/people/invite', { name: 'a\u0000b', email: 'a@larkmoor.example', role: 'author', collection: null }],
      ['/api/bring-in', { collection: 'a-first-year-with-bees\u0000', title: '\u0000', text: '<p>x</p>' }],
    ] as const) {
      const answer = await page.request.post(path, { data });
      expect(`${path} ${answer.status() >= 400 && answer.status() < 500}`).toBe(`${path} true`);
    }
  });
});

test('what a page refers to is asked for by nobody: only files of its own collection come', async ({ page }) => {
  const addresses = [
    '/api/report-file?collection=a-first-year-with-bees&format=pdf',
    '/api/collections/a-first-year-with-bees/package',
    '/proof/larkmoor-canal-trust/index.html',
    '/outbox',
  ];
  // What the policy stops is begun and never sent: what counts is what was answered.
  const answered: string[] = [];
  page.on('response', (one) => answered.push(new URL(one.url()).pathname + new URL(one.url()).search));
  const parts = addresses.map(
    (
      at,
    ) => `<img alt="A" src="${at}"><img alt="B" src="x" srcset="${at} 2x"><video src="${at}" poster="${at}"></video><p style="background:url('${at}')">x</p>
      <iframe title="i" src="${at}"></iframe><object data="${at}"></object><link rel="stylesheet" href="${at}">`,
  );
  await bringIn(page, `<h2>Wax</h2>${parts.join('').repeat(8)}<p><img src="images/smoker.png" alt="A smoker"></p>`, freshTitle('Parts'));
  await expect(page.frameLocator('iframe').getByAltText('A smoker')).toBeVisible();
  await page.waitForTimeout(500);
  for (const at of addresses) expect(answered.includes(at) ? at : null).toBeNull();
  for (const part of ['image', 'style', 'video', 'iframe', 'object', 'font'])
    expect((await page.request.get(addresses[0]!, { headers: { 'sec-fetch-dest': part } })).status()).toBe(401);
});

test('names of a page’s images and fields overwrite nothing the Desk goes by', async ({ page }) => {
  await page.goto('/');
  const names = await page.evaluate(() => {
    const found = new Set<string>();
    for (const start of [document, window, document.createElement('form'), document.body])
      for (let at: object | null = start; at; at = Object.getPrototypeOf(at) as object | null)
        for (const name of Object.getOwnPropertyNames(at)) if (/^[a-zA-Z]+$/.test(name)) found.add(name);
    return [...found];
  });
  expect(names.length).toBeGreaterThan(500);
  const collection = await ownCollection();
  const images = names.map((name) => `<img alt="" src="images/smoker.png" name="${name}">`).join('');
  const fields = names.map((name) => `<input aria-label="f" name="${name}">`).join('');
  const { address } = await broughtIn(
    page,
    collection,
    freshTitle('Names'),
    `<h2>Wax</h2><p><a href="a.html"></a></p><div>${images}</div><form>${fields}<p><img src="images/smoker.png"></p></form>`,
  );
  await page.goto(address);
  const mark = page.getByRole('group', { name: 'Margin' }).getByRole('button', { name: /must: Link with no text/ });
  await expect(mark).toBeVisible();
  await mark.click();
  await expect(page.getByRole('heading', { level: 2, name: /link/i }).first()).toBeVisible();
  await page
    .getByLabel('Text doubled')
    .check({ force: true })
    .catch(() => undefined);
  await expect(page.getByText('This screen cannot be shown')).toHaveCount(0);
});

test('a link that lets one choose a password is read nowhere inside', async ({ page }) => {
  const { email } = (await (await page.request.get('/api/person-data')).json().catch(() => ({ email: '' }))) as { email?: string };
  await page.request.post('/api/password', { data: { email: email || 'ines-calder@larkmoor.example' } });
  for (const answer of [
    await page.request.post('/api/notices/show', { data: { before: null } }),
    await page.request.get('/api/person-data'),
  ])
    expect(await answer.text()).not.toMatch(/\/link\/[\w-]{20,}/);
});

test('12 MB that come without a content type reach their route whole', async ({ baseURL, context }) => {
  const cookie = (await context.cookies(baseURL!)).map(({ name, value }) => `${name}=${value}`).join('; ');
  const body = Buffer.from(JSON.stringify({ collection: 'nowhere', title: 'Long', text: 'x'.repeat(12_000_000) }));
  const status = await new Promise((resolve, reject) => {
    const sent = httpRequest(
      `${baseURL}/api/bring-in`,
      { method: 'POST', headers: { cookie, 'content-length': body.length } },
      (answer) => {
        answer.resume();
        resolve(answer.statusCode);
      },
    );
    sent.on('error', reject).end(body);
  });
  // Cut short it would be no JSON: 422. Whole, it names a collection that is not there.
  expect(status).toBe(404);
});
