import { atDesk } from '../support/desk';
import { signedInAs } from '../support/signIn';
import { expect, test, type Page } from '../support/test';
import { auditPage, DEFAULT_PROFILE, parsePage, selectFindings, sentenceOf } from '@inkwell/core';

const SCREENS: readonly (readonly [string, string])[] = [
  ['Shelf', '/'],
  ['Ledger', '/collections/a-first-year-with-bees'],
  ['Steps', '/collections/a-first-year-with-bees/steps'],
  ['One slip, many pages', '/collections/larkmoor-canal-trust/repeated'],
  ['Ledger, part by part', '/collections/a-first-year-with-bees?order=part'],
  ['Attached files', '/collections/larkmoor-canal-trust/attached'],
  ['Spread', '/collections/a-first-year-with-bees/spread'],
  ['Trend', '/collections/a-first-year-with-bees/trend'],
  ...['images', 'links', 'headings', 'tables', 'lists', 'colours', 'media', 'text'].map(
    (name) => [`Register of ${name}`, `/collections/larkmoor-canal-trust/registers/${name}`] as const,
  ),
  ['Register of images, thumbnails', '/collections/larkmoor-canal-trust/registers/images?view=grid'],
  ['Register of headings, page by page', '/collections/a-first-year-with-bees/registers/headings?view=pages'],
  ['Register of images, all collections', '/registers/images?group=thing'],
  ['What the package holds', 'its package'],
  ['Pasted markup', 'its package/clean'],
  ['Bring in a page', '/collections/a-first-year-with-bees/bring-in'],
  ['Bring in a collection', '/bring-in'],
  ['Desk', '/collections/a-first-year-with-bees/inside-the-hive'],
  ['Desk, at phone width', '/collections/a-first-year-with-bees/inside-the-hive?width=320&images=words'],
  ['Desk, text', '/collections/a-first-year-with-bees/inside-the-hive?face=text'],
  ['Desk, outline', '/collections/a-first-year-with-bees/inside-the-hive?face=outline'],
  ['Desk, spoken', '/collections/a-first-year-with-bees/inside-the-hive?face=spoken'],
  ['Desk, source', '/collections/a-first-year-with-bees/inside-the-hive?face=source'],
  ['Desk, changes', '/collections/a-first-year-with-bees/your-first-harvest?face=changes'],
  ['Desk, two revisions', '/collections/a-first-year-with-bees/your-first-harvest?face=changes&from=1&to=2'],
  ['Desk, nothing open', '/collections/a-first-year-with-bees/welcome-to-a-first-year-with-bees'],
  ['Criterion', '/criteria/1.3.1'],
  ['Sign in', '/sign-in'],
  ['A new password', '/password'],
  ['You', '/you'],
  ['Docket', '/docket'],
  ['Handed out', '/docket/handed'],
  ['Handed out, as a board', '/docket/handed?as=board'],
  ['Notices', '/notices'],
  ['Search', '/search?words=wax'],
  ['What comes back', '/learning'],
  ['A note for an author', '/note?person=odile-marsh'],
  ['Docket of an author', '/docket?person=odile-marsh'],
  ['Questions', '/questions'],
  ['Questions about images', '/questions?kind=images%2Ftrue-to-picture'],
  ['Questions for a specialist', '/questions?show=specialist as Uma Hale, specialist'],
  ['Answered questions', '/questions?show=answered'],
  ['House standard', '/standard as Sam Okello, administrator'],
  ['People', '/people as Sam Okello, administrator'],
  ['Tokens', '/tokens as Sam Okello, administrator'],
  ['A problem of the API', '/problems/held'],
  ['The API', '/calls'],
  ['Record', '/deeds as Sam Okello, administrator'],
  ['Webhooks', '/webhooks as Sam Okello, administrator'],
  ['Hosts', '/hosts as Sam Okello, administrator'],
  ['Gate', '/gate'],
  ['Gate, published', '/gate?group=published as Ruth Pender, publisher'],
  ['Gate, held', '/gate?group=held'],
  ['Gate of a collection', '/gate?collection=a-first-year-with-bees'],
  ['Report', '/collections/a-first-year-with-bees/report'],
  ['Report of a page', '/collections/a-first-year-with-bees/report?page=winter'],
  ['Statement, as it is written', '/collections/a-first-year-with-bees/report/statement'],
  ['From readers', '/barriers'],
  ['Messages', '/outbox as Sam Okello, administrator'],
];

