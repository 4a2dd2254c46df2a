import { expect, test, type Page } from '../support/test';
import { broughtIn, freshTitle, handedTo, ownCollection, ownTitle } from '../support/desk';
import { signedInAs } from '../support/signIn';

const DESCRIBED = '/questions?kind=images%2Ftrue-to-picture';

/** Pages of the test's own that show one image with the same words. */
async function pagesShowing(page: Page, alt: string, many: number): Promise<string[]> {
  const collection = await ownCollection();
  const addresses: string[] = [];
  for (let nth = 1; nth <= many; nth++) {
    const text = `<h2>Part ${nth} of it</h2><p>Words of part ${nth}.</p><p><img src="images/hive.png" alt="${alt}" width="600" height="400"></p>`;
    addresses.push((await broughtIn(page, collection, freshTitle('Asked'), text)).address);
  }
  return addresses;
}

/** Passes questions over, by keyboard, until one with these words is in hand. */
async function until(page: Page, words: string): Promise<void> {
  const sentence = page.locator('section[aria-labelledby="question-heading"]');
  for (let passed = 0; passed < 60; passed++) {
    await expect(sentence).toBeVisible();
    if ((await sentence.textContent())!.includes(words)) return;
    await page.keyboard.press('n');
  }
  throw new Error(`Nothing asks about ${words}.`);
}

test('a question that four pages ask is answered with one key, and taken back with another; how far it reaches is said before', async ({
  page,
}) => {
  const alt = `A hive in the snow, ${ownTitle()} ${process.pid}`;
  const [first] = await pagesShowing(page, alt, 4);
  await page.goto(DESCRIBED);
  await until(page, alt);
  // The file is not in the collection: nobody knows that another collection's image of that name is the same one.
  await expect(page.getByRole('radio', { name: `In ${ownTitle()}, 4 pages now` })).toBeChecked();
  await expect(page.getByText('Asked 4 times on 4 pages.')).toBeVisible();
  // The page is led to its place, the image large above it.
  const frame = page.frameLocator('iframe[tabindex="0"]');
  await expect(frame.getByRole('img', { name: alt })).toBeInViewport();
  await page.keyboard.press('x');
  await expect(page.getByText('Holds on 4 pages.')).toBeVisible();
  await page.goto(first!);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await expect(page.getByRole('listitem').getByRole('button', { name: /Description to be looked at/ })).toHaveCount(0);
  await page.goto(DESCRIBED);
  await expect(page.getByText(alt)).toBeHidden();
  // Among what was answered it says where it holds; taken back, all four ask again.
  await page.getByText('Answered', { exact: true }).click();
  const line = page.getByRole('listitem').filter({ hasText: alt });
  await expect(line).toContainText(`Holds in ${ownTitle()}: 4 notes on 4 pages.`);
  await line.getByRole('button', { name: 'Take it back' }).click();
  await expect(line).toContainText('Taken back.');
  await page.goto(DESCRIBED);
  await until(page, alt);
  // Narrowed by its key to this page alone, it holds there alone; the last answer is taken back by a key.
  await page.keyboard.press('w');
  await expect(page.getByRole('radio', { name: 'On this page alone' })).toBeChecked();
  await page.keyboard.press('x');
  await expect(page.getByText('Holds on 1 page.')).toBeVisible();
  await page.keyboard.press('u');
  await expect(page.locator('section[aria-labelledby="question-heading"]')).toContainText(alt);
});

test('a question met on the Desk is answered wherever it is asked', async ({ page }) => {
  const alt = `A queen cell, ${ownTitle()} ${process.pid}`;
  const [first] = await pagesShowing(page, alt, 2);
  await page.goto(first!);
  await page
    .getByRole('button', { name: /Description to be looked at/ })
    .first()
    .click();
  await page.getByRole('link', { name: 'Answer it wherever it is asked' }).click();
  await expect(page.locator('section[aria-labelledby="question-heading"]')).toContainText(alt);
  await expect(page.getByText('Asked 2 times on 2 pages.')).toBeVisible();
});

