import { expect, test, type Page } from '../support/test';
import { bringIn, freshTitle } from '../support/desk';

const frame = (page: Page) => page.frameLocator('iframe[title^="Proof of"]');
const mark = (page: Page, name: RegExp) => page.getByRole('group', { name: 'Margin' }).getByRole('button', { name });

const PAGE = `<h2>Wax</h2><p>${'Words of a long paragraph. '.repeat(60)}</p><p><img src="images/smoker.png"> and <img src="images/smoker.png" alt="A smoker, lit"></p><p style="color:#c00">Red words</p><p><a href="swarms.html"></a></p>`;

test('the proof is as wide as a desktop, a tablet or a phone, and notes keep to their lines', async ({ page }) => {
  await bringIn(page, PAGE, freshTitle('Widths'));
  const widths = page.getByRole('radiogroup', { name: 'Width' });
  for (const [name, width] of [
    ['Desktop', 1280],
    ['Tablet', 768],
    ['Phone', 320],
  ] as const) {
    await widths.getByText(name).click();
    await expect
      .poll(() =>
        frame(page)
          .locator('html')
          .evaluate((html) => html.ownerDocument.defaultView!.innerWidth),
      )
      .toBe(width);
    const image = frame(page).locator('img').first();
    await mark(page, /must: Image with no alternative/).click();
    await image.scrollIntoViewIfNeeded();
    await expect
      .poll(async () => {
        const [note, shown] = [await mark(page, /must: Image with no alternative/).boundingBox(), await image.boundingBox()];
        return note!.y + note!.height / 2 > shown!.y - 24 && note!.y + note!.height / 2 < shown!.y + shown!.height + 24;
      })
      .toBe(true);
  }
  await expect(page).toHaveURL(/width=320/);
  await page.reload();
  await expect(widths.getByRole('radio', { name: 'Phone' })).toBeChecked();
});

test('text is doubled alone, images give way to their words, and colours to what other eyes see', async ({ page }) => {
  await bringIn(page, PAGE, freshTitle('Eyes'));
  const size = () =>
    frame(page)
      .locator('p')
      .first()
      .evaluate((p) => getComputedStyle(p).fontSize);
  const before = Number.parseFloat(await size());
  await page.getByText('Text doubled').click();
  await expect.poll(async () => Number.parseFloat(await size())).toBe(before * 2);

  await page.getByText('Images in words').click();
  await expect(frame(page).getByRole('img', { name: 'Image, nothing said' })).toBeVisible();
  await expect(frame(page).getByRole('img', { name: 'A smoker, lit' })).toBeVisible();
  expect(
    await frame(page)
      .locator('img')
      .evaluateAll((all) => all.filter((image) => (image as HTMLImageElement).src !== '').length),
  ).toBe(0);

  await page.getByLabel('Seen with').selectOption('no-colour');
  await expect(page).toHaveURL(/text=200&eyes=no-colour&images=words/);
  // What Chromium paints of the red words is grey.
  const red = frame(page).getByText('Red words');
  await red.scrollIntoViewIfNeeded();
  const painted = await pixelsOf(page, await red.screenshot());
  expect(painted.some(([r, g, b]) => r! < 160 && g! < 160 && b! < 160)).toBe(true);
  expect(painted.every(([r, g, b]) => Math.max(r!, g!, b!) - Math.min(r!, g!, b!) <= 2)).toBe(true);
});

/** Red, green and blue of each pixel of a PNG, read by the browser itself. */
async function pixelsOf(page: Page, png: Buffer): Promise<number[][]> {
  return page.evaluate(async (data) => {
    const image = new Image();
    image.src = `data:image/png;base64,${data}`;
    await image.decode();
    const canvas = Object.assign(document.createElement('canvas'), { width: image.width, height: image.height });
    const pen = canvas.getContext('2d')!;
    pen.drawImage(image, 0, 0);
    const { data: bytes } = pen.getImageData(0, 0, image.width, image.height);
    return Array.from({ length: bytes.length / 4 }, (_, i) => [bytes[i * 4]!, bytes[i * 4 + 1]!, bytes[i * 4 + 2]!]);
  }, png.toString('base64'));
}

