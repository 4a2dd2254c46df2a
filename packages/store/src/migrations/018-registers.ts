import { sql, type Kysely } from 'kysely';

/** Registers: what pages show and refer to, by the thing it is, with what is said of it and what is wrong with it. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  `create table things (
     id uuid primary key,
     collection_id integer not null references collections on delete cascade,
     register smallint not null,
     name text not null,
     place text not null)`,
  `create index things_by_collection on things (collection_id, register)`,
  // Things are written first and by themselves, so that pages that share one need not wait for each other: no key leads to them.
  `create table uses (
     page_id integer not null references pages on delete cascade,
     sum uuid not null,
     collection_id integer not null references collections on delete cascade,
     register smallint not null,
     thing_id uuid not null,
     many integer not null,
     lead smallint not null,
     said bigint not null,
     traits integer not null,
     troubles bigint not null default 0,
     open integer not null default 0,
     asks integer not null default 0,
     says text,
     facts jsonb not null,
     findings integer[] not null,
     primary key (page_id, sum))`,
  `create index uses_by_register on uses (collection_id, register, thing_id)
     include (page_id, many, lead, said, traits, troubles, open, asks)`,
  `create index uses_by_thing on uses (thing_id, page_id)`,
  // What was seen in an image's bytes: images that look alike share the hash of the one among them that was seen first.
  `create table image_facts (
     sha256 text primary key references files on delete cascade,
     /* Null where they hold no image that can be drawn. */
     width integer,
     height integer,
     look bit(64),
     print bytea,
     alike text,
     thumbnail bytea)`,
  `create index image_facts_by_alike on image_facts (alike)`,
  // Style sheets as they were last read for the images they set.
  `create table sheets_read (
     collection_id integer not null references collections on delete cascade,
     path text not null,
     sha256 text not null,
     primary key (collection_id, path))`,
  `create table sheet_images (
     collection_id integer not null,
     sheet text not null,
     selector text not null,
     name text not null,
     borrowed boolean not null,
     foreign key (collection_id, sheet) references sheets_read on delete cascade)`,
  `create index sheet_images_by_sheet on sheet_images (collection_id, sheet)`,
  // What is done to chosen things of a register, on whatever pages they stand; one act may reach several collections.
  `alter table strokes add column register smallint`,
  `alter table strokes add column mends jsonb`,
  `alter table strokes add column together text`,
  `create index strokes_together on strokes (together) where together is not null`,
  `alter table strokes drop constraint strokes_act_check`,
  `alter table strokes add check (act in ('fix', 'elsewhere', 'no problem', 'certain', 'sign off', 'mend'))`,
  // Files that an act changed, with what lay there before and lies there since; null where nothing does.
  `create table stroke_files (
     stroke_id integer not null references strokes on delete cascade,
     path text not null,
     before text references files,
     after text references files,
     primary key (stroke_id, path))`,
  `create index stroke_files_by_before on stroke_files (before)`,
  `create index stroke_files_by_after on stroke_files (after)`,
  // Files that have another name now: whoever keeps the old addresses sends readers on.
  `create table redirects (
     collection_id integer not null references collections on delete cascade,
     path text not null,
     leads_to text not null,
     stroke_id integer references strokes on delete cascade,
     made_at timestamptz not null default now(),
     primary key (collection_id, path))`,
  `create index redirects_by_stroke on redirects (stroke_id)`,
  // Pages that somebody has changes of which are not saved: what is done to many passes them by.
  `create table open_pages (
     page_id integer not null references pages on delete cascade,
     person_id text not null references people on delete cascade,
     until timestamptz not null,
     primary key (page_id, person_id))`,
  `create index open_pages_by_person on open_pages (person_id)`,
  // The house's colours: what may stand on what is told by their contrast.
  `create table colours (
     id integer generated always as identity primary key,
     name text not null,
     value text not null unique)`,
];
