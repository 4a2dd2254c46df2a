import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { signedInAs } from './support/signIn';
import { CHROMIUM } from './support/chromium';

interface Shot {
  name: string;
  address: string;
  width?: number;
  height?: number;
  /** Who looks, where it is not the reviewer. */
  as?: string;
  dark?: boolean;
  before?(page: Page): Promise<void>;
}

const BEES = '/collections/a-first-year-with-bees';

const SHOTS: readonly Shot[] = [
  { name: 'shelf', address: '/' },
  { name: 'ledger', address: BEES },
  {
    name: 'bring-in',
    address: `${BEES}/bring-in`,
    before: async (page) =>
      void (await page
        .getByLabel('The page’s content')
        .fill('<p><b>Wax and what it is for</b></p>\n<p>1. Candles</p>\n<p>2. Polish</p>\n<p>3. New foundation for the frames</p>')),
  },
  { name: 'desk', address: `${BEES}/inside-the-hive`, before: (page) => page.keyboard.press('n') },
  { name: 'desk-night', address: `${BEES}/opening-a-hive?family=lists`, dark: true },
  {
    name: 'desk-text',
    address: `${BEES}/opening-a-hive?face=text`,
    before: async (page) => {
      await page.getByText('Choose a warm, still hour').click();
    },
  },
  {
    name: 'desk-outline',
    address: `${BEES}/inside-the-hive?face=outline`,
    before: (page) => page.getByRole('button', { name: /^Propose the least repair/ }).click(),
  },
  { name: 'desk-spoken', address: `${BEES}/inside-the-hive?face=spoken` },
  {
    name: 'desk-source',
    address: `${BEES}/swarms?face=source`,
    before: async (page) => {
      await page.locator('.cm-line').nth(2).click();
      await page.keyboard.press('End');
      await page.keyboard.insertText('\n<p><a href="opening-a-hive.html">here</a></p>');
    },
  },
  { name: 'desk-changes', address: `${BEES}/your-first-harvest?face=changes&from=1&to=3` },
  { name: 'desk-narrow', address: '/collections/larkmoor-canal-trust/boat-trips', width: 320, height: 900 },
  { name: 'repeated', address: '/collections/larkmoor-canal-trust/repeated' },
  {
    name: 'register-images',
    address: '/collections/larkmoor-canal-trust/registers/images',
    before: (page) =>
      page
        .getByText(/on \d+ pages?$/)
        .first()
        .waitFor(),
  },
  { name: 'register-colours', address: '/collections/larkmoor-canal-trust/registers/colours' },
  {
    name: 'gate',
    address: '/gate',
    as: 'ruth-pender',
    before: (page) => page.getByRole('button', { name: /looked at: Winter/ }).click(),
  },
  { name: 'report', address: '/collections/larkmoor-canal-trust/report' },
  { name: 'spread', address: `${BEES}/spread` },
  { name: 'questions', address: '/questions?kind=images%2Ftrue-to-picture' },
  {
    name: 'standard',
    address: '/standard',
    as: 'sam-okello',
    before: async (page) => {
      await page.getByRole('combobox', { name: /^Level/ }).selectOption('AAA');
      await page.getByText(/more would be held/).waitFor();
    },
  },
];

const browser = await chromium.launch(CHROMIUM);
const base = process.env.INKWELL_BASE ?? 'http://127.0.0.1:4310';
for (const shot of SHOTS) {
  const page = await browser.newPage({
    baseURL: base,
    storageState: await signedInAs(shot.as ?? 'ines-calder', base),
    viewport: { width: shot.width ?? 1280, height: shot.height ?? 800 },
    colorScheme: shot.dark ? 'dark' : 'light',
  });
  await page.goto(shot.address, { waitUntil: 'networkidle' });
  await shot.before?.(page);
  await page.getByText('Looking for fixes…').waitFor({ state: 'hidden' });
  await page.waitForTimeout(900);
  await page.screenshot({ path: join(import.meta.dirname, '..', 'docs', 'screenshots', `${shot.name}.png`) });
  await page.close();
}
await browser.close();
