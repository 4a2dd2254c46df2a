import { sql } from 'kysely';
import type { Database, Write } from '../database.ts';
import type { Role } from '../schema.ts';
import type { Membership } from './people.ts';

/** Somebody as a table of people has them. */
export interface RollLine {
  id: string;
  name: string;
  email: string | null;
  department: string | null;
  leaves: string | null;
  parts: (Membership & { slug: string | null })[];
}

/** People by name with their parts: all, or those with some addresses. */
export async function rollLines(db: Database | Write, emails: readonly string[] | null, limit: number): Promise<RollLine[]> {
  const { rows } = await sql<RollLine>`select p.id, p.name, p.email, p.department, p.disabled_on::text as leaves,
      coalesce((select jsonb_agg(jsonb_build_object('collection', m.collection_id, 'role', m.role, 'slug', c.slug) order by m.id)
        from memberships m left join collections c on c.id = m.collection_id where m.person_id = p.id), '[]') as parts
    from people p where p.kind = 'person' and (${emails}::text[] is null or p.email = any(${emails}::text[]))
    order by lower(p.name), p.id limit ${limit}`.execute(db);
  return rows;
}

/** Collections that are here, by their addresses. */
export async function collectionIds(db: Database | Write, slugs: readonly string[]): Promise<Map<string, number>> {
  const rows = await db
    .selectFrom('collections')
    .select(['id', 'slug'])
    .where('slug', 'in', [...slugs, ''])
    .where('taken_out_at', 'is', null)
    .execute();
  return new Map(rows.map(({ id, slug }) => [slug, id]));
}

/** What a table of people changes. */
export interface RollChanges {
  /** People to be put in. */
  people: readonly { id: string; name: string; email: string; department: string | null }[];
  /** Parts to be given, by address. */
  parts: readonly { email: string; role: Role; collection: number | null }[];
  /** What is said anew of people who are here. */
  departments: readonly { email: string; department: string | null }[];
  leaves: readonly { email: string; leaves: string }[];
}

/** Puts people in and changes others, by the table. Gives the ids of those who were put in: an address that came in meanwhile stays. */
export async function writeRoll(trx: Write, { people, parts, departments, leaves }: RollChanges): Promise<string[]> {
  const { rows } = await sql<{ id: string }>`insert into people (id, name, email, department)
    select id, name, email, department from jsonb_to_recordset(${JSON.stringify(people)}::jsonb)
      as r (id text, name text, email text, department text) on conflict do nothing returning id`.execute(trx);
  await sql`insert into memberships (person_id, collection_id, role)
    select distinct p.id, r.collection, r.role from jsonb_to_recordset(${JSON.stringify(parts)}::jsonb)
      as r (email text, role text, collection integer) join people p on p.email = r.email
    where not exists (select 1 from memberships m where m.person_id = p.id and m.collection_id is not distinct from r.collection
      and m.role = r.role)`.execute(trx);
  await sql`update people p set department = r.department from jsonb_to_recordset(${JSON.stringify(departments)}::jsonb)
      as r (email text, department text) where p.email = r.email`.execute(trx);
  await sql`update people p set disabled_on = r.leaves from jsonb_to_recordset(${JSON.stringify(leaves)}::jsonb)
      as r (email text, leaves date) where p.email = r.email`.execute(trx);
  await sql`delete from sessions s using people p where p.id = s.login_id and p.disabled_on <= current_date
    and p.email = any(${leaves.map(({ email }) => email)}::text[])`.execute(trx);
  return rows.map(({ id }) => id);
}
