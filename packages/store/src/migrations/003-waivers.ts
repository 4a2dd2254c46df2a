import { sql, type Kysely } from 'kysely';

/** Accepted exceptions, each with a reason and an end; and a third answer to a question: somebody who knows has to be asked. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  `alter table findings drop constraint findings_ruled_check, add check (ruled in ('stands', 'no problem', 'not sure'))`,
  `alter table rulings drop constraint rulings_answer_check, add check (answer in ('stands', 'no problem', 'not sure'))`,
  `create table waivers (
     id integer generated always as identity primary key,
     finding_id integer not null references findings on delete cascade,
     reason text not null,
     until date not null,
     made_by text not null references people,
     made_at timestamptz not null default now(),
     ended_by text references people,
     ended_at timestamptz)`,
  `create unique index waivers_in_force on waivers (finding_id) where ended_at is null`,
  `create index waivers_by_end on waivers (until) where ended_at is null`,
];
