import { sql, type Kysely } from 'kysely';

/** Hosts and what is published on them, signatures and what people looked at, events and webhooks. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  `alter table house add column signatures_needed smallint not null default 1 check (signatures_needed in (1, 2)),
     add column fixer_may_sign boolean not null default true, add column looks_needed boolean not null default false`,
  // The token is sealed with the server's secret.
  `create table hosts (
     id integer generated always as identity primary key,
     name text not null,
     kind text not null check (kind in ('host', 'folder')),
     address text not null,
     token text,
     made_by text not null references people,
     made_at timestamptz not null default now(),
     gone_at timestamptz)`,
  `create index hosts_by_maker on hosts (made_by)`,
  `create unique index hosts_by_address on hosts (address) where gone_at is null`,
  `create table connections (
     collection_id integer primary key references collections on delete cascade,
     host_id integer not null references hosts,
     place text not null,
     made_by text not null references people,
     made_at timestamptz not null default now(),
     looked_at timestamptz,
     seen_at timestamptz,
     problem text)`,
  `create index connections_by_host on connections (host_id)`,
  `create index connections_by_maker on connections (made_by)`,
  // What a page is on its host: under which tag it was last seen, and which revision here that is.
  `create table host_pages (
     page_id integer primary key references pages on delete cascade,
     collection_id integer not null references connections on delete cascade,
     remote text not null,
     tag text,
     revision integer not null,
     state text not null default 'same' check (state in ('same', 'changed there', 'changed on both', 'gone there')),
     public_sum text,
     public_address text,
     drifted_at timestamptz,
     unique (collection_id, remote))`,
  `create table publications (
     id integer generated always as identity primary key,
     page_id integer not null references pages on delete cascade,
     revision integer not null,
     act text not null default 'publish' check (act in ('publish', 'unpublish')),
     state text not null default 'waiting' check (state in ('waiting', 'done', 'failed', 'called off')),
     due_at timestamptz not null default now(),
     asked_by text not null references people,
     asked_at timestamptz not null default now(),
     address text,
     tries integer not null default 0,
     problem text,
     ended_at timestamptz,
     ended_by text references people)`,
  `create index publications_by_page on publications (page_id, id desc)`,
  `create unique index publications_waiting on publications (page_id) where state = 'waiting'`,
  `create index publications_due on publications (due_at) where state = 'waiting'`,
  `create index publications_by_asker on publications (asked_by)`,
  `create index publications_by_ender on publications (ended_by) where ended_by is not null`,
  // Which revision stands on the host's public side, as it was read back there; none once it was taken off.
  `alter table page_status add column published_revision integer`,
  `create index page_status_by_release on page_status (collection_id, release)`,
  `create table signatures (
     page_id integer not null references pages on delete cascade,
     revision integer not null,
     profile_version_id integer not null references profile_versions,
     signed_by text not null references people,
     signed_at timestamptz not null default now(),
     primary key (page_id, revision, profile_version_id, signed_by))`,
  `create index signatures_by_profile on signatures (profile_version_id)`,
  `create index signatures_by_signer on signatures (signed_by)`,
  // What no engine finds, as somebody looked at it on a revision.
  `create table looks (
     page_id integer not null references pages on delete cascade,
     revision integer not null,
     item text not null,
     looked_by text not null references people,
     looked_at timestamptz not null default now(),
     primary key (page_id, revision, item))`,
  `create index looks_by_looker on looks (looked_by)`,
  // Read in the order of transactions, of those that can have no older one beside them: a reader's place never skips one.
  `create table events (
     id bigint generated always as identity primary key,
     tx xid8 not null default pg_current_xact_id(),
     type text not null,
     at timestamptz not null default now(),
     made_by text,
     collection_id integer not null references collections on delete cascade,
     page_id integer references pages on delete cascade,
     finding_id integer references findings on delete cascade,
     data jsonb not null default '{}')`,
  `create index events_in_order on events (tx, id)`,
  `create index events_by_time on events (at)`,
  `create index events_by_page on events (page_id) where page_id is not null`,
  `create index events_by_finding on events (finding_id) where finding_id is not null`,
  `create index events_by_collection on events (collection_id)`,
  `create function tell_status() returns trigger language plpgsql as $$ begin
     insert into events (type, made_by, collection_id, page_id, data)
     select told.type, coalesce(
         case told.type when 'page.signed' then (select signed_by from sign_offs where page_id = told.page_id order by id desc limit 1)
           when 'page.published' then (select asked_by from publications where page_id = told.page_id order by id desc limit 1)
           when 'page.lapsed' then (select lapsed_by from sign_offs where page_id = told.page_id order by id desc limit 1) end,
         (select made_by from revisions where page_id = told.page_id and made_at = now() order by number desc limit 1),
         (select made_by from standing_changes where page_id = told.page_id and made_at = now() order by version desc, id desc limit 1)),
       told.collection_id, told.page_id, jsonb_strip_nulls(jsonb_build_object('revision', p.head, 'verdict', told.verdict,
         'because', case told.type when 'page.lapsed' then (select lapsed_because from sign_offs where page_id = told.page_id
           order by id desc limit 1) end))
     from (
       select n.page_id, n.collection_id, n.verdict, case n.verdict when 'held' then 'page.held' else 'page.ready' end as type
         from before o join after n on n.page_id = o.page_id
         where n.collection_id is not null and n.verdict in ('held', 'ready') and (n.verdict <> o.verdict or o.collection_id is null)
       union all
       select n.page_id, n.collection_id, n.verdict, case n.release when 'signed off' then 'page.signed' when 'published'
           then 'page.published' else 'page.lapsed' end
         from before o join after n on n.page_id = o.page_id
         where n.collection_id is not null and n.release <> 'draft' and n.release <> o.release
           and not (n.release = 'signed off' and o.release = 'published')) told
     join pages p on p.id = told.page_id;
     return null; end $$`,
  `create trigger status_told after update on page_status referencing old table as before new table as after
     for each statement execute function tell_status()`,
  `create function tell_returned() returns trigger language plpgsql as $$ begin
     insert into events (type, made_by, collection_id, page_id, finding_id, data)
     select 'finding.returned', c.made_by, p.collection_id, c.page_id, c.finding_id, jsonb_build_object('revision', c.revision)
     from after c join pages p on p.id = c.page_id where c.standing = 'returned' order by c.id;
     return null; end $$`,
  `create trigger returned_told after insert on standing_changes referencing new table as after
     for each statement execute function tell_returned()`,
  `create table webhooks (
     id integer generated always as identity primary key,
     url text not null,
     events text[] not null,
     secret text not null,
     made_by text not null references people,
     made_at timestamptz not null default now(),
     gone_at timestamptz,
     after_tx xid8 not null,
     after_id bigint not null)`,
  `create index webhooks_by_maker on webhooks (made_by)`,
  `create table deliveries (
     id uuid primary key default gen_random_uuid(),
     webhook_id integer not null references webhooks on delete cascade,
     event_id bigint not null references events on delete cascade,
     state text not null default 'waiting' check (state in ('waiting', 'received', 'given up')),
     tries integer not null default 0,
     try_at timestamptz not null default now(),
     made_at timestamptz not null default now(),
     tried_at timestamptz,
     status integer,
     answer text,
     unique (webhook_id, event_id))`,
  `create index deliveries_due on deliveries (try_at) where state = 'waiting'`,
  `create index deliveries_by_webhook on deliveries (webhook_id, made_at desc)`,
  `create index deliveries_by_event on deliveries (event_id)`,
  // Jobs that programs began: what they may ask about, and which call with the same key was the first.
  `create table calls_begun (
     id uuid primary key default gen_random_uuid(),
     person_id text not null references people on delete cascade,
     package_id integer references packages on delete set null,
     title text not null default '',
     renews integer references collections on delete cascade,
     key text,
     body_sum text,
     made_at timestamptz not null default now())`,
  `create index calls_begun_by_package on calls_begun (package_id) where package_id is not null`,
  `create index calls_begun_by_renewed on calls_begun (renews) where renews is not null`,
  `create unique index calls_begun_by_key on calls_begun (person_id, key) where key is not null`,
  // The record: reports as they were made, what people judged of whole criteria, and what readers said.
  `create table reports (
     id integer generated always as identity primary key,
     collection_id integer not null references collections on delete cascade,
     page_id integer references pages on delete cascade,
     made_by text not null references people,
     made_at timestamptz not null default now(),
     said jsonb not null)`,
  `create index reports_by_collection on reports (collection_id, id desc)`,
  `create index reports_by_page on reports (page_id) where page_id is not null`,
  `create index reports_by_maker on reports (made_by)`,
  `create table criterion_judgements (
     collection_id integer not null references collections on delete cascade,
     criterion text not null,
     outcome text not null check (outcome in ('passed', 'failed', 'cannot tell', 'not present')),
     words text not null default '',
     judged_by text not null references people,
     judged_at timestamptz not null default now(),
     primary key (collection_id, criterion))`,
  `create index criterion_judgements_by_judge on criterion_judgements (judged_by)`,
  `create table samples (
     collection_id integer primary key references collections on delete cascade,
     seed integer not null,
     many integer not null,
     made_by text not null references people,
     made_at timestamptz not null default now())`,
  `create index samples_by_maker on samples (made_by)`,
  `create table sample_pages (
     page_id integer primary key references pages on delete cascade,
     collection_id integer not null references samples on delete cascade,
     chosen text not null check (chosen in ('structured', 'random')),
     because text not null)`,
  `create index sample_pages_by_collection on sample_pages (collection_id)`,
  `create table statements (
     collection_id integer primary key references collections on delete cascade,
     contact text not null,
     words text not null default '',
     made_by text not null references people,
     made_at timestamptz not null default now(),
     shown boolean not null default true)`,
  `create index statements_by_maker on statements (made_by)`,
  `create table barriers (
     id integer generated always as identity primary key,
     collection_id integer not null references collections on delete cascade,
     page_id integer references pages on delete cascade,
     place text not null,
     words text not null,
     reply_to text,
     told_at timestamptz not null default now(),
     answered_by text references people,
     answered_at timestamptz,
     answer text)`,
  `create index barriers_by_collection on barriers (collection_id, id desc)`,
  `create index barriers_by_page on barriers (page_id) where page_id is not null`,
  `create index barriers_by_answerer on barriers (answered_by) where answered_by is not null`,
];
