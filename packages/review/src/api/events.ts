import { eventsAfter, snapshot, type EventLine, type EventPlace } from '@inkwell/store';
import { visibleTo, type Actor } from '../actor.ts';
import { done, type Result } from '../problems.ts';
import type { Services } from '../services.ts';

/** All that programs are told of. */
export const EVENTS = ['page.held', 'page.ready', 'page.signed', 'page.published', 'page.lapsed', 'finding.returned'] as const;

/** An event without what it has not. */
export type EventTold = Omit<EventLine, 'page' | 'finding'> & Partial<Pick<EventLine, 'page' | 'finding'>>;

export function eventTold({ id, type, at, by, collection, page, finding, data }: EventLine): EventTold {
  return { id, type, at, by, collection, ...(page ? { page } : {}), ...(finding ? { finding } : {}), data };
}

/** What happened behind a place, the oldest first, of all that somebody may see. `place`: where to go on. */
export function eventsTold(
  services: Services,
  actor: Actor,
  wish: { after: EventPlace | null; limit: number },
): Promise<Result<{ events: EventTold[]; place: EventPlace | null; more: boolean }>> {
  return snapshot(services.db, async (at) => {
    const found = await eventsAfter(at, wish.after, visibleTo(actor), wish.limit + 1);
    const events = found.slice(0, wish.limit);
    return done({ events: events.map(eventTold), place: events.at(-1)?.place ?? wish.after, more: found.length > wish.limit });
  });
}
