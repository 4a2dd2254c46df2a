import { sql, type Kysely } from 'kysely';

/** Files of collections as they lie on their hosts. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  // What lies there, under which tag it was last seen, and whether somebody has to say first which of two is to stay.
  `create table host_files (
     collection_id integer not null references connections on delete cascade,
     path text not null,
     tag text not null,
     sha256 text not null,
     differs boolean not null default false,
     primary key (collection_id, path))`,
  `create index host_files_that_differ on host_files (collection_id) where differs`,
];
