import { expect, test, type Page } from '../support/test';
import { atDesk, bringIn, freshTitle, sourceOf, standing } from '../support/desk';

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
    '<h2 >Wax</h2>\n<div class=lead>\n<p  id=one>It keeps</p>\n</div>\n<video src="a.mp4" controls>' +
      '</video>\n<!-- kept -->\n<p>Last &copy; line</p>',
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
    '<h2 >Wax</h2>\n<div class=lead>\n<p id="one">It keeps for years</p>\n<p>And more &amp; more</p>\n</div>' +
      '\n<video src="a.mp4" controls></video>\n<!-- kept -->\n<p>Last &copy; line</p>',
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
  // By its name; its tag is written.
  await page.getByRole('combobox', { name: 'Language' }).pressSequentially('German');
  await page.keyboard.press('Enter');
  await expect(page.getByText('de: German.')).toBeVisible();
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
  await link.getByLabel('Link text').fill('Spring work');
  await link.getByRole('button', { name: 'Set the link' }).click();
  await save(page, 2);
  expect(await sourceOf(page)).toBe(
    '<h2>Wax</h2>\n<p>Start</p>\n<h3>Uses</h3>\n<p><strong>Two</strong> of many, says <span lang="de">' +
      'Wachs</span></p>\n<ul>\n<li>Candles\n<ul>\n<li>Dipped, see <a href="spring.html">Spring work</a>' +
      '</li>\n</ul></li>\n</ul>',
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
  await image.getByLabel('Image file in the collection').fill('images/smoker.png');
  await expect(image.getByRole('button', { name: 'Put it in' })).toBeDisabled();
  await image.getByLabel(/^Alternative text: /).fill('A smoker, lit');
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
    '<p>Start<img src="images/smoker.png" alt="A smoker, lit">' +
      '</p>\n<table>\n<caption>Honey by hive</caption>\n<thead>\n<tr><th scope="col">Hive</th>' +
      '<th scope="col">Honey</th></tr>\n</thead>\n<tbody>\n<tr><td>North</td><td>12 kg</td></tr>\n</tbody>\n</table>',
  );
});

