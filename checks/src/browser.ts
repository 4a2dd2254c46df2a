import { readFileSync, statSync } from 'node:fs';
import { extname } from 'node:path';
import { browserReadsAsXml } from '@inkwell/core';
import { decodeHtml } from '@inkwell/formats';
import { chromium, type Browser, type BrowserContext, type Page } from '@playwright/test';
import { CHROMIUM } from '../../e2e/support/chromium.ts';

const TYPES: Record<string, string> = {
  '.html': 'text/html',
  '.htm': 'text/html',
  '.xhtml': 'text/html',
  '.css': 'text/css',
  '.svg': 'image/svg+xml',
  '.png': 'image/png',
  '.gif': 'image/gif',
  '.jpg': 'image/jpeg',
};
const ORIGIN = 'http://pages.invalid';

/** Debian's Chromium with nothing but local files behind it: no script of a page runs, nothing outside is asked for. */
export async function openBrowser(): Promise<{ browser: Browser; context: BrowserContext; close(): Promise<void> }> {
  const browser = await chromium.launch(CHROMIUM);
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, colorScheme: 'light' });
  await context.route('**/*', (route) => {
    const url = new URL(route.request().url());
    const path = decodeURIComponent(url.pathname);
    if (url.origin !== ORIGIN || !statSync(path, { throwIfNoEntry: false })?.isFile()) return route.fulfill({ status: 404, body: '' });
    const type = TYPES[extname(path)] ?? 'application/octet-stream';
    // A page is given as the text we read: which encoding a file is in is checked elsewhere.
    const put = inPlaceOf.get(path);
    const read = type === 'text/html' ? decodeHtml(readFileSync(path)) : null;
    const text = put ?? (read?.ok ? read.text : null);
    return route.fulfill({
      body: text ?? readFileSync(path),
      headers: {
        // The browser reads a page as the engine does: as XML where it is XHTML.
        'content-type': text === null ? type : `${browserReadsAsXml(text, path) ? 'application/xhtml+xml' : 'text/html'}; charset=utf-8`,
        'content-security-policy': "script-src 'none'; object-src 'none'; frame-src 'none'",
      },
    });
  });
  return { browser, context, close: () => browser.close() };
}

/** Texts shown in place of files, by path. */
const inPlaceOf = new Map<string, string>();

/** Shows a file, or another text in its place, with all that lies beside it. */
export async function show(page: Page, file: string, text?: string): Promise<void> {
  if (text === undefined) inPlaceOf.delete(file);
  else inPlaceOf.set(file, text);
  await page.goto(ORIGIN + encodeURI(file), { waitUntil: 'load' });
  // Functions sent to the page carry a helper's name from compilation.
  await page.evaluate('globalThis.__name = (made) => made');
}
