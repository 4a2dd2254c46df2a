import { expect, test, type Page } from '../support/test';
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
  const slow = await page.evaluate(() =>
    Math.max(...performance.getEntriesByName('inkwell: keystroke to notes').map((entry) => entry.duration)),
  );
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

test('two tabs that change different places both keep what they did', async ({ page, context }) => {
  await bringIn(page, '<h2>Wax</h2>\n<p><img src="images/smoker.png"></p>\n<p>Text</p>', freshTitle('Together'));
  const other = await context.newPage();
  await other.goto(page.url());
  await openSource(page);
  await typeAtEnd(page, '\n<p>First hand</p>');
  await page.getByRole('button', { name: 'Save as revision 2' }).click();
  await expect(standing(page)).toContainText('revision 2');

  await other.getByRole('textbox', { name: /^Alternative text: / }).fill('A smoker with its bellows');
  await other.getByRole('button', { name: 'Apply, go to next' }).click();
  await expect(other.getByText('Ines Calder made revision 2 meanwhile: both are in the page now.')).toBeVisible();
  await openSource(other);
  await expect(editor(other)).toContainText('First hand');
  await expect(editor(other)).toContainText('A smoker with its bellows');
});

test('a second tab that saves on an older revision is shown each place both changed, and loses nothing', async ({ page, context }) => {
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
  await expect(other.getByRole('region', { name: 'Place 1 of 1, yours' })).toContainText('Second hand');
  await expect(other.getByRole('region', { name: 'Place 1 of 1, theirs' })).toContainText('First hand');
  await other.getByText('Both, theirs first').click();
  await other.getByRole('button', { name: 'Go on with this, on top of revision 2' }).click();
  await expect(editor(other)).toContainText('First hand');
  await expect(editor(other)).toContainText('Second hand');
  await other.getByRole('button', { name: 'Save as revision 3' }).click();
  await expect(standing(other)).toContainText('revision 3');
  await other.getByRole('tab', { name: 'Changes' }).click();
  await other.getByRole('button', { name: 'Restore revision 2' }).click();
  await expect(standing(other)).toContainText('revision 4');
});

test('a fix of what somebody else changed meanwhile is refused, and what was typed stays', async ({ page, context }) => {
  await bringIn(page, '<h2>Wax</h2>\n<p><img src="images/smoker.png"></p>\n<h2></h2>', freshTitle('Stale note'));
  const other = await context.newPage();
  await other.goto(page.url());
  await openSource(page);
  await editor(page).getByText('<img src="images/smoker.png">').click();
  await page.keyboard.press('Home');
  for (let at = 0; at < '<p><img'.length; at++) await page.keyboard.press('ArrowRight');
  await page.keyboard.type(' width="90"');
  await page.getByRole('button', { name: 'Save as revision 2' }).click();
  await expect(standing(page)).toContainText('revision 2');

  await other.getByLabel(/^Alternative text: /).fill('A smoker, lit');
  await other.getByRole('button', { name: 'Apply, go to next' }).click();
  await expect(other.getByRole('alert').filter({ hasText: 'The page has changed since you opened it' })).toBeVisible();
  await other.getByRole('button', { name: 'Show the newest revision' }).click();
  await expect(standing(other)).toContainText('revision 2');
  await expect(other.getByLabel(/^Alternative text: /)).toHaveValue('A smoker, lit');
  await other.getByRole('button', { name: 'Apply, go to next' }).click();
  await expect(standing(other)).toContainText('revision 3');
});

test('notes stand in the gutter and on hover, F8 goes from one to the next, and each can be taken up', async ({ page }) => {
  await bringIn(page, '<h2>Wax</h2>\n<p>Words.</p>\n<h2></h2>\n<p>Text</p>\n<p><img src="images/smoker.png"></p>\n', freshTitle('Gutter'));
  await openSource(page);
  const drops = page.locator('.note-gutter .drop');
  await expect(drops.filter({ visible: true })).toHaveCount(2);
  await editor(page).click();
  await page.keyboard.press('Control+Home');
  await page.keyboard.press('F8');
  await page.keyboard.press('F8');
  await expect(page.getByRole('heading', { level: 2, name: /smoker\.png has no alternative/ })).toBeVisible();
  await page.locator('.cm-line .note').first().hover();
  await page.locator('.notes-here').getByRole('button', { name: 'Take it up' }).click();
  await expect(page.getByRole('heading', { level: 2, name: /heading has no text/ })).toBeVisible();
});

test('a fix is put into the draft before it is saved', async ({ page }) => {
  await bringIn(page, '<h2>Wax</h2>\n<p>Text</p>\n', freshTitle('In the draft'));
  await openSource(page);
  await typeAtEnd(page, '<p>1. Candles</p>\n<p>2. Polish</p>\n<p><img src="bee.png"></p>');
  await page.getByRole('button', { name: /line 3.*typed numbers/ }).click();
  await page.getByRole('button', { name: 'Put it into the draft' }).click();
  await expect(editor(page)).toContainText('<ol><li>Candles</li>');
  await page.getByRole('button', { name: /bee\.png has no alternative/ }).click();
  await page.getByLabel(/^Alternative text: /).fill('A bee on a thistle');
  await page.getByRole('button', { name: 'Put it into the draft' }).click();
  await expect(editor(page)).toContainText('alt="A bee on a thistle"');
  await expect(standing(page)).toContainText('revision 1');
  await page.getByRole('button', { name: 'Save as revision 2' }).click();
  await expect(standing(page)).toContainText('Ready');
});

test('words are found and replaced throughout, and it is one draft', async ({ page }) => {
  await bringIn(page, '<h2>Wax</h2>\n<p>Wax keeps; wax melts.</p>', freshTitle('Replace'));
  await openSource(page);
  await page.getByRole('button', { name: 'Find and replace' }).click();
  await page.getByRole('textbox', { name: 'Find', exact: true }).fill('wax');
  await page.getByRole('textbox', { name: 'Replace by' }).fill('Honey');
  await page.getByRole('button', { name: 'Replace all' }).click();
  await expect(editor(page)).toContainText('<p>Honey keeps; Honey melts.</p>');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('textbox', { name: 'Find', exact: true })).toBeHidden();
  await page.getByRole('button', { name: 'Save as revision 2' }).click();
  await expect(standing(page)).toContainText('revision 2');
});

test('a page that ends its lines in CR LF keeps them through the editor', async ({ page, request }) => {
  await bringIn(page, '<h2>Wax</h2>', freshTitle('Line ends'));
  await page.reload();
  const id = Number(/"pageId":(\d+)/.exec((await page.content()).replaceAll('\\"', '"'))![1]);
  await request.post(`/api/pages/${id}/source`, { data: { version: 1_000, html: '<h2>Wax</h2>\r\n<p>One</p>\r\n<h2></h2>\r\n' } });
  await page.reload();
  await openSource(page);
  await expect(page.getByText('As saved.')).toBeVisible();
  await editor(page).click();
  await page.keyboard.press('Control+Home');
  await page.keyboard.press('F8');
  await page.keyboard.insertText('<p>Put in</p>');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Save as revision 3' }).click();
  await expect(standing(page)).toContainText('revision 3');
  const answer = (await (await request.post(`/api/pages/${id}/compare`, { data: { from: 2, to: 3 } })).json()) as {
    value: { to: { html: string } };
  };
  expect(answer.value.to.html).toBe('<h2>Wax</h2>\r\n<p>One</p>\r\n<p>Put in</p>\r\n<h2></h2>\r\n');
});
