import { HostTrouble, type Connector } from '@inkwell/host';
import {
  addMessages,
  connectionOf,
  connectionsDue,
  hashOf,
  noteDrift,
  noteLooked,
  personById,
  publishedPages,
  writing,
  type Connection,
} from '@inkwell/store';
import { enqueue } from '@inkwell/work';
import { may, unlessAllowed, type Actor } from '../actor.ts';
import { lookAtHostJob, seePublicJob } from '../jobs.ts';
import { done, notFound, type Result } from '../problems.ts';
import type { Services } from '../services.ts';
import { connectorOf } from './connector.ts';

/** Pages read from the public side at once. */
const SOME = 50;

/** What was read of the public side, in pages; `fresh`: the titles of those that differ since the last look. */
interface Seen {
  seen: number;
  drifted: number;
  fresh: string[];
}

/**
 * A job: reads what a collection has published on its host's public side, as readers are shown it. What shows something else, or nothing,
 * has drifted, and is told until it does so no more.
 */
export async function seePublic(
  services: Services,
  actor: Actor,
  wish: { collection: number },
): Promise<Result<{ seen: number; drifted: number }>> {
  const barred = may(actor, 'keep the house', 'house')
    ? null
    : unlessAllowed(actor, 'publish', { collection: wish.collection }, 'This collection');
  if (barred) return barred;
  const connection = await connectionOf(services.db, wish.collection);
  if (!connection) return notFound('This collection');
  const told: Seen = { seen: 0, drifted: 0, fresh: [] };
  try {
    await readAll(services, wish.collection, connectorOf(connection.host), told);
    await noteLooked(services.db, wish.collection, 'seen_at', null);
  } catch (error) {
    if (!(error instanceof HostTrouble)) throw error;
    await noteLooked(services.db, wish.collection, 'seen_at', error.message);
  }
  if (told.fresh.length > 0) await tellDrift(services, connection, told.fresh);
  return done({ seen: told.seen, drifted: told.drifted });
}

async function readAll(services: Services, collection: number, host: Connector, told: Seen): Promise<void> {
  for (let after = 0, more = true; more;) {
    const pages = await publishedPages(services.db, collection, after, SOME);
    for (const page of pages) {
      const shown = await host.shown(page.public_address!).catch((error: unknown) => {
        // A page that is cut short is one that shows something else.
        if (error instanceof HostTrouble && error.kind === 'nonsense') return '';
        throw error;
      });
      const drifted = (shown === null ? null : hashOf(shown)) !== page.public_sum;
      told.seen++;
      if (drifted) told.drifted++;
      if (drifted !== (page.drifted_at !== null)) await writing(services.db, (trx) => noteDrift(trx, page.page_id, drifted));
      if (drifted && page.drifted_at === null) told.fresh.push(page.title);
    }
    more = pages.length === SOME;
    after = pages.at(-1)?.page_id ?? 0;
  }
}

/** Pages named in a message. */
const NAMED = 20;

/** Tells whoever connected a collection which of its pages readers are shown otherwise since the last look. */
async function tellDrift(services: Services, connection: Connection, titles: readonly string[]): Promise<void> {
  const person = await personById(services.db, connection.made_by);
  if (!person?.email) return;
  const subject = `Shown otherwise on ${connection.host.name}: ${titles.length === 1 ? titles[0] : `${titles.length} pages`}`;
  const rest = titles.length > NAMED ? `\n- and ${titles.length - NAMED} more` : '';
  const named = titles.slice(0, NAMED).map((title) => `- ${title}`);
  const gateAt = `${process.env.INKWELL_ADDRESS ?? ''}/gate?group=drifted&collection=${encodeURIComponent(connection.slug)}`;
  const body = `Hello ${person.name},\n\nReaders are shown something else than was published:\n\n${named.join('\n')}${rest}\n\n${gateAt}\n`;
  await writing(services.db, (trx) => addMessages(trx, [{ person: person.id, address: person.email!, subject, body }]));
}

const MINUTE_MS = 60_000;

/** Has hosts looked at whose time it is: drafts every five minutes, the public side once a night. */
export async function lookAtHostsDue(services: Services, by: string): Promise<void> {
  const now = services.now().getTime();
  const drafts = await connectionsDue(services.db, 'looked_at', new Date(now - 5 * MINUTE_MS));
  const shown = await connectionsDue(services.db, 'seen_at', new Date(now - 24 * 60 * MINUTE_MS));
  await enqueue(services.db, by, [...drafts.map(lookAtHostJob), ...shown.map(seePublicJob)]);
}