test('the page is heard line by line, each line with its notes and its place', async ({ page }) => {
  await bringIn(page, PAGE, freshTitle('Heard'));
  await page.getByRole('tab', { name: 'Spoken' }).click();
  const lines = page.getByRole('list', { name: 'The page as it is said' });
  await expect(lines.getByRole('button', { name: 'Heading level 2, Wax' })).toBeVisible();
  const images = lines.getByRole('listitem').filter({ hasText: /image with no description.*image, A smoker, lit/ });
  await expect(images.getByRole('button', { name: /^Note \d, must: Image with no alternative/ })).toBeVisible();

  // The arrow keys go from line to line, and notes are taken up from there.
  await lines.getByRole('button', { name: 'Heading level 2, Wax' }).focus();
  await page.keyboard.press('ArrowDown');
  await expect(lines.getByRole('button', { name: /^Words of a long paragraph/ })).toBeFocused();
  await page.keyboard.press('End');
  await expect(lines.getByRole('button', { name: 'link with no name', exact: true })).toBeFocused();
  await lines.getByRole('button', { name: /: Link with no text/ }).click();
  await expect(page.getByRole('heading', { level: 2, name: /has no text/ })).toBeVisible();

  await images.getByRole('button', { name: /^image with/ }).click();
  await images.getByRole('button', { name: /^Show on the proof/ }).click();
  await expect(frame(page).locator('img').first()).toBeInViewport();
});

test('links, headings and images are listed out of their surroundings', async ({ page }) => {
  await bringIn(page, `${PAGE}<h3>Rendering</h3><p><a href="spring.html">Spring work</a></p>`, freshTitle('Kinds'));
  await page.getByRole('tab', { name: 'Spoken' }).click();
  await page.getByRole('tab', { name: 'Links 2' }).click();
  await expect(page.getByRole('row', { name: /^no name swarms\.html/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /^Spring work spring\.html/ })).toBeVisible();
  await page.getByRole('tab', { name: 'Headings 2' }).click();
  await expect(page.getByRole('row', { name: /^Rendering level 3/ })).toBeVisible();
  await page.getByRole('tab', { name: 'Fields 0' }).click();
  await expect(page.getByText('This page has nothing to fill in.')).toBeVisible();
});

test('where the browser has a voice, it reads from the line one is at, and stops when told', async ({ page }) => {
  // Headless Chromium has no voice of its own: this one says nothing and keeps what it was given.
  await page.addInitScript(() => {
    const said: string[] = [];
    const voice = Object.assign(new EventTarget(), {
      getVoices: () => [{ name: 'Test' }],
      cancel: () => undefined,
      speak: (words: SpeechSynthesisUtterance) => {
        said.push(words.text);
        if (said.length < 3) setTimeout(() => words.dispatchEvent(new Event('end')), 20);
      },
    });
    Object.defineProperty(window, 'speechSynthesis', { value: voice });
    Object.assign(window, { said });
  });
  await bringIn(page, '<h2>Wax</h2><p>One.</p><p>Two.</p><p>Three.</p><p>Four.</p>', freshTitle('Voice'));
  await page.getByRole('tab', { name: 'Spoken' }).click();
  const lines = page.getByRole('list', { name: 'The page as it is said' });
  await lines.getByRole('button', { name: 'One.', exact: true }).click();
  await page.getByRole('button', { name: 'Read aloud from here' }).click();
  await expect(lines.getByRole('button', { name: 'Three.', exact: true })).toHaveAttribute('aria-current', 'true');
  expect(await page.evaluate(() => (window as unknown as { said: string[] }).said)).toEqual(['One.', 'Two.', 'Three.']);
  await page.getByRole('button', { name: 'Stop reading' }).click();
  await expect(page.getByRole('button', { name: 'Read aloud from here' })).toBeVisible();
});
