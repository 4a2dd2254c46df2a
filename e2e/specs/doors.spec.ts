import type { Server } from 'node:http';
import { expect, test, type Page } from '../support/test';
import { URI } from 'otpauth';
import { signedInAs } from '../support/signIn';
import { invited, PASSWORD } from '../support/invited';
import { signOnHouse } from '../support/signOnHouse';

const NOBODY = { storageState: { cookies: [], origins: [] } };

const enter = async (page: Page, email: string) => {
  await page.goto('/sign-in');
  await page.getByLabel('E-mail address').fill(email);
  await page.getByLabel('Password').fill(PASSWORD);
  await page.keyboard.press('Enter');
};

test('a second factor is set up with a device, asked for at the door, got past once with a code for a lost one, and taken away', async ({
  browser,
  baseURL,
}) => {
  const { email, link } = await invited(browser, baseURL!, 'Tove');
  const context = await browser.newContext(NOBODY);
  const page = await context.newPage();
  await page.goto(link);
  await page.getByLabel('Password', { exact: true }).fill(PASSWORD);
  await page.keyboard.press('Enter');
  await expect(page).not.toHaveURL(/\/link\//);
  await page.goto('/you');
  await page.getByRole('button', { name: 'Set one up…' }).click();
  const sheet = page.getByRole('dialog', { name: 'Set up a second factor' });
  await sheet.getByLabel('Your password').fill('not the password');
  await page.keyboard.press('Enter');
  await expect(sheet.getByRole('alert')).toContainText('This is not your password');
  await sheet.getByLabel('Your password').fill(PASSWORD);
  await page.keyboard.press('Enter');
  await expect(sheet.getByRole('img', { name: 'The key, for a camera' })).toBeVisible();
  // The device: another implementation of RFC 6238.
  const key = await sheet.getByLabel('The key').inputValue();
  const device = URI.parse(`otpauth://totp/Inkwell:${email}?secret=${key}`) as { generate(at?: { timestamp: number }): string };
  const recovery = (await sheet.getByRole('list', { name: 'Codes for a lost device' }).getByRole('listitem').allTextContents())[0]!;
  await sheet.getByLabel('Code that the device shows now').fill('000000');
  await page.keyboard.press('Enter');
  await expect(sheet.getByText('This code is not the one')).toBeVisible();
  await sheet.getByLabel('Code that the device shows now').fill(device.generate());
  await page.keyboard.press('Enter');
  await expect(page.getByText('Whoever signs in as you also needs the code that your device shows.')).toBeVisible();

  const other = await browser.newContext(NOBODY);
  const door = await other.newPage();
  await enter(door, email);
  // The password alone opens nothing.
  await expect(door.getByRole('heading', { name: 'Your second factor' })).toBeVisible();
  expect((await other.request.get('/api/deeds-sheet')).status()).toBe(401);
  await expect(door.getByLabel('Code that your device shows')).toBeFocused();
  await door.keyboard.type('123456');
  await door.keyboard.press('Enter');
  await expect(door.getByText('This code is not the one')).toBeVisible();
  await door.getByLabel('Code that your device shows').fill(device.generate());
  await door.keyboard.press('Enter');
  await expect(door).not.toHaveURL(/sign-in/);
  // A code for a lost device is good once.
  for (const good of [true, false]) {
    await other.clearCookies();
    await enter(door, email);
    await door.getByRole('button', { name: 'I lost the device' }).click();
    await door.getByLabel('Code for a lost device').fill(recovery);
    await door.keyboard.press('Enter');
    if (good) await expect(door).not.toHaveURL(/sign-in/);
    else await expect(door.getByText('This code is not the one')).toBeVisible();
  }
  await page.reload();
  await page.getByRole('button', { name: 'Take it away…' }).click();
  await page.getByRole('dialog').getByLabel('Your password').fill(PASSWORD);
  await page.keyboard.press('Enter');
  await expect(page.getByText('Your password alone lets you in again.')).toBeVisible();
  await enter(door, email);
  await expect(door).not.toHaveURL(/sign-in/);
  await context.close();
  await other.close();
});

test.describe('the house’s own sign-on', () => {
  let house: Server;
  test.beforeAll(async ({ baseURL }) => {
    house = await signOnHouse(new URL('/api/auth/callback/house', baseURL).href);
  });
  test.afterAll(() => new Promise<void>((resolve) => house.close(() => resolve())));

  /** Signs in at the house's own sign-on as somebody. */
  async function through(page: Page, who: string): Promise<void> {
    await page.goto('/sign-in?next=%2Fnotices');
    await page.getByRole('button', { name: 'Sign in with Larkmoor’s sign-on' }).click();
    await page.locator('input[name=login]').fill(who);
    await page.locator('input[name=password]').fill('x');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Continue' }).click();
  }

  test('lets in whoever has a part here, without a password of their own', async ({ browser, baseURL }) => {
    const { email } = await invited(browser, baseURL!, 'Ida');
    const context = await browser.newContext(NOBODY);
    const page = await context.newPage();
    await through(page, email);
    await expect(page).toHaveURL(/\/notices$/);
    await page.goto('/you');
    // Named as this house has them, not as the sign-on does.
    await expect(page.getByRole('heading', { level: 1, name: 'Ida' })).toBeVisible();
    await expect(page.getByRole('heading', { name: 'A second factor' })).toBeHidden();
    await context.close();
  });

  test('turns away whom nobody put in, whoever has not proved an address, and whoever has left', async ({ browser, baseURL }) => {
    const { email } = await invited(browser, baseURL!, 'Lars');
    const gone = await invited(browser, baseURL!, 'Gone');
    const sam = await browser.newContext({ storageState: await signedInAs('sam-okello', baseURL!) });
    const found = (await (await sam.request.post('/api/people/find', { data: { words: gone.email } })).json()) as {
      value: { people: { id: string }[] };
    };
    const leave = (day: string | null) => sam.request.post('/api/people/leave', { data: { person: found.value.people[0]!.id, day } });
    const context = await browser.newContext(NOBODY);
    const page = await context.newPage();
    for (const who of ['stranger@larkmoor.example', `!${email}`]) {
      await context.clearCookies();
      await through(page, who);
      await expect(page.getByText('You were not let in')).toBeVisible();
    }
    await context.clearCookies();
    await through(page, gone.email);
    await expect(page).toHaveURL(/\/notices$/);
    expect((await leave('2020-01-01')).ok()).toBe(true);
    await context.clearCookies();
    await through(page, gone.email);
    await expect(page.getByText('You were not let in')).toBeVisible();
    await context.close();
    await sam.close();
  });
});
