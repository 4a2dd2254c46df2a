import { expect, test, type Page } from '../support/test';
import { bringIn, freshTitle, ownTitle, standing } from '../support/desk';

/** Presses Tab until something of that name has focus, for as long as a patient reader would. */
async function tabTo(page: Page, name: RegExp): Promise<void> {
  for (const end = Date.now() + 20_000; Date.now() < end;) {
    await page.keyboard.press('Tab');
    const text = await page.evaluate(() => {
      const here = document.activeElement as HTMLInputElement | null;
      // Past the last control the page itself has focus, and all its text would match.
      if (!here?.matches('a, button, input, textarea, select')) return '';
      return here.getAttribute('aria-label') ?? (here.labels?.[0]?.textContent || here.textContent || '');
    });
    if (name.test(text)) return;
  }
  throw new Error(`Tab never reached ${name}`);
}

test('from the shelf to a fixed page with the keyboard alone', async ({ page }) => {
  const title = freshTitle('Keys');
  await bringIn(page, '<h2>Wax</h2><p>See <img src="images/smoker.png"></p><h2></h2><p>Text</p>', title);

  await page.goto('/');
  await tabTo(page, new RegExp(`^${ownTitle()}$`));
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: ownTitle() })).toBeVisible();
  await tabTo(page, new RegExp(`^${title}$`));
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: title })).toBeVisible();

  await tabTo(page, /^Alternative text: /);
  await page.keyboard.type('A smoker, lit');
  await expect(page.getByLabel(/^Alternative text: /)).toHaveValue('A smoker, lit');
  await tabTo(page, /^Apply, go to next$/);
  await page.keyboard.press('Enter');
  // Focus goes to the next note's heading, never to nowhere.
  await expect(page.getByRole('heading', { level: 2, name: /heading has no text/ })).toBeFocused();
  await expect(page.getByRole('status').filter({ hasText: 'Fixed, 1 left.' })).toHaveCount(1);

  await tabTo(page, /^Apply, go to next$/);
  await page.keyboard.press('Enter');
  await expect(standing(page)).toContainText('Ready');
});

test('Skip goes to the next note and takes the focus along', async ({ page }) => {
  await bringIn(page, '<h2></h2><h2> </h2><p>Text</p>', freshTitle('Skip'));
  await page.getByRole('button', { name: 'Skip' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^2\s*Must: Heading with no text/ })).toHaveAttribute('aria-current', 'true');
  await expect(page.locator('#note-heading')).toBeFocused();
});

test('single keys step through notes, show faces and undo, and can be turned off', async ({ page }) => {
  await bringIn(page, '<h2></h2><h2> </h2><p>Text</p>', freshTitle('Single keys'));
  const first = page.getByRole('button', { name: /^1\s*Must: Heading with no text/ });
  await expect(first).toHaveAttribute('aria-current', 'true');
  // Keys act once the Desk is awake, which is when its fix has come.
  await expect(page.getByRole('button', { name: 'Apply, go to next' })).toBeVisible();
  await expect(page.getByText('Looking for fixes…')).toBeHidden();
  await page.keyboard.press('n');
  await expect(page.getByRole('button', { name: /^2\s*Must: Heading with no text/ })).toHaveAttribute('aria-current', 'true');
  await page.keyboard.press('b');
  await expect(first).toHaveAttribute('aria-current', 'true');
  await page.keyboard.press('6');
  await expect(page.getByRole('region', { name: 'Revisions' })).toBeVisible();
  await page.keyboard.press('?');
  const sheet = page.getByRole('dialog', { name: 'Keys of the Desk' });
  await expect(sheet).toBeVisible();
  await sheet.getByText('Single keys act outside fields').click();
  await sheet.getByRole('button', { name: 'Close' }).click();
  await page.keyboard.press('1');
  await expect(page.getByRole('region', { name: 'Revisions' })).toBeVisible();
});

