import { sql, type Kysely } from 'kysely';

/** Second factors, departments, messages that go out by mail, and how long things are kept. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  `alter table people add column department text`,
  `create index people_by_department on people (department) where department is not null`,
  `alter table logins add column has_second_factor boolean not null default false`,
  // Codes by time (RFC 6238): the key and the codes for a lost device are sealed with the server's secret.
  `create table second_factors (
     id text primary key,
     login_id text not null unique references logins on delete cascade,
     secret text not null,
     recovery_codes text not null,
     verified boolean not null default false,
     failed_count integer not null default 0,
     locked_until timestamptz)`,
  // A message is tried again later and later while its server does not take it.
  `alter table messages add column tries integer not null default 0`,
  `alter table messages add column try_at timestamptz not null default now()`,
  `create index messages_to_send on messages (try_at) where sent_at is null`,
  `create index messages_by_time on messages (made_at)`,
  `create index deeds_by_time on deeds (at)`,
  `create index time_log_by_time on time_log (at)`,
  // In days, by what is kept; what is not named here is kept as long as the application says.
  `alter table house add column kept_days jsonb not null default '{}'`,
];
