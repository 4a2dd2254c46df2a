import { sql, type Kysely } from 'kysely';

/** Newer versions of a collection: which page of a package is which page here, and what became of each. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  // The collection a package is a newer version of, the package that was its newest one when this was read, and since when it is here.
  `alter table packages add column renews integer references collections on delete cascade, add column read_over integer references packages
     on delete set null, add column here_at timestamptz, add column open_before jsonb`,
  `update packages set here_at = made_at where state = 'here'`,
  `create index packages_by_renewed on packages (renews)`,
  `create index packages_by_older on packages (read_over)`,
  `alter table package_pages add column text_sha256 text, add column page_id integer references pages on delete set null,
     add column became text not null default 'new'
       check (became in ('new', 'as it was', 'changed', 'moved', 'moved and changed', 'back'))`,
  `create index package_pages_by_page on package_pages (page_id)`,
  // Pages that a newer version no longer holds.
  `create table package_gone (
     package_id integer not null references packages on delete cascade,
     page_id integer not null references pages on delete cascade,
     primary key (package_id, page_id))`,
  `create index package_gone_by_page on package_gone (page_id)`,
  // The revision that is its text as it came in the newest package; and since when no package holds it any more.
  `alter table pages add column base integer not null default 1, add column gone_at timestamptz`,
  // A page that has gone, or was never examined, stands in no ledger.
  `alter table page_status alter column collection_id drop not null`,
];
