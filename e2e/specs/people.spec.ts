import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test, type Browser, type BrowserContext, type Page } from '../support/test';
import { freshTitle } from '../support/desk';
import { linkFor } from '../support/invited';
import { signedInAs } from '../support/signIn';

const NOBODY = { storageState: { cookies: [], origins: [] } };
const PASSWORD = 'nine herons by the weir';

async function contextOf(browser: Browser): Promise<BrowserContext> {
  return browser.newContext(NOBODY);
}

const enter = async (page: Page, email: string, password: string) => {
  await page.getByLabel('E-mail address').fill(email);
  await page.getByLabel('Password').fill(password);
  await page.keyboard.press('Enter');
};

test('nobody is let in anywhere but at the door, which leads back to where one wanted to go', async ({ browser }) => {
  const context = await contextOf(browser);
  const page = await context.newPage();
  for (const address of [
    '/',
    '/people',
    '/outbox',
    '/you',
    '/bring-in',
    '/registers/images',
    '/collections/a-first-year-with-bees/trend',
  ]) {
    await page.goto(address);
    await expect(page).toHaveURL(`/sign-in?next=${encodeURIComponent(address)}`);
  }
  const asked = async (address: string, data?: object) =>
    (data ? await page.request.post(address, { data }) : await page.request.get(address)).status();
  expect(await asked('/api/registers/palette', { collection: null })).toBe(401);
  expect(await asked('/api/people/find', { words: '' })).toBe(401);
  expect(await asked('/api/collections/larkmoor-canal-trust/findings')).toBe(401);
  expect(await asked('/proof/larkmoor-canal-trust/index.html')).toBe(401);
  expect(await asked(`/thumbnail/${'a'.repeat(64)}`)).toBe(401);
  // Not to another site, however it is written.
  for (const next of ['//larkmoor.example', '/\\larkmoor.example', 'https://larkmoor.example', '/%0d%0aset-cookie:x=y']) {
    await page.goto(`/sign-in?next=${encodeURIComponent(next)}`);
    await page.getByRole('button', { name: 'Uma Hale, specialist' }).click();
    await expect(page).toHaveURL(/^http:\/\/127\.0\.0\.1:\d+\/(?!sign-in)/);
  }
  await page.goto('/collections/a-first-year-with-bees/trend');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await context.close();
});

/** What stands open to whoever is not signed in: the door itself, whether the server is well, and the demo's public site. */
const OPEN = [
  '/published/larkmoor-canal-trust/index.html',
  '/api/auth/callback/[provider]',
  '/api/health',
  '/api/link',
  '/api/password',
  '/api/person',
  '/api/sign-in',
  '/api/sign-in/second',
  '/api/sign-on',
  '/api/sign-out',
];

/** Every address that answers in data, with something in the place of what varies. */
function routes(): string[] {
  const root = join(import.meta.dirname, '../../apps/web/app');
  const files = readdirSync(root, { recursive: true, encoding: 'utf8' }).filter((file) => file.endsWith('route.ts'));
  const named = (part: string) =>
    ({ '[collection]': 'larkmoor-canal-trust', '[id]': '1', '[sha256]': 'a'.repeat(64), '[...path]': 'index.html', '[together]': 'x' })[
      part
    ] ?? part;
  return files.map((file) => `/${file.split('/').slice(0, -1).map(named).join('/')}`);
}

test('no address answers whoever is not signed in, but the door', async ({ browser }) => {
  const context = await contextOf(browser);
  const all = routes();
  expect(all.length).toBeGreaterThan(25);
  expect(OPEN.every((address) => all.includes(address))).toBe(true);
  const acts = ['rule', 'fix', 'save', 'mend', 'lines', 'find', 'invite', 'hand-out', 'show', 'accept', 'end-others', 'bring-back', 'x'];
  for (const address of all.filter((one) => !OPEN.includes(one))) {
    for (const each of address.includes('[act]') ? acts.map((act) => address.replace('[act]', act)) : [address]) {
      const answers = [await context.request.get(each), await context.request.post(each, { data: {} })];
      for (const answer of answers) expect(`${each} ${answer.status()}`).toMatch(/ (?:401|404|405|422)$/);
    }
  }
  await context.close();
});

