import { HostTrouble, type Connector } from '@inkwell/host';
import {
  addMessages,
  askToPublish,
  callOff,
  connectionOf,
  endPublication,
  filesOfPage,
  gatePages,
  hashOf,
  revisionOf,
  hostPage,
  linkPages,
  lockAnyPage,
  lockPage,
  notePublic,
  noteTry,
  noteUnread,
  pageById,
  personById,
  pagesForGate,
  publicationById,
  refreshStatus,
  signedRevision,
  touchPage,
  writing,
  type Connection,
  type FileOfPage,
  type GateGroup,
  type LinkRow,
  type PageForGate,
  type PlacedPage,
  type Publication,
  SYSTEM,
} from '@inkwell/store';
import { enqueue, type NewJob } from '@inkwell/work';
import { reachOf, unlessAllowed, type Actor } from '../actor.ts';
import { gate, isSigned } from '../gate.ts';
import { lookAtHostJob, PUBLISH } from '../jobs.ts';
import { done, notFound, refused, type Refusal, type Result } from '../problems.ts';
import { dayIn, type Services } from '../services.ts';
import { connectorOf } from './connector.ts';
import { sendFiles } from './files.ts';

/** Pages acted on at once, at most. */
export const AT_ONCE = 5_000;

/** Pages by number, or all of a group; `collection`: those of one alone. */
export interface ChosenAtGate {
  which: readonly number[] | { group: GateGroup; collection: number | null };
}

/** What was done of what was asked, and why the rest was not. */
export interface GateDone {
  done: number;
  left: { title: string; why: string }[];
}

/** The pages that were chosen, of those somebody may do this with. */
export async function chosenAtGate(
  services: Services,
  actor: Actor,
  act: 'publish' | 'sign off',
  wish: ChosenAtGate,
): Promise<PageForGate[]> {
  const reach = reachOf(actor, act);
  if ('length' in wish.which) return pagesForGate(services.db, wish.which.slice(0, AT_ONCE), reach);
  const { group, collection } = wish.which;
  const among = collection === null ? reach : reach === null || reach.includes(collection) ? [collection] : [];
  return pagesForGate(services.db, await gatePages(services.db, among, group, AT_ONCE), reach);
}

/** Why there is nothing to do: whoever may do it nowhere is told so. */
export function nothingChosen(actor: Actor, act: 'publish' | 'sign off'): Refusal {
  const barred = actor.memberships.map(({ collection }) => unlessAllowed(actor, act, collection === null ? 'house' : { collection }));
  return (barred.every((one) => one !== null) && barred[0]) || notFound('This page');
}

/**
 * Puts pages down to be published, or taken off, now or at a time. Pages that are not signed off as they stand, or whose collection is
 * connected to no host, are left and named.
 */
export async function askPublication(
  services: Services,
  actor: Actor,
  wish: ChosenAtGate & { act: Publication['act']; at: Date | null },
): Promise<Result<GateDone>> {
  if (wish.at && Number.isNaN(wish.at.getTime())) return NO_TIME;
  const pages = await chosenAtGate(services, actor, 'publish', wish);
  if (pages.length === 0) return nothingChosen(actor, 'publish');
  const judged = pages.map((page) => ({ page, why: wish.act === 'publish' ? notOut(page) : notOff(page) }));
  const good = judged.flatMap(({ page, why }) => (why === null ? [{ id: page.id, revision: page.head }] : []));
  const due = wish.at ?? services.now();
  await writing(services.db, async (trx) => {
    const ids = await askToPublish(trx, { pages: good, act: wish.act, due, by: actor.id });
    await enqueue(trx, actor.id, ids.map(publishJob), { after: due });
  });
  return done({ done: good.length, left: judged.flatMap(({ page, why }) => (why === null ? [] : [{ title: page.title, why }])) });
}

const NO_TIME = refused({
  code: 'bad-page',
  what: 'There is no such day and time',
  kept: 'Nothing was put down to go out.',
  next: 'Give another one.',
});

const publishJob = (id: number): NewJob => ({ kind: PUBLISH, payload: { publication: id }, name: `${PUBLISH} ${id}` });

