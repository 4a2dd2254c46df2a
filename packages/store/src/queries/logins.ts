import { randomUUID } from 'node:crypto';
import { sql, type Selectable } from 'kysely';
import type { Database, Write } from '../database.ts';
import type { Links, Role } from '../schema.ts';
import type { Membership } from './people.ts';

/** Somebody as whoever looks after the house sees them. */
export interface PersonLine {
  id: string;
  name: string;
  email: string | null;
  department: string | null;
  memberships: (Membership & { id: number; title: string | null })[];
  /** From that day on they may do nothing; null for nobody who leaves. */
  leaves: string | null;
  /** Whether they may sign in, and when they last did. */
  signsIn: boolean;
  hasSecondFactor: boolean;
  lastSeen: Date | null;
  /** Until when an invitation they have not taken up is good. */
  invitedUntil: Date | null;
}

/** People by name behind one, as far as words are in their name or address. */
export async function peopleLines(
  db: Database | Write,
  { words, after, limit }: { words: string; after: { name: string; id: string } | null; limit: number },
): Promise<PersonLine[]> {
  const pattern = `%${words.replace(/[\\%_]/g, '\\$&')}%`;
  const { rows } =
    await sql<PersonLine>`select p.id, p.name, p.email, p.department, p.disabled_on::text as leaves, l.id is not null as "signsIn",
      coalesce(l.has_second_factor, false) as "hasSecondFactor",
      (select max(updated_at) from sessions s where s.login_id = p.id) as "lastSeen",
      (select max(until) from links k where k.person_id = p.id and k.purpose = 'invitation' and k.used_at is null and k.until > now())
        as "invitedUntil",
      coalesce((select jsonb_agg(jsonb_build_object('id', m.id, 'collection', m.collection_id, 'role', m.role, 'title', c.title)
        order by m.id) from memberships m left join collections c on c.id = m.collection_id where m.person_id = p.id), '[]') as memberships
    from people p left join logins l on l.id = p.id
    where p.kind = 'person' and (p.name ilike ${pattern} or p.email ilike ${pattern} or p.department ilike ${pattern})
      and (${after?.name ?? null}::text is null or (lower(p.name), p.id) > (lower(${after?.name ?? ''}), ${after?.id ?? ''}))
    order by lower(p.name), p.id limit ${limit}`.execute(db);
  return rows;
}

/** Puts somebody in. False when the address is known already. */
export async function addPerson(trx: Write, person: { id: string; name: string; email: string }): Promise<boolean> {
  const { numAffectedRows } = await sql`insert into people (id, name, email) values (${person.id}, ${person.name}, ${person.email})
    on conflict (email) do nothing`.execute(trx);
  return numAffectedRows === 1n;
}

/** Whoever has an address; put in where nobody has. */
export async function personWithAddress(
  trx: Write,
  { name, email }: { name: string; email: string },
): Promise<{ id: string; name: string }> {
  const known = () => trx.selectFrom('people').select(['id', 'name']).where('email', '=', email).executeTakeFirst();
  if (!(await known())) await addPerson(trx, { id: `person-${randomUUID()}`, name, email });
  return (await known())!;
}

/** Whether an id is taken. */
export async function personIdTaken(trx: Write, id: string): Promise<boolean> {
  return (await trx.selectFrom('people').select('id').where('id', '=', id).executeTakeFirst()) !== undefined;
}

/** Gives somebody a part; null for a collection: in all. A part they have already stays. */
export async function givePart(trx: Write, person: string, collection: number | null, role: Role): Promise<void> {
  await sql`insert into memberships (person_id, collection_id, role) select ${person}, ${collection}::integer, ${role}
    where not exists (select 1 from memberships where person_id = ${person} and collection_id is not distinct from ${collection}::integer
      and role = ${role})`.execute(trx);
}

/** Takes a part from somebody; which it was, or undefined where they have it no more. */
export async function takePart(trx: Write, person: string, id: number): Promise<Membership | undefined> {
  return trx
    .deleteFrom('memberships')
    .where('id', '=', id)
    .where('person_id', '=', person)
    .returning(['collection_id as collection', 'role'])
    .executeTakeFirst();
}

