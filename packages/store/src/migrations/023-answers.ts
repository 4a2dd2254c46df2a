import { sql, type Kysely } from 'kysely';

/**
 * Answers that hold wherever the same question is asked: what makes it the same stands beside each finding that asks one. Until a page is
 * audited again its questions are each their own.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  // Compared byte by byte: sums have no alphabet.
  `alter table findings add column same text collate "C"`,
  `update findings f set same = 'o-' || f.id from kinds k where k.id = f.kind_id and k.outcome = 'cantTell'`,
  `create index findings_by_same on findings (same) where same is not null`,
  `create index findings_asking on findings (page_id) include (same, kind_id, id)
     where same is not null and standing in ('open', 'returned') and ruled is null`,
  `create table answers (
     id integer generated always as identity primary key,
     same text collate "C" not null,
     rule text not null,
     answer text not null check (answer in ('stands', 'no problem', 'not sure')),
     reason text not null default '',
     collection_id integer references collections on delete cascade,
     page_id integer references pages on delete cascade,
     state text not null check (state in ('in force', 'waits', 'agreed', 'apart', 'gave way', 'taken back')),
     finding_id integer references findings on delete set null,
     made_by text not null references people,
     made_at timestamptz not null default now(),
     ended_by text references people,
     ended_at timestamptz,
     gave_way_to integer references answers on delete set null)`,
  `create index answers_by_same on answers (same)`,
  `create index answers_by_rule on answers (rule, id)`,
  `create index answers_by_collection on answers (collection_id)`,
  `create index answers_by_page on answers (page_id)`,
  `create index answers_by_finding on answers (finding_id)`,
  `create index answers_by_maker on answers (made_by, id)`,
  `create index answers_by_ender on answers (ended_by)`,
  `create index answers_by_successor on answers (gave_way_to)`,
  `alter table rulings add column answer_id integer references answers on delete set null`,
  `create index rulings_by_answer on rulings (answer_id) where answer_id is not null`,
];
