import { sql, type Kysely } from 'kysely';
import { DEFAULT_PROFILE } from '@inkwell/core';

/**
 * Audits with ids, occurrences as intervals of audits, texts and files by hash, one status row a page, profiles with versions, what
 * pages refer to, memberships, the house, questions and assignments apart from standing. Every text and every decision is carried over.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of [...PEOPLE, ...PROFILES, ...TEXTS_AND_FILES]) await sql.raw(statement).execute(db);
  const { rows } = await sql<{ id: number }>`insert into profiles (name, version) values (${DEFAULT_PROFILE.name}, 1) returning id`.execute(
    db,
  );
  const profile = rows[0]!.id;
  await sql`insert into profile_versions (profile_id, version, selection, vocabulary, made_by) values (${profile}, 1,
    ${JSON.stringify(DEFAULT_PROFILE)}, '{}', 'system')`.execute(db);
  await sql`insert into bars (profile_version_id, content_type, questions_hold) select id, '', true from profile_versions`.execute(db);
  await sql`insert into house (name, time_zone, elsewhere_holds, profile_id) values ('Our house',
    ${process.env.INKWELL_TIME_ZONE || 'Europe/London'}, false, ${profile})`.execute(db);
  for (const statement of [...FINDINGS, ...DECISIONS, ...STATUS, ...WORK]) await sql.raw(statement).execute(db);
}

/** Bytes of one piece of a file, then as now. */
const PIECE = 262_144;

const ROLES = `('reviewer', 'author', 'publisher', 'specialist', 'administrator')`;

const PEOPLE = [
  `alter table people add column email text unique, add column kind text not null default 'person' check (kind in ('person', 'system')),
     add column disabled_on date, add column keeps_time boolean not null default true`,
  `create table memberships (
     id integer generated always as identity primary key,
     person_id text not null references people on delete cascade,
     collection_id integer references collections on delete cascade,
     role text not null check (role in ${ROLES}),
     unique nulls not distinct (person_id, collection_id, role))`,
  `create index memberships_by_collection on memberships (collection_id)`,
  `insert into memberships (person_id, role) select id, role from people`,
  `alter table people drop column role`,
  `insert into people (id, name, kind) values ('system', 'Inkwell Check', 'system') on conflict do nothing`,
];

const PROFILES = [
  `create table profiles (id integer generated always as identity primary key, name text not null unique, version integer not null)`,
  `create table profile_versions (
     id integer generated always as identity primary key,
     profile_id integer not null references profiles on delete cascade,
     version integer not null,
     selection jsonb not null,
     vocabulary jsonb not null,
     made_by text not null references people,
     made_at timestamptz not null default now(),
     unique (profile_id, version))`,
  `create index profile_versions_by_maker on profile_versions (made_by)`,
  `create table profile_uses (
     id integer generated always as identity primary key,
     collection_id integer references collections on delete cascade,
     content_type text,
     profile_id integer not null references profiles,
     check (collection_id is not null or content_type is not null),
     unique nulls not distinct (collection_id, content_type))`,
  `create index profile_uses_by_profile on profile_uses (profile_id)`,
  `create table bars (
     id integer generated always as identity primary key,
     profile_version_id integer not null references profile_versions on delete cascade,
     content_type text not null,
     questions_hold boolean not null,
     unique (profile_version_id, content_type))`,
  `create table kinds (
     id integer generated always as identity primary key,
     name text not null unique,
     rule text not null,
     family text not null,
     weight text not null check (weight in ('must', 'should', 'consider')),
     outcome text not null check (outcome in ('failed', 'cantTell')),
     criteria jsonb,
     measured jsonb not null)`,
  `create table kind_weights (
     bar_id integer not null references bars on delete cascade,
     kind_id integer not null references kinds,
     weight text not null check (weight in ('must', 'should', 'consider')),
     outcome text not null check (outcome in ('failed', 'cantTell')),
     holds boolean not null,
     primary key (bar_id, kind_id))`,
  `create index kind_weights_by_kind on kind_weights (kind_id)`,
  `create table house (
     id boolean primary key default true check (id),
     name text not null,
     time_zone text not null,
     hourly_rate numeric(10, 2),
     currency text,
     elsewhere_holds boolean not null,
     profile_id integer not null references profiles)`,
  `create index house_by_profile on house (profile_id)`,
];