/**
 * How many could still look after people if somebody, or one part, were not there: a house without any could be looked after by nobody.
 */
export async function administratorsWithout(trx: Write, { person = '', part = 0 }: { person?: string; part?: number }): Promise<number> {
  // Whoever takes one away waits for the other who does.
  await sql`select pg_advisory_xact_lock(hashtext('administrators'))`.execute(trx);
  const { rows } = await sql<{ many: number }>`select count(distinct p.id)::integer as many from people p
    join memberships m on m.person_id = p.id and m.collection_id is null and m.role = 'administrator' and m.id <> ${part}::integer
    join logins l on l.id = p.id where p.id <> ${person} and (p.disabled_on is null or p.disabled_on > current_date)`.execute(trx);
  return rows[0]!.many;
}

/** From a day on somebody may do nothing; null takes that back. Their sessions end where that day has come. */
export async function letLeave(trx: Write, person: string, day: string | null): Promise<void> {
  await sql`update people set disabled_on = ${day}::date where id = ${person}`.execute(trx);
  await sql`delete from sessions where login_id = ${person} and ${day}::date <= current_date`.execute(trx);
}

/** Takes a login away, with its sessions and passwords. The person stays in the record. */
export async function removeLogin(trx: Write, person: string): Promise<void> {
  await trx.deleteFrom('logins').where('id', '=', person).execute();
  await trx.deleteFrom('links').where('person_id', '=', person).where('used_at', 'is', null).execute();
  await trx.deleteFrom('memberships').where('person_id', '=', person).execute();
  await sql`update people set email = null, disabled_on = coalesce(disabled_on, current_date) where id = ${person}`.execute(trx);
}

/** Lets somebody sign in with an address and a password, of which only the hash is kept. Their other sessions end. */
export async function setPassword(
  trx: Write,
  { person, name, email, hash, id }: { person: string; name: string; email: string; hash: string; id: string },
): Promise<void> {
  await sql`insert into logins (id, name, email) values (${person}, ${name}, ${email})
    on conflict (id) do update set name = excluded.name, email = excluded.email, updated_at = now()`.execute(trx);
  await sql`insert into accounts (id, login_id, account_id, provider_id, password) values (${id}, ${person}, ${person}, 'credential', ${hash})
    on conflict (provider_id, account_id) do update set password = excluded.password, updated_at = now()`.execute(trx);
  await trx.deleteFrom('sessions').where('login_id', '=', person).execute();
}

/** How somebody signs in. */
export interface WaysIn {
  password: boolean;
  secondFactor: boolean;
}

export async function waysIn(db: Database | Write, person: string): Promise<WaysIn> {
  const { rows } = await sql<WaysIn>`select exists (select 1 from accounts where login_id = ${person} and password is not null) as password,
      exists (select 1 from logins where id = ${person} and has_second_factor) as "secondFactor"`.execute(db);
  return rows[0]!;
}

/** Takes somebody's second factor away; false where they have none. */
export async function removeSecondFactor(trx: Write, person: string): Promise<boolean> {
  await trx.deleteFrom('second_factors').where('login_id', '=', person).execute();
  const { numAffectedRows } = await sql`update logins set has_second_factor = false where id = ${person} and has_second_factor`.execute(
    trx,
  );
  return numAffectedRows === 1n;
}

/** Lets whoever has an address sign in by another service's word: gives them a login where they have none yet and have not left. */
export async function letSignOn(db: Database, email: string): Promise<void> {
  await sql`insert into logins (id, name, email) select id, name, email from people
    where email = ${email} and kind = 'person' and (disabled_on is null or disabled_on > current_date)
    on conflict do nothing`.execute(db);
}

/** Says in which department somebody is. */
export async function setDepartment(trx: Write, person: string, department: string | null): Promise<void> {
  await trx.updateTable('people').set({ department }).where('id', '=', person).execute();
}

/** Says where somebody is written to. */
export async function setEmail(trx: Write, person: string, email: string): Promise<void> {
  await trx.updateTable('people').set({ email }).where('id', '=', person).execute();
}