test('an image is described again where it is asked about, for every page that asks', async ({ page }) => {
  const alt = `A frame of brood, ${ownTitle()} ${process.pid}`;
  const [first, second] = await pagesShowing(page, alt, 2);
  await page.goto(DESCRIBED);
  await until(page, alt);
  await page.keyboard.press('d');
  const field = page.getByRole('textbox', { name: 'What a reader would look at' });
  await expect(field).toHaveValue(alt);
  await field.fill('A hive of pine boards under snow');
  await field.press('Enter');
  await expect(page.getByText(/^Described again: .* Holds on 2 pages\./)).toBeVisible();
  for (const address of [first!, second!])
    await expect(async () => {
      await page.goto(`${address}?face=source`);
      await expect(page.getByText('A hive of pine boards under snow').first()).toBeVisible({ timeout: 2_000 });
    }).toPass();
});

test('three people: an author mends what was handed out, a specialist rules for four pages, and what comes back is the author’s again', async ({
  page,
  browser,
  baseURL,
}) => {
  const alt = `Bees at the entrance, ${ownTitle()} ${process.pid}`;
  const slugs = await pagesShowing(page, alt, 4);
  const collection = await ownCollection();
  const title = freshTitle('Handed');
  const text = '<h2>Wax</h2><p><img src="images/comb.png"></p>';
  const { slug } = await broughtIn(page, collection, title, text);
  await handedTo(page, 'odile-marsh', collection, slug, 'Please');

  // The reviewer is not sure, and says why.
  await page.goto(DESCRIBED);
  await until(page, alt);
  await page.getByLabel(/^Why, for others to read/).fill('Are they fanning, or robbing?');
  await page.getByRole('button', { name: /^Not sure/ }).click();
  await expect(page.getByText(/^Not sure: .* Holds on 4 pages\./)).toBeVisible();

  // The author fixes from their own list.
  const authors = await browser.newContext({ storageState: await signedInAs('odile-marsh', baseURL!) });
  const odile = await authors.newPage();
  await odile.goto('/docket');
  const mine = odile.getByRole('listitem').filter({ has: odile.getByRole('heading', { name: title }) });
  await mine.getByRole('link', { name: /has no alternative text/ }).click();
  await odile.getByLabel(/^Alternative text/).fill('Honeycomb in a wooden frame');
  await odile.getByRole('button', { name: /^Apply/ }).click();
  await expect(odile.getByText(/fixed by Odile Marsh/)).toBeVisible();

  // The specialist finds the question with its evidence, and answers it once for all four.
  const specialists = await browser.newContext({ storageState: await signedInAs('uma-hale', baseURL!) });
  const uma = await specialists.newPage();
  await uma.goto('/questions');
  await until(uma, alt);
  await expect(uma.getByRole('list', { name: 'What was said of it' })).toContainText('Are they fanning, or robbing?');
  await uma.keyboard.press('x');
  await expect(uma.getByText('Holds on 4 pages.')).toBeVisible();
  for (const address of slugs.slice(0, 2)) {
    await page.goto(address);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await expect(page.getByRole('listitem').getByRole('button', { name: /Description to be looked at/ })).toHaveCount(0);
  }

  // The slip comes back with a reviewer’s undo: so does the author’s work.
  await page.goto(`/collections/${collection}/${slug}`);
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByText(/revision 3/).first()).toBeVisible();
  await odile.goto('/docket');
  await expect(mine.getByRole('link', { name: /has no alternative text/ })).toBeVisible();
  await authors.close();
  await specialists.close();
});

test('whoever may not answer is told so', async ({ browser, baseURL }) => {
  const authors = await browser.newContext({ storageState: await signedInAs('odile-marsh', baseURL!) });
  const odile = await authors.newPage();
  await odile.goto('/questions');
  await expect(odile.getByText('Odile Marsh may not do this')).toBeVisible();
  await expect(odile.getByRole('link', { name: 'Questions' })).toBeHidden();
  await authors.close();
});