const TEXTS_AND_FILES = [
  `create table texts (sha256 text primary key, html text not null)`,
  `insert into texts select distinct on (1) encode(sha256(convert_to(html, 'UTF8')), 'hex'), html from revisions`,
  `alter table revisions add column text_sha256 text references texts, add column bom boolean not null default false,
    add column bytes_sha256 text`,
  `update revisions set text_sha256 = encode(sha256(convert_to(html, 'UTF8')), 'hex')`,
  `alter table revisions alter column text_sha256 set not null, drop column html`,
  `create index revisions_by_text on revisions (text_sha256)`,
  `create index revisions_by_maker on revisions (made_by)`,
  `create table file_pieces (
     sha256 text not null references files on delete cascade,
     nth integer not null,
     bytes bytea not null,
     primary key (sha256, nth))`,
  `insert into file_pieces select sha256, nth, substring(bytes from nth * ${PIECE} + 1 for ${PIECE})
     from files, generate_series(0, greatest(0, (octet_length(bytes) - 1) / ${PIECE})) nth`,
  `alter table files add column size integer`,
  `update files set size = octet_length(bytes)`,
  `alter table files alter column size set not null, drop column bytes`,
  `create index assets_by_file on assets (sha256)`,
  `create index pages_by_maker on pages (made_by)`,
  `create index pages_in_order on pages (collection_id, position, id)`,
  `create index pages_by_title on pages (collection_id, title collate "und-x-icu", id)`,
];

const FINDINGS = [
  // An audit of the former kind looked at no more than its revision says: it is made again in the background, and may change nothing.
  `create table new_audits (
     id integer generated always as identity primary key,
     page_id integer not null references pages on delete cascade,
     revision integer not null,
     engine text not null,
     inputs text not null,
     moves jsonb not null default '[]',
     made_at timestamptz not null default now(),
     foreign key (page_id, revision) references revisions on delete cascade)`,
  `insert into new_audits (page_id, revision, engine, inputs, made_at) select page_id, revision, engine, '', made_at from audits
    order by page_id, revision`,
  `alter table pages add column audit_id integer, add column version integer not null default 1, add column head_version integer not null default 1`,
  `update pages set audit_id = a.id from new_audits a where a.page_id = pages.id and a.revision = pages.head`,
  `update pages set version = head + (select count(*) from rulings r join findings f on f.id = r.finding_id where f.page_id = pages.id)`,
  `update pages set head_version = version`,

  `insert into kinds (name, rule, family, weight, outcome, criteria, measured)
     select distinct on (1) 'former ' || rule || ' ' || told_weight || ' ' || told_outcome, rule, family, told_weight, told_outcome,
       null::jsonb, '{}'::jsonb from findings`,
  // What the house made of each kind so far; the audit to come gives every finding its exact kind.
  `insert into kind_weights (bar_id, kind_id, weight, outcome, holds)
     select distinct on (1, 2) bars.id, kinds.id, f.weight, f.outcome, f.weight = 'must'
     from findings f join kinds on kinds.name = 'former ' || f.rule || ' ' || f.told_weight || ' ' || f.told_outcome cross join bars
       where f.asked`,
  `insert into kinds (name, rule, family, weight, outcome, criteria, measured)
     select distinct on (1) 'former, unasked ' || rule || ' ' || told_weight || ' ' || told_outcome, rule, family, told_weight,
       told_outcome, null::jsonb, '{}'::jsonb from findings where not asked`,
  `alter table findings add column kind_id integer references kinds, add column excepted_until date`,
  `update findings f set kind_id = kinds.id from kinds
     where kinds.name = case when f.asked then 'former '
       else 'former, unasked ' end || f.rule || ' ' || f.told_weight || ' ' || f.told_outcome`,
  `alter table findings drop constraint findings_standing_check`,

  `create table new_occurrences (
     id bigint generated always as identity primary key,
     finding_id integer not null references findings on delete cascade,
     page_id integer not null,
     place integer not null,
     from_audit integer not null references new_audits on delete cascade,
     to_audit integer references new_audits on delete cascade,
     path text not null,
     through text,
     start_at integer not null,
     end_at integer not null,
     message text not null,
     message_values jsonb not null,
     subject text not null,
     fingerprint text not null,
     remedies jsonb)`,
  // Each former row is an interval of one audit: its places were written down in full.
  `insert into new_occurrences (finding_id, page_id, place, from_audit, to_audit, path, through, start_at, end_at, message,
    message_values, subject, fingerprint, remedies)
     select o.finding_id, o.page_id, 0, a.id, n.id, o.path, o.through, o.start_at, o.end_at, o.message, o.message_values, o.subject,
       f.fingerprint, o.remedies
     from occurrences o join findings f on f.id = o.finding_id
     join new_audits a on a.page_id = o.page_id and a.revision = o.revision
     left join new_audits n on n.page_id = o.page_id and n.revision = o.revision + 1
     order by o.page_id, o.revision, o.ordinal`,
  `drop table occurrences`,
  `drop table audits`,
  `alter table new_audits rename to audits`,
  `alter table new_occurrences rename to occurrences`,
  `create index audits_by_page on audits (page_id, revision, id)`,
  `create index audits_by_engine on audits (engine)`,
  `alter table pages add foreign key (audit_id) references audits deferrable initially deferred`,
  `create index pages_by_audit on pages (audit_id)`,
  `create index occurrences_now on occurrences (page_id) where to_audit is null`,
  `create index occurrences_by_page on occurrences (page_id, from_audit)`,
  `create index occurrences_by_finding on occurrences (finding_id, from_audit)`,
  `create index occurrences_by_first on occurrences (from_audit)`,
  `create index occurrences_by_last on occurrences (to_audit) where to_audit is not null`,

  `create table page_references (
     page_id integer not null references pages on delete cascade,
     collection_id integer not null references collections on delete cascade,
     kind text not null check (kind in ('link', 'image', 'anchor', 'sheet')),
     target text not null,
     fragment text not null default '',
     alternative text)`,
  `create index page_references_by_page on page_references (page_id)`,
  // Hashes, because an address may be longer than an index row.
  `create index page_references_by_target on page_references (collection_id, kind, md5(target))`,
];

