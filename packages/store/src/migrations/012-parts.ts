import { sql, type Kysely } from 'kysely';

/** The parts of a collection that a page lies in: a course's units, a book's parts, a site's folders. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  `alter table package_pages add column part text[] not null default '{}'`,
  `alter table pages add column part text[] not null default '{}'`,
];