test('the note in hand is filled in, applied, answered and left by single keys', async ({ page }) => {
  const body =
    '<h2></h2><p>For the chart of combs <a href="https://larkmoor.example/x">click here</a>.</p><p><img src="images/smoker.png"></p><h2> </h2><p>Text</p>';
  await bringIn(page, body, freshTitle('By keys'));
  await expect(page.getByText('Looking for fixes…')).toBeHidden();
  const heading = page.locator('#note-heading');
  const said = (words: string) => expect(page.getByRole('status').filter({ hasText: words })).toHaveCount(1);
  // The next of the same kind, and back.
  await expect(heading).toContainText('heading has no text');
  await page.keyboard.press('k');
  await expect(page.getByRole('button', { name: /^4\s*Must: Heading with no text/ })).toHaveAttribute('aria-current', 'true');
  await page.keyboard.press('k');
  await expect(page.getByText('Looking for fixes…')).toBeHidden();
  await page.keyboard.press('a');
  await said('Fixed, 3 left.');
  // Yes means that something is to be done; no settles it.
  await expect(heading).toBeFocused();
  await page.keyboard.press('x');
  await said('Ruled out, 2 left.');
  await expect(page.getByText('Looking for fixes…')).toBeHidden();
  await page.keyboard.press('f');
  const box = page.getByLabel(/^Alternative text: /);
  await expect(box).toBeFocused();
  await page.keyboard.type('A smoker, lit');
  await page.keyboard.press('Enter');
  await expect(box).toBeHidden();
  await page.keyboard.press('e');
  await expect(page.getByRole('dialog', { name: 'Let it stand for a time' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('c');
  await expect(page.getByRole('dialog', { name: 'Fix what is certain' })).toBeVisible();
});

test.afterEach(async ({ page }) => void (await page.request.post('/api/keys', { data: { on: true, assigned: {} } })));

test('a key of the Desk can be another, for whoever sits there, on every page', async ({ page }) => {
  await bringIn(page, '<h2></h2><p>One</p><h2></h2><p>Two</p>', freshTitle('Keys'));
  await page.getByRole('button', { name: 'Keys', exact: true }).click();
  const sheet = page.getByRole('dialog', { name: 'Keys of the Desk' });
  await sheet.getByRole('button', { name: 'Change the key for: Next note', exact: true }).click();
  await page.keyboard.press('u');
  await expect(sheet.getByText('“u” is taken: Undo.')).toBeVisible();
  // A key of answers is taken, though this note asks nothing.
  await page.keyboard.press('y');
  await expect(sheet.getByText('“y” is taken on other notes.')).toBeVisible();
  await page.keyboard.press(';');
  await expect(sheet.getByText('“;” is its key from now on')).toBeVisible();
  // What only other notes offer has a line of its own, too.
  await expect(sheet.getByRole('button', { name: 'Change the key for: Answer yes (on other notes)' })).toBeVisible();
  await sheet.getByRole('button', { name: 'Close' }).click();
  await page.reload();
  const current = page.locator('[aria-labelledby="notes-heading"] li button[aria-current="true"]');
  await expect(current).toContainText('1');
  await page.locator('#note-heading').focus();
  await page.keyboard.press('n');
  await expect(current).toContainText('1');
  await page.keyboard.press(';');
  await expect(current).toContainText('2');
  await page.getByRole('button', { name: 'Keys', exact: true }).click();
  // What cannot be stored is told, and stays as it was.
  await page.route('**/api/keys', (route) => route.abort(), { times: 1 });
  await sheet.getByRole('button', { name: 'Usual keys again' }).click();
  await expect(sheet.getByRole('alert')).toContainText('The server did not answer');
  await expect(sheet.getByText(';', { exact: true })).toBeVisible();
  await sheet.getByRole('button', { name: 'Usual keys again' }).click();
  await expect(sheet.getByRole('alert')).toHaveCount(0);
  await sheet.getByRole('button', { name: 'Close' }).click();
  await page.locator('#note-heading').focus();
  await page.keyboard.press('n');
  await expect(current).toContainText('1');
});
