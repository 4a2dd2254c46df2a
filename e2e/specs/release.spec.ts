import { InkwellClient } from '@inkwell/client';
import { auditPage, DEFAULT_PROFILE, parsePage, selectFindings, sentenceOf } from '@inkwell/core';
import { expect, test, type Browser, type BrowserContext, type Page } from '../support/test';
import { freshTitle } from '../support/desk';
import { signedInAs } from '../support/signIn';
import { tokenFor } from '../support/token';

const HOST = process.env.INKWELL_HOST_AT ?? 'http://127.0.0.1:4330';
const PLACE = 'a-first-year-with-bees';

/** Somebody with a browser of their own. */
async function personIn(browser: Browser, baseURL: string, person: string): Promise<{ context: BrowserContext; page: Page }> {
  const context = await browser.newContext({ storageState: await signedInAs(person, baseURL) });
  return { context, page: await context.newPage() };
}

/** Something asked of our own server, as somebody who is signed in. */
async function asked<T>(page: Page, address: string, data: object): Promise<T> {
  const answer = await page.request.post(address, { data });
  const said = (await answer.json()) as { ok: boolean; value: T };
  expect(said, address).toMatchObject({ ok: true });
  return said.value;
}

interface GateRow {
  id: number;
  slug: string;
  title: string;
  head: number;
  release: string;
  verdict: string;
}

async function rowOf(page: Page, title: string): Promise<GateRow | undefined> {
  for (const group of ['to sign', 'to publish', 'going out', 'published', 'lapsed', 'held'])
    for (const row of (await asked<{ rows: GateRow[] }>(page, '/api/gate/show', { group, collection: PLACE, after: null })).rows)
      if (row.title === title) return row;
  return undefined;
}

/** An author writes a page on the host, as its first draft. */
async function newOnHost(title: string, html: string): Promise<{ id: string; address: string }> {
  const address = `${title.toLowerCase().replace(/[^a-z0-9]+/g, '-')}.html`;
  const headers = { authorization: `Bearer ${process.env.INKWELL_HOST_TOKEN}`, 'content-type': 'application/json' };
  const body = JSON.stringify({ address, title, kind: 'lesson', parts: [{ name: 'main', html }] });
  const answer = await fetch(`${HOST}/api/places/${PLACE}/pages`, { method: 'POST', headers, body });
  expect(answer.status).toBe(201);
  return { id: ((await answer.json()) as { id: string }).id, address };
}

/** What our own audit finds failed on a screen that stands outside the application's own. */
async function foundOn(page: Page): Promise<string[]> {
  const html = await page.evaluate(() => {
    const copy = document.documentElement.cloneNode(true) as HTMLElement;
    for (const script of copy.querySelectorAll('script, next-route-announcer')) script.remove();
    return `<!DOCTYPE html>${copy.outerHTML}`;
  });
  const findings = selectFindings(auditPage(parsePage(html)).findings, DEFAULT_PROFILE);
  return findings.filter(({ weight, outcome }) => weight !== 'consider' && outcome === 'failed').map(sentenceOf);
}

const HELD = '<h2>Smoke</h2>\n<p>Puff it in at the door.</p>\n<p><img src="images/hive.png"></p>\n';
const FINE = '<h2>Smoke</h2>\n<p>Puff it in at the door, and wait a minute.</p>\n';

