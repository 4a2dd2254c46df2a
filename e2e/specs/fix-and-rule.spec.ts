import { expect, test } from '../support/test';
import { apply, bringIn, freshTitle, sourceOf, standing, takeUp } from '../support/desk';

test('one slip that stands many times is fixed everywhere at once, seen before, and undone at once', async ({ page }) => {
  await bringIn(
    page,
    `<h2>Links</h2>${[1, 2, 3, 4].map((n) => `<p>Leaf ${n}: <a href="leaf-${n}.html" target="_blank">Leaf number ${n}</a>.</p>`).join('')}`,
    freshTitle('Many'),
  );
  await takeUp(page, 'New window without a word');
  await page.getByRole('button', { name: 'All 4 like this…' }).click();
  const sheet = page.getByRole('dialog', { name: /^All 4 like this/ });
  await expect(sheet.getByText('4 notes will be fixed as one revision')).toBeVisible();
  await sheet.getByRole('button', { name: 'Fix all 4' }).click();
  await expect(sheet).toBeHidden();
  await expect(standing(page)).toContainText('revision 2');
  // The button that opened the sheet is gone with its note: focus is not lost with it.
  await expect(page.locator('#note-heading')).toBeFocused();
  expect(await sourceOf(page)).not.toContain('_blank');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(standing(page)).toContainText('revision 3');
  expect((await sourceOf(page)).match(/_blank/g)).toHaveLength(4);
});

test('what is certain is fixed in one go, and what needs a word stays', async ({ page }) => {
  await bringIn(page, '<h2>Wax</h2><h2></h2><p>1. Candles</p><p>2. Polish</p><p><img src="images/smoker.png"></p>', freshTitle('Certain'));
  await page.getByRole('button', { name: 'Fix what is certain…' }).click();
  const sheet = page.getByRole('dialog', { name: 'Fix what is certain' });
  await expect(sheet.getByText(/Line 1: .*typed numbers/)).toBeVisible();
  await sheet.getByRole('button', { name: /^Fix (it|all \d)$/ }).click();
  await expect(standing(page)).toContainText('revision 2');
  await expect(page.getByRole('heading', { name: 'Notes, in page order: 1 open' })).toBeVisible();
  expect(await sourceOf(page)).toContain('<ol><li>Candles</li><li>Polish</li></ol>');
});

