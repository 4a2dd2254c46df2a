import { sql, type Kysely } from 'kysely';

/** Addresses outside that links lead to: when they were looked at, and when they were last seen. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  `create table outside_addresses (
     /* The sum of the address, whatever place on the page is meant: addresses may be too long for an index. */
     id uuid primary key,
     address text not null,
     host text not null,
     /* From when on it is to be looked at; null where nobody waits for it. */
     due_at timestamptz,
     /* A worker that looks at a host has it for itself until then. */
     claimed_until timestamptz,
     looked_at timestamptz,
     seen_at timestamptz,
     state text check (state in ('seen', 'moved', 'gone', 'unsure')),
     words text,
     moved_to text)`,
  `create index outside_addresses_due on outside_addresses (due_at) where due_at is not null`,
  `create index outside_addresses_claimed on outside_addresses (claimed_until) where claimed_until is not null`,
];