function notOut({ release, signed, head, host, remote, state }: PageForGate): string | null {
  if (release === 'published') return 'It is published as it stands.';
  if (release !== 'signed off' || signed !== head) return 'It is not signed off as it stands.';
  if (!host) return 'Its collection is connected to no host.';
  if (remote === null || state === 'gone there') return 'It is not on the host.';
  return state === 'changed on both' ? 'It changed on the host too: look at that first.' : null;
}

const notOff = ({ publicAddress }: PageForGate) => (publicAddress === null ? 'It is not published.' : null);

/** Calls off what waits to go out. */
export async function callPublicationOff(services: Services, actor: Actor, wish: ChosenAtGate): Promise<Result<GateDone>> {
  const pages = await chosenAtGate(services, actor, 'publish', wish);
  if (pages.length === 0) return nothingChosen(actor, 'publish');
  const many = await writing(services.db, (trx) =>
    callOff(
      trx,
      pages.map(({ id }) => id),
      actor.id,
    ),
  );
  return done({ done: many, left: [] });
}

/**
 * A job: publishes one page, or takes it off, and believes it when it reads so on the public side. Tried again while the host is away;
 * `last`: nobody will try again. What was signed must be what goes out: a page that moved on meanwhile stays in.
 */
export async function runPublication(services: Services, wish: { publication: number; last: boolean }): Promise<void> {
  const wanted = await publicationById(services.db, wish.publication);
  if (wanted?.state !== 'waiting') return;
  const page = await pageById(services.db, wanted.page_id);
  const connection = page && (await connectionOf(services.db, page.collection_id));
  if (!page || !connection) return fail(services, wanted, 'Its collection is connected to no host any more.');
  try {
    const host = connectorOf(connection.host);
    await (wanted.act === 'publish' ? publishOn(services, wanted, page, { connection, host }) : takeOff(services, wanted, host));
  } catch (error) {
    if (!(error instanceof HostTrouble)) throw error;
    if (wish.last || error.kind === 'not let in') return fail(services, wanted, error.message);
    await noteTry(services.db, wanted.id, error.message);
    throw error;
  }
}

/** Ends what was asked for as not done, and tells whoever asked. */
async function fail(services: Services, wanted: Publication, problem: string): Promise<void> {
  await writing(services.db, async (trx) => {
    if (!(await endPublication(trx, wanted.id, { state: 'failed', problem, address: null, by: null }))) return;
    const [by, page] = [await personById(trx, wanted.asked_by), await pageById(trx, wanted.page_id)];
    if (!by?.email || !page) return;
    const subject = wanted.act === 'publish' ? `Not published: ${page.title}` : `Not taken off: ${page.title}`;
    const site = process.env.INKWELL_ADDRESS ?? '';
    const body = `Hello ${by.name},\n\n${problem}\n\n${site}/gate?collection=${encodeURIComponent(page.collection_slug)}\n`;
    await addMessages(trx, [{ person: by.id, address: by.email, subject, body }]);
  });
}

/** Under the page's lock: why the revision may not go out now, or null. */
async function stillSigned(services: Services, wanted: Publication): Promise<string | null> {
  return writing(services.db, async (trx) => {
    const page = await lockPage(trx, wanted.page_id);
    if (!page || page.gone_at !== null) return 'The page was taken out.';
    if (page.head !== wanted.revision) return `The page is at revision ${page.head} by now, and revision ${wanted.revision} was asked for.`;
    const { verdict, release } = await gate(trx, page, services);
    if (verdict !== 'ready') return 'Something holds it by now.';
    const signed = await signedRevision(trx, page.id);
    return isSigned(release) && signed === wanted.revision ? null : 'Its sign-off has lapsed.';
  });
}

interface Way {
  connection: Connection;
  host: Connector;
}

