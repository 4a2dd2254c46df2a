import { sql, type Kysely } from 'kysely';

/** Cleaning at the door: pages of a package with pasted markup, and what a person said of each before it came in. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  `create table package_pasted (
     package_id integer not null,
     position integer not null,
     /* How many marks of pasting it carries. */
     marks integer not null,
     html text not null,
     /* Null while nobody said: then it stays as it is. */
     choice text check (choice in ('clean', 'clean if nothing is asked', 'leave')),
     answers jsonb not null default '{}',
     primary key (package_id, position),
     foreign key (package_id, position) references package_pages on delete cascade)`,
];
