import { calendarFile } from '@inkwell/formats';
import { calendarOf, calendarSince, dueFor, personById, setCalendar } from '@inkwell/store';
import { visibleTo, type Actor } from '../actor.ts';
import { newSecret, sumOf } from '../people/secrets.ts';
import { done, notFound, type Result } from '../problems.ts';
import type { Services } from '../services.ts';

/** Days told at most. */
const MOST = 1_000;

/** Makes a secret address at which other programs ask what is due to somebody; the one before is good no more. Gives it. */
export async function newCalendar({ db }: Services, actor: Actor, wish: { site: string }): Promise<Result<{ address: string }>> {
  const secret = newSecret();
  await setCalendar(db, actor.id, sumOf(secret));
  return done({ address: `${wish.site}/calendar/${secret}.ics` });
}

/** The address is good no more. */
export async function endCalendar({ db }: Services, actor: Actor): Promise<Result<null>> {
  await setCalendar(db, actor.id, null);
  return done(null);
}

/** Since when somebody's calendar has an address; null where it has none. */
export async function hasCalendar({ db }: Services, actor: Actor): Promise<Result<{ since: string | null }>> {
  return done({ since: (await calendarSince(db, actor.id))?.toISOString() ?? null });
}

/** What is due to whoever has an address, as a calendar. Whoever left, or made another address, is not found. */
export async function calendarAt({ db, now }: Services, wish: { secret: string; site: string }): Promise<Result<string>> {
  const id = /^[\w-]{43}$/.test(wish.secret) ? await calendarOf(db, sumOf(wish.secret)) : null;
  const person = id === null ? undefined : await personById(db, id);
  if (!person || person.disabled) return notFound('This calendar');
  const lines = await dueFor(db, person.id, visibleTo(person), MOST);
  const days = lines.map(({ hand, page, due, many, title, collection, collectionTitle, slug, words, by }) => ({
    id: `hand-${hand}-${page}@inkwell-check`,
    day: due,
    title: `${many} ${many === 1 ? 'thing' : 'things'} on ${title}`,
    words: [`${collectionTitle}, handed to you by ${by}.`, words].filter(Boolean).join('\n'),
    url: `${wish.site}/collections/${collection}/${slug}?standing=mine`,
  }));
  return done(calendarFile(`Docket of ${person.name}`, days, now()));
}