async function publishOn(services: Services, wanted: Publication, page: PlacedPage, { connection, host }: Way): Promise<void> {
  const lapsed = await stillSigned(services, wanted);
  if (lapsed !== null) return fail(services, wanted, lapsed);
  const text = (await revisionOf(services.db, page.id, wanted.revision))!.html;
  const files = await filesOfPage(services.db, page.id);
  const drafted = await draftThere(services, wanted, page, { connection, host }, { text, files });
  if ('why' in drafted) {
    // What differs there is told with the page.
    await enqueue(services.db, wanted.asked_by, [lookAtHostJob(page.collection_id)]);
    return fail(services, wanted, drafted.why);
  }
  // Between the first look and this one somebody may have changed the page here.
  const moved = await stillSigned(services, wanted);
  if (moved !== null) return fail(services, wanted, `${moved} It is a draft on the host, and not published.`);
  // It may have been called off while its text went there.
  if ((await publicationById(services.db, wanted.id))?.state !== 'waiting') return;
  const paths = files.map(({ path }) => path);
  const out = await host.publish(drafted.remote, drafted.tag, paths);
  if (!out.ok) return fail(services, wanted, 'The page was changed on the host just before it was to go out. It is not published.');
  // Until it is read back, readers may see what nobody signed: it stands with what differs there, and can be taken off.
  await writing(services.db, (trx) => noteUnread(trx, page.id, out.address));
  const shown = await host.shown(out.address);
  const instead = shown === null ? 'none' : 'another text';
  if (shown !== text) throw new HostTrouble('away', `The host says it published the page, and shows ${instead}.`);
  await published(services, wanted, { text, address: out.address });
}

/** Has what was signed as the draft on the host, with the files it shows; or why it may not be put there. */
async function draftThere(
  services: Services,
  wanted: Publication,
  page: PlacedPage,
  { connection, host }: Way,
  { text, files }: { text: string; files: readonly FileOfPage[] },
): Promise<{ remote: string; tag: string } | { why: string }> {
  const row = await hostPage(services.db, page.id);
  const there = row && (await host.read(row.remote));
  if (!row || !there) return { why: 'The page is no longer on the host.' };
  if (there.html !== text && there.tag !== row.tag)
    return { why: 'The page was changed on the host meanwhile. Nothing was written over it.' };
  const unsent = await sendFiles(services, connection, host, files);
  if (unsent !== null) return { why: unsent };
  const note = `revision ${wanted.revision}, signed off`;
  const pushed =
    there.html === text ? ({ ok: true, tag: there.tag } as const) : await host.push(row.remote, { html: text, note }, there.tag);
  if (!pushed.ok) return { why: 'The page was changed on the host at the same moment. Nothing was written over it.' };
  const link: LinkRow = { page_id: page.id, remote: row.remote, tag: pushed.tag, revision: wanted.revision, state: 'same' };
  await writing(services.db, (trx) => linkPages(trx, page.collection_id, [link]));
  return { remote: row.remote, tag: pushed.tag };
}

async function published(services: Services, wanted: Publication, { text, address }: { text: string; address: string }): Promise<void> {
  await writing(services.db, async (trx) => {
    const page = await lockAnyPage(trx, wanted.page_id);
    if (!page) return;
    // What is out is out, even where it was called off in that very moment.
    await endPublication(trx, wanted.id, { state: 'done', problem: null, address, by: null });
    await notePublic(trx, page.id, { revision: wanted.revision, sum: hashOf(text), address });
    await touchPage(trx, page.id);
    await refreshStatus(trx, [page.id], dayIn(page.time_zone, services.now()), { by: SYSTEM, because: 'audit' });
  });
}

async function takeOff(services: Services, wanted: Publication, host: Connector): Promise<void> {
  const row = await hostPage(services.db, wanted.page_id);
  if (!row) return fail(services, wanted, 'The page is no longer on the host.');
  await host.unpublish(row.remote);
  const shown = row.public_address === null ? null : await host.shown(row.public_address);
  if (shown !== null) throw new HostTrouble('away', 'The host says it took the page off, and still shows it.');
  await writing(services.db, async (trx) => {
    const page = await lockAnyPage(trx, wanted.page_id);
    if (!page || !(await endPublication(trx, wanted.id, { state: 'done', problem: null, address: null, by: null }))) return;
    await notePublic(trx, page.id, null);
    await touchPage(trx, page.id);
    await refreshStatus(trx, [page.id], dayIn(page.time_zone, services.now()), { by: SYSTEM, because: 'audit' });
  });
}
