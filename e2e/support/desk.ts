import { expect, type Page } from '@playwright/test';

let made = 0;

/** A title no other test of this run uses. */
export function freshTitle(what: string): string {
  made++;
  return `${what} ${process.pid}-${made}`;
}

/** Brings a page in by pasting its markup and waits for its Desk. */
export async function bringIn(page: Page, html: string, title: string, collection = 'a-first-year-with-bees'): Promise<void> {
  await page.goto(`/collections/${collection}/bring-in`);
  await page.getByLabel('The page’s content').fill(html);
  await page.getByLabel('Title').fill(title);
  await page.getByRole('button', { name: 'Bring it in' }).click();
  await expect(page.getByRole('heading', { level: 1, name: title })).toBeVisible();
}

export const standing = (page: Page) => page.getByRole('region', { name: 'Standing of the page' });

/** Takes up the note of a title, or of the sentence it shows. */
export async function takeUp(page: Page, title: string): Promise<void> {
  await page.getByRole('listitem').getByRole('button', { name: title }).first().click();
}

/** Applies the correction in hand and waits until the page stands at its next revision. */
export async function apply(page: Page): Promise<void> {
  const now = await revision(page);
  await page.getByRole('button', { name: 'Apply, go to next' }).click();
  await expect(standing(page)).toContainText(`revision ${now + 1}`);
}

export async function revision(page: Page): Promise<number> {
  return Number(/revision (\d+)/.exec((await standing(page).textContent()) ?? '')?.[1]);
}

/** The source as the Source face shows it. */
export async function sourceOf(page: Page): Promise<string> {
  await page.getByRole('tab', { name: 'Source' }).click();
  const lines = page.locator('.cm-line');
  await expect(lines.first()).toBeVisible();
  const text = (await lines.allTextContents()).join('\n');
  await page.getByRole('tab', { name: 'Proof' }).click();
  return text;
}