const DECISIONS = [
  `alter table standing_changes add column page_id integer, add column version integer, add column because text not null default ''`,
  `update standing_changes c set page_id = f.page_id, version = p.version from findings f join pages p on p.id = f.page_id
    where f.id = c.finding_id`,
  `update standing_changes set standing = case standing when 'waived' then 'excepted' when 'in hand' then 'open' else standing end`,
  `alter table standing_changes alter column page_id set not null, alter column version set not null,
    add foreign key (page_id) references pages on delete cascade`,
  `create index standing_changes_by_page on standing_changes (page_id, version)`,
  `create index standing_changes_by_maker on standing_changes (made_by)`,

  `alter table rulings add column places integer[]`,
  `create index rulings_by_finding on rulings (finding_id)`,
  `create index rulings_by_maker on rulings (made_by)`,
  `create index rulings_by_taker on rulings (taken_back_by)`,

  `create table questions (
     id integer generated always as identity primary key,
     finding_id integer not null references findings on delete cascade,
     waits_for text not null check (waits_for in ${ROLES}),
     asked_by text not null references people,
     asked_at timestamptz not null default now(),
     answered_by text references people,
     answered_at timestamptz)`,
  `create unique index questions_waiting on questions (finding_id) where answered_at is null`,
  `create index questions_by_finding on questions (finding_id)`,
  `create index questions_by_asker on questions (asked_by)`,
  `create index questions_by_answerer on questions (answered_by)`,
  // Whoever was not sure asked somebody who knows: the finding is open, and its question waits.
  `insert into questions (finding_id, waits_for, asked_by, asked_at)
     select r.finding_id, 'specialist', r.made_by, r.made_at from rulings r join findings f on f.id = r.finding_id
     where r.answer = 'not sure' and r.taken_back_at is null and f.standing = 'in hand'`,

  `alter table waivers rename to exceptions`,
  `alter index waivers_in_force rename to exceptions_in_force`,
  `alter index waivers_by_end rename to exceptions_by_end`,
  `alter table exceptions add column places integer[]`,
  `create index exceptions_by_finding on exceptions (finding_id)`,
  `create index exceptions_by_maker on exceptions (made_by)`,
  `create index exceptions_by_ender on exceptions (ended_by)`,
  `update findings set excepted_until = e.until from exceptions e where e.finding_id = findings.id and e.ended_at is null`,
  `update findings set standing = case standing when 'waived' then 'excepted' when 'in hand' then 'open' else standing end`,
  `alter table findings add constraint findings_standing_check check (standing in ('open', 'fixed', 'returned', 'ruled out', 'excepted',
    'elsewhere')),
     alter column kind_id set not null`,
  `drop index findings_by_page`,
  `alter table findings drop column rule, drop column family, drop column weight, drop column outcome, drop column told_weight, drop column told_outcome, drop column asked, drop column fingerprint, drop column last_revision`,
  `create index findings_by_page on findings (page_id, standing, kind_id, ruled, excepted_until)`,
  `create index findings_by_kind on findings (kind_id)`,

  `create table assignments (
     id integer generated always as identity primary key,
     finding_id integer not null references findings on delete cascade,
     person_id text not null references people,
     due date,
     note text not null default '',
     made_by text not null references people,
     made_at timestamptz not null default now(),
     ended_at timestamptz)`,
  `create unique index assignments_in_force on assignments (finding_id) where ended_at is null`,
  `create index assignments_by_finding on assignments (finding_id)`,
  `create index assignments_by_person on assignments (person_id) where ended_at is null`,
  `create index assignments_by_maker on assignments (made_by)`,

  `alter table sign_offs add column audit_id integer references audits on delete cascade,
    add column profile_version_id integer references profile_versions,
     add column lapsed_by text references people, add column lapsed_because text,
       add column lapsed_finding integer references findings on delete set null,
     add column lapsed_revision integer`,
  `update sign_offs set audit_id = (select max(id) from audits a where a.page_id = sign_offs.page_id
    and a.revision = sign_offs.revision), profile_version_id = (select min(id) from profile_versions),
     lapsed_revision = lapsed_by_revision, lapsed_by = case when lapsed_at is not null then 'system' end,
     lapsed_because = case when lapsed_at is null then null when lapsed_by_revision > revision then 'text' else 'decision' end`,
  `alter table sign_offs alter column audit_id set not null, alter column profile_version_id set not null, drop column lapsed_by_revision`,
  `create index sign_offs_by_page on sign_offs (page_id, id)`,
  `create index sign_offs_by_revision on sign_offs (page_id, revision)`,
  `create index sign_offs_by_audit on sign_offs (audit_id)`,
  `create index sign_offs_by_signer on sign_offs (signed_by)`,
  `create index sign_offs_by_lapser on sign_offs (lapsed_by)`,
  `create index sign_offs_by_finding on sign_offs (lapsed_finding)`,
  `create index sign_offs_by_profile on sign_offs (profile_version_id)`,
  // A sign-off that outlived an exception on which it rested had lapsed the day the finding was open again.
  `update sign_offs s set lapsed_at = now(), lapsed_by = 'system', lapsed_because = 'decision', lapsed_revision = s.revision,
     lapsed_finding = (select min(f.id) from findings f join kind_weights w on w.kind_id = f.kind_id where f.page_id = s.page_id
       and f.standing in ('open', 'returned') and w.holds and (f.ruled = 'stands' or w.outcome = 'failed'))
     where lapsed_at is null and exists (select 1 from findings f join kind_weights w on w.kind_id = f.kind_id
       where f.page_id = s.page_id and f.standing in ('open', 'returned') and w.holds and (w.outcome = 'failed' or f.ruled = 'stands'))`,
];

