import { expect, test } from '../support/test';
import { bringIn, freshTitle, sourceOf, standing } from '../support/desk';

const sheet = 'This page';

test('a page is called otherwise, is another sort, moves with its links, and stands elsewhere', async ({ page }) => {
  const [target, title] = [freshTitle('Frames'), freshTitle('Moves')];
  await bringIn(page, '<h2>Frames</h2><p>Text</p>', target);
  await bringIn(page, '<h2>Wax</h2>\n<p><img src="images/smoker.png" alt="A smoker"></p>', title);
  await page.getByRole('button', { name: 'This page…' }).click();
  const dialog = page.getByRole('dialog', { name: sheet });
  await expect(dialog.getByLabel('Title')).toBeFocused();
  await dialog.getByLabel('Title').fill(`${title} on`);
  await dialog.getByLabel('Content type').selectOption('assignment');
  await dialog.getByRole('button', { name: 'Change it' }).click();
  await expect(page.getByRole('heading', { level: 1, name: `${title} on`, includeHidden: true })).toBeAttached();
  await dialog.getByLabel('Address in the collection').fill('up.txt');
  await dialog.getByRole('button', { name: 'Move it', exact: true }).click();
  await expect(dialog.getByRole('alert')).toContainText('This is no address of a page');
  const address = `spring/${title.replace(/\D/g, '')}.html`;
  await dialog.getByLabel('Address in the collection').fill(address);
  await dialog.getByRole('button', { name: 'Move it', exact: true }).click();
  await expect(dialog.getByRole('alert')).toBeHidden();
  await dialog.getByRole('button', { name: 'Move it after…' }).click();
  await page.getByLabel('Find a page of the collection').fill(target);
  const found = page.getByRole('listbox', { name: 'Pages of the collection' }).getByRole('option');
  await expect(found).toHaveText([new RegExp(`^${target}`)]);
  await found.click();
  await expect(page.getByRole('dialog')).toBeHidden();
  await expect(page.getByRole('link', { name: `Page before: ${target}` })).toBeVisible();
  await expect(standing(page)).toContainText('Assignment · revision 2');
  expect(await sourceOf(page)).toContain('<img src="../images/smoker.png" alt="A smoker">');
});

test('a newer file takes a page’s place, and what was fixed here is fixed in it', async ({ page }) => {
  await bringIn(page, '<h2>Wax</h2>\n<p><img src="images/smoker.png"></p>\n<p>Old words.</p>', freshTitle('Newer'));
  await page.getByLabel(/^Alternative text: /).fill('A smoker, lit');
  await page.getByRole('button', { name: 'Apply, go to next' }).click();
  await expect(standing(page)).toContainText('revision 2');
  await page.keyboard.press('p');
  await page
    .getByRole('dialog', { name: sheet })
    .locator('input[type=file]')
    .setInputFiles({
      name: 'wax.html',
      mimeType: 'text/html',
      buffer: Buffer.from('<h2>Wax</h2>\n<p><img src="images/smoker.png"></p>\n<p>Newer words.</p>'),
    });
  await expect(page.getByRole('dialog')).toBeHidden();
  await expect(standing(page)).toContainText('revision 4');
  const source = await sourceOf(page);
  expect(source).toContain('Newer words.');
  expect(source).toContain('alt="A smoker, lit"');
});

test('a page is taken out and brought back, from the ledger or at its own address', async ({ page }) => {
  const title = freshTitle('Goes');
  await bringIn(page, '<h2>Wax</h2>', title);
  const address = page.url();
  await page.getByRole('button', { name: 'This page…' }).click();
  await page.getByRole('button', { name: 'Take it out…' }).click();
  await page.getByRole('button', { name: 'Take it out', exact: true }).click();
  await expect(page).toHaveURL(/\/collections\/[^/]+$/);
  await page.getByRole('button', { name: 'Taken out' }).click();
  await page.getByRole('button', { name: `Bring back: ${title}` }).click();
  await expect(page.getByText(`“${title}” is back.`)).toBeVisible();
  await page.goto(address);
  await expect(standing(page)).toContainText(title);
  await page.getByRole('button', { name: 'This page…' }).click();
  await page.getByRole('button', { name: 'Take it out…' }).click();
  await page.getByRole('button', { name: 'Take it out', exact: true }).click();
  await expect(page).toHaveURL(/\/collections\/[^/]+$/);
  await page.goto(address);
  await expect(page.getByText('This page is taken out of its collection.')).toBeVisible();
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(page.getByText('This page is taken out of its collection.')).toBeHidden();
});

test('thirty steps of undo and redo are one line of the history', async ({ page }) => {
  await bringIn(page, '<h2>Wax</h2>\n<p><img src="images/smoker.png"></p>', freshTitle('Steps'));
  await page.getByLabel(/^Alternative text: /).fill('A smoker, lit');
  await page.getByRole('button', { name: 'Apply, go to next' }).click();
  await expect(standing(page)).toContainText('revision 2');
  await page.locator('body').focus();
  for (const key of ['u', 'r', 'u', 'r', 'u']) await page.keyboard.press(key);
  await expect(standing(page)).toContainText('revision 7');
  await page.getByRole('tab', { name: 'Changes' }).click();
  const rows = page.getByRole('region', { name: 'Revisions' }).getByRole('row');
  await expect(rows).toHaveCount(4);
  await expect(rows.nth(1)).toContainText('3 to 7');
  await expect(rows.nth(1)).toContainText('3 undone, 2 done again');
  await page.getByRole('button', { name: 'Each step: 3 to 7' }).click();
  await expect(rows).toHaveCount(8);
});
