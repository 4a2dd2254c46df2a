import { randomBytes } from 'node:crypto';
import { csvRows, toCsvTable } from '@inkwell/formats';
import {
  addMessages,
  addPerson,
  administratorsWithout,
  collectionBySlug,
  deedLines,
  endOlderSessions,
  endSessions,
  givePart as writePart,
  letLeave,
  messageLines,
  peopleLines,
  personById,
  personIdTaken,
  removeLogin,
  removeSecondFactor,
  sessionsOf,
  setDepartment,
  takePart as dropPart,
  waysIn,
  writeDeed,
  writing,
  type DeedLine,
  type MessageLine,
  type PersonLine,
  type Role,
  type SessionLine,
  type WaysIn,
  type Write,
} from '@inkwell/store';
import { unlessAllowed, type Actor } from '../actor.ts';
import { slugOf } from '../bringIn.ts';
import { done, notFound, refused, type Result } from '../problems.ts';
import { isDay, type Services } from '../services.ts';
import { sendInvitations } from './invitations.ts';
import { addressFrom, departmentFrom, nameFrom, NO_ADDRESS, NO_NAME } from './words.ts';
import { wayInChanged } from './links.ts';

const barred = (actor: Actor) => unlessAllowed(actor, 'look after people', 'house', 'This');

/** Told at once. */
export const PEOPLE_AT_ONCE = 100;

export interface PeopleShown {
  people: PersonLine[];
  next: { name: string; id: string } | null;
}

/** People by name, as whoever looks after the house sees them. */
export async function showPeople(
  { db }: Services,
  actor: Actor,
  wish: { words?: string; after?: { name: string; id: string } | null },
): Promise<Result<PeopleShown>> {
  const no = barred(actor);
  if (no) return no;
  const lines = await peopleLines(db, { words: wish.words ?? '', after: wish.after ?? null, limit: PEOPLE_AT_ONCE + 1 });
  const people = lines.slice(0, PEOPLE_AT_ONCE);
  const last = people.at(-1);
  return done({ people, next: lines.length > PEOPLE_AT_ONCE && last ? { name: last.name, id: last.id } : null });
}

export interface Invitation {
  name: string;
  email: string;
  role: Role;
  /** Address of the collection the part is in; null for all. */
  collection: string | null;
  /** Where this server is reached. */
  site: string;
}

/** Puts somebody in with a part, and sends them a link to choose a password with. */
export async function invite(services: Services, actor: Actor, wish: Invitation): Promise<Result<{ id: string }>> {
  const no = barred(actor);
  if (no) return no;
  const [name, email] = [nameFrom(wish.name), addressFrom(wish.email)];
  if (name === null) return NO_NAME;
  if (email === null) return NO_ADDRESS;
  return writing(services.db, async (trx) => {
    const collection = await collectionNamed(trx, wish.collection);
    if (!collection.ok) return collection;
    const id = await idFor(trx, name);
    if (!(await addPerson(trx, { id, name, email })))
      return refused({
        code: 'duplicate',
        what: 'Somebody has this address already',
        kept: 'Nobody was put in.',
        next: 'Look for them in the list, and give them the part there.',
      });
    await writePart(trx, id, collection.value, wish.role);
    await writeDeed(trx, { by: actor.id, deed: 'invited', person: id, about: { role: wish.role, collection: wish.collection } });
    await sendInvitations(trx, services, { actor, to: [{ person: id, name, email }], site: wish.site });
    return done({ id });
  });
}

/** Sends an invitation once more; the one before is good no more. */
export async function inviteAgain(services: Services, actor: Actor, wish: { person: string; site: string }): Promise<Result<null>> {
  return onPerson(services, actor, wish.person, async (trx, { name, email }) => {
    if (email === null) return NO_ADDRESS;
    await sendInvitations(trx, services, { actor, to: [{ person: wish.person, name, email }], site: wish.site });
    await writeDeed(trx, { by: actor.id, deed: 'invited again', person: wish.person });
    return done(null);
  });
}

