import { sql, type Kysely } from 'kysely';

/** What people say to each other about a finding, the secret addresses at which a calendar asks what is due, and the day of
 * the last digest. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  `create table remarks (
     id integer generated always as identity primary key,
     page_id integer not null references pages on delete cascade,
     finding_id integer not null references findings on delete cascade,
     words text not null,
     made_by text not null references people,
     made_at timestamptz not null default now())`,
  `create index remarks_by_finding on remarks (finding_id, id)`,
  `create index remarks_by_page on remarks (page_id)`,
  `create index remarks_by_maker on remarks (made_by)`,
  // By the sum of its secret, like links.
  `create table calendars (
     person_id text primary key references people on delete cascade,
     sum text not null unique,
     made_at timestamptz not null default now())`,
  // The last day on which people were written to about their work.
  `alter table house add column digested_on date`,
];