const STATUS = [
  `create table page_status (
     page_id integer primary key references pages on delete cascade,
     collection_id integer not null references collections on delete cascade,
     bar_id integer not null references bars,
     must integer not null default 0,
     should integer not null default 0,
     consider integer not null default 0,
     questions integer not null default 0,
     holding integer not null default 0,
     elsewhere integer not null default 0,
     fixed integer not null default 0,
     counts jsonb not null default '[]',
     families integer[] not null default array_fill(0, array[11]),
     verdict text not null default 'ready' check (verdict in ('held', 'judge', 'ready')),
     release text not null default 'draft' check (release in ('draft', 'signed off', 'published', 'lapsed')),
     valid_until date) with (fillfactor = 70)`,
  `create index page_status_by_collection on page_status (collection_id, holding, page_id)`,
  `create index page_status_by_bar on page_status (bar_id)`,
  `create index page_status_by_end on page_status (valid_until) where valid_until is not null`,
  `insert into page_status (page_id, collection_id, bar_id) select pages.id, collection_id, (select min(id) from bars) from pages`,
  // Counted here as the application counts from now on.
  `with open as (
     select f.page_id, k.family, w.weight, case when f.ruled = 'stands' then 'failed' else w.outcome end as outcome, w.holds,
       count(*)::int as many
     from findings f join kinds k on k.id = f.kind_id join kind_weights w on w.kind_id = f.kind_id
     where f.standing in ('open', 'returned') or (f.standing = 'excepted' and f.excepted_until < current_date)
     group by 1, 2, 3, 4, 5),
   sums as (
     select page_id, jsonb_agg(jsonb_build_array(family, weight, outcome, many) order by family, weight, outcome) as counts,
       coalesce(sum(many) filter (where outcome = 'failed' and weight = 'must'), 0)::int as must,
       coalesce(sum(many) filter (where outcome = 'failed' and weight = 'should'), 0)::int as should,
       coalesce(sum(many) filter (where outcome = 'failed' and weight = 'consider'), 0)::int as consider,
       coalesce(sum(many) filter (where outcome = 'cantTell'), 0)::int as questions,
       coalesce(sum(many) filter (where outcome = 'failed' and holds), 0)::int as holding
     from open group by page_id)
   update page_status s set counts = sums.counts, must = sums.must, should = sums.should, consider = sums.consider,
     questions = sums.questions, holding = sums.holding,
     verdict = case when sums.holding > 0 then 'held' when sums.questions > 0 then 'judge' else 'ready' end
   from sums where sums.page_id = s.page_id`,
  `update page_status s set families = (select array_agg(coalesce(many, 0)::integer order by nth)
       from unnest(array['headings', 'images', 'links', 'lists', 'tables', 'colour', 'text', 'media', 'document', 'forms',
         'structure']) with ordinality f (family, nth)
       left join (select c ->> 0 as family, sum((c ->> 3)::integer) as many from jsonb_array_elements(s.counts) c
         group by 1) n using (family))`,
  `update page_status s set fixed = (select count(*) from findings f join kind_weights w on w.kind_id = f.kind_id
    where f.page_id = s.page_id and f.standing = 'fixed'),
     valid_until = (select min(excepted_until) from findings f where f.page_id = s.page_id and f.standing = 'excepted'),
     release = case when exists (select 1 from sign_offs o where o.page_id = s.page_id and o.lapsed_at is null) then 'signed off'
       when exists (select 1 from sign_offs o where o.page_id = s.page_id) then 'lapsed' else 'draft' end`,
];