test('what comes from a word processor is cleaned, its typed list made real, and its bold line asked about', async ({ page }) => {
  await bringIn(page, '<h2>Wax</h2>\n<p>Start</p>', freshTitle('Pasted'));
  await openText(page);
  await editor(page).getByText('Start').click();
  await page.keyboard.press('End');
  await page.keyboard.press('Enter');
  const word = `<html><body><!--StartFragment--><p class=MsoNormal><b><span
  style='font-size:14.0pt'>What it is for<o:p></o:p></span></b></p>
<p class=MsoNormal><span style='color:black'>It keeps for <i>years</i>.<o:p></o:p></span></p>
<p class=MsoListParagraph style='mso-list:l0 level1 lfo1'><span style='mso-list:Ignore'>·<span>&nbsp;&nbsp; </span></span>Candles</p>
<p class=MsoListParagraph style='mso-list:l0 level1 lfo1'><span style='mso-list:Ignore'>·<span>&nbsp;&nbsp; </span></span>Polish</p><p
  class=MsoNormal><img src="file:///C:/hive.png"></p><!--EndFragment--></body></html>`;
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

test('Tab goes deeper in a list and on in a table and never leaves; Escape, then Tab, does; stray letters are no keys', async ({
  page,
}) => {
  await bringIn(
    page,
    '<h2>Wax</h2>\n<ul><li>One</li><li>Two</li></ul>\n<table><caption>C</caption><tr><th scope="col">A</th></tr>' +
      '<tr><td>b</td></tr></table>',
    freshTitle('Tab'),
  );
  await openText(page);
  for (const words of ['Wax', 'Two', 'b']) {
    await editor(page).getByText(words, { exact: true }).click();
    await expect(editor(page)).toBeFocused();
    await page.keyboard.press('Tab');
    await expect(editor(page)).toBeFocused();
  }
  await expect(editor(page).locator('li li')).toHaveText('Two');
  await editor(page).getByText('Two', { exact: true }).click();
  await page.keyboard.press('Shift+Tab');
  await expect(editor(page).locator('li li')).toHaveCount(0);
  await page.keyboard.press('Escape');
  await page.keyboard.press('Tab');
  await expect(editor(page)).not.toBeFocused();
  // What one goes on typing is no command: face, revision and page stay.
  const address = page.url();
  await page.keyboard.type('gynpu1');
  await expect(editor(page)).toBeVisible();
  expect(page.url()).toBe(address);
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
    '<caption>Honey by hive</caption>\n<tbody>\n<tr><th scope="col">Hive</th><th scope="col">Honey</th>' +
      '</tr>\n<tr><th scope="row">North</th><td>12</td></tr>\n<tr><th scope="row"></th><td></td></tr>\n</tbody>',
  );
});

test('whoever may not change the page may read its text, not write it; tools say their names', async ({ page }) => {
  await bringIn(page, '<h2>Wax</h2><p>Start</p>', freshTitle('Read only'));
  await openText(page);
  await expect(page.getByTitle('Increase indent')).toBeVisible();
  await atDesk(page, 'Ruth Pender, publisher');
  await expect(page.getByRole('textbox', { name: 'Text of the page' })).toHaveAttribute('contenteditable', 'false');
  await atDesk(page, 'Ines Calder, reviewer');
  await expect(page.getByRole('textbox', { name: 'Text of the page' })).toHaveAttribute('contenteditable', 'true');
});

const imagesFound = (page: Page) => page.getByRole('listbox', { name: 'Images of the collection' }).getByRole('option');

/** Two stripes, 40 by 20 pixels. */
const STRIPES = '<svg xmlns="http://www.w3.org/2000/svg" width="40" height="20"><path fill="#a33" d="M0 0h40v10H0z"/></svg>';
const upload = (name: string, text: string) => ({ name, mimeType: 'image/svg+xml', buffer: Buffer.from(text) });

test('an image is uploaded, described and sized in one step, then chosen again from the collection by what was said of it', async ({
  page,
}) => {
  const mark = freshTitle('Stripes').replace(/\D/g, '');
  await bringIn(page, '<h2>Yields</h2>\n<p>Start</p>', freshTitle('Upload'));
  await openText(page);
  await editor(page).getByText('Start').click();
  await page.keyboard.press('End');
  await page.getByRole('button', { name: 'Image', exact: true }).click();
  const sheet = page.getByRole('dialog', { name: 'Image' });
  await sheet.locator('input[type=file]').setInputFiles(upload('notes.svg', 'no image at all'));
  await expect(sheet.getByRole('alert')).toContainText('This file is no image that pages can show');
  await sheet.locator('input[type=file]').setInputFiles(upload(`Two Stripes ${mark}.svg`, STRIPES.replace('<path', `<path id="s${mark}"`)));
  await expect(sheet.getByText(`Taken in as images/two-stripes-${mark}.svg.`)).toBeVisible();
  await sheet.getByLabel(/^Alternative text: /).fill(`Stripes, ${mark} of them`);
  await sheet.getByLabel('Width on the page').fill('80');
  await sheet.getByRole('button', { name: 'Put it in' }).click();
  await save(page, 2);
  const markup = `<img src="images/two-stripes-${mark}.svg" alt="Stripes, ${mark} of them" width="80" height="40">`;
  expect(await sourceOf(page)).toContain(`<p>Start${markup}</p>`);

  await openText(page);
  await editor(page).getByText('Start').click();
  await page.keyboard.press('Home');
  await page.getByRole('button', { name: 'Image', exact: true }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Choose from the collection' }).click();
  await page.getByLabel('Find an image of the collection').fill(`${mark} of them`);
  // A list that is narrowed anew takes the focus of what was in it: it is gone into once it is.
  await expect(imagesFound(page)).toHaveText([new RegExp(`Stripes, ${mark}`)]);
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(sheet.getByLabel(/^Alternative text: /)).toHaveValue(`Stripes, ${mark} of them`);
  await sheet.getByRole('button', { name: 'Put it in' }).click();
  await save(page, 3);
  expect(await sourceOf(page)).toContain(`<p><img src="images/two-stripes-${mark}.svg" alt="Stripes, ${mark} of them">Start${markup}</p>`);
});

test('a part of an image becomes an image of its own, by keyboard; the whole one stays', async ({ page }) => {
  await page.goto('/collections/a-first-year-with-bees/opening-a-hive?face=text');
  await expect(editor(page)).toBeVisible();
  await editor(page).getByText('You will want').click();
  await page.getByRole('button', { name: 'Image', exact: true }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Choose from the collection' }).click();
  await page.getByLabel('Find an image of the collection').fill('smoker.png');
  await expect(imagesFound(page)).toHaveText([/^smoker\.png/]);
  await imagesFound(page).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Crop it' }).click();
  const part = page.getByRole('dialog', { name: 'Crop the image' });
  await expect(part.getByText(/^Kept: /)).toBeVisible();
  const [width] = /\d+/.exec(await part.getByText(/^Kept: /).innerText())!;
  await part.getByLabel('Right edge').focus();
  for (let nth = 0; nth < 3; nth++) await page.keyboard.press('Shift+ArrowLeft');
  await expect(part.getByText(/^Kept: /)).not.toContainText(`Kept: ${width} by`);
  await part.getByLabel('Width in pixels').fill('50');
  await part.getByRole('button', { name: 'Crop' }).click();
  const sheet = page.getByRole('dialog', { name: 'Image', exact: true });
  await expect(sheet.getByLabel('Image file in the collection')).toHaveValue(/smoker-part/);
  await expect(sheet.getByText('In pixels; empty for its own, 50.')).toBeVisible();
  await sheet.getByRole('button', { name: 'Cancel' }).click();
});

test('a link is led to a heading of another page by its words, and says them', async ({ page }) => {
  const title = freshTitle('Destination');
  await bringIn(page, '<h2 id="frames">Frames and foundation</h2>\n<p>Text</p>\n<h2>No name</h2>', title);
  await bringIn(page, '<h2>Wax</h2>\n<p>See also </p>', freshTitle('Leads'));
  await openText(page);
  await editor(page).getByText('See also').click();
  await page.keyboard.press('End');
  await page.getByRole('button', { name: 'Link', exact: true }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Choose a page' }).click();
  await page.getByLabel('Find a page of the collection').fill(title);
  const found = page.getByRole('listbox', { name: 'Pages of the collection' }).getByRole('option');
  await expect(found).toHaveText([new RegExp(`^${title}`)]);
  await found.click();
  await expect(page.getByText('1 heading cannot be led to')).toBeVisible();
  await page.getByRole('option', { name: /Frames and foundation/ }).click();
  const link = page.getByRole('dialog', { name: 'Link' });
  await expect(link.getByLabel('Link text')).toHaveValue('Frames and foundation');
  await link.getByRole('button', { name: 'Set the link' }).click();
  await save(page, 2);
  expect(await sourceOf(page)).toMatch(/<a href="[^"]+#frames">Frames and foundation<\/a>/);
});
