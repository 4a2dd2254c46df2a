import { expect, test, type APIRequestContext, type Browser, type Page } from '../support/test';
import { broughtIn, freshTitle, ownCollection, ownTitle, pageIdOf } from '../support/desk';
import { invited, PASSWORD } from '../support/invited';
import { actsOfRoutes, smallest, type Act } from '../support/routes';
import { signedInAs } from '../support/signIn';
import { ABOUT_ONESELF, AT_THE_DOOR, WHO_MAY } from '../support/whoMay';

const PEOPLE = {
  reviewer: 'ines-calder',
  author: 'odile-marsh',
  publisher: 'ruth-pender',
  specialist: 'uma-hale',
  administrator: 'sam-okello',
} as const;
const MARK = 'quillfeather';

/** A collection, a page and a finding that whoever asks has to do with, or not. */
async function objects(page: Page) {
  const collection = await ownCollection();
  const { slug } = await broughtIn(page, collection, freshTitle(MARK), `<h2>${MARK}</h2><p><img src="images/hive.png"></p>`);
  const id = await pageIdOf(collection, slug);
  const look = (await (await page.request.post(`/api/pages/${id}/look`, { data: {} })).json()) as { value: { desk: Desk } };
  const file = await (await page.request.get('/api/standard-file?profile=wcag22-aa')).text();
  return { collection, slug, id, file, version: look.value.desk.version, finding: look.value.desk.notes[0]!.id };
}

interface Desk {
  version: number;
  notes: { id: number }[];
}

type Objects = Awaited<ReturnType<typeof objects>>;

/** Asks for something, with the smallest body that the server takes, about the objects. */
async function asked(request: APIRequestContext, { name, method, schema }: Act, on: Objects): Promise<{ status: number; text: string }> {
  const address = name
    .replace(/^\w+ /, '')
    .replace('/pages/[id]/', `/pages/${on.id}/`)
    .replace('[collection]', on.collection)
    .replace('/criteria/[id]', '/criteria/1.1.1')
    .replace('[id]', '2000000000')
    .replace('[together]', '00000000-0000-0000-0000-000000000000')
    .replace('[sha256]', 'a'.repeat(64))
    .replace('[...path]', `${on.slug}.html`)
    .replace('[secret]', 'x')
    .replace('[provider]', 'house');
  const search = new URLSearchParams({
    collection: on.collection,
    address: on.slug,
    register: 'images',
    profile: 'none',
    person: 'odile-marsh',
  });
  if (method === 'GET') {
    const answer = await request.get(`${address}?${search.toString()}`, { maxRedirects: 0, timeout: 5_000 });
    return { status: answer.status(), text: await answer.text() };
  }
  const known = {
    ...{ collection: on.collection, page: on.id, pages: [on.slug], finding: on.finding, findings: [on.finding], findingId: on.finding },
    ...{ version: on.version, revision: 1, person: 'nobody-here', to: 'odile-marsh', by: 'person', profile: 'none', register: 'images' },
    // Refused for what they say, after it was asked whether one may: the house stays as it is for other tests.
    ...{ color: '#123456', bytes: Buffer.from('<p>x</p>').toString('base64'), name: 'wcag22-aa', file: on.file },
    ...{ title: '', colours: [{ value: 'no colour', name: 'x' }], messages: 365, deeds: 1_825, times: 730 },
    ...{
      host: 2_000_000_000,
      which: [2_000_000_000],
      id: 2_000_000_000,
      url: 'no address',
      delivery: '00000000-0000-0000-0000-000000000000',
      signatures: 1,
      fixerMaySign: true,
      looksNeeded: false,
    },
  };
  const data = schema ? smallest(schema, known) : Buffer.from('finding,for,due,what\r\n');
  const answer = await request.post(schema ? address : `${address}?${search.toString()}`, { data: data as object });
  return { status: answer.status(), text: await answer.text() };
}

/** Acts that everybody is asked for: not what is about oneself alone, nor the door. */
const isAsked = ({ name }: Act) => !ABOUT_ONESELF.includes(name) && !AT_THE_DOOR.includes(name);

test('every act of every route is for whom it is said to be for, and for nobody else', async ({ page, browser, baseURL }) => {
  test.setTimeout(180_000);
  const acts = actsOfRoutes().filter(isAsked);
  expect(acts.map(({ name }) => name).sort()).toEqual(Object.keys(WHO_MAY).sort());
  const on = await objects(page);
  const found: Record<string, string> = {};
  const unread: string[] = [];
  for (const [role, person] of Object.entries(PEOPLE)) {
    const context = await browser.newContext({ storageState: await signedInAs(person, baseURL!) });
    for (const act of acts) {
      const { status, text } = await asked(context.request, act, on);
      if (text.includes('This request could not be read')) unread.push(`${act.name} ${text}`);
      expect(`${act.name} ${role} ${status}`).not.toMatch(/ (?:500|503)$/);
      if (status !== 403 && status !== 401) found[act.name] = [found[act.name], role].filter(Boolean).join(' ');
    }
    await context.close();
  }
  expect(unread).toEqual([]);
  expect(found).toEqual(WHO_MAY);
});

test('whoever has a part elsewhere alone is told nothing of it and changes nothing; nobody at all is asked to sign in', async ({
  page,
  browser,
  baseURL,
}) => {
  test.setTimeout(120_000);
  const on = await objects(page);
  const stranger = await strangerOf(browser, baseURL!);
  const nobody = await browser.newContext({ storageState: { cookies: [], origins: [] } });
  for (const act of actsOfRoutes().filter(isAsked)) {
    const told = await asked(stranger.request, act, on);
    expect(`${act.name}: ${told.text}`).not.toMatch(new RegExp(`${MARK}|${ownTitle()}`));
    const alone = await asked(nobody.request, act, on);
    expect(`${act.name} ${alone.status}`).toMatch(/ (?:401|404)$/);
  }
  // All is as it was.
  const look = (await (await page.request.post(`/api/pages/${on.id}/look`, { data: {} })).json()) as { value: { desk: Desk } };
  expect(look.value.desk.version).toBe(on.version);
  await stranger.close();
  await nobody.close();
});

async function strangerOf(browser: Browser, baseURL: string) {
  const { link } = await invited(browser, baseURL, 'Stranger', 'larkmoor-canal-trust');
  const context = await browser.newContext({ storageState: { cookies: [], origins: [] } });
  const came = await context.request.post('/api/link', { data: { secret: link.replace('/link/', ''), password: PASSWORD } });
  expect(came.ok()).toBe(true);
  return context;
}
