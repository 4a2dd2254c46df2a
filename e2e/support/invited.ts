import { execFile } from 'node:child_process';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { expect, type Browser } from '@playwright/test';
import { freshTitle } from './desk';
import { signedInAs } from './signIn';

/** A password that is taken here. */
export const PASSWORD = 'nine herons by the weir';

/** Somebody new with a part, invited by the administrator: their address, and a link with which they choose a password. */
export async function invited(
  browser: Browser,
  baseURL: string,
  name: string,
  collection: string | null = null,
): Promise<{ email: string; link: string }> {
  const email = `${freshTitle(name).toLowerCase().replace(/\s+/g, '-')}-${process.pid}@larkmoor.example`;
  const sam = await browser.newContext({ storageState: await signedInAs('sam-okello', baseURL) });
  const put = await sam.request.post('/api/people/invite', { data: { name, email, role: 'reviewer', collection } });
  expect(await put.json()).toMatchObject({ ok: true });
  await sam.close();
  return { email, link: await linkFor(email) };
}

/** A link for somebody, made on the machine: no secret is read inside the application. */
export async function linkFor(email: string): Promise<string> {
  const { stdout } = await promisify(execFile)('bin/link', [email], { cwd: join(import.meta.dirname, '../..') });
  return new URL(stdout.trim()).pathname;
}
