import { sql, type Kysely } from 'kysely';

/** Whole collections, brought in as packages: what came, what was found in it, and the pages on their way in. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  `create table packages (
     id integer generated always as identity primary key,
     name text not null,
     sha256 text not null references files,
     state text not null default 'waiting' check (state in ('waiting', 'read', 'refused', 'arriving', 'here')),
     /* Why it was refused. */
     problem text,
     kind text check (kind in ('course', 'site', 'book')),
     title text not null default '',
     /* How many files and pages it holds, and what could not be read. */
     files integer not null default 0,
     pages integer not null default 0,
     troubles jsonb not null default '[]',
     collection_id integer references collections on delete cascade,
     job_id bigint references jobs on delete set null,
     made_by text not null references people,
     made_at timestamptz not null default now())`,
  `create index packages_by_collection on packages (collection_id)`,
  `create index packages_by_file on packages (sha256)`,
  `create index packages_by_maker on packages (made_by)`,
  `create index packages_by_job on packages (job_id)`,
  `create index packages_on_their_way on packages (id) where state in ('waiting', 'read', 'arriving')`,

  // What a package was found to hold, in reading order, until its pages are here.
  `create table package_pages (
     package_id integer not null references packages on delete cascade,
     position integer not null,
     path text not null,
     /* The entry it lies in, and the element of an XML entry that holds it. */
     entry text not null,
     inside text,
     title text not null,
     scope text not null check (scope in ('document', 'fragment')),
     content_type text not null,
     listed boolean,
     /* What its text refers to. */
     refs jsonb not null default '[]',
     primary key (package_id, position))`,

  // A page of a collection that is not all there yet has no audit; its text waits here.
  `create table arrivals (
     page_id integer primary key references pages on delete cascade,
     html text not null,
     encoding text not null,
     bom boolean not null)`,
  `alter table pages add column entry text, add column inside text`,
  // One put away stands apart on the shelf; one taken out can be brought back for a time.
  `alter table collections add column arrived_at timestamptz default now(), add column put_away_at timestamptz,
    add column taken_out_at timestamptz, add column taken_out_by text references people`,
  `create index collections_taken_out on collections (taken_out_at) where taken_out_at is not null`,
  `create index collections_by_taker on collections (taken_out_by)`,
  `update collections set arrived_at = made_at`,
  // A page asks for the anchors it leads to, each by its page and name: reading all of the collection's took most of an audit's time.
  `create index page_references_by_anchor on page_references (collection_id, md5(target), md5(fragment)) where kind = 'anchor'`,
];
