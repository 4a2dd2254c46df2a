import { expect, test, type Page } from '../support/test';
import { bringIn, freshTitle } from '../support/desk';

interface InSight {
  heading: boolean;
  focused: boolean;
  button: boolean;
  field: boolean;
  rows: number;
  all: number;
  current: boolean;
}

/** What of the note in hand and of the list is in view, as boxes on the screen. */
function inSight(page: Page): Promise<InSight> {
  return page.evaluate(() => {
    const list = document.querySelector('[aria-labelledby="notes-heading"] ol')!;
    const note = document.querySelector('section[aria-labelledby="note-heading"]')!;
    const within = (inner: Element | null, outer: Element) => {
      if (!inner) return true;
      const [a, b] = [inner.getBoundingClientRect(), outer.getBoundingClientRect()];
      return a.top >= b.top - 1 && a.bottom <= b.bottom + 1 && a.bottom <= window.innerHeight + 1;
    };
    const rows = [...list.querySelectorAll('li > button')];
    const heading = document.getElementById('note-heading')!;
    const form = note.querySelector('form')!;
    // What settles a question is its answers, else it is the fix.
    const answers = [...note.querySelectorAll('button')].filter((one) => /^(?:Yes|No|Not sure)\b/.test(one.textContent ?? ''));
    const acts = [...form.querySelectorAll('button')].filter((one) => /^(?:Apply|Skip)/.test(one.textContent ?? ''));
    const buttons = answers.length > 0 ? answers : acts;
    const seen = rows.filter((row) => within(row, list.parentElement!));
    return {
      heading: within(heading, note),
      focused: document.activeElement === heading,
      button: buttons.length > 0 && buttons.every((one) => within(one, note)),
      field: within(form.querySelector('input[type="text"], input:not([type]), textarea'), note),
      rows: seen.length,
      all: rows.length,
      current: seen.some((row) => row.getAttribute('aria-current') === 'true'),
    };
  });
}

const isRight = ({ heading, focused, button, current, rows, all }: InSight) =>
  heading && focused && button && current && rows >= Math.min(4, all);

for (const address of ['keeping-records', 'plants-for-bees', 'inside-the-hive', 'opening-a-hive']) {
  test(`${address}: whatever note is taken up, it, its button and four rows of the list are in view at 1280 by 800`, async ({ page }) => {
    test.slow();
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.goto(`/collections/a-first-year-with-bees/${address}`);
    const rows = page.locator('[aria-labelledby="notes-heading"] ol li');
    await expect(rows.first()).toBeVisible();
    const many = await rows.count();
    const out: string[] = [];
    for (let nth = 0; nth < many; nth++) {
      await page.keyboard.press('n');
      await expect(page.getByText('Looking for fixes…')).toBeHidden();
      // The list follows what the note leaves it in the next frames.
      let seen = await inSight(page);
      for (let tries = 0; tries < 20 && !isRight(seen); tries++) {
        await page.waitForTimeout(25);
        seen = await inSight(page);
      }
      if (!isRight(seen)) out.push(`${nth}: ${await page.locator('#note-heading').textContent()} ${JSON.stringify(seen)}`);
    }
    expect(out).toEqual([]);
  });
}

test('a row of the list, and a mark in the margin, lead to the note: it has the focus and nothing jumps', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto('/collections/a-first-year-with-bees/plants-for-bees');
  const rows = page.locator('[aria-labelledby="notes-heading"] ol li button');
  await expect(page.getByText('Looking for fixes…')).toBeHidden();
  await rows.nth(20).click();
  await expect(page.locator('#note-heading')).toBeFocused();
  expect(await inSight(page)).toMatchObject({ heading: true, button: true, current: true });
  expect(await page.evaluate(() => window.scrollY)).toBe(0);
});

test('after a fix, and after one that was refused, focus is never nowhere', async ({ page }) => {
  await bringIn(page, '<h2></h2><h2> </h2><p><img src="images/smoker.png"></p><p>Text</p>', freshTitle('Focus'));
  await page.evaluate(() => {
    const lost: number[] = [];
    Object.assign(window, { lost });
    const watch = () => {
      if (document.activeElement === document.body) lost.push(performance.now());
      requestAnimationFrame(watch);
    };
    document.getElementById('note-heading')!.focus();
    requestAnimationFrame(watch);
  });
  const lost = () => page.evaluate(() => (window as unknown as { lost: number[] }).lost.length);
  const apply = page.getByRole('button', { name: 'Apply, go to next' });
  await apply.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status').filter({ hasText: 'Fixed, 2 left.' })).toHaveCount(1);
  await page.keyboard.press('n');
  const box = page.getByLabel(/^Alternative text: /);
  await box.fill('A smoker, lit');
  await page.route('**/api/pages/*/fix', (route) =>
    route.fulfill({ status: 500, json: { ok: false, problem: { code: 'fault', what: 'It failed' } } }),
  );
  await box.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'It failed' })).toBeVisible();
  await expect(box).toBeFocused();
  await page.unroute('**/api/pages/*/fix');
  await box.press('Enter');
  await expect(box).toBeHidden();
  await expect(page.locator('#note-heading')).toBeFocused();
  // A frame or two may pass while the new note is drawn.
  expect(await lost()).toBeLessThanOrEqual(2);
});