async function collectionNamed(trx: Write, slug: string | null): Promise<Result<number | null>> {
  if (slug === null) return done(null);
  const found = await collectionBySlug(trx, slug);
  return found && found.taken_out_at === null ? done(found.id) : notFound('This collection');
}

/** An id that can be read, and that nobody has. */
async function idFor(trx: Write, name: string): Promise<string> {
  const base = slugOf(name).slice(0, 60) || 'person';
  return (await personIdTaken(trx, base)) ? `${base}-${randomBytes(4).toString('hex')}` : base;
}

interface Somebody {
  name: string;
  email: string | null;
}

/** Does something to a person, as whoever looks after people. */
async function onPerson<T>(
  services: Services,
  actor: Actor,
  id: string,
  act: (trx: Write, person: Somebody) => Promise<Result<T>>,
): Promise<Result<T>> {
  const no = barred(actor);
  if (no) return no;
  return writing(services.db, async (trx) => {
    const person = await personById(trx, id);
    if (!person || person.kind !== 'person') return notFound('This person');
    return act(trx, person);
  });
}

/** Gives somebody a part in a collection, or in all. */
export function givePart(
  services: Services,
  actor: Actor,
  wish: { person: string; role: Role; collection: string | null },
): Promise<Result<null>> {
  return onPerson(services, actor, wish.person, async (trx) => {
    const collection = await collectionNamed(trx, wish.collection);
    if (!collection.ok) return collection;
    await writePart(trx, wish.person, collection.value, wish.role);
    await writeDeed(trx, {
      by: actor.id,
      deed: 'gave a part',
      person: wish.person,
      about: { role: wish.role, collection: wish.collection },
    });
    return done(null);
  });
}

/** Takes a part from somebody. The last who may look after people keeps it. */
export function takePart(services: Services, actor: Actor, wish: { person: string; part: number }): Promise<Result<null>> {
  return onPerson(services, actor, wish.person, async (trx) => {
    if (await isLast(trx, { part: wish.part })) return LAST_ONE;
    const part = await dropPart(trx, wish.person, wish.part);
    if (!part) return notFound('This part');
    await writeDeed(trx, { by: actor.id, deed: 'took a part', person: wish.person, about: { role: part.role } });
    return done(null);
  });
}

/** Whether without somebody, or a part, nobody could look after people any more. */
const isLast = async (trx: Write, without: { person: string } | { part: number }) =>
  (await administratorsWithout(trx, {})) > 0 && (await administratorsWithout(trx, without)) === 0;

const LAST_ONE = refused({
  code: 'declined',
  what: 'Nobody would be left to look after people',
  why: 'This is the last administrator of the house who may sign in.',
  kept: 'They keep their part.',
  next: 'Give the part to somebody else first.',
});

/** Says in which department somebody is; '' for none. */
export function moveTo(services: Services, actor: Actor, wish: { person: string; department: string }): Promise<Result<null>> {
  return onPerson(services, actor, wish.person, async (trx) => {
    await setDepartment(trx, wish.person, departmentFrom(wish.department));
    await writeDeed(trx, { by: actor.id, deed: 'said the department', person: wish.person, about: { department: wish.department } });
    return done(null);
  });
}

/** Takes the second factor from somebody who lost it. */
export function endSecondFactor(services: Services, actor: Actor, wish: { person: string }): Promise<Result<null>> {
  return onPerson(services, actor, wish.person, async (trx) => {
    if (!(await removeSecondFactor(trx, wish.person))) return notFound('This second factor');
    await writeDeed(trx, { by: actor.id, deed: 'took a second factor away', person: wish.person });
    return done(null);
  });
}

/** How an actor signs in. */
export async function myWaysIn({ db }: Services, actor: Actor): Promise<Result<WaysIn>> {
  return done(await waysIn(db, actor.id));
}