test('a faint colour shows its pair and the nearest that pass, for the text and for its ground', async ({ page }) => {
  await bringIn(page, '<h2>Wax</h2><p style="color: #9a9a9a">Faint words</p>', freshTitle('Colours'));
  await takeUp(page, 'Text too faint against its background');
  await expect(page.getByText(/^#9a9a9a on #ffffff: 2\.\d+ to 1, and 4\.5 to 1 is needed/)).toBeVisible();
  const swatches = page.getByRole('list', { name: 'Colours that pass here' });
  await swatches.getByRole('button', { name: /^darker background/ }).click();
  await expect(swatches.getByRole('button', { name: /^darker background/ })).toHaveAttribute('aria-pressed', 'true');
  await swatches.getByRole('button', { name: /^darker text/ }).click();
  const chosen = /#[0-9a-f]{6}/.exec((await swatches.getByRole('button', { name: /^darker text/ }).textContent())!)![0];
  await page.getByRole('button', { name: 'Apply, go to next' }).click();
  await expect(standing(page)).toContainText('revision 2');
  expect(await sourceOf(page)).toContain(`color: ${chosen}`);
});

test('an image is described in its surroundings, with what it is called elsewhere', async ({ page }) => {
  await bringIn(
    page,
    '<h2>Smoker</h2><p>Light it well.</p><p><img src="images/smoker.png"> Pump gently.</p><p><img src="images/smoker.png" alt="A smoker at rest"> Put it down.</p>',
    freshTitle('Imaged'),
  );
  await takeUp(page, 'Image with no alternative text');
  const form = page.getByRole('form', { name: 'Fix' });
  await expect(form.getByRole('img', { name: 'The image this note speaks of' })).toBeVisible();
  await expect(form.getByText(/Smoker Light it well\. the image Pump gently\./)).toBeVisible();
  await expect(form.getByText('Also on this page: “A smoker at rest”')).toBeVisible();
  await page.getByLabel(/^Alternative text: /).fill('A smoker, lit');
  await expect(form.getByText(/Smoker Light it well\. A smoker, lit Pump gently\./)).toBeVisible();
  await expect(form.getByText('13 characters.')).toBeVisible();
});

test('whoever is not sure leaves the question to somebody who knows; an answer says who gave it and can be taken back', async ({
  page,
}) => {
  await bringIn(
    page,
    '<h2>Wax</h2><p>Text.</p><p><strong>You will need:</strong></p><ul><li>A smoker</li><li>A veil</li></ul>',
    freshTitle('Not sure'),
  );
  await takeUp(page, 'Bold line in place of a heading');
  const question = page.getByRole('group', { name: 'Question' });
  await question.getByRole('button', { name: 'Not sure' }).click();
  await expect(question.getByText(/Not sure, says Ines Calder/)).toBeVisible();
  await expect(standing(page)).toContainText('1 to judge');
  await page.reload();
  await expect(question.getByText(/It waits for a specialist/)).toBeVisible();
  await question.getByRole('button', { name: 'No, it is only emphasis' }).click();
  await expect(page.getByText(/: ruled out by Ines Calder/)).toBeVisible();
  await page.getByRole('button', { name: /^Take back the answer on/ }).click();
  await expect(standing(page)).toContainText('1 to judge');
});

test('a note is let stand for a time, with a reason and a day, and the exception can be ended', async ({ page }) => {
  await bringIn(page, '<h2>Wax</h2><p>See <a href="a.html">here</a></p>', freshTitle('Exception'));
  await takeUp(page, 'Link text that does not say where it goes');
  await page.getByRole('button', { name: 'Let it stand for a time…' }).click();
  const sheet = page.getByRole('dialog', { name: 'Let it stand for a time' });
  await expect(sheet.getByRole('button', { name: 'Let it stand' })).toBeDisabled();
  await sheet.getByLabel('Why').fill('The page is rewritten in spring.');
  await sheet.getByLabel('Until').fill('2001-01-01');
  await sheet.getByLabel('Until').evaluate((input) => input.removeAttribute('min'));
  await sheet.getByRole('button', { name: 'Let it stand' }).click();
  await expect(sheet.getByText('The day on which it ends has passed.')).toBeVisible();
  await expect(sheet.getByLabel('Why')).toHaveValue('The page is rewritten in spring.');
  await sheet.getByLabel('Until').fill(new Date(Date.now() + 30 * 86_400_000).toISOString().slice(0, 10));
  await sheet.getByRole('button', { name: 'Let it stand' }).click();
  await expect(sheet).toBeHidden();
  await expect(page.getByText(/let stand until .* by Ines Calder, “The page is rewritten in spring\.”/)).toBeVisible();
  await expect(standing(page)).not.toContainText('1 must');
  await page.getByRole('button', { name: /^End the exception for/ }).click();
  await expect(page.getByRole('listitem').getByRole('button', { name: 'Link text that does not say where it goes' })).toBeVisible();
});

test('what is typed is looked at before it is applied, in a fix and in a sheet, and never in the way', async ({ page }) => {
  await bringIn(page, '<h2>Wax</h2><p>Text.</p><p><img src="images/smoker.png"></p>', freshTitle('Warned'));
  const box = page.getByLabel(/^Alternative text: /);
  const told = page.getByRole('status', { name: 'What would still be noted' });
  await box.fill('Photo of a smoker');
  await expect(told).toContainText('Would be noted');
  await box.fill('A smoker, lit with straw');
  await expect(told).not.toContainText('Would be noted');
  await box.fill('Photo of a smoker');
  await apply(page);
  await page.getByRole('tab', { name: 'Text' }).click();
  await page.getByRole('textbox', { name: 'Text of the page' }).getByText('Text.').click();
  await page.getByRole('button', { name: 'Link', exact: true }).click();
  const sheet = page.getByRole('dialog', { name: 'Link' });
  await sheet.getByLabel('Link text').fill('click here');
  await sheet.getByLabel('Where it leads').fill('spring.html');
  await expect(sheet.getByRole('status', { name: 'What would still be noted' })).toContainText('says nothing');
  await expect(sheet.getByRole('button', { name: 'Set the link' })).toBeEnabled();
});

test('everything that is wrong with one image is one visit with one Apply', async ({ page }) => {
  await bringIn(page, '<h2>Wax</h2>\n<p>Text.</p>\n<p><img src="images/smoker.png" alt="Image of a smoker"></p>', freshTitle('Visit'));
  await takeUp(page, 'Alternative text that says “image of”');
  const visit = page.getByRole('group', { name: 'Also on this image' });
  await visit.getByRole('checkbox', { name: /has no caption/ }).check({ force: true });
  await visit.getByLabel('What has the image to do with the text?').fill('Straw burns coolest.');
  await page.getByRole('button', { name: 'Apply all 2, go to next' }).click();
  await expect(standing(page)).toContainText('revision 2');
  expect(await sourceOf(page)).toContain(
    '<figure><img src="images/smoker.png" alt="A smoker"><figcaption>Straw burns coolest.</figcaption></figure>',
  );
  await expect(page.getByRole('listitem').filter({ hasText: /caption|image of/ })).toHaveCount(0);
});

test('a link that leads nowhere is led to a page and heading of the collection in its fix', async ({ page }) => {
  const title = freshTitle('Where to');
  await bringIn(page, '<h2 id="smoke">When to smoke</h2><p>Text</p>', title);
  await bringIn(page, '<h2>Wax</h2><p>See <a href="#nowhere">when to smoke</a>.</p>', freshTitle('Leads nowhere'));
  await expect(page.getByText('Looking for fixes…')).toBeHidden();
  await page.getByRole('button', { name: 'Choose a page' }).click();
  await page.getByLabel('Find a page of the collection').fill(title);
  const found = page.getByRole('listbox', { name: 'Pages of the collection' }).getByRole('option');
  await expect(found).toHaveText([new RegExp(`^${title}`)]);
  // Enter here chooses; it applies nothing.
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await page.getByRole('option', { name: /When to smoke/ }).click();
  await expect(page.getByLabel('Address it should lead to')).toHaveValue(/#smoke$/);
  await apply(page);
  await expect(standing(page)).toContainText('Ready');
});
