import { chromium, type Page } from '@playwright/test';
import { signedInAs } from './signIn';
import { CHROMIUM } from './chromium';

/** A page of Debian's Chromium at a running demo, signed in as its reviewer; closing it is for whoever asked. */
export async function pageAtDemo(baseURL: string): Promise<Page> {
  const browser = await chromium.launch(CHROMIUM);
  return browser.newPage({
    baseURL,
    storageState: await signedInAs('ines-calder', baseURL),
    viewport: { width: 1280, height: 800 },
  });
}