/** Writes down that an actor set up a second factor, or took it away: their other sessions end, and they are told at their address. */
export function noteSecondFactor(services: Services, actor: Actor, wish: { isThere: boolean }): Promise<Result<null>> {
  return writing(services.db, async (trx) => {
    const deed = wish.isThere ? 'set up a second factor' : 'took a second factor away';
    await writeDeed(trx, { by: actor.id, deed, person: actor.id });
    await endOlderSessions(trx, actor.id);
    const { email } = (await personById(trx, actor.id)) ?? { email: null };
    const what = wish.isThere ? 'A second factor was set up' : 'Your second factor was taken away';
    if (email !== null) await addMessages(trx, [wayInChanged({ person: actor.id, name: actor.name, email }, what)]);
    return done(null);
  });
}

/** Lets somebody leave on a day, from which on they may do nothing; null takes it back. */
export function leave(services: Services, actor: Actor, wish: { person: string; day: string | null }): Promise<Result<null>> {
  return onPerson(services, actor, wish.person, async (trx) => {
    if (wish.day !== null && !isDay(wish.day))
      return refused({ code: 'bad-page', what: `There is no day ${wish.day}`, kept: 'They keep what they have.' });
    if (wish.day !== null && (await isLast(trx, { person: wish.person }))) return LAST_ONE;
    await letLeave(trx, wish.person, wish.day);
    await writeDeed(trx, {
      by: actor.id,
      deed: wish.day === null ? 'let stay' : 'let leave',
      person: wish.person,
      about: { day: wish.day },
    });
    return done(null);
  });
}

/** Takes somebody's login, address and parts away. What they did stays in the record under their name. */
export function removePerson(services: Services, actor: Actor, wish: { person: string }): Promise<Result<null>> {
  return onPerson(services, actor, wish.person, async (trx) => {
    if (await isLast(trx, { person: wish.person })) return LAST_ONE;
    await removeLogin(trx, wish.person);
    await writeDeed(trx, { by: actor.id, deed: 'removed', person: wish.person });
    return done(null);
  });
}

/** Where an actor is signed in. */
export async function mySessions({ db }: Services, actor: Actor): Promise<Result<SessionLine[]>> {
  return done(await sessionsOf(db, actor.id));
}

/** Ends one of one's own sessions, or all but the one at hand. */
export async function endMySessions(
  { db }: Services,
  actor: Actor,
  wish: { only: string } | { but: string | null },
): Promise<Result<{ ended: number }>> {
  return done({ ended: await endSessions(db, actor.id, wish) });
}

/** Ends all sessions of somebody. */
export function endTheirSessions(services: Services, actor: Actor, wish: { person: string }): Promise<Result<{ ended: number }>> {
  return onPerson(services, actor, wish.person, async (trx) => {
    const ended = await endSessions(trx, wish.person, { but: null });
    await writeDeed(trx, { by: actor.id, deed: 'ended sessions', person: wish.person, about: { ended } });
    return done({ ended });
  });
}

/** Messages that went out, or would, the newest first. */
export async function showMessages({ db }: Services, actor: Actor, wish: { before: number | null }): Promise<Result<MessageLine[]>> {
  return barred(actor) ?? done(await messageLines(db, wish.before, PEOPLE_AT_ONCE));
}

/** Who did what to whom and to the house, the newest first. */
export async function showDeeds(
  { db }: Services,
  actor: Actor,
  wish: { words: string; before: string | null },
): Promise<Result<DeedLine[]>> {
  return barred(actor) ?? done(await deedLines(db, { ...wish, limit: PEOPLE_AT_ONCE }));
}

/** Columns of the record. */
const RECORD = ['when', 'who', 'did', 'to whom', 'about'] as const;
/** Lines of it that are written: years of a house. */
const MOST_LINES = 100_000;

/** The whole record as CSV (RFC 4180), the newest first. */
export async function deedsSheet({ db }: Services, actor: Actor): Promise<Result<string>> {
  const no = barred(actor);
  if (no) return no;
  const lines = await deedLines(db, { words: '', before: null, limit: MOST_LINES });
  const rows = lines.map(({ at, by, deed, person, about }) => ({
    when: at.toISOString(),
    who: by,
    did: deed,
    'to whom': person ?? '',
    about: JSON.stringify(about),
  }));
  return done(toCsvTable([], RECORD) + csvRows(rows, RECORD));
}