export type SentLink = Selectable<Links>;

export type NewLink = Pick<SentLink, 'sum' | 'person_id' | 'purpose' | 'made_by' | 'until'>;

/** Writes down links that are sent, all for one purpose; those sent before to the same people for it are good no more. */
export async function addLinks(trx: Write, links: readonly NewLink[]): Promise<void> {
  if (links.length === 0) return;
  const people = links.map(({ person_id }) => person_id);
  await trx
    .deleteFrom('links')
    .where('person_id', 'in', people)
    .where('purpose', '=', links[0]!.purpose)
    .where('used_at', 'is', null)
    .execute();
  await trx.insertInto('links').values(links).execute();
}

/** The person a link is for, while it is good; locked until the transaction ends. */
export async function linkFor(
  db: Database | Write,
  sum: string,
): Promise<{ person: string; name: string; email: string; purpose: SentLink['purpose'] } | undefined> {
  const { rows } = await sql<{ person: string; name: string; email: string; purpose: SentLink['purpose'] }>`select k.person_id as person,
      p.name, p.email, k.purpose from links k join people p on p.id = k.person_id
    where k.sum = ${sum} and k.used_at is null and k.until > now() and p.email is not null
      and (p.disabled_on is null or p.disabled_on > current_date) for update of k`.execute(db);
  return rows[0];
}

export async function useLink(trx: Write, sum: string): Promise<void> {
  await sql`update links set used_at = now() where sum = ${sum}`.execute(trx);
}

/** The person behind an address who may sign in. */
export async function loginByEmail(db: Database | Write, email: string): Promise<{ id: string; name: string } | undefined> {
  const { rows } = await sql<{ id: string; name: string }>`select l.id, p.name from logins l join people p on p.id = l.id
    where l.email = ${email} and (p.disabled_on is null or p.disabled_on > current_date)`.execute(db);
  return rows[0];
}

/** Whoever may be let in by an address, though they have not chosen a password yet. */
export async function personByEmail(db: Database | Write, email: string): Promise<{ id: string; name: string } | undefined> {
  const { rows } = await sql<{ id: string; name: string }>`select id, name from people where email = ${email} and kind = 'person'
    and (disabled_on is null or disabled_on > current_date)`.execute(db);
  return rows[0];
}

/** A browser somebody is signed in with. */
export interface SessionLine {
  id: string;
  since: Date;
  until: Date;
  address: string | null;
  browser: string | null;
}

export async function sessionsOf(db: Database | Write, person: string): Promise<SessionLine[]> {
  return db
    .selectFrom('sessions')
    .select(['id', 'created_at as since', 'expires_at as until', 'ip_address as address', 'user_agent as browser'])
    .where('login_id', '=', person)
    .where('expires_at', '>', sql<Date>`now()`)
    .orderBy('created_at', 'desc')
    .limit(100)
    .execute();
}

/** Ends sessions of somebody: one, or all but one. Gives how many. */
export async function endSessions(db: Database | Write, person: string, which: { only: string } | { but: string | null }): Promise<number> {
  let gone = db.deleteFrom('sessions').where('login_id', '=', person);
  if ('only' in which) gone = gone.where('id', '=', which.only);
  else if (which.but !== null) gone = gone.where('id', '<>', which.but);
  return Number((await gone.executeTakeFirst()).numDeletedRows);
}

/** Ends every session of somebody but the newest: that in which they just changed how they sign in. */
export async function endOlderSessions(db: Database | Write, person: string): Promise<void> {
  await sql`delete from sessions where login_id = ${person} and id <> (select id from sessions where login_id = ${person}
    order by created_at desc, id desc limit 1)`.execute(db);
}

/** How many passwords were wrong for each of some keys since then. */
export async function wrongSince(db: Database | Write, keys: readonly string[], since: Date): Promise<Map<string, number>> {
  const { rows } = await sql<{ key: string; many: number }>`select key, count(*)::integer as many from wrong_passwords
    where key = any(${keys}::text[]) and at > ${since} group by key`.execute(db);
  return new Map(rows.map(({ key, many }) => [key, many]));
}

