import { sql, type Kysely } from 'kysely';

/** Signing in: logins, sessions and passwords, links that are sent, what is sent, and who did what to whom. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  // Who may sign in. A person stays in the record when the login goes.
  `create table logins (
     id text primary key references people on delete cascade,
     name text not null,
     email text not null unique check (email = lower(email)),
     email_verified boolean not null default true,
     image text,
     created_at timestamptz not null default now(),
     updated_at timestamptz not null default now())`,
  `create table sessions (
     id text primary key,
     token text not null unique,
     login_id text not null references logins on delete cascade,
     expires_at timestamptz not null,
     created_at timestamptz not null default now(),
     updated_at timestamptz not null default now(),
     ip_address text,
     user_agent text)`,
  `create index sessions_by_login on sessions (login_id)`,
  `create index sessions_by_end on sessions (expires_at)`,
  // A way to sign in: a password, or another service's word.
  `create table accounts (
     id text primary key,
     login_id text not null references logins on delete cascade,
     account_id text not null,
     provider_id text not null,
     access_token text,
     refresh_token text,
     id_token text,
     access_token_expires_at timestamptz,
     refresh_token_expires_at timestamptz,
     scope text,
     password text,
     created_at timestamptz not null default now(),
     updated_at timestamptz not null default now(),
     unique (provider_id, account_id))`,
  `create index accounts_by_login on accounts (login_id)`,
  `create table verifications (
     id text primary key,
     identifier text not null,
     value text not null,
     expires_at timestamptz not null,
     created_at timestamptz not null default now(),
     updated_at timestamptz not null default now())`,
  `create index verifications_by_identifier on verifications (identifier)`,
  // Links that were sent, by the sum of their secret: each is good once, and until its time is over.
  `create table links (
     sum text primary key,
     person_id text not null references people on delete cascade,
     purpose text not null check (purpose in ('invitation', 'password')),
     made_by text not null references people,
     made_at timestamptz not null default now(),
     until timestamptz not null,
     used_at timestamptz)`,
  `create index links_by_person on links (person_id)`,
  `create index links_by_maker on links (made_by)`,
  // Messages that go out, or would.
  `create table messages (
     id integer generated always as identity primary key,
     person_id text references people on delete set null,
     address text not null,
     subject text not null,
     body text not null,
     made_at timestamptz not null default now(),
     sent_at timestamptz,
     trouble text)`,
  `create index messages_by_person on messages (person_id)`,
  // Passwords that were wrong, by the sum of the account or by the address they came from.
  `create table wrong_passwords (key text not null, at timestamptz not null)`,
  `create index wrong_passwords_by_key on wrong_passwords (key, at)`,
  `create index wrong_passwords_by_time on wrong_passwords (at)`,
  // Who did what to whom and to the house; what is done to pages is told by their revisions and standings.
  `create table deeds (
     id bigint generated always as identity primary key,
     at timestamptz not null default now(),
     made_by text not null references people,
     deed text not null,
     person_id text references people on delete set null,
     about jsonb not null default '{}')`,
  `create index deeds_by_maker on deeds (made_by)`,
  `create index deeds_by_person on deeds (person_id)`,
  `create index people_leaving on people (disabled_on) where disabled_on is not null`,
];
