import { sql, type Kysely } from 'kysely';

/**
 * The audit reports more than a house asks for. Each finding keeps what the engine said of it beside what the house's profile makes of
 * it, so that moving the bar reads rows and audits nothing anew.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  `alter table findings add column asked boolean not null default true, add column told_weight text, add column told_outcome text`,
  `update findings set told_weight = weight, told_outcome = outcome`,
  `alter table findings alter column told_weight set not null, alter column told_outcome set not null, alter column asked drop default,
     add check (told_weight in ('must', 'should', 'consider')), add check (told_outcome in ('failed', 'cantTell'))`,
  `drop index findings_by_page`,
  `create index findings_by_page on findings (page_id, asked, standing, family, weight, outcome, ruled)`,
];
