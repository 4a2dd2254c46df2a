import { sql, type Kysely } from 'kysely';

/** What stood open in each collection at the end of each day. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `create table collection_days (
         collection_id integer not null references collections on delete cascade,
         day date not null,
         pages integer not null,
         held integer not null,
         judge integer not null,
         ready integer not null,
         must integer not null,
         should integer not null,
         consider integer not null,
         questions integer not null,
         primary key (collection_id, day))`,
    )
    .execute(db);
}
