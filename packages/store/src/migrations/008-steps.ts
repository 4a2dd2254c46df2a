import { sql, type Kysely } from 'kysely';

/** The walk through a page in steps: who looked at what, and at which revision. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  `create table looked_at (
     page_id integer not null references pages on delete cascade,
     step text not null,
     person_id text not null references people,
     revision integer not null,
     at timestamptz not null default now(),
     primary key (page_id, step, person_id))`,
  `create index looked_at_by_person on looked_at (person_id)`,
];
