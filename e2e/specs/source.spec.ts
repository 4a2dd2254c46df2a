import { expect, test, type Page } from '@playwright/test';
import { bringIn, freshTitle, revision, standing } from '../support/desk';

const editor = (page: Page) => page.getByRole('textbox', { name: 'Source of the page' });

async function openSource(page: Page): Promise<void> {
  await page.getByRole('tab', { name: 'Source' }).click();
  await expect(editor(page)).toBeVisible();
}

/** Puts the caret at the very end and types. */
async function typeAtEnd(page: Page, text: string): Promise<void> {
  await editor(page).click();
  await page.keyboard.press('Control+End');
  await page.keyboard.insertText(text);
}

test('typing is audited as one goes, kept as a draft over a reload, and saved as a revision', async ({ page }) => {
  await bringIn(page, '<h2>Wax</h2>\n<p>Text</p>\n', freshTitle('Source'));
  await openSource(page);
  await typeAtEnd(page, '<p>See <img src="bee.png"></p>');
  await expect(page.getByRole('heading', { name: 'In this draft: 1 note' })).toBeVisible();
  await expect(page.getByRole('button', { name: /line 3.*bee\.png has no alternative/ })).toBeVisible();
  const slow = await page.evaluate(() => Math.max(...performance.getEntriesByName('inkwell: keystroke to notes').map((entry) => entry.duration)));
  expect(slow).toBeLessThan(2_000);

  await page.reload();
  await expect(page.getByText('was taken up')).toBeVisible();
  await expect(editor(page)).toContainText('bee.png');
  await page.getByRole('button', { name: 'Save as revision 2' }).click();
  await expect(standing(page)).toContainText('revision 2, edited by Ines Calder');
  await expect(standing(page)).toContainText('Held');
  await page.reload();
  await expect(page.getByText('As saved.')).toBeVisible();
});

test('undo and redo go on across reloads', async ({ page }) => {
  await bringIn(page, '<h2>Wax</h2>\n<p>Text</p>\n<h2></h2>\n<p>More</p>', freshTitle('Undo'));
  await page.getByRole('button', { name: 'Apply, go to next' }).click();
  await expect(standing(page)).toContainText('Ready');
  await page.reload();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(standing(page)).toContainText('1 must');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  await page.reload();
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(standing(page)).toContainText('Ready');
  expect(await revision(page)).toBe(4);
});

test('a second tab that saves on an older revision is shown both texts, and loses neither', async ({ page, context }) => {
  const title = freshTitle('Conflict');
  await bringIn(page, '<h2>Wax</h2>\n<p>Text</p>', title);
  const other = await context.newPage();
  await other.goto(page.url());
  await openSource(page);
  await openSource(other);
  await typeAtEnd(page, '\n<p>First hand</p>');
  await page.getByRole('button', { name: 'Save as revision 2' }).click();
  await expect(standing(page)).toContainText('revision 2');

  await typeAtEnd(other, '\n<p>Second hand</p>');
  await other.getByRole('button', { name: 'Save as revision 2' }).click();
  await expect(other.getByRole('heading', { name: 'Two versions of this page' })).toBeVisible();
  await expect(other.getByRole('region', { name: 'Your version' })).toContainText('Second hand');
  await expect(other.getByRole('region', { name: 'Their version' })).toContainText('First hand');

  await other.getByRole('button', { name: 'Go on with mine, on top of revision 2' }).click();
  await expect(editor(other)).toContainText('Second hand');
  await other.getByRole('button', { name: 'Save as revision 3' }).click();
  await expect(standing(other)).toContainText('revision 3');
  await other.getByRole('tab', { name: 'Changes' }).click();
  await other.getByRole('button', { name: 'Restore revision 2' }).click();
  await expect(standing(other)).toContainText('revision 4');
});

test('a correction made on an older revision is refused, and what was typed stays', async ({ page, context }) => {
  await bringIn(page, '<h2>Wax</h2>\n<p><img src="images/smoker.png"></p>\n<h2></h2>', freshTitle('Stale note'));
  const other = await context.newPage();
  await other.goto(page.url());
  await page.getByRole('button', { name: /Heading with no text/ }).first().click();
  await page.getByRole('button', { name: 'Apply, go to next' }).click();
  await expect(standing(page)).toContainText('revision 2');

  await other.getByLabel('What would a reader look at?').fill('A smoker, lit');
  await other.getByRole('button', { name: 'Apply, go to next' }).click();
  await expect(other.getByRole('alert').filter({ hasText: 'The page has changed since you opened it' })).toBeVisible();
  await other.getByRole('button', { name: 'Show the newest revision' }).click();
  await expect(standing(other)).toContainText('revision 2');
  await expect(other.getByLabel('What would a reader look at?')).toHaveValue('A smoker, lit');
  await other.getByRole('button', { name: 'Apply, go to next' }).click();
  await expect(standing(other)).toContainText('Ready');
});
