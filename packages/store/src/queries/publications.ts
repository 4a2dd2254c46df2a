import { sql, type Selectable } from 'kysely';
import type { Database, Write } from '../database.ts';
import type { Publications } from '../schema.ts';

export type Publication = Selectable<Publications>;

/** Puts pages down to go out, or off, at a time; those that wait already are given the new time. Gives the ids. */
export async function askToPublish(
  trx: Write,
  wish: { pages: readonly { id: number; revision: number }[]; act: Publication['act']; due: Date; by: string },
): Promise<number[]> {
  const ids = wish.pages.map(({ id }) => id);
  await sql`update publications set state = 'called off', ended_at = now(), ended_by = ${wish.by} where state = 'waiting'
    and page_id = any(${ids}::integer[])`.execute(trx);
  const { rows } = await sql<{ id: number }>`insert into publications (page_id, revision, act, due_at, asked_by)
    select id, revision, ${wish.act}::text, ${wish.due}::timestamptz, ${wish.by}::text
    from unnest(${ids}::integer[], ${wish.pages.map(({ revision }) => revision)}::integer[]) as x (id, revision) order by id
    returning id`.execute(trx);
  return rows.map(({ id }) => id);
}

export async function publicationById(db: Database | Write, id: number): Promise<Publication | undefined> {
  return db.selectFrom('publications').selectAll().where('id', '=', id).executeTakeFirst();
}

/** The one of a page that is newest. */
export async function lastPublication(db: Database | Write, page: number): Promise<Publication | undefined> {
  return db.selectFrom('publications').selectAll().where('page_id', '=', page).orderBy('id', 'desc').limit(1).executeTakeFirst();
}

/** Ends what waits: done, or failed and why. False where it waits no more. */
export async function endPublication(
  trx: Write,
  id: number,
  end: { state: Exclude<Publication['state'], 'waiting'>; problem: string | null; address: string | null; by: string | null },
): Promise<boolean> {
  const done = await trx
    .updateTable('publications')
    .set({ state: end.state, problem: end.problem, address: end.address, ended_at: new Date(), ended_by: end.by })
    .where('id', '=', id)
    .where('state', '=', 'waiting')
    .executeTakeFirst();
  return done.numUpdatedRows > 0n;
}

/** Notes a try that came to nothing, and that it will be tried again. */
export async function noteTry(db: Database, id: number, problem: string): Promise<void> {
  await db
    .updateTable('publications')
    .set((one) => ({ tries: one('tries', '+', 1), problem }))
    .where('id', '=', id)
    .where('state', '=', 'waiting')
    .execute();
}

/** Calls off what waits of some pages. Gives how many. */
export async function callOff(trx: Write, pages: readonly number[], by: string): Promise<number> {
  const done = await trx
    .updateTable('publications')
    .set({ state: 'called off', ended_at: new Date(), ended_by: by })
    .where('page_id', 'in', [...pages, 0])
    .where('state', '=', 'waiting')
    .executeTakeFirst();
  return Number(done.numUpdatedRows);
}