/** Where the package of the bees' course is shown. */
async function packageOf(page: Page): Promise<string> {
  await page.goto('/collections/a-first-year-with-bees');
  return (await page.getByRole('link', { name: 'a-first-year-with-bees.imscc' }).getAttribute('href'))!;
}

async function open(page: Page, asked: string): Promise<void> {
  const [wished = '', who] = asked.split(' as ');
  if (who !== undefined) {
    await page.goto('/');
    await atDesk(page, who);
  }
  const address = wished.replace('its package', wished.startsWith('its') ? await packageOf(page) : '');
  await page.goto(address, { waitUntil: 'networkidle' });
  await expect(page.locator('h1')).toBeVisible();
}

/** Sheets that lie over the Desk, by what opens them. */
const SHEETS: readonly (readonly [string, (page: Page) => Promise<void>])[] = [
  ['Find what to do', (page) => page.keyboard.press('Control+k')],
  ['Keys of the Desk', (page) => page.getByRole('button', { name: 'Keys' }).click()],
  ['Fix what is certain', (page) => page.getByRole('button', { name: 'Fix what is certain…' }).click()],
  ['Let it stand for a time', (page) => page.getByRole('button', { name: 'Let it stand for a time…' }).click()],
  [
    'Link',
    async (page) => {
      await page.getByRole('tab', { name: 'Text' }).click();
      await page.getByRole('button', { name: 'Link', exact: true }).click();
    },
  ],
  [
    'Choose where the link leads',
    async (page) => {
      await page.getByRole('tab', { name: 'Text' }).click();
      await page.getByRole('button', { name: 'Link', exact: true }).click();
      await page.getByRole('button', { name: 'Choose a page' }).click();
      await expect(page.getByRole('option', { name: 'Swarms' })).toBeVisible();
    },
  ],
  [
    'Choose an image',
    async (page) => {
      await page.getByRole('tab', { name: 'Text' }).click();
      await page.getByRole('button', { name: 'Image', exact: true }).click();
      await page.getByRole('button', { name: 'Choose from the collection' }).click();
      await expect(page.getByRole('option', { name: 'IMG_2043.png' })).toBeVisible();
    },
  ],
  ['This page', (page) => page.getByRole('button', { name: 'This page…' }).click()],
  [
    'Image',
    async (page) => {
      await page.getByRole('tab', { name: 'Text' }).click();
      await page.getByRole('button', { name: 'Image', exact: true }).click();
    },
  ],
  [
    'Table',
    async (page) => {
      await page.getByRole('tab', { name: 'Text' }).click();
      await page.getByRole('button', { name: 'Table', exact: true }).click();
    },
  ],
];

for (const [name, act] of SHEETS) {
  test(`the sheet “${name}” is sound, named throughout, and fits 320 pixels`, async ({ page }) => {
    await open(page, '/collections/a-first-year-with-bees/opening-a-hive');
    await act(page);
    const sheet = page.getByRole('dialog', { name });
    await expect(sheet).toBeVisible();
    await expect(sheet.getByText('Looking at each of them…')).toBeHidden();
    const findings = selectFindings(
      auditPage(parsePage(await sheet.evaluate((dialog) => dialog.outerHTML), { scope: 'fragment' })).findings,
      DEFAULT_PROFILE,
    );
    expect(
      findings
        .filter((finding) => finding.weight !== 'consider' && finding.outcome === 'failed')
        .map((finding) => `${finding.at.path}: ${sentenceOf(finding)}`),
    ).toEqual([]);
    expect(await unnamed(page)).toEqual([]);
    await page.setViewportSize({ width: 320, height: 640 });
    const box = (await sheet.boundingBox())!;
    expect([box.x >= 0, box.x + box.width <= 320]).toEqual([true, true]);
    await page.keyboard.press('Escape');
    await expect(sheet).toBeHidden();
  });
}

/** The screen's markup. The text being edited, or quoted, is the page under review, not the screen around it. */
function screenOf(page: Page): Promise<string> {
  return page.evaluate(() => {
    const copy = document.documentElement.cloneNode(true) as HTMLElement;
    for (const text of copy.querySelectorAll('.ProseMirror, [data-quoted]')) text.replaceChildren('Text');
    return `<!doctype html>${copy.outerHTML}`;
  });
}