export async function noteWrong(db: Database | Write, keys: readonly string[], at: Date): Promise<void> {
  await sql`insert into wrong_passwords (key, at) select unnest(${keys}::text[]), ${at}`.execute(db);
}

/** Forgets wrong passwords of a key, or all that are old. */
export async function forgetWrong(db: Database | Write, of: { key: string } | { before: Date }): Promise<void> {
  const gone = db.deleteFrom('wrong_passwords');
  await ('key' in of ? gone.where('key', '=', of.key) : gone.where('at', '<', of.before)).execute();
}

/** Forgets the newest of the tries under a key. */
export async function forgetNewest(db: Database | Write, key: string): Promise<void> {
  await sql`delete from wrong_passwords where ctid = (select ctid from wrong_passwords where key = ${key} order by at desc limit 1)`.execute(
    db,
  );
}

export interface NewMessage {
  person: string | null;
  address: string;
  subject: string;
  body: string;
  /** What stands in the message as it is sent, in the place of `SECRET_PLACE`: shown to nobody here, and forgotten once it was sent. */
  secret?: string | null;
}

/** Stands in the words of a message where its secret goes. */
export const SECRET_PLACE = '(The link is in the message itself. It is not shown here.)';

export async function addMessages(trx: Write, messages: readonly NewMessage[]): Promise<void> {
  if (messages.length === 0) return;
  await trx
    .insertInto('messages')
    .values(messages.map(({ person, ...rest }) => ({ person_id: person, ...rest, sent_at: null, trouble: null })))
    .execute();
}

export interface MessageLine extends Omit<NewMessage, 'secret'> {
  id: number;
  name: string | null;
  at: Date;
  sentAt: Date | null;
  trouble: string | null;
}

/** Messages before one, the newest first. */
export async function messageLines(db: Database | Write, before: number | null, limit: number): Promise<MessageLine[]> {
  return db
    .selectFrom('messages as m')
    .leftJoin('people as p', 'p.id', 'm.person_id')
    .select(['m.id', 'm.person_id as person', 'p.name', 'm.address', 'm.subject', 'm.body', 'm.made_at as at'])
    .select(['m.sent_at as sentAt', 'm.trouble'])
    .$if(before !== null, (all) => all.where('m.id', '<', before!))
    .orderBy('m.id', 'desc')
    .limit(limit)
    .execute();
}

export interface NewDeed {
  by: string;
  deed: string;
  person?: string | null;
  about?: Record<string, unknown>;
}

/** Writes down who did what to whom, or to the house. */
export const writeDeed = (trx: Write, deed: NewDeed): Promise<void> => writeDeeds(trx, [deed]);

export async function writeDeeds(trx: Write, deeds: readonly NewDeed[]): Promise<void> {
  if (deeds.length === 0) return;
  const rows = deeds.map(({ by, deed, person = null, about = {} }) => ({
    made_by: by,
    deed,
    person_id: person,
    about: JSON.stringify(about),
  }));
  await trx.insertInto('deeds').values(rows).execute();
}

export interface DeedLine {
  id: string;
  at: Date;
  by: string;
  deed: string;
  person: string | null;
  about: Record<string, unknown>;
}

/** Deeds before one, the newest first, as far as words are in the deed or the names. */
export async function deedLines(
  db: Database | Write,
  { words, before, limit }: { words: string; before: string | null; limit: number },
): Promise<DeedLine[]> {
  const pattern = `%${words.replace(/[\\%_]/g, '\\$&')}%`;
  const { rows } = await sql<DeedLine>`select d.id::text as id, d.at, b.name as by, d.deed, p.name as person, d.about
    from deeds d join people b on b.id = d.made_by left join people p on p.id = d.person_id
    where (${before}::bigint is null or d.id < ${before}::bigint)
      and (d.deed ilike ${pattern} or b.name ilike ${pattern} or p.name ilike ${pattern})
    order by d.id desc limit ${limit}`.execute(db);
  return rows;
}
