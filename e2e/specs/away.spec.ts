import { spawn, type ChildProcess } from 'node:child_process';
import { createServer, type AddressInfo } from 'node:net';
import { join } from 'node:path';
import { expect, test } from '../support/test';
import { bringIn, freshTitle, standing } from '../support/desk';
import { Gateway } from '../support/gateway';

const repository = join(import.meta.dirname, '..', '..');
let gateway: Gateway;
let server: ChildProcess;
let base: string;

test.beforeAll(async () => {
  gateway = new Gateway(new URL(process.env.DATABASE_URL!));
  const port = await freePort();
  base = `http://127.0.0.1:${port}`;
  server = spawn(join(repository, 'node_modules/.bin/next'), ['start', '-H', '127.0.0.1', '-p', String(port)], {
    cwd: join(repository, 'apps/web'),
    env: { ...process.env, DATABASE_URL: await gateway.open() },
    stdio: 'ignore',
  });
  await expect
    .poll(
      () =>
        fetch(`${base}/icon.svg`).then(
          (answer) => answer.status,
          () => 0,
        ),
      { timeout: 30_000 },
    )
    .toBe(200);
});

test.afterAll(async () => {
  server.kill();
  await gateway.shut();
});

function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
  });
}

test('with the database away, screens say so, typed text is kept, and work goes on when it is back', async ({ browser }) => {
  const context = await browser.newContext({ baseURL: base });
  const page = await context.newPage();
  await bringIn(page, '<h2>Wax</h2>\n<p><img src="images/smoker.png"></p>', freshTitle('Away'));
  const desk = page.url();
  await page.getByLabel(/^Alternative text: /).fill('A smoker, lit');
  await expect(page.getByText('“Image, A smoker, lit.”')).toBeVisible();

  await gateway.shut();
  await page.getByRole('button', { name: 'Apply, go to next' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'The database cannot be reached' })).toBeVisible({ timeout: 20_000 });
  await expect(page.getByLabel(/^Alternative text: /)).toHaveValue('A smoker, lit');

  const other = await context.newPage();
  await other.goto(desk);
  await expect(other.getByRole('alert').filter({ hasText: 'The database cannot be reached' })).toBeVisible();

  await gateway.open();
  // The same fix, with what was typed, is asked for once more.
  await page.getByRole('alert').getByRole('button', { name: 'Try again' }).click();
  await expect(standing(page)).toContainText('Ready');
  await other.getByRole('button', { name: 'Try again' }).click();
  await expect(standing(other)).toContainText('Ready');
});

test('an answer that cannot be read is told as that, and one that takes long shows it and can be left', async ({ page }) => {
  await bringIn(page, '<h2></h2><p>One</p><h2></h2><p>Two</p>', freshTitle('Slow'));
  await page.route(
    '**/api/pages/*/fix',
    (route) => route.fulfill({ status: 502, contentType: 'text/html', body: '<h1>Bad gateway</h1>' }),
    {
      times: 1,
    },
  );
  await page.getByRole('button', { name: 'Apply, go to next' }).click();
  const alert = page.locator('#content').getByRole('alert');
  await expect(alert).toContainText('The server’s answer could not be read (502)');
  await alert.getByRole('button', { name: 'Try again' }).click();
  await expect(standing(page)).toContainText('revision 2');
  await expect(alert).toHaveCount(0);

  await page.route('**/api/pages/*/fix', async (route) => {
    const answer = await route.fetch();
    await new Promise((resolve) => setTimeout(resolve, 6_000));
    await route.fulfill({ response: answer }).catch(() => undefined);
  });
  await page.getByRole('button', { name: 'Apply, go to next' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'The server is still at work' })).toBeVisible();
  await page.getByRole('button', { name: 'Do not wait for it' }).click();
  await expect(alert).toContainText('You did not wait for the answer');
  await alert.getByRole('button', { name: 'Show the page as it is now' }).click();
  await expect(standing(page)).toContainText('revision 3');
  await expect(alert).toHaveCount(0);
});
