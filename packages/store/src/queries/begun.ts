import { sql } from 'kysely';
import type { Database, Write } from '../database.ts';

/** A package that a program sent in, as a job. */
export interface Begun {
  id: string;
  person: string;
  title: string;
  renews: number | null;
  bodySum: string | null;
  /** Null once it was cancelled. */
  package: {
    id: number;
    state: 'waiting' | 'read' | 'refused' | 'arriving' | 'here';
    problem: string | null;
    pages: number;
    troubles: { path: string; what: string }[];
    collection: string | null;
    done: number | null;
    total: number | null;
  } | null;
}

const BEGUN = sql`select b.id, b.person_id as person, b.title, b.renews, b.body_sum as "bodySum", case when p.id is not null then
    jsonb_build_object('id', p.id, 'state', p.state, 'problem', p.problem, 'pages', p.pages, 'troubles', p.troubles, 'collection', c.slug,
      'done', j.done, 'total', j.total) end as package
  from calls_begun b left join packages p on p.id = b.package_id left join collections c on c.id = coalesce(p.collection_id, b.renews)
  left join jobs j on j.id = p.job_id`;

export async function begunById(db: Database | Write, id: string): Promise<Begun | undefined> {
  return (await sql<Begun>`${BEGUN} where b.id::text = ${id}`.execute(db)).rows[0];
}

/** What somebody began under a key within a day; older ones lose it, so that it can be used again. */
export async function begunUnder(trx: Write, person: string, key: string): Promise<Begun | undefined> {
  await sql`update calls_begun set key = null where person_id = ${person} and key = ${key} and made_at < now() - interval '1 day'`.execute(
    trx,
  );
  return (await sql<Begun>`${BEGUN} where b.person_id = ${person} and b.key = ${key}`.execute(trx)).rows[0];
}

export async function begunOfPackage(db: Database | Write, id: number): Promise<Begun | undefined> {
  return (await sql<Begun>`${BEGUN} where b.package_id = ${id}`.execute(db)).rows[0];
}

/** Whether a newer version of a collection is on its way; whoever asks has the collection to themselves until they are done. */
export async function isBeingRenewed(trx: Write, collection: number): Promise<boolean> {
  await sql`select id from collections where id = ${collection} for update`.execute(trx);
  const { rows } =
    await sql`select 1 from packages where renews = ${collection} and state in ('waiting', 'read', 'arriving') limit 1`.execute(trx);
  return rows.length > 0;
}

export async function addBegun(
  trx: Write,
  begun: { person: string; package: number; title: string; renews: number | null; key: string | null; bodySum: string },
): Promise<string> {
  const row = await trx
    .insertInto('calls_begun')
    .values({
      ...{
        person_id: begun.person,
        package_id: begun.package,
        title: begun.title,
        renews: begun.renews,
        key: begun.key,
        body_sum: begun.bodySum,
      },
    })
    .returning('id')
    .executeTakeFirstOrThrow();
  return row.id;
}
