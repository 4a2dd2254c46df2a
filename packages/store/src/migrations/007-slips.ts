import { sql, type Kysely } from 'kysely';

/** One slip on many pages: what makes it the same, and what was done to all of them at once. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  // The part of its page it stands in and a key that equal pieces share; null where its piece has nothing of its own.
  `alter table findings add column slip text`,
  `create index findings_by_slip on findings (slip) where slip is not null`,
  // One act on one slip wherever it stands, or on pages that were chosen together.
  `create table strokes (
     id integer generated always as identity primary key,
     collection_id integer not null references collections on delete cascade,
     /* Null for what is done to whole pages. */
     slip text,
     rule text,
     act text not null check (act in ('fix', 'elsewhere', 'no problem', 'certain', 'sign off')),
     remedy text,
     inputs jsonb not null default '{}',
     /* The finding on which it was tried and looked at. */
     finding_id integer references findings on delete set null,
     job_id bigint references jobs on delete set null,
     made_by text not null references people,
     made_at timestamptz not null default now(),
     taken_back_by text references people,
     taken_back_at timestamptz)`,
  `create index strokes_by_collection on strokes (collection_id, id)`,
  `create index strokes_by_finding on strokes (finding_id)`,
  `create index strokes_by_job on strokes (job_id)`,
  `create index strokes_by_maker on strokes (made_by)`,
  `create index strokes_by_taker on strokes (taken_back_by)`,
  `create table stroke_pages (
     stroke_id integer not null references strokes on delete cascade,
     page_id integer not null references pages on delete cascade,
     state text not null default 'waiting' check (state in ('waiting', 'done', 'left', 'taken back', 'stays')),
     revision integer,
     /* Findings that were decided about. */
     findings integer[] not null default '{}',
     why text not null default '',
     primary key (stroke_id, page_id))`,
  `create index stroke_pages_by_page on stroke_pages (page_id)`,
];
