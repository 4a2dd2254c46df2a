import { createHmac } from 'node:crypto';
import { askAddress, barredAddress, NotFetched, type HostPolicy } from '@inkwell/formats';
import {
  addHook,
  deliveriesDue,
  deliveriesOf,
  deliveryWent,
  endHook,
  fanOut,
  hooks,
  sendAgain,
  writeDeed,
  writing,
  type DeliveryDue,
  type DeliveryLine,
  type HookLine,
} from '@inkwell/store';
import { unlessAllowed, type Actor } from '../actor.ts';
import { newSecret } from '../people/secrets.ts';
import { done, notFound, refused, type Result } from '../problems.ts';
import { seal, unseal } from '../release/seal.ts';
import type { Services } from '../services.ts';
import { EVENTS, eventTold } from './events.ts';

/** How long a receiver may take, in ms. */
const PATIENCE_MS = 10_000;
/** Longest answer that is read, in bytes; the first signs of it are kept. */
const LONGEST = 64_000;
const KEPT = 500;
/** Messages sent at once. */
const TOGETHER = 8;

/** Any host that is reached from everywhere; in a private network those that `INKWELL_ALLOW_HOSTS` names, with or without a port. */
function policyFor(url: URL): HostPolicy {
  const names = (process.env.INKWELL_ALLOW_HOSTS ?? '').toLowerCase().split(/[\s,]+/);
  return { allowed: ['*'], any: true, private: names.includes(url.host) || names.includes(url.hostname) ? [url.host] : [] };
}

export interface NewHook {
  url: string;
  events: readonly string[];
  /** What its messages are signed with; made where none is given. */
  secret?: string | undefined;
}

const barred = (actor: Actor) => unlessAllowed(actor, 'look after people', 'house', 'This');

/** Webhooks that are in force, with how many of their messages stand where. */
export async function webhooks({ db }: Services, actor: Actor): Promise<Result<HookLine[]>> {
  return barred(actor) ?? done(await hooks(db));
}

/** Has an address told of events. Its secret is shown this once. */
export function newWebhook(services: Services, actor: Actor, wish: NewHook): Promise<Result<{ id: number; secret: string }>> {
  return writing(services.db, async (trx) => {
    const no = barred(actor);
    if (no) return no;
    const url = URL.parse(wish.url.trim());
    const why = url ? barredAddress(policyFor(url), url) : 'is no address';
    if (!url || why !== null)
      return refused({
        code: 'bad-page',
        what: 'Nothing is sent to this address',
        why: `${wish.url.trim().slice(0, 200) || 'Nothing'} ${why}.`,
        kept: 'No webhook was made.',
        next: 'Addresses begin with https:// or http://; whoever looks after this server allows hosts in its own network (INKWELL_ALLOW_HOSTS).',
      });
    if (wish.events.length === 0 || wish.events.some((one) => !(EVENTS as readonly string[]).includes(one)))
      return refused({
        code: 'bad-page',
        what: 'A webhook is told of something',
        why: `Events are ${EVENTS.join(', ')}.`,
        kept: 'No webhook was made.',
      });
    const secret = wish.secret ?? newSecret();
    const id = await addHook(trx, { url: url.href, events: [...new Set(wish.events)], secret: seal(secret), by: actor.id });
    await writeDeed(trx, { by: actor.id, deed: 'made a webhook', about: { url: url.href, events: wish.events.join(', ') } });
    return done({ id, secret });
  });
}

/** Ends a webhook: what waits to be sent is not sent any more. */
export function endWebhook(services: Services, actor: Actor, wish: { id: number }): Promise<Result<null>> {
  return writing(services.db, async (trx) => {
    const no = barred(actor);
    if (no) return no;
    if (!(await endHook(trx, wish.id))) return notFound('This webhook');
    await writeDeed(trx, { by: actor.id, deed: 'ended a webhook', about: { id: String(wish.id) } });
    return done(null);
  });
}

/** What was sent to a webhook and what it answered, the newest first. */
export async function deliveries(
  { db }: Services,
  actor: Actor,
  wish: { id: number; before: string | null; limit: number },
): Promise<Result<{ lines: DeliveryLine[]; next: string | null }>> {
  const no = barred(actor);
  if (no) return no;
  if (!(await hooks(db)).some(({ id }) => id === wish.id)) return notFound('This webhook');
  const found = await deliveriesOf(db, wish.id, wish.before, wish.limit + 1);
  const lines = found.slice(0, wish.limit);
  return done({ lines, next: found.length > wish.limit ? lines.at(-1)!.event : null });
}

/** Has a message sent again, under its own id. */
export function deliverAgain(services: Services, actor: Actor, wish: { id: number; delivery: string }): Promise<Result<null>> {
  return writing(services.db, async (trx) => {
    const no = barred(actor);
    return no ?? ((await sendAgain(trx, wish.id, wish.delivery)) ? done(null) : notFound('This message'));
  });
}

/** What a message is signed with (HMAC-SHA-256 of its time, a point and its body). `seconds`: since 1970. */
export function signatureOf(secret: string, seconds: number, body: string): string {
  return `t=${seconds},v1=${createHmac('sha256', secret).update(`${seconds}.${body}`).digest('hex')}`;
}

/**
 * Sends what waits to be sent: first what happened since is put down for whoever asked for it. What is not received is sent again later and
 * later, for a day, under its own id. Gives how many messages were tried.
 */
export async function sendDeliveries(services: Services, actor: Actor): Promise<Result<number>> {
  const no = unlessAllowed(actor, 'keep the house', 'house');
  if (no) return no;
  await writing(services.db, fanOut);
  const due = await deliveriesDue(services.db, TOGETHER);
  await Promise.all(due.map((one) => deliver(services, one)));
  return done(due.length);
}

async function deliver(services: Services, due: DeliveryDue): Promise<void> {
  const went = await posted(services, due).catch((error: unknown) => {
    if (!(error instanceof NotFetched)) throw error;
    return { status: null, answer: `It ${error.message}.`, received: false };
  });
  await deliveryWent(services.db, due.id, went);
}

async function posted(services: Services, { id, url: address, secret: sealed, event }: DeliveryDue) {
  const secret = unseal(sealed);
  if (secret === null) return { status: null, answer: 'Its secret cannot be read: the server’s own has changed.', received: false };
  const url = new URL(address);
  const body = JSON.stringify(eventTold(event));
  const signature = signatureOf(secret, Math.floor(services.now().getTime() / 1000), body);
  const headers = {
    'content-type': 'application/json',
    'inkwell-signature': signature,
    'inkwell-delivery': id,
    'inkwell-event': event.type,
  };
  const { status, bytes } = await askAddress(
    policyFor(url),
    url,
    { method: 'POST', headers, body },
    { most: LONGEST, within: PATIENCE_MS },
  );
  return { status, answer: bytes.toString('utf8').replaceAll('\u0000', '').slice(0, KEPT), received: status >= 200 && status < 300 };
}
