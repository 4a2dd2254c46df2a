/**
 * `npm run bench:questions`: a thousand questions of a running demo (INKWELL_BASE) answered one after another by keyboard alone, in a
 * seeded mix of yes, no, not sure and passed over, some taken back. Prints machine time from the key until the next question can be
 * answered; fails when an answer is lost or the focus is ever nowhere.
 */
import { openDatabase } from '@inkwell/store';
import { pageAtDemo } from './support/bench';

const base = process.env.INKWELL_BASE ?? 'http://127.0.0.1:4310';
const MANY = Number(process.env.INKWELL_QUESTIONS ?? 1_000);
const ON_A_PAGE = 20;
/** Longest a next question may take, in ms, at the 95th of a hundred. */
const BOUND = 300;

/** A linear congruential generator: the same answers every time. */
let state = 7;
const next = () => (state = (state * 1_103_515_245 + 12_345) % 2_147_483_648) / 2_147_483_648;

const page = await pageAtDemo(base);
const run = Date.now();
const made = await page.request.post('/api/bring-in', {
  data: { collection: 'a-first-year-with-bees', title: 'First', text: '<p>Bees</p>' },
});
if (!made.ok()) throw new Error(await made.text());
for (let nth = 0; nth < MANY / ON_A_PAGE; nth++) {
  const images = Array.from(
    { length: ON_A_PAGE },
    (_, i) =>
      `<p>Part ${i}</p><p><img src="images/honey-jars.png" alt="Hive ${nth * ON_A_PAGE + i} of run ${run}" width="600" height="400"></p>`,
  );
  const data = { collection: 'a-first-year-with-bees', title: `Hives ${run} ${nth}`, text: `<h2>Hives</h2>${images.join('\n')}` };
  const sent = await page.request.post('/api/bring-in', { data });
  if (!sent.ok()) throw new Error(await sent.text());
}

await page.goto('/questions?kind=images%2Ftrue-to-picture', { waitUntil: 'networkidle' });
const pane = page.locator('section[aria-labelledby="question-heading"]');
const taken: number[] = [];
let [nowhere, given, back] = [0, 0, 0];
const began = Date.now();
while (taken.length < MANY) {
  const before = await pane.textContent();
  const key = ['x', 'x', 'x', 'x', 'x', 'x', 'y', 'y', 'z', 'n'][Math.floor(next() * 10)]!;
  const from = performance.now();
  await page.keyboard.press(key);
  await page.waitForFunction(
    (was) => {
      const own = document.querySelector('section[aria-labelledby="question-heading"]');
      return own === null || own.textContent !== was;
    },
    before,
    { timeout: 10_000, polling: 'raf' },
  );
  taken.push(performance.now() - from);
  if (!(await pane.isVisible())) break;
  if (await page.evaluate(() => document.activeElement === document.body)) nowhere++;
  if (key !== 'n') given++;
  if (key === 'y' && next() < 0.1) {
    await page.keyboard.press('u');
    await page.getByText('Take it back').waitFor();
    back++;
  }
}
const seconds = (Date.now() - began) / 1_000;
await page.waitForTimeout(3_000);
const db = openDatabase({ url: process.env.DATABASE_URL!, most: 1 });
const { many } = await db
  .selectFrom('answers')
  .select((eb) => eb.fn.countAll<number>().as('many'))
  .where('made_at', '>=', new Date(began - 1_000))
  .executeTakeFirstOrThrow();
await db.destroy();
await page.context().browser()!.close();

taken.sort((a, b) => a - b);
const at = (share: number) => taken[Math.min(taken.length - 1, Math.floor(taken.length * share))]!.toFixed(0);
console.log(
  `${taken.length} questions in ${seconds.toFixed(0)} s, ${given} answered (${Number(many)} recorded), ${back} taken back; the next one after ${at(0.5)} ms, p95 ${at(0.95)} ms, at most ${at(1)} ms; the focus was nowhere ${nowhere} times.`,
);
process.exitCode = Number(many) === given && nowhere === 0 && Number(at(0.95)) <= BOUND ? 0 : 1;
