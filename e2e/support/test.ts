import { test as plain, type BrowserContext, type Page } from '@playwright/test';

export { expect } from '@playwright/test';
export type { APIRequestContext, Browser, BrowserContext, Locator, Page } from '@playwright/test';

/** Waits until React has taken up every control the server sent, 10 s at most: what is pressed before that is lost on a slow machine. */
async function takenUp(page: Page): Promise<void> {
  const isTakenUp = () => {
    if (!document.querySelector('script[src*="/_next/"]')) return true;
    const controls = [...document.querySelectorAll('button, input, select, textarea')];
    return controls.every(
      (one) => one.closest('[data-quoted], .ProseMirror, template') || Object.keys(one).some((key) => key.startsWith('__reactFiber')),
    );
  };
  await page.waitForFunction(isTakenUp, undefined, { timeout: 10_000 }).catch(() => undefined);
}

/** From now on that page's goto and reload come back once the screen answers to its controls. */
function patient(page: Page): void {
  const { goto, reload } = page;
  page.goto = async (...asked) => {
    const answer = await goto.apply(page, asked);
    await takenUp(page);
    return answer;
  };
  page.reload = async (...asked) => {
    const answer = await reload.apply(page, asked);
    await takenUp(page);
    return answer;
  };
}

const patientContext = (context: BrowserContext): BrowserContext => context.on('page', patient);

/** Tests of screens: every page of every context is patient. */
export const test = plain.extend<object, { patience: void }>({
  patience: [
    async ({ browser }, use) => {
      const newContext = browser.newContext.bind(browser);
      browser.newContext = async (options) => patientContext(await newContext(options));
      await use();
    },
    { scope: 'worker', auto: true },
  ],
});
