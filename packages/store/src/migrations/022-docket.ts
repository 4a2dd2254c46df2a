import { sql, type Kysely } from 'kysely';

/** Work that is handed to people: who handed what to whom, with a day and a word. How far it is the findings themselves say. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  `create table hands (
     id integer generated always as identity primary key,
     collection_id integer not null references collections on delete cascade,
     given_to text not null references people,
     made_by text not null references people,
     made_at timestamptz not null default now(),
     due date,
     words text not null default '')`,
  `create index hands_by_person on hands (given_to)`,
  `create index hands_by_maker on hands (made_by)`,
  `create index hands_by_collection on hands (collection_id)`,
  // A finding is in one person's hands at a time.
  `create table handed (
     finding_id integer primary key references findings on delete cascade,
     page_id integer not null references pages on delete cascade,
     hand_id integer not null references hands on delete cascade)`,
  `create index handed_by_page on handed (page_id)`,
  `create index handed_by_hand on handed (hand_id)`,
];