test('from the author on the host to the reader and back: held, fixed, signed, published at a time, changed, lapsed, taken off', async ({
  browser,
  baseURL,
}) => {
  test.setTimeout(180_000);
  const [author, reviewer, publisher] = [
    { context: await browser.newContext(), page: null as unknown as Page },
    await personIn(browser, baseURL!, 'ines-calder'),
    await personIn(browser, baseURL!, 'ruth-pender'),
  ];
  author.page = await author.context.newPage();
  const title = freshTitle('Smoke');
  const on = await newOnHost(title, HELD);
  await asked(reviewer.page, '/api/hosts/look', { collection: PLACE });
  await expect.poll(async () => (await rowOf(reviewer.page, title))?.verdict, { timeout: 30_000 }).toBe('held');

  // The author presses Publish, and is told what holds the page in plain words.
  await author.page.goto(`${HOST}/edit/${on.id}`);
  await author.page.getByRole('button', { name: 'Publish', exact: true }).click();
  await expect(author.page.getByRole('heading', { name: 'Saved, and not published' })).toBeVisible();
  await expect(author.page.getByRole('listitem').filter({ hasText: 'alternative text' }).first()).toBeVisible();
  expect((await fetch(`${HOST}/site/${PLACE}/${on.address}`)).status).toBe(404);

  expect(await foundOn(author.page)).toEqual([]);

  // They fix it there, and it is handed over.
  await author.page.getByLabel('Text').fill(FINE);
  await author.page.getByRole('button', { name: 'Publish', exact: true }).click();
  await expect(author.page.getByRole('status')).toContainText('handed over for sign-off');
  await asked(reviewer.page, '/api/hosts/look', { collection: PLACE });
  await expect.poll(async () => (await rowOf(reviewer.page, title))?.verdict, { timeout: 30_000 }).toBe('ready');

  // The reviewer looks at what no engine finds, and signs on the Gate.
  await reviewer.page.goto(`/gate?collection=${PLACE}`);
  const line = reviewer.page.getByRole('row', { name: new RegExp(title) });
  await line.getByRole('button', { name: /0 of 5/ }).click();
  await line.getByRole('checkbox', { name: 'Read aloud' }).check({ force: true });
  await expect(line.getByRole('button', { name: /1 of 5/ })).toBeVisible();
  await line.getByRole('checkbox', { name: `Choose ${title}` }).check({ force: true });
  await reviewer.page.getByRole('button', { name: 'Sign off (1)' }).click();
  await expect(reviewer.page.getByRole('status').filter({ hasText: 'Signed: 1 page.' })).toBeVisible();

  // The publisher puts it down for a time a few seconds from now.
  const row = (await rowOf(publisher.page, title))!;
  const at = new Date(Date.now() + 4_000).toISOString();
  await asked(publisher.page, '/api/gate/publish', { which: [row.id], act: 'publish', at });
  await publisher.page.goto(`/gate?collection=${PLACE}&group=going+out`);
  await expect(publisher.page.getByRole('row', { name: new RegExp(title) })).toContainText('goes out');
  expect((await fetch(`${HOST}/site/${PLACE}/${on.address}`)).status).toBe(404);
  await expect.poll(async () => (await rowOf(publisher.page, title))?.release, { timeout: 40_000 }).toBe('published');
  const shown = await (await fetch(`${HOST}/site/${PLACE}/${on.address}`)).text();
  expect(shown).toContain(`<!--content-->${FINE}<!--/content-->`);
  await publisher.page.goto(`/gate?collection=${PLACE}&group=published`);
  const out = publisher.page.getByRole('row', { name: new RegExp(title) });
  await expect(out.getByRole('link', { name: /as readers see it/ })).toHaveAttribute('href', `${HOST}/site/${PLACE}/${on.address}`);

  // The author edits it: the sign-off lapses, and what was wrong is back.
  await author.page.goto(`${HOST}/edit/${on.id}`);
  await author.page.getByLabel('Text').fill(HELD);
  await author.page.getByRole('button', { name: 'Save draft' }).click();
  await expect(author.page.getByRole('status')).toContainText('Saved as a draft');
  await asked(reviewer.page, '/api/hosts/look', { collection: PLACE });
  await expect.poll(async () => (await rowOf(publisher.page, title))?.release, { timeout: 30_000 }).toBe('lapsed');
  const desk = await asked<{ desk: { notes: { standing: string; rule: string }[] } }>(reviewer.page, `/api/pages/${row.id}/look`, {});
  expect(desk.desk.notes.find((one) => one.rule === 'images/no-alternative')).toMatchObject({ standing: 'returned' });
  // Readers are shown what was signed all the while.
  expect(await (await fetch(`${HOST}/site/${PLACE}/${on.address}`)).text()).toBe(shown);

  // The publisher takes it off on the Gate, and it is off.
  await publisher.page.goto(`/gate?collection=${PLACE}&group=lapsed`);
  const lapsed = publisher.page.getByRole('row', { name: new RegExp(title) });
  await expect(lapsed).toContainText('lapsed: its text changed');
  await lapsed.getByRole('checkbox', { name: `Choose ${title}` }).check({ force: true });
  await publisher.page.getByRole('button', { name: 'Take off the host (1)' }).click();
  await expect(publisher.page.getByRole('status').filter({ hasText: 'On their way off: 1 page.' })).toBeVisible();
  await expect.poll(async () => (await fetch(`${HOST}/site/${PLACE}/${on.address}`)).status, { timeout: 30_000 }).toBe(404);
  for (const { context } of [author, reviewer, publisher]) await context.close();
});

