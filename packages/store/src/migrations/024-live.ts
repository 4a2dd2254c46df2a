import { sql, type Kysely } from 'kysely';

/**
 * What happens is told to whoever listens: pages that changed, by collection, once for each statement; messages that somebody is sent. And
 * who is on which page, for as long as they say so.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  `create function tell_pages() returns trigger language plpgsql as $$
     declare told record;
     begin
       for told in select collection_id, (array_agg(id order by id))[1:20] as pages from changed group by collection_id loop
         perform pg_notify('inkwell', json_build_object('what', 'pages', 'collection', told.collection_id, 'pages', told.pages)::text);
       end loop;
       return null;
     end $$`,
  `create trigger pages_told after update on pages referencing new table as changed for each statement execute function tell_pages()`,
  `alter table messages add column read_at timestamptz`,
  `create index messages_unread on messages (person_id) where read_at is null`,
  `create function tell_message() returns trigger language plpgsql as $$
     begin
       perform pg_notify('inkwell', json_build_object('what', 'message', 'person', new.person_id)::text);
       return null;
     end $$`,
  `create trigger message_told after insert on messages for each row execute function tell_message()`,
  `create unlogged table here (
     page_id integer not null references pages on delete cascade,
     person_id text not null references people on delete cascade,
     until timestamptz not null,
     primary key (page_id, person_id))`,
  `create index here_by_person on here (person_id)`,
];
