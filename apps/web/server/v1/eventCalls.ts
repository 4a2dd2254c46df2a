import 'server-only';
import { deliveries, endWebhook, eventsTold, newWebhook, webhooks, type NewHook } from '@inkwell/review';
import type { Call } from './call';
import { cursorOf } from './cursors';
import { json, numberOf, span, valueOf } from './parts';
import { WEBHOOK } from './schemas';

/** What happened, for whoever asks, and for whoever wants to be told. */
export const EVENT_CALLS: readonly Call[] = [
  {
    method: 'GET',
    path: '/events',
    summary: 'What happened, in order, behind a cursor; kept for 30 days',
    reach: 'read',
    answers: { one: 'Events' },
    search: {
      cursor: { description: '`cursor` of the part before; without it from the beginning.' },
      limit: { description: 'From 1 to 500; 100 unless said.' },
    },
    async act({ services, actor, search }) {
      const { limit, after } = span(search, 'events');
      const [tx, id] = after?.split('.') ?? [];
      const told = valueOf(await eventsTold(services, actor, { after: tx && id ? { tx, id } : null, limit }));
      const place = told.place ?? { tx: '0', id: '0' };
      return json({ items: told.events, cursor: cursorOf('events', `${place.tx}.${place.id}`), more: told.more });
    },
  },
  {
    method: 'GET',
    path: '/webhooks',
    summary: 'Addresses that are told of events',
    reach: 'admin',
    answers: { list: 'Webhook' },
    async act({ services, actor }) {
      const found = valueOf(await webhooks(services, actor));
      return json({ items: found.map(({ id, url, events, madeAt }) => ({ id, url, events, madeAt })), next: null });
    },
  },
  {
    method: 'POST',
    path: '/webhooks',
    summary: 'Has an address told of events; its secret is shown this once',
    reach: 'admin',
    body: WEBHOOK,
    answers: { one: 'NewWebhook' },
    statuses: { '201': 'Made' },
    async act({ services, actor, body }) {
      const wish = body as NewHook;
      const { id, secret } = valueOf(await newWebhook(services, actor, wish));
      const location = `/api/v1/webhooks/${id}`;
      return Response.json({ id, url: wish.url, events: wish.events, secret }, { status: 201, headers: { location } });
    },
  },
  {
    method: 'DELETE',
    path: '/webhooks/{id}',
    summary: 'Ends a webhook',
    reach: 'admin',
    answers: null,
    statuses: { '204': 'Ended' },
    async act({ services, actor, named }) {
      valueOf(await endWebhook(services, actor, { id: numberOf(named.id!) }));
      return new Response(null, { status: 204 });
    },
  },
  {
    method: 'GET',
    path: '/webhooks/{id}/deliveries',
    summary: 'What was sent to an address and what it answered, the newest first',
    reach: 'admin',
    answers: { list: 'Delivery' },
    async act({ services, actor, named, search }) {
      const of = `deliveries ${named.id}`;
      const { limit, after } = span(search, of);
      const { lines, next } = valueOf(await deliveries(services, actor, { id: numberOf(named.id!), before: after, limit }));
      return json({ items: lines, next: next === null ? null : cursorOf(of, next) });
    },
  },
];