/** Roles of the controls that Chromium exposes without a name. */
async function unnamed(page: Page): Promise<string[]> {
  const session = await page.context().newCDPSession(page);
  const { nodes } = (await session.send('Accessibility.getFullAXTree')) as {
    nodes: { ignored: boolean; role?: { value: string }; name?: { value: string } }[];
  };
  const controls = nodes.filter(
    (node) =>
      !node.ignored &&
      /^(?:button|link|textbox|searchbox|combobox|radio|checkbox|tab|menuitem|Iframe|heading|region|dialog)$/.test(node.role?.value ?? ''),
  );
  expect(controls.length).toBeGreaterThan(2);
  return controls.filter((node) => !node.name?.value?.trim()).map((node) => node.role!.value);
}

// One tab for all: what every screen loads is loaded once. Whoever looks as somebody else does so in a tab of their own.
let tab: Page;
test.beforeAll(async ({ browser, baseURL }) => {
  const context = await browser.newContext({ storageState: await signedInAs('ines-calder', baseURL!) });
  tab = await context.newPage();
});
test.afterAll(() => tab.context().close());

/** Fits a narrow window and doubled text; our own engine finds nothing on it; every control Chromium exposes has a name. */
async function expectSound(page: Page, address: string): Promise<void> {
  await page.setViewportSize({ width: 320, height: 640 });
  await open(page, address);
  const overflow = () => page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
  expect(await overflow(), 'at 320 pixels').toBeLessThanOrEqual(0);
  await page.setViewportSize({ width: 640, height: 800 });
  await page.evaluate(() => (document.documentElement.style.fontSize = '200%'));
  expect(await overflow(), 'with text doubled').toBeLessThanOrEqual(0);
  await page.evaluate(() => document.documentElement.removeAttribute('style'));
  await page.setViewportSize({ width: 1280, height: 800 });
  const findings = selectFindings(auditPage(parsePage(await screenOf(page))).findings, DEFAULT_PROFILE);
  // What is asked of an image of the demo, or of words that a screen quotes, is asked of the page they come from.
  const ours = findings.filter(
    (finding) => finding.weight !== 'consider' && !(/^(?:images|colour)$/.test(finding.family) && finding.outcome === 'cantTell'),
  );
  expect(ours.map((finding) => `${finding.at.path}: ${sentenceOf(finding)}`)).toEqual([]);
  expect(await unnamed(page)).toEqual([]);
}

for (const [name, address] of SCREENS) {
  const title = `${name}: fits 320 pixels and doubled text, our own engine finds nothing, and every control Chromium exposes has a name`;
  if (address.includes(' as ')) test(title, ({ page }) => expectSound(page, address));
  else test(title, () => expectSound(tab, address));
}

test('text and controls keep their contrast, by day and by night', async ({ page }) => {
  for (const colorScheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme });
    await open(page, '/');
    const tokens = await page.evaluate(() => {
      const style = getComputedStyle(document.documentElement);
      return Object.fromEntries(
        [
          'ground',
          'paper',
          'sheet',
          'gallWash',
          'rubricWash',
          'bar',
          'ink',
          'quiet',
          'gall',
          'gallInk',
          'rubric',
          'barInk',
          'barQuiet',
          'edge',
          'barEdge',
        ].map((name) => [name, style.getPropertyValue(`--${name}`).trim()]),
      );
    });
    const pairs = [
      ...['ground', 'paper', 'sheet', 'gallWash'].flatMap((ground) => ['ink', 'quiet', 'gall'].map((text) => [text, ground, 7] as const)),
      ...['paper', 'sheet', 'rubricWash'].map((ground) => ['rubric', ground, 7] as const),
      ['gallInk', 'gall', 7],
      ['barInk', 'bar', 7],
      ['barQuiet', 'bar', 7],
      ['edge', 'sheet', 3],
      ['edge', 'ground', 3],
      ['barEdge', 'bar', 3],
    ] as const;
    const low = pairs
      .filter(([text, ground, least]) => contrast(tokens[text]!, tokens[ground]!) < least)
      .map(([text, ground]) => `${colorScheme} ${text} on ${ground}: ${contrast(tokens[text]!, tokens[ground]!).toFixed(2)}`);
    expect(low).toEqual([]);
  }
});

/** WCAG 2.2, "contrast ratio" and "relative luminance". */
function contrast(a: string, b: string): number {
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x) as [number, number];
  return (light + 0.05) / (dark + 0.05);
}

function luminance(colour: string): number {
  const [red, green, blue] = [1, 3, 5].map((at) => {
    const part = parseInt(colour.slice(at, at + 2), 16) / 255;
    return part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4;
  }) as [number, number, number];
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
}
