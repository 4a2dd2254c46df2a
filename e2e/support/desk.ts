import { expect, test, type Page } from './test';
import { sql } from 'kysely';
import { addCollection, collectionBySlug, openDatabase, placeFiles, writeDays } from '@inkwell/store';

let made = 0;

/** A title no other test of this run uses. */
export function freshTitle(what: string): string {
  made++;
  return `${what} ${process.pid}-${made}`;
}

/** In the demo: lets somebody else sit at the desk, and waits until they do. */
export async function atDesk(page: Page, who: string): Promise<void> {
  await Promise.all([page.waitForResponse('**/api/person'), page.getByLabel('At the desk').selectOption(who)]);
}

/** The title of that collection. */
export function ownTitle(): string {
  const { testId, retry } = test.info();
  return `Tests ${testId.slice(-10)} ${retry}`;
}

/** A collection of the running test's own, with the demo's images: what other tests say of an image is none of its business. */
export async function ownCollection(): Promise<string> {
  const { testId, retry } = test.info();
  const slug = `test-${testId}-${retry}`;
  const db = openDatabase({ url: process.env.DATABASE_URL!, most: 1 });
  try {
    if (await collectionBySlug(db, slug)) return slug;
    const id = await addCollection(db, { slug, title: ownTitle(), kind: 'course', scope: 'fragment' });
    await sql`insert into assets (collection_id, path, sha256) select ${id}::integer, path, sha256 from assets a join collections c on c.id = a.collection_id where c.slug = 'a-first-year-with-bees'`.execute(
      db,
    );
    // What test pages link to is there.
    const targets = [
      'a.html',
      'b.html',
      'c.html',
      'x',
      'a.mp4',
      'spring.html',
      'swarms.html',
      ...[1, 2, 3, 4].map((n) => `leaf-${n}.html`),
    ];
    await placeFiles(
      db,
      id,
      targets.map((path) => ({ path, mediaType: 'text/plain', bytes: Buffer.from('there') })),
    );
    return slug;
  } finally {
    await db.destroy();
  }
}

/** Writes down that so much of must stood open in a collection of one page on earlier days. */
export async function hadOpen(slug: string, days: readonly { day: string; must: number }[]): Promise<void> {
  const db = openDatabase({ url: process.env.DATABASE_URL!, most: 1 });
  try {
    const { id } = (await collectionBySlug(db, slug))!;
    for (const { day, must } of days)
      await writeDays(db, day, [{ id, pages: 1, held: 1, judge: 0, ready: 0, must, should: 0, consider: 0, questions: 0 } as never]);
  } finally {
    await db.destroy();
  }
}

/** Brings a page in without a screen, and gives its address. */
export async function broughtIn(page: Page, collection: string, title: string, text: string): Promise<{ slug: string; address: string }> {
  const sent = await page.request.post('/api/bring-in', { data: { collection, title, text } });
  expect(sent.ok()).toBe(true);
  const { slug } = ((await sent.json()) as { value: { slug: string } }).value;
  return { slug, address: `/collections/${collection}/${slug}` };
}

/** The number a page goes by in requests. */
export async function pageIdOf(collection: string, slug: string): Promise<number> {
  const db = openDatabase({ url: process.env.DATABASE_URL!, most: 1 });
  try {
    const { id } = await db
      .selectFrom('pages as p')
      .innerJoin('collections as c', 'c.id', 'p.collection_id')
      .select('p.id')
      .where('c.slug', '=', collection)
      .where('p.slug', '=', slug)
      .executeTakeFirstOrThrow();
    return id;
  } finally {
    await db.destroy();
  }
}

/** Hands all that is open on a page to somebody. */
export async function handedTo(
  page: Page,
  to: string,
  collection: string,
  slug: string,
  words: string,
  due: string | null = null,
): Promise<void> {
  const data = { collection, to, due, words, pages: [slug], findings: null };
  expect((await page.request.post('/api/docket/hand-out', { data })).ok()).toBe(true);
}

/** Brings a page in by pasting its markup and waits for its Desk. */
export async function bringIn(page: Page, html: string, title: string, collection?: string): Promise<void> {
  await page.goto(`/collections/${collection ?? (await ownCollection())}/bring-in`);
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

/** Applies the fix in hand and waits until the page stands at its next revision. */
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
