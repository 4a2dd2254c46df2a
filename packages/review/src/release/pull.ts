import { acceptText } from '@inkwell/formats';
import { HostTrouble, type Connector, type HostPage } from '@inkwell/host';
import {
  connectionOf,
  headText,
  linkedPages,
  linkPages,
  noteLooked,
  pageAtAddress,
  pageById,
  personById,
  revisionSaying,
  writing,
  type Connection,
  type Linked,
  type LinkRow,
} from '@inkwell/store';
import { THE_SYSTEM, type Actor } from '../actor.ts';
import { bringIn } from '../bringIn.ts';
import { changeText } from '../changeText.ts';
import { done, notFound, refused, type Result } from '../problems.ts';
import type { Services } from '../services.ts';
import { inCollection } from '../inCollection.ts';
import { connectorOf } from './connector.ts';
import { pullFiles, settleFiles } from './files.ts';
import { NOT_CONNECTED, tried } from './hosts.ts';

/** What was found on a host, in pages. */
export interface Pulled {
  same: number;
  pulled: number;
  fresh: number;
  both: number;
  gone: number;
}

/**
 * A job: looks at the files and drafts of a collection on its host. A page that changed there alone becomes a revision here, in the
 * name of whoever connected it; one that changed on both sides is told and left; one that is new there is brought in; one that has gone is
 * told. Done twice it says the same.
 */
export async function lookAtHost(services: Services, wish: { collection: number }): Promise<Pulled | null> {
  const connection = await connectionOf(services.db, wish.collection);
  const by = connection && (await personById(services.db, connection.made_by));
  if (!connection || !by) return null;
  try {
    const host = connectorOf(connection.host);
    // Files first: a page that comes finds what it shows.
    await pullFiles(services, connection, host);
    const pulled = await pullAll(services, letIn(by, wish.collection), connection, host);
    await noteLooked(services.db, wish.collection, 'looked_at', null);
    return pulled;
  } catch (error) {
    if (!(error instanceof HostTrouble)) throw error;
    await noteLooked(services.db, wish.collection, 'looked_at', error.message);
    return null;
  }
}

/**
 * What the host let its own authors change comes here too, whatever part whoever connected it has; where they have left, in the name of
 * the system.
 */
function letIn(by: Actor, collection: number): Actor {
  const who = by.disabled ? { ...by, id: THE_SYSTEM.id, name: THE_SYSTEM.name, disabled: false } : by;
  return { ...who, memberships: [{ collection, role: 'administrator' }] };
}

async function pullAll(services: Services, by: Actor, connection: Connection, host: Connector): Promise<Pulled> {
  const here = await linkedPages(services.db, connection.collection_id);
  const byRemote = new Map(here.flatMap((page) => (page.row ? [[page.row.remote, page] as const] : [])));
  const byAddress = new Map(here.map((page) => [page.address, page]));
  const told: Pulled = { same: 0, pulled: 0, fresh: 0, both: 0, gone: 0 };
  const seen = new Set<number>();
  const links: LinkRow[] = [];
  for await (const some of host.pages(connection.place))
    for (const there of some) {
      const page = byRemote.get(there.remote) ?? byAddress.get(there.address);
      if (page) seen.add(page.id);
      const link = page ? await settled(services, by, host, page, there, told) : await fresh(services, by, connection, host, there, told);
      if (link) links.push(link);
    }
  for (const { id, row } of here) {
    if (!row || seen.has(id)) continue;
    told.gone++;
    links.push({ page_id: id, ...row, state: 'gone there' });
  }
  await writing(services.db, (trx) => linkPages(trx, connection.collection_id, links));
  return told;
}

