import { sql, type Kysely } from 'kysely';

/** A signature names the audit it saw, and ends with what a sign-off would end by; ended jobs are found by their time. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  `alter table signatures add column audit_id integer references audits on delete cascade, add column ended_at timestamptz,
     add column id integer generated always as identity, drop constraint signatures_pkey`,
  `update signatures g set audit_id = p.audit_id from pages p where p.id = g.page_id`,
  // Signed before the last lapse, another text, or once more under a newer standard: spent.
  `update signatures g set ended_at = now() from pages p where p.id = g.page_id and (g.revision <> p.head or g.audit_id is null
     or exists (select 1 from sign_offs o where o.page_id = g.page_id and o.lapsed_at >= g.signed_at)
     or exists (select 1 from signatures n where n.page_id = g.page_id and n.signed_by = g.signed_by
       and (n.signed_at, n.id) > (g.signed_at, g.id)))`,
  `alter table signatures add primary key (id)`,
  `create index signatures_by_audit on signatures (audit_id) where audit_id is not null`,
  `create unique index signatures_in_force on signatures (page_id, signed_by) where ended_at is null`,
  `create index signatures_by_page on signatures (page_id, revision)`,
  // Exceptions for single places stand beside each other.
  `drop index exceptions_in_force`,
  `create unique index exceptions_in_force on exceptions (finding_id) where ended_at is null and places is null`,
  // Rules that failed on the page: what they would find is not known.
  `alter table audits add column troubles jsonb not null default '[]'`,
  `create index jobs_ended on jobs (ended_at) where ended_at is not null`,
];
