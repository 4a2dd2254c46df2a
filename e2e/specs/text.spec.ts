import { expect, test, type Page } from '@playwright/test';
import { bringIn, freshTitle, sourceOf, standing } from '../support/desk';

const editor = (page: Page) => page.getByRole('textbox', { name: 'Text of the page' });

async function openText(page: Page): Promise<void> {
  await page.getByRole('tab', { name: 'Text' }).click();
  await expect(editor(page)).toBeVisible();
}

async function save(page: Page, revision: number): Promise<void> {
  await page.getByRole('button', { name: `Save as revision ${revision}` }).click();
  await expect(standing(page)).toContainText(`revision ${revision}`);
}

test('words are changed in place, and every block that nobody touched stays byte for byte', async ({ page }) => {
  await bringIn(
    page,
    '<h2 >Wax</h2>\n<div class=lead>\n<p  id=one>It keeps</p>\n</div>\n<video src="a.mp4" controls></video>\n<!-- kept -->\n<p>Last &copy; line</p>',
    freshTitle('Text'),
  );
  await openText(page);
  await expect(editor(page).getByText('Kept as it is: <video>')).toBeVisible();
  await editor(page).getByText('It keeps').click();
  await page.keyboard.press('End');
  await page.keyboard.type(' for years');
  await page.keyboard.press('Enter');
  await page.keyboard.type('And more & more');
  await expect(page.getByText('Not saved; kept as a draft in this browser.')).toBeVisible();
  await page.reload();
  await expect(editor(page).getByText('It keeps for years')).toBeVisible();
  await save(page, 2);
  expect(await sourceOf(page)).toBe(
    '<h2 >Wax</h2>\n<div class=lead>\n<p id="one">It keeps for years</p>\n<p>And more &amp; more</p>\n</div>\n<video src="a.mp4" controls></video>\n<!-- kept -->\n<p>Last &copy; line</p>',
  );
});

test('only sound markup is written: headings, strong words, lists, links with words, languages', async ({ page }) => {
  await bringIn(page, '<h2>Wax</h2>\n<p>Start</p>', freshTitle('Sound'));
  await openText(page);
  await editor(page).getByText('Start').click();
  await page.keyboard.press('End');
  await page.keyboard.press('Enter');
  await page.getByRole('combobox', { name: 'Block' }).selectOption('Heading 3');
  await page.keyboard.type('Uses');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Strong' }).click();
  await page.keyboard.type('Two');
  await page.getByRole('button', { name: 'Strong' }).click();
  await page.keyboard.type(' of many, says ');
  await page.keyboard.type('Wachs');
  for (let i = 0; i < 5; i++) await page.keyboard.press('Shift+ArrowLeft');
  await page.getByRole('button', { name: 'Language of these words' }).click();
  await page.getByRole('dialog').getByLabel('Language').fill('de');
  await page.getByRole('dialog').getByRole('button', { name: 'Set it' }).click();
  await page.keyboard.press('End');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'List', exact: true }).click();
  await page.keyboard.type('Candles');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Increase indent' }).click();
  await page.keyboard.type('Dipped, see ');
  await page.getByRole('button', { name: 'Link', exact: true }).click();
  const link = page.getByRole('dialog', { name: 'Link' });
  await link.getByLabel('Where it leads').fill('spring.html');
  await expect(link.getByRole('button', { name: 'Set the link' })).toBeDisabled();
  await link.getByLabel('Its words').fill('Spring work');
  await link.getByRole('button', { name: 'Set the link' }).click();
  await save(page, 2);
  expect(await sourceOf(page)).toBe(
    '<h2>Wax</h2>\n<p>Start</p>\n<h3>Uses</h3>\n<p><strong>Two</strong> of many, says <span lang="de">Wachs</span></p>\n<ul>\n<li>Candles\n<ul>\n<li>Dipped, see <a href="spring.html">Spring work</a></li>\n</ul></li>\n</ul>',
  );
  // A list of one item and a list in it are questions; nothing in what was written is wrong.
  await expect(standing(page)).not.toContainText(/must|should/);
});

test('an image is put in with its words or as decoration, and not without either; a table with caption and headers', async ({ page }) => {
  await bringIn(page, '<h2>Yields</h2>\n<p>Start</p>', freshTitle('Put in'));
  await openText(page);
  await editor(page).getByText('Start').click();
  await page.keyboard.press('End');
  await page.getByRole('button', { name: 'Image', exact: true }).click();
  const image = page.getByRole('dialog', { name: 'Image' });
  await image.getByLabel('Its file in the collection').fill('images/smoker.png');
  await expect(image.getByRole('button', { name: 'Put it in' })).toBeDisabled();
  await image.getByLabel('What would a reader look at?').fill('A smoker, lit');
  await image.getByRole('button', { name: 'Put it in' }).click();
  await expect(editor(page).getByRole('img', { name: 'A smoker, lit' })).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Table', exact: true }).click();
  const table = page.getByRole('dialog', { name: 'Table' });
  await table.getByLabel('What the table holds').fill('Honey by hive');
  await table.getByLabel('Rows').fill('2');
  await table.getByLabel('Columns').fill('2');
  await table.getByRole('button', { name: 'Put it in' }).click();
  // The caret stands in the first cell.
  await expect(table).toBeHidden();
  await expect(editor(page)).toBeFocused();
  await page.keyboard.type('Hive');
  for (const words of ['Honey', 'North', '12 kg']) {
    await editor(page).locator('td, th').filter({ hasNotText: /\S/ }).first().click();
    await page.keyboard.type(words);
  }
  await save(page, 2);
  expect(await sourceOf(page)).toContain(
    '<p>Start<img src="images/smoker.png" alt="A smoker, lit"></p>\n<table>\n<caption>Honey by hive</caption>\n<thead>\n<tr><th scope="col">Hive</th><th scope="col">Honey</th></tr>\n</thead>\n<tbody>\n<tr><td>North</td><td>12 kg</td></tr>\n</tbody>\n</table>',
  );
});