/** How a page is to the one here, once what changed there alone is here too; null where nothing is to be written. */
async function settled(
  services: Services,
  by: Actor,
  host: Connector,
  page: Linked,
  there: HostPage,
  told: Pulled,
): Promise<LinkRow | null> {
  const { row } = page;
  if (row && row.tag === there.tag && row.state !== 'gone there') {
    told.same++;
    return null;
  }
  const draft = await host.read(there.remote);
  const read = draft && acceptText(draft.html);
  if (!draft || !read?.ok) return null;
  const link = { page_id: page.id, remote: there.remote, tag: draft.tag };
  const known = await revisionThatSays(services, page, read.text);
  if (known !== null) {
    told.same++;
    return { ...link, revision: known, state: 'same' };
  }
  if (row && row.state !== 'changed on both' && page.head === row.revision) {
    const revised = await pulled(services, by, page, read.text);
    if (revised.ok) {
      told.pulled++;
      return { ...link, revision: revised.value, state: 'same' };
    }
  }
  told.both++;
  return { ...link, tag: row?.tag ?? null, revision: row?.revision ?? page.head, state: 'changed on both' };
}

/**
 * The revision here that says what stands there: the newest one; or, of a page that was never seen there, an earlier one, so that there it
 * is older. Null: none, and of what was never seen nobody knows which is the newer.
 */
async function revisionThatSays({ db }: Services, page: Linked, text: string): Promise<number | null> {
  if ((await headText(db, page)) === text) return page.head;
  return page.row ? null : revisionSaying(db, page.id, text);
}

async function pulled(services: Services, by: Actor, page: Pick<Linked, 'id' | 'version'>, html: string): Promise<Result<number>> {
  const made = await changeText(
    services,
    by,
    { pageId: page.id, version: page.version },
    {
      about: 'its text',
      make: () => Promise.resolve(done({ html, cause: 'pulled' as const, note: 'from its host' })),
    },
  );
  return made.ok ? done(made.value.revision) : made;
}

async function fresh(
  services: Services,
  by: Actor,
  connection: Connection,
  host: Connector,
  there: HostPage,
  told: Pulled,
): Promise<LinkRow | null> {
  const draft = await host.read(there.remote);
  if (!draft) return null;
  const wish = {
    collection: connection.slug,
    title: draft.title,
    ...(draft.contentType ? { contentType: draft.contentType } : {}),
    address: draft.address,
    incoming: { kind: 'bytes' as const, bytes: Buffer.from(draft.html), fileName: draft.address },
  };
  const brought = await bringIn(services, by, wish);
  const page = brought.ok ? await pageAtAddress(services.db, connection.collection_id, draft.address) : undefined;
  if (!page) return null;
  told.fresh++;
  return { page_id: page.id, remote: there.remote, tag: draft.tag, revision: page.head, state: 'same' };
}

/**
 * Settles a page that changed on both sides: what stands there becomes a revision here, or what is here is to go there. No page: the files
 * that are others on both sides.
 */
export async function settleBoth(
  services: Services,
  actor: Actor,
  wish: { collection: string; page: number | null; take: 'theirs' | 'ours' },
): Promise<Result<null>> {
  if (wish.page === null) return settleFiles(services, actor, wish);
  const found = await inCollection(services.db, actor, 'change a page', wish.collection);
  if (!found.ok) return found;
  const connection = await connectionOf(services.db, found.value.id);
  if (!connection) return NOT_CONNECTED;
  const page = (await linkedPages(services.db, found.value.id)).find(({ id }) => id === wish.page);
  if (page?.row?.state !== 'changed on both')
    return page
      ? refused({ code: 'nothing-to-do', what: 'This page did not change on both sides', kept: 'Nothing was changed.' })
      : notFound('This page');
  const draft = await tried(() => connectorOf(connection.host).read(page.row!.remote), 'Nothing was changed.');
  if (!draft.ok) return draft;
  if (!draft.value) return notFound('This page on the host');
  const { remote, tag, html } = draft.value;
  const taken = wish.take === 'ours' ? done(page.head) : await pulled(services, actor, page, html);
  if (!taken.ok) return taken;
  const head = (await pageById(services.db, page.id))!.head;
  // Ours goes over this very draft, and no later one.
  const link: LinkRow = { page_id: page.id, remote, tag, revision: wish.take === 'ours' ? page.head : head, state: 'same' };
  await writing(services.db, (trx) => linkPages(trx, found.value.id, [link]));
  return done(null);
}