test('a wrong password and an address nobody has are answered alike; another site’s page cannot sign anybody in', async ({ browser }) => {
  const context = await contextOf(browser);
  const page = await context.newPage();
  await page.goto('/sign-in');
  const told: (string | null)[] = [];
  for (const email of ['ines.calder@larkmoor.example', `${freshTitle('nobody').replace(/\s/g, '-')}@larkmoor.example`]) {
    await enter(page, email, 'not the password');
    const notice = page.getByRole('alert').filter({ hasText: 'let in' });
    await expect(notice).toContainText('Nobody is let in with these');
    told.push(await notice.textContent());
    await expect(page.getByLabel('Password')).toHaveValue('');
    await page.reload();
  }
  expect(told[0]).toBe(told[1]);
  const headers = { 'sec-fetch-site': 'cross-site' };
  expect((await page.request.post('/api/person', { data: { person: 'sam-okello' }, headers })).status()).toBe(403);
  expect((await context.cookies()).filter(({ name }) => name.includes('session'))).toEqual([]);
  await context.close();
});

test('somebody is invited, comes in by the link, and is let go', async ({ browser }) => {
  const name = freshTitle('Nell Harrow');
  const email = `${name.toLowerCase().replace(/[^a-z0-9]+/g, '.')}@larkmoor.example`;
  const [house, own] = [await contextOf(browser), await contextOf(browser)];
  const sam = await house.newPage();
  await sam.goto('/sign-in?next=/people');
  await sam.getByRole('button', { name: 'Sam Okello, administrator' }).click();
  await sam.getByRole('button', { name: 'Invite somebody…' }).click();
  const sheet = sam.getByRole('dialog', { name: 'Invite somebody' });
  await sheet.getByLabel('Name').fill(name);
  await sheet.getByLabel('E-mail address').fill(email);
  await sheet.getByRole('combobox', { name: /^In\b/ }).selectOption('A First Year with Bees');
  await sheet.getByRole('button', { name: 'Invite them' }).click();
  await expect(sam.getByText(`${name} is invited.`)).toBeVisible();
  await sam.getByRole('link', { name: 'Messages that went out' }).click();
  await sam.getByText(`to ${name},`).click();
  await expect(sam.locator('pre').first()).toContainText('The link is in the message itself. It is not shown here.');
  await expect(sam.locator('main')).not.toContainText('/link/');
  const link = await linkFor(email);

  const nell = await own.newPage();
  await nell.goto(link);
  await nell.getByLabel('Password').fill(PASSWORD);
  await nell.getByRole('button', { name: 'Choose it and come in' }).click();
  // An author of one collection sees that one, and looks after nobody.
  await expect(nell).toHaveURL('/docket');
  await nell.goto('/');
  await expect(nell.getByRole('link', { name: 'A First Year with Bees' }).first()).toBeVisible();
  await expect(nell.getByText('Larkmoor Canal Trust')).toBeHidden();
  await expect(nell.getByRole('link', { name: 'People' })).toBeHidden();
  await nell.goto('/people');
  await expect(nell.getByRole('link', { name: 'Invite somebody…' })).toBeHidden();
  expect((await nell.request.post('/api/people/find', { data: { words: '' } })).ok()).toBe(false);
  expect((await nell.request.get('/proof/larkmoor-canal-trust/index.html')).status()).toBe(404);
  // Good once.
  await nell.goto(link);
  await expect(nell.getByText('This link is no longer good')).toBeVisible();

  // Out, and in again with the password, in two browsers; one ends the other.
  await nell.goto('/you');
  await nell.getByRole('button', { name: 'Sign out' }).click();
  await expect(nell).toHaveURL(/\/sign-in/);
  await enter(nell, email.toUpperCase(), PASSWORD);
  await expect(nell).toHaveURL('/docket');
  const elsewhere = await (await contextOf(browser)).newPage();
  await elsewhere.goto('/sign-in');
  await enter(elsewhere, email, PASSWORD);
  await expect(elsewhere).toHaveURL('/docket');
  await nell.goto('/you');
  await Promise.all([nell.waitForResponse('**/api/you/end-others'), nell.getByRole('button', { name: 'End all others' }).click()]);
  await expect(nell.getByText('This one')).toBeVisible();
  await elsewhere.goto('/');
  await expect(elsewhere).toHaveURL(/\/sign-in/);

  // Let go: nothing is theirs from then on, and the record keeps the name.
  await sam.goto('/people');
  await sam.getByRole('button', { name }).click();
  const person = sam.getByRole('dialog', { name });
  await person.getByRole('button', { name: 'Remove them…' }).click();
  await person.getByRole('button', { name: 'Remove them', exact: true }).click();
  await expect(sam.getByText(`${name} was removed; the record keeps their name.`)).toBeVisible();
  await nell.goto('/');
  await expect(nell).toHaveURL(/\/sign-in/);
  await Promise.all([house.close(), own.close(), elsewhere.context().close()]);
});

