import {
  askPublication,
  connect,
  HERE,
  lookAtHost,
  newHost,
  runPublication,
  showHosts,
  type Actor,
  type Result,
  type Services,
} from '@inkwell/review';
import {
  bytesWhole,
  collectionBySlug,
  connectionOf,
  filesOf,
  lastPublication,
  linkedPages,
  openDatabase,
  revisionOf,
} from '@inkwell/store';
import { PEOPLE } from './scenario.ts';

/** The course whose authors write on the host, and its page that is published. */
const COURSE = 'a-first-year-with-bees';
const PUBLISHED = 'welcome.html';

const { DATABASE_URL: url, INKWELL_HOST_PORT: port, INKWELL_HOST_TOKEN: token } = process.env;
const ORIGIN = `http://127.0.0.1:${port}`;

/** Puts the demo's course on its host, as its authors wrote it, connects it, and publishes what is signed off; once. */
async function fillHost(): Promise<void> {
  if (!url || !port || !token) throw new Error('The host is not running: run bin/demo, which starts it.');
  const db = openDatabase({ url, most: 2 });
  const services: Services = { db, engine: HERE, now: () => new Date() };
  try {
    const course = await collectionBySlug(db, COURSE);
    if (!course) return;
    if (process.argv.includes('--fresh')) await asked('DELETE', `places/${COURSE}`);
    if (!(await connectionOf(db, course.id))) await connected(services, course);
    await lookAtHost(services, { collection: course.id });
  } finally {
    await db.destroy();
  }
}

async function connected(services: Services, course: { id: number; title: string }): Promise<void> {
  await asked('PUT', `places/${COURSE}`, JSON.stringify({ title: course.title }));
  for (const file of await filesOf(services.db, course.id)) {
    await asked('PUT', `places/${COURSE}/files/${encodeURI(file.path)}`, await bytesWhole(services.db, file), file.mediaType);
  }
  const pages = await linkedPages(services.db, course.id);
  for (const page of pages) {
    // What was fixed here goes out when it is published.
    const text = (await revisionOf(services.db, page.id, page.address === PUBLISHED ? page.head : 1))!.html;
    const body = { address: page.address, title: page.title, kind: 'lesson', parts: [{ name: 'main', html: text }] };
    await asked('POST', `places/${COURSE}/pages`, JSON.stringify(body));
  }
  const sam = actor('sam-okello');
  const known = must(await showHosts(services, sam)).find(({ address }) => address === ORIGIN);
  const host =
    known?.id ?? must(await newHost(services, sam, { name: 'The college site', kind: 'host', address: ORIGIN, token: token! })).id;
  const ruth = actor('ruth-pender');
  must(await connect(services, ruth, { collection: COURSE, host, place: COURSE }));
  await lookAtHost(services, { collection: course.id });
  const { id } = pages.find(({ address }) => address === PUBLISHED)!;
  must(await askPublication(services, ruth, { which: [id], act: 'publish', at: null }));
  await runPublication(services, { publication: (await lastPublication(services.db, id))!.id, last: true });
}

async function asked(method: string, path: string, body?: string | Uint8Array, type = 'application/json'): Promise<void> {
  const headers = { authorization: `Bearer ${token}`, 'content-type': type };
  const answer = await fetch(`${ORIGIN}/api/${path}`, { method, headers, ...(body === undefined ? {} : { body: body as BodyInit }) });
  // What is there already stays.
  if (!answer.ok && answer.status !== 409) throw new Error(`The host answered ${method} ${path} with ${answer.status}.`);
}

function actor(id: string): Actor {
  const person = PEOPLE.find((one) => one.id === id)!;
  return { id, name: person.name, kind: 'person', disabled: false, memberships: [{ collection: null, role: person.role }] };
}

function must<T>(result: Result<T>): T {
  if (!result.ok) throw new Error(`The host could not be filled: ${result.problem.what}. ${result.problem.why ?? ''}`);
  return result.value;
}

await fillHost();
