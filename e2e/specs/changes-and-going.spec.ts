import { expect, test } from '../support/test';
import { apply, bringIn, freshTitle, standing } from '../support/desk';

test('two revisions lie side by side, as text and as proof, with what became of the notes', async ({ page }) => {
  await bringIn(page, '<h2>Wax</h2>\n<p>One</p>\n<h2></h2>\n<p><img src="images/smoker.png"></p>', freshTitle('Compared'));
  await apply(page);
  await page.getByLabel(/^Alternative text: /).fill('A smoker, lit');
  await apply(page);
  await page.getByRole('tab', { name: 'Changes' }).click();
  await page.getByRole('button', { name: 'What it changed: revision 3' }).click();
  const comparison = page.getByRole('region', { name: 'Comparison' });
  await expect(comparison.getByRole('heading', { name: 'Fixed: 1 note' })).toBeVisible();
  await expect(comparison.getByRole('heading', { name: 'New: 2 notes' })).toBeVisible();
  await expect(comparison.getByText(/smoker\.png has no alternative/)).toBeVisible();
  await expect(comparison.locator('mark')).toHaveText('alt="A smoker, lit" ');

  await comparison.getByLabel('From').selectOption('1');
  await expect(comparison.getByRole('heading', { name: 'Revision 1 against 3' })).toBeVisible();
  await expect(comparison.getByRole('heading', { name: 'Fixed: 2 notes' })).toBeVisible();
  await expect(page).toHaveURL(/face=changes&from=1&to=3/);
  await page.reload();
  await comparison.getByText('as proof').click();
  await expect(comparison.frameLocator('iframe[title="Proof of revision 1"]').locator('h2')).toHaveCount(2);
  await expect(comparison.frameLocator('iframe[title="Proof of revision 3"]').locator('h2')).toHaveCount(1);
  await comparison.getByRole('button', { name: 'Close' }).click();
  await expect(comparison).toBeHidden();
});

test('the list is narrowed by weight, criterion, standing and words, and next keeps to it', async ({ page }) => {
  await bringIn(
    page,
    '<h2></h2><h2>Wax</h2><h4>Rendering</h4><p>Text.</p><p><a href="a.html"></a></p><p><img src="images/smoker.png"></p>',
    freshTitle('Narrow'),
  );
  const heading = page.getByRole('heading', { name: /^Notes, in page order/ });
  await page.getByLabel('Weight').selectOption('should');
  await expect(heading).toHaveText('Notes, in page order: 1 open');
  await expect(page.getByRole('heading', { level: 2, name: /Rendering/ })).toBeVisible();
  // The list keeps still once the note above it is all there.
  await expect(page.getByText('Looking for fixes…')).toBeHidden();
  await expect(page.getByText(/^Then, /)).toBeVisible();
  await page.getByRole('button', { name: 'Show all' }).click();
  await page.getByRole('button', { name: 'More ways' }).click();
  await page.getByLabel('Criterion').selectOption('1.1.1 Non-text Content');
  await expect(heading).toHaveText('Notes, in page order: 1 open');
  await expect(page).toHaveURL(/criterion=1\.1\.1/);
  await page.getByRole('button', { name: 'Show all' }).click();
  await page.getByRole('searchbox', { name: 'Words' }).fill('no text');
  await expect(heading).toHaveText('Notes, in page order: 3 open');
  await expect(page).toHaveURL(/words=/);
  await page.goto(page.url());
  await expect(heading).toHaveText('Notes, in page order: 3 open');
  await expect(page.getByRole('searchbox', { name: 'Words' })).toHaveValue('no text');
});

test('the palette finds notes, faces and ways of looking by a few letters', async ({ page }) => {
  await bringIn(page, '<h2></h2><h2>Wax</h2><p>Text.</p><p><img src="images/smoker.png"></p>', freshTitle('Palette'));
  const open = async (typed: string) => {
    await page.keyboard.press('Control+k');
    await expect(page.getByRole('dialog', { name: 'Find what to do' })).toBeVisible();
    await page.keyboard.type(typed);
  };
  await open('smoker');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 2, name: /smoker\.png has no alternative/ })).toBeVisible();
  await expect(page.getByRole('dialog')).toBeHidden();

  // It opens from within a field too, and Escape leaves everything as it was.
  await page.getByLabel(/^Alternative text: /).fill('A smoker');
  await open('phone');
  await page.keyboard.press('Escape');
  await expect(page.getByLabel(/^Alternative text: /)).toHaveValue('A smoker');

  await open('phone wid');
  await page.getByRole('menuitem', { name: 'Show the proof at phone width' }).click();
  await expect(page.getByRole('radio', { name: 'Phone' })).toBeChecked();
  await open('nothing like it');
  await expect(page.getByText('Nothing has these letters.')).toBeVisible();
});

test('from page to page of the collection, in the same way of looking', async ({ page }) => {
  await page.goto('/collections/a-first-year-with-bees/inside-the-hive?family=lists&face=spoken');
  await page.getByRole('link', { name: /^Page after: / }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Inside the hive' })).toBeHidden();
  await expect(page.getByRole('tab', { name: 'Spoken' })).toHaveAttribute('aria-selected', 'true');
  await expect(page).toHaveURL(/face=spoken&family=lists/);
  await page.getByRole('heading', { level: 1 }).click();
  await page.keyboard.press('[');
  await expect(page.getByRole('heading', { level: 1, name: 'Inside the hive' })).toBeVisible();
});

test('a revision comes back by its number, and what was fixed since is open again', async ({ page }) => {
  await bringIn(page, '<h2></h2><p>Text.</p>', freshTitle('Restore'));
  await apply(page);
  await expect(standing(page)).toContainText('Ready');
  await page.getByRole('tab', { name: 'Changes' }).click();
  await page.getByRole('button', { name: 'Restore revision 1' }).click();
  await expect(standing(page)).toContainText('revision 3, restored by Ines Calder');
  await expect(standing(page)).toContainText('1 must');
});
