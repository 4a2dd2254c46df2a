import { expect, type Browser } from '@playwright/test';
import { freshTitle } from './desk';
import { signedInAs } from './signIn';

/** A password that is taken here. */
export const PASSWORD = 'nine herons by the weir';

/** Somebody new with a part, invited by the administrator: their address, and the link they were sent. */
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
  const messages = (await (await sam.request.post('/api/people/messages', { data: { before: null } })).json()) as {
    value: { address: string; body: string }[];
  };
  await sam.close();
  return { email, link: /\/link\/\S+/.exec(messages.value.find(({ address }) => address === email)!.body)![0] };
}