const WORK = [
  `create table jobs (
     id bigint generated always as identity primary key,
     kind text not null,
     payload jsonb not null default '{}',
     parent_id bigint references jobs on delete cascade,
     /* Of jobs that wait under one name there is one. */
     name text,
     state text not null default 'waiting' check (state in ('waiting', 'running', 'done', 'failed', 'cancelled')),
     attempts integer not null default 0,
     run_after timestamptz not null default now(),
     lease_until timestamptz,
     worker text,
     done integer not null default 0,
     total integer not null default 0,
     result jsonb,
     problem text,
     made_by text not null references people,
     made_at timestamptz not null default now(),
     ended_at timestamptz)`,
  `create unique index jobs_waiting_by_name on jobs (name) where state = 'waiting'`,
  `create index jobs_to_run on jobs (run_after, id) where state = 'waiting'`,
  `create index jobs_running on jobs (lease_until) where state = 'running'`,
  `create index jobs_by_parent on jobs (parent_id, state)`,
  `create index jobs_by_maker on jobs (made_by)`,
  `create table time_log (
     id bigint generated always as identity primary key,
     person_id text not null references people on delete cascade,
     page_id integer not null references pages on delete cascade,
     finding_id integer references findings on delete cascade,
     what text not null check (what in ('shown', 'first input', 'applied', 'skipped', 'ruled')),
     seconds real not null,
     at timestamptz not null default now())`,
  `create index time_log_by_person on time_log (person_id)`,
  `create index time_log_by_page on time_log (page_id)`,
  `create index time_log_by_finding on time_log (finding_id)`,
];