test('what comes from a word processor is cleaned, its typed list made real, and its bold line asked about', async ({ page }) => {
  await bringIn(page, '<h2>Wax</h2>\n<p>Start</p>', freshTitle('Pasted'));
  await openText(page);
  await editor(page).getByText('Start').click();
  await page.keyboard.press('End');
  await page.keyboard.press('Enter');
  const word = `<html><body><!--StartFragment--><p class=MsoNormal><b><span style='font-size:14.0pt'>What it is for<o:p></o:p></span></b></p>
<p class=MsoNormal><span style='color:black'>It keeps for <i>years</i>.<o:p></o:p></span></p>
<p class=MsoListParagraph style='mso-list:l0 level1 lfo1'><span style='mso-list:Ignore'>·<span>&nbsp;&nbsp; </span></span>Candles</p>
<p class=MsoListParagraph style='mso-list:l0 level1 lfo1'><span style='mso-list:Ignore'>·<span>&nbsp;&nbsp; </span></span>Polish</p><p class=MsoNormal><img src="file:///C:/hive.png"></p><!--EndFragment--></body></html>`;
  await editor(page).evaluate((target, html) => {
    const data = new DataTransfer();
    data.setData('text/html', html);
    data.setData('text/plain', 'What it is for It keeps for years.');
    target.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  }, word);
  const sheet = page.getByRole('dialog', { name: /bold line/ });
  await expect(sheet.getByText('What it is for')).toBeVisible();
  await sheet.getByLabel('It is').selectOption('a heading of level 3');
  await sheet.getByRole('button', { name: 'Put it in' }).click();
  await expect(editor(page).getByRole('heading', { level: 3, name: 'What it is for' })).toBeVisible();
  await expect(page.getByText(/One image was not taken over/)).toBeVisible();
  await save(page, 2);
  const source = await sourceOf(page);
  expect(source).toContain('<h3>What it is for</h3>\n<p>It keeps for <em>years</em>.</p>\n<ul>\n<li>Candles</li>\n<li>Polish</li>\n</ul>');
  expect(source).not.toMatch(/mso|Mso|file:/);
});

test('Tab leaves the text, also from a list or a table', async ({ page }) => {
  await bringIn(
    page,
    '<h2>Wax</h2>\n<ul><li>One</li><li>Two</li></ul>\n<table><caption>C</caption><tr><th scope="col">A</th></tr><tr><td>b</td></tr></table>',
    freshTitle('Tab'),
  );
  await openText(page);
  for (const words of ['Two', 'b']) {
    await editor(page).getByText(words, { exact: true }).click();
    await expect(editor(page)).toBeFocused();
    await page.keyboard.press('Tab');
    await expect(editor(page)).not.toBeFocused();
  }
});

test('a table is worked on where one stands in it, and no other table is touched', async ({ page }) => {
  const other = '<table class=other><caption>Other</caption><tr><th>A</th></tr><tr><td>b</td></tr></table>';
  await bringIn(
    page,
    `<h2>Yields</h2>\n${other}\n<table><tr><td>Hive</td><td>Honey</td></tr><tr><td>North</td><td>12</td></tr></table>`,
    freshTitle('Table tools'),
  );
  await openText(page);
  await editor(page).getByText('Hive').click();
  const tools = page.getByRole('toolbar', { name: 'Tools for the table' });
  await tools.getByRole('button', { name: 'First row heads' }).click();
  await editor(page).getByText('North').click();
  await tools.getByRole('button', { name: 'First column heads' }).click();
  await tools.getByRole('button', { name: 'Caption…' }).click();
  await page.getByRole('dialog').getByLabel('What the table holds').fill('Honey by hive');
  await page.getByRole('dialog').getByRole('button', { name: 'Set it' }).click();
  await editor(page).getByText('12').click();
  await tools.getByRole('button', { name: 'Row below' }).click();
  await save(page, 2);
  const source = await sourceOf(page);
  expect(source).toContain(other);
  expect(source).toContain(
    '<caption>Honey by hive</caption>\n<tbody>\n<tr><th scope="col">Hive</th><th scope="col">Honey</th></tr>\n<tr><th scope="row">North</th><td>12</td></tr>\n<tr><th scope="row"></th><td></td></tr>\n</tbody>',
  );
});

test('whoever may not change the page may read its text, not write it; tools say their names', async ({ page }) => {
  await bringIn(page, '<h2>Wax</h2><p>Start</p>', freshTitle('Read only'));
  await openText(page);
  await expect(page.getByTitle('Increase indent')).toBeVisible();
  await page.getByLabel('At the desk').selectOption('Ruth Pender, publisher');
  await expect(page.getByRole('textbox', { name: 'Text of the page' })).toHaveAttribute('contenteditable', 'false');
  await page.getByLabel('At the desk').selectOption('Ines Calder, reviewer');
  await expect(page.getByRole('textbox', { name: 'Text of the page' })).toHaveAttribute('contenteditable', 'true');
});
