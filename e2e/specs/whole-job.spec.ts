import { expect, test } from '../support/test';
import { atDesk, apply, bringIn, freshTitle, sourceOf, standing, takeUp } from '../support/desk';

const PAGE = `<h2>Wax</h2>
<p><b>Rendering it</b></p>
<p>1. Melt</p>
<p>2. Strain</p>
<p><img src="images/smoker.png"> and <i>then</i> more.</p>
<p>For the melting points <a href="swarms.html">click here</a>.</p>
<table border="1"><tr><td>Wax</td><td>Melts at</td></tr><tr><td>Bees</td><td>62</td></tr><tr><td>Soy</td><td>49</td></tr></table>`;

test('a page goes from paste to signed off, one fix of each family at a time', async ({ page }) => {
  await bringIn(page, PAGE, freshTitle('Wax'));
  await expect(standing(page)).toContainText('Held');
  await expect(standing(page)).toContainText('4 must, 1 should, 2 to consider, 1 to judge');

  await takeUp(page, 'Bold line in place of a heading');
  await page.getByRole('radio', { name: '3' }).check({ force: true });
  await expect(page.getByText('“Heading level 3, Rendering it”')).toBeVisible();
  await apply(page);

  await takeUp(page, 'Typed list');
  await expect(page.getByText('“List of 2. 1 of 2: Melt. 2 of 2: Strain. End of list”')).toBeVisible();
  await apply(page);

  await takeUp(page, 'Image with no alternative text');
  await page.getByLabel(/^Alternative text: /).fill('A smoker & its bellows');
  await expect(page.getByText('“Image, A smoker & its bellows.”')).toBeVisible();
  await apply(page);

  await takeUp(page, 'Data table with no headers');
  await page.getByRole('radio', { name: 'Both' }).check({ force: true });
  await apply(page);
  await takeUp(page, 'Data table with no caption');
  await page.getByLabel('What does the table list?').fill('Melting points in degrees');
  await apply(page);

  // Nothing certain is left; a question is.
  await expect(standing(page)).toContainText('To judge');
  await expect(page.getByRole('button', { name: 'Sign off' })).toBeDisabled();
  await takeUp(page, 'Link text that does not say where it goes');
  await page.getByRole('radio', { name: 'Reword it' }).check({ force: true });
  await page.getByLabel('What will the reader find there?').fill('the table of melting points');
  await apply(page);
  await expect(standing(page)).toContainText('Ready');

  // Only what was fixed has changed; every other byte stands.
  expect(await sourceOf(page)).toBe(`<h2>Wax</h2>
<h3>Rendering it</h3>
<ol><li>Melt</li>
<li>Strain</li></ol>
<p><img alt="A smoker &amp; its bellows" src="images/smoker.png"> and <i>then</i> more.</p>
<p>For the melting points <a href="swarms.html">the table of melting points</a>.</p>
<table border="1"><caption>Melting points in degrees</caption><tr><th scope="col">Wax</th><th scope="col">Melts at</th></tr><tr><th scope="row">Bees</th><td>62</td></tr><tr><th scope="row">Soy</th><td>49</td></tr></table>`);

  await page.getByRole('button', { name: 'Sign off' }).click();
  await expect(standing(page)).toContainText('Signed off');
  await expect(standing(page)).toContainText('revision 7 by Ines Calder');

  // A later change lapses it, and a reload shows the same.
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(standing(page)).toContainText('sign-off of revision 7 lapsed');
  await page.reload();
  await expect(standing(page)).toContainText('To judge');
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(standing(page)).toContainText('Lapsed');
});

test('a whole page gets its language and title', async ({ page }) => {
  await page.goto('/collections/larkmoor-canal-trust/bring-in');
  await page
    .getByLabel('The page’s content')
    .fill('<!doctype html>\n<html>\n<head></head>\n<body><main><h1>Moorings</h1><p>Ten of them.</p></main></body>\n</html>');
  await expect(page.getByText('A whole page, 2 notes so far.')).toBeVisible();
  await page.getByLabel('Title').fill('Moorings');
  await page.getByRole('button', { name: 'Bring it in' }).click();
  await expect(standing(page)).toContainText('Held');
  await takeUp(page, 'Page with no language');
  await apply(page);
  await takeUp(page, 'Page with no title');
  await page.getByLabel('Title of the page').fill('Moorings – Larkmoor Canal Trust');
  await apply(page);
  await expect(standing(page)).toContainText('Ready');
  expect(await sourceOf(page)).toBe(
    '<!doctype html>\n<html lang="en">\n<head><title>Moorings – Larkmoor Canal Trust</title></head>\n<body><main><h1>Moorings</h1><p>Ten of them.</p></main></body>\n</html>',
  );
});

test('a question is ruled on, the answer survives a change, and it can be taken back', async ({ page }) => {
  await bringIn(
    page,
    '<h2>Wax</h2>\n<p>See the chart of combs <a href="swarms.html">here</a>.</p>\n<h4>Old</h4><p>Text</p>',
    freshTitle('Ruling'),
  );
  await expect(standing(page)).toContainText('To judge');
  await takeUp(page, 'Link text that does not say');
  await page.getByRole('button', { name: 'No, it is plain where it stands' }).click();
  await expect(standing(page)).toContainText('Ready');
  await takeUp(page, 'Heading level that leaps');
  await apply(page);
  await expect(page.getByText('ruled out by Ines Calder')).toBeVisible();
  await expect(standing(page)).toContainText('Ready');
  await page.getByRole('button', { name: /Take back the answer/ }).click();
  await expect(standing(page)).toContainText('To judge');
});

test('who may not change a page is told so before trying', async ({ page }) => {
  await bringIn(page, '<h2></h2><p>Text</p>', freshTitle('Roles'));
  await atDesk(page, 'Ruth Pender, publisher');
  await expect(page.getByText('You may look, not change')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Apply, go to next' })).toBeDisabled();
});
