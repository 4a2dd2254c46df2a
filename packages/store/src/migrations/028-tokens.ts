import { sql, type Kysely } from 'kysely';

/** Tokens with which programs act for a person. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  // By the sum of its secret, like links.
  `create table tokens (
     id integer generated always as identity primary key,
     person_id text not null references people on delete cascade,
     name text not null,
     sum text not null unique,
     reach text[] not null,
     made_at timestamptz not null default now(),
     until timestamptz not null,
     revoked_at timestamptz,
     used_at timestamptz)`,
  `create index tokens_by_person on tokens (person_id)`,
  `create unique index tokens_by_name on tokens (name) where revoked_at is null`,
];
