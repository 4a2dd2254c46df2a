/**
 * `npm run bench:registers`: the images of a running demo (INKWELL_BASE) described one after another by keyboard alone, each for all its
 * uses, and taken back in the end. Prints keys besides those of the words, and machine time from the last key until the next image can be
 * written about; fails when the focus is ever nowhere.
 */
import { pageAtDemo } from './support/bench';

const base = process.env.INKWELL_BASE ?? 'http://127.0.0.1:4310';
const MOST = Number(process.env.INKWELL_IMAGES ?? 60);
/** Longest a next image may take, in ms. */
const BOUND = 300;

const page = await pageAtDemo(base);
await page.goto('/registers/images?order=name&group=thing', { waitUntil: 'networkidle' });
const hand = page.getByRole('region', { name: 'In hand' });
const title = hand.getByRole('heading', { level: 2 });
const field = hand.getByRole('textbox', { name: /^Alternative text/ });

let [keys, typed, skipped, nowhere] = [0, 0, 0, 0];
const press = async (key: string) => {
  keys++;
  await page.keyboard.press(key);
};
const taken: number[] = [];
const began = Date.now();
await page.locator('[data-cell="here"]').focus();
for (let nth = 0; taken.length + skipped < MOST; nth++) {
  if (!(await field.isVisible())) {
    // What readers are told nothing of needs no words: back to the lines, and one further.
    skipped++;
    await page.locator('[data-cell="here"]').focus();
    const before = await page.locator('[data-hand] [data-cell="here"]').textContent();
    await press('ArrowDown');
    await page.waitForTimeout(200);
    if ((await page.locator('[data-hand] [data-cell="here"]').textContent()) === before) break;
    await press('Enter');
    continue;
  }
  if (!(await field.evaluate((one) => one === document.activeElement))) await press('Enter');
  const words = `A keeper at the lock with rope number ${nth}`;
  await page.keyboard.type(words);
  typed += words.length;
  const button = hand.getByRole('button', { name: /^Apply/ });
  await button.and(page.locator(':not([data-disabled])')).waitFor({ timeout: 5_000 });
  const before = await title.textContent();
  const last = (await button.textContent()) === 'Apply';
  const from = performance.now();
  await press('Enter');
  if (last) break;
  await page.waitForFunction(
    (was) => {
      const own = document.querySelector('section[aria-label="In hand"]');
      const next = own?.querySelector('h2')?.textContent !== was;
      return next && (own?.querySelector('textarea') === document.activeElement || !own?.querySelector('textarea'));
    },
    before,
    { timeout: 8_000 },
  );
  taken.push(performance.now() - from);
  if (await page.evaluate(() => document.activeElement === document.body)) nowhere++;
}
const seconds = (Date.now() - began) / 1_000;
taken.sort((a, b) => a - b);
const at = (share: number) => Math.round(taken[Math.min(taken.length - 1, Math.floor(taken.length * share))] ?? 0);
console.log(
  `${taken.length} images described, ${skipped} with nothing to say passed by, in ${seconds.toFixed(0)} s; ${(keys / Math.max(1, taken.length)).toFixed(2)} keys an image besides ${Math.round(typed / Math.max(1, taken.length))} letters; next image after ${at(0.5)} ms at the median, ${at(0.95)} ms at the 95th percentile (bound ${BOUND}); focus nowhere ${nowhere} times`,
);
await page.context().browser()!.close();
process.exitCode = nowhere > 0 || at(0.95) > BOUND ? 1 : 0;
