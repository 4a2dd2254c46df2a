import { chromium, type Page } from '@playwright/test';
import { signedInAs } from './signIn';

/** A page of Debian's Chromium at a running demo, signed in as its reviewer; closing it is for whoever asked. */
export async function pageAtDemo(baseURL: string): Promise<Page> {
  const browser = await chromium.launch({
    executablePath: process.env.INKWELL_CHROMIUM ?? '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  });
  return browser.newPage({
    baseURL,
    storageState: await signedInAs('ines-calder', baseURL),
    viewport: { width: 1280, height: 800 },
  });
}
