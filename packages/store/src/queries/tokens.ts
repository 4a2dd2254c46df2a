import { sql } from 'kysely';
import type { Database, Write } from '../database.ts';

/** What a token is good for. */
export type TokenReach = 'check' | 'read' | 'bring-in' | 'decide' | 'publish' | 'admin';

/** A token that is looked at: who it acts for, and for what. */
export interface TokenFound {
  id: number;
  person: string;
  reach: TokenReach[];
}

/** Makes a token. False where one of that name is in force already. */
export async function addToken(
  trx: Write,
  token: { person: string; name: string; sum: string; reach: readonly TokenReach[]; until: Date },
): Promise<boolean> {
  const { numAffectedRows } = await sql`insert into tokens (person_id, name, sum, reach, until)
    values (${token.person}, ${token.name}, ${token.sum}, ${token.reach}::text[], ${token.until}) on conflict do nothing`.execute(trx);
  return numAffectedRows === 1n;
}

/** The token with a secret, while it is good; that it was used is written down, at most once a minute. */
export async function tokenBySum(db: Database, sum: string): Promise<TokenFound | undefined> {
  const { rows } = await sql<TokenFound & { stale: boolean }>`select id, person_id as person, reach,
      used_at is null or used_at < now() - interval '1 minute' as stale
    from tokens where sum = ${sum} and revoked_at is null and until > now()`.execute(db);
  const [found] = rows;
  if (found?.stale) await sql`update tokens set used_at = now() where id = ${found.id}`.execute(db);
  return found;
}

/** A token as it is listed. */
export interface TokenLine {
  id: number;
  name: string;
  person: string;
  personName: string;
  reach: TokenReach[];
  madeAt: Date;
  until: Date;
  usedAt: Date | null;
}

/** Tokens that are in force or have run out, and were not revoked, by name. */
export async function tokenLines(db: Database | Write, limit: number): Promise<TokenLine[]> {
  const { rows } = await sql<TokenLine>`select t.id, t.name, t.person_id as person, p.name as "personName", t.reach, t.made_at as "madeAt",
      t.until, t.used_at as "usedAt"
    from tokens t join people p on p.id = t.person_id where t.revoked_at is null order by lower(t.name), t.id limit ${limit}`.execute(db);
  return rows;
}

/** Revokes the token of a name. Gives whose it was; undefined where none is in force. */
export async function revokeToken(trx: Write, name: string): Promise<{ person: string } | undefined> {
  const { rows } = await sql<{ person: string }>`update tokens set revoked_at = now() where name = ${name} and revoked_at is null
    returning person_id as person`.execute(trx);
  return rows[0];
}

/** The first administrator of the house who has not left; undefined where there is none. */
export async function firstAdministratorId(db: Database | Write): Promise<string | undefined> {
  const { rows } = await sql<{ id: string }>`select p.id from people p join memberships m on m.person_id = p.id
    where m.collection_id is null and m.role = 'administrator' and (p.disabled_on is null or p.disabled_on > current_date)
      and p.kind = 'person' order by m.id limit 1`.execute(db);
  return rows[0]?.id;
}

/** The id of whoever has an address, and has not left. */
export async function personIdWith(db: Database | Write, email: string): Promise<string | undefined> {
  const { rows } = await sql<{ id: string }>`select id from people where email = ${email}
    and (disabled_on is null or disabled_on > current_date)`.execute(db);
  return rows[0]?.id;
}
