import { HostTrouble } from '@inkwell/host';
import {
  addConnection,
  addHost,
  connectionOf,
  endConnection,
  endHost,
  hostById,
  hosts,
  writeDeed,
  writing,
  type Host,
  type HostKind,
} from '@inkwell/store';
import { enqueue } from '@inkwell/work';
import { may, unlessAllowed, type Actor } from '../actor.ts';
import { inCollection } from '../inCollection.ts';
import { lookAtHostJob } from '../jobs.ts';
import { nameFrom, NO_NAME } from '../people/words.ts';
import { done, notFound, refused, type Result } from '../problems.ts';
import type { Services } from '../services.ts';
import { barredHost, connectorOf } from './connector.ts';
import { seal } from './seal.ts';

export type HostView = Pick<Host, 'id' | 'name' | 'kind' | 'address'> & { collections: number };

/** Whoever publishes or brings in may know which hosts there are. */
const unlessHosts = (actor: Actor) => (may(actor, 'publish', 'house') ? null : unlessAllowed(actor, 'bring in', 'house', 'This host'));

/** Hosts pages may be published on. */
export async function showHosts(services: Services, actor: Actor): Promise<Result<HostView[]>> {
  const barred = unlessHosts(actor);
  if (barred) return barred;
  return done((await hosts(services.db)).map(({ id, name, kind, address, collections }) => ({ id, name, kind, address, collections })));
}

/** Takes a host in, when it answers and lets us in. */
export async function newHost(
  services: Services,
  actor: Actor,
  wish: { name: string; kind: HostKind; address: string; token: string },
): Promise<Result<{ id: number; places: number }>> {
  const barred = unlessAllowed(actor, 'look after people', 'house', 'This');
  if (barred) return barred;
  const name = nameFrom(wish.name);
  if (name === null) return NO_NAME;
  const address = wish.address.trim().replace(/\/+$/, '');
  const why = barredHost({ kind: wish.kind, address });
  if (why !== null)
    return refused({
      code: 'bad-page',
      what: 'This host may not be spoken to',
      why: `${address || 'Nothing'} ${why}.`,
      kept: 'No host was added.',
      next: 'Whoever looks after this server allows hosts (INKWELL_HOSTS; in a network of your own INKWELL_PRIVATE_HOSTS too).',
    });
  const host = { name, kind: wish.kind, address, token: wish.token ? seal(wish.token) : null, made_by: actor.id };
  const places = await tried(() => connectorOf({ ...host, id: 0, made_at: new Date(), gone_at: null }).places(), 'No host was added.');
  if (!places.ok) return places;
  return writing(services.db, async (trx) => {
    const id = await addHost(trx, host);
    if (id === null) return refused({ code: 'duplicate', what: 'There is a host at this address already', kept: 'It stays as it is.' });
    await writeDeed(trx, { by: actor.id, deed: 'added a host', about: { name, address } });
    return done({ id, places: places.value.length });
  });
}

/** What was asked of a host, or why it could not be, in words. */
export async function tried<T>(work: () => Promise<T>, kept: string): Promise<Result<T>> {
  try {
    return done(await work());
  } catch (error) {
    if (!(error instanceof HostTrouble)) throw error;
    return refused({
      code: error.kind === 'away' ? 'away' : 'declined',
      what: error.kind === 'away' ? 'The host does not answer' : 'The host does not answer as it should',
      why: error.message,
      kept,
      next: error.kind === 'not let in' ? 'Look at its address and its token.' : 'Try again in a while.',
    });
  }
}

/** Takes a host out. What is published there stays there, and is looked at no more. */
export function removeHost(services: Services, actor: Actor, wish: { host: number }): Promise<Result<null>> {
  return writing(services.db, async (trx) => {
    const barred = unlessAllowed(actor, 'look after people', 'house', 'This');
    if (barred) return barred;
    const host = await hostById(trx, wish.host);
    if (!host || !(await endHost(trx, wish.host))) return notFound('This host');
    await writeDeed(trx, { by: actor.id, deed: 'removed a host', about: { name: host.name, address: host.address } });
    return done(null);
  });
}

/** The places of a host that collections can be connected to. */
export async function placesOnHost(
  services: Services,
  actor: Actor,
  wish: { host: number },
): Promise<Result<{ place: string; title: string }[]>> {
  const barred = unlessHosts(actor);
  if (barred) return barred;
  const host = await hostById(services.db, wish.host);
  return host ? tried(() => connectorOf(host).places(), 'Nothing was changed.') : notFound('This host');
}

/**
 * Connects a collection to a place on a host: pages are found there by their addresses, in the background. Of another place nothing is
 * taken over: what one host calls a page may be another page on the next.
 */
export async function connect(
  services: Services,
  actor: Actor,
  wish: { collection: string; host: number; place: string },
): Promise<Result<null>> {
  const found = await inCollection(services.db, actor, 'publish', wish.collection);
  if (!found.ok) return found;
  const host = await hostById(services.db, wish.host);
  if (!host) return notFound('This host');
  const places = await tried(() => connectorOf(host).places(), 'Nothing was connected.');
  if (!places.ok) return places;
  if (!places.value.some(({ place }) => place === wish.place)) return notFound('This place on the host');
  const before = await connectionOf(services.db, found.value.id);
  const isElsewhere = before && (before.host_id !== host.id || before.place !== wish.place);
  return writing(services.db, async (trx) => {
    if (isElsewhere) await endConnection(trx, found.value.id);
    await addConnection(trx, { collection_id: found.value.id, host_id: host.id, place: wish.place, made_by: actor.id });
    await enqueue(trx, actor.id, [lookAtHostJob(found.value.id)]);
    return done(null);
  });
}

/** Ends a connection. Nothing changes on the host. */
export async function disconnect(services: Services, actor: Actor, wish: { collection: string }): Promise<Result<null>> {
  const found = await inCollection(services.db, actor, 'publish', wish.collection);
  if (!found.ok) return found;
  await writing(services.db, (trx) => endConnection(trx, found.value.id));
  return done(null);
}

/** Has a collection's drafts looked at on their host now. */
export async function lookNow(services: Services, actor: Actor, wish: { collection: string }): Promise<Result<null>> {
  const found = await inCollection(services.db, actor, 'change a page', wish.collection);
  if (!found.ok) return found;
  if (!(await connectionOf(services.db, found.value.id))) return NOT_CONNECTED;
  await enqueue(services.db, actor.id, [lookAtHostJob(found.value.id)]);
  return done(null);
}

export const NOT_CONNECTED = refused({
  code: 'declined',
  what: 'This collection is connected to no host',
  why: 'Pages go out to the host where they are published.',
  kept: 'Nothing was changed.',
  next: 'Connect it on the Gate, under Hosts.',
});