test('a new password is asked for without finding out who is here', async ({ browser }) => {
  const page = await (await contextOf(browser)).newPage();
  await page.goto('/sign-in');
  await page.getByRole('link', { name: 'I need a new password' }).click();
  await expect(page.getByRole('heading', { name: 'A new password' })).toBeVisible();
  await page.getByLabel('E-mail address').fill('nobody.at.all@larkmoor.example');
  await page.getByRole('button', { name: 'Send the link' }).click();
  await expect(page.getByText(/^If somebody has this address here/)).toBeVisible();
  await page.context().close();
});

test('people come by a table, told before it is done; how long things are kept is said; all that is held of one is downloaded', async ({
  browser,
  baseURL,
}) => {
  const context = await browser.newContext({ storageState: await signedInAs('sam-okello', baseURL!) });
  const page = await context.newPage();
  await page.goto('/people');
  const [name, email] = [freshTitle('Tove'), `tove-${process.pid}-${Date.now()}@larkmoor.example`];
  const table = `name,email,department,role,collection,leaves\n${name},${email},Canals,author,larkmoor-canal-trust,\nNobody,none,,,,\n`;
  const bring = () =>
    page.locator('input[type=file]').setInputFiles({ name: 'people.csv', mimeType: 'text/csv', buffer: Buffer.from(table) });
  await bring();
  const sheet = page.getByRole('dialog', { name: 'A table of people' });
  await expect(sheet.getByRole('heading', { name: 'To be invited (1)' })).toBeVisible();
  await expect(sheet).toContainText('Row 3, Nobody: “none” is no e-mail address.');
  await sheet.getByRole('button', { name: 'Do it' }).click();
  await expect(page.getByText('1 person is invited, 0 others changed.')).toBeVisible();
  await page.getByLabel('Find').fill('canals');
  await expect(page.getByRole('row', { name: new RegExp(email) })).toContainText('author in Larkmoor Canal Trust');
  await page.getByRole('button', { name: name }).click();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Download what is held of them' }).click(),
  ]);
  expect(JSON.parse(readFileSync(await file.path(), 'utf8'))).toMatchObject({ person: [{ email, department: 'Canals' }] });
  await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: 'How long things are kept…' }).click();
  const days = page.getByRole('dialog', { name: 'How long things are kept' });
  await expect(days.getByLabel('Messages, days')).toHaveValue('365');
  await days.getByLabel('Messages, days').fill('-1');
  await days.getByRole('button', { name: 'Keep them so long' }).click();
  await expect(days.getByRole('alert')).toBeVisible();
  await days.getByLabel('Messages, days').fill('365');
  await days.getByRole('button', { name: 'Keep them so long' }).click();
  await expect(page.getByText('How long things are kept is set. What is older goes within a day.')).toBeVisible();
  await context.close();
});