test('a program signs a page, publishes it, sees it on the host and takes it off, with the client', async ({ page, baseURL }) => {
  const title = freshTitle('By a program');
  const on = await newOnHost(title, FINE);
  await asked(page, '/api/hosts/look', { collection: PLACE });
  await expect.poll(async () => (await rowOf(page, title))?.verdict, { timeout: 30_000 }).toBe('ready');
  const { id } = (await rowOf(page, title))!;
  const { token } = await tokenFor(null, ['read', 'publish']);
  const inkwell = new InkwellClient({ server: baseURL!, token });
  const before = await inkwell.page(id);
  // What is not signed off does not go out, and what was seen before is not what is there now.
  await expect(inkwell.publish(id, before.tag)).rejects.toMatchObject({ status: 409, type: '/problems/held' });
  const signed = await inkwell.sign(id, before.tag);
  await expect(inkwell.publish(id, before.tag)).rejects.toMatchObject({ status: 412 });
  const released = async () => (await inkwell.page(id)).page.release;
  await inkwell.publish(id, signed.tag);
  await expect.poll(released, { timeout: 30_000 }).toBe('published');
  expect(await (await fetch(`${HOST}/site/${PLACE}/${on.address}`)).text()).toContain(`<!--content-->${FINE}<!--/content-->`);
  await inkwell.unpublish(id, (await inkwell.page(id)).tag);
  await expect.poll(released, { timeout: 30_000 }).toBe('signed off');
  expect((await fetch(`${HOST}/site/${PLACE}/${on.address}`)).status).toBe(404);
});

test('the host and its connection: added, refused where it may not be spoken to, connected by a publisher', async ({
  browser,
  baseURL,
}) => {
  const sam = await personIn(browser, baseURL!, 'sam-okello');
  await sam.page.goto('/hosts');
  await expect(sam.page.getByRole('row', { name: /The college site/ })).toBeVisible();
  await sam.page.getByRole('button', { name: 'Add a host…' }).click();
  await sam.page.getByLabel('Name').fill('Elsewhere');
  await sam.page.getByLabel('Address').fill('http://10.9.8.7');
  await sam.page.getByRole('button', { name: 'Add it' }).click();
  await expect(sam.page.getByRole('dialog').getByRole('alert')).toContainText('This host may not be spoken to');
  await sam.context.close();
});

test('readers see a statement once there is one, and what they tell waits for an answer', async ({ browser, page, baseURL }) => {
  const ruth = await personIn(browser, baseURL!, 'ruth-pender');
  const reader = await browser.newContext({ storageState: { cookies: [], origins: [] } });
  const at = await reader.newPage();
  await ruth.page.goto('/collections/larkmoor-canal-trust/report/statement');
  await ruth.page.getByLabel('Whom readers write to').fill('access@canal.larkmoor.example');
  await ruth.page.getByRole('button', { name: 'Save the statement' }).click();
  await expect(ruth.page.getByRole('status').filter({ hasText: 'Saved.' })).toBeVisible();
  await at.goto('/statement/larkmoor-canal-trust', { waitUntil: 'networkidle' });
  await expect(at.getByRole('heading', { level: 1 })).toContainText('Accessibility of');
  expect(await foundOn(at)).toEqual([]);
  const words = freshTitle('I cannot find the opening hours by ear');
  await at.getByLabel('On which page').fill('plan-your-visit.html');
  await at.getByLabel('What went wrong').fill(words);
  await at.getByRole('button', { name: 'Tell us' }).click();
  await expect(at.getByRole('status')).toContainText('Thank you');
  await page.goto('/barriers');
  const message = page.getByRole('listitem').filter({ hasText: words });
  await message.getByRole('button', { name: /Say what became of it/ }).click();
  await page.getByRole('dialog').getByLabel('What became of it').fill('The table has headers now.');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(message).toContainText('The table has headers now.');
  await reader.close();
  await ruth.context.close();
});

test('a report is judged, kept, compared and taken along', async ({ page }) => {
  await page.goto('/collections/larkmoor-canal-trust/report');
  await page.getByRole('radio', { name: 'Not looked at' }).check({ force: true });
  await page.getByRole('button', { name: /^Judge 2\.5\.1/ }).click();
  await page.getByLabel('What was tried').fill('Nothing on any page asks for a gesture along a path.');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.getByRole('radio', { name: 'Passed' }).check({ force: true });
  await expect(page.getByRole('row', { name: /2\.5\.1/ })).toContainText('gesture along a path');
  await page.getByRole('button', { name: 'Keep it as it is now' }).click();
  await page.getByRole('link', { name: 'compare with now' }).first().click();
  await expect(page.getByRole('heading', { level: 1, name: 'Two reports' })).toBeVisible();
  await page.goto('/collections/larkmoor-canal-trust/report');
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'HTML' }).click()]);
  expect(download.suggestedFilename()).toBe('accessibility-report-larkmoor-canal-trust.html');
});
