import { request } from '@playwright/test';

/** What a browser keeps of being signed in. */
export type SignedIn = Awaited<ReturnType<Awaited<ReturnType<typeof request.newContext>>['storageState']>>;

/** Signs in at the demo with one press, as one of its people. */
export async function signedInAs(person: string, baseURL: string, path?: string): Promise<SignedIn> {
  const context = await request.newContext({ baseURL });
  const answer = await context.post('/api/person', { data: { person } });
  if (!answer.ok()) throw new Error(`Nobody is let in at ${baseURL}: ${await answer.text()}`);
  const state = await context.storageState(path === undefined ? {} : { path });
  await context.dispose();
  return state;
}
