import { sql, type Kysely } from 'kysely';

/** A connection, or a transaction: a job can be put in together with what it is about. */
// eslint-disable-next-line @typescript-eslint/no-explicit-any -- the tables of whoever owns the database are none of the queue's business
export type Connection = Kysely<any>;

export type JobState = 'waiting' | 'running' | 'done' | 'failed' | 'cancelled';

export interface NewJob {
  kind: string;
  payload?: object;
  /** Of jobs that wait under one name there is one: putting it in again does nothing. */
  name?: string;
}

export interface Job {
  id: string;
  kind: string;
  payload: Record<string, unknown>;
  parent: string | null;
  state: JobState;
  attempts: number;
  done: number;
  total: number;
  problem: string | null;
  by: string;
}

const COLUMNS = sql`id, kind, payload, parent_id as parent, state, attempts, done, total, problem, made_by as by`;

/** Puts jobs in, in one statement. `by`: the person, or the system, in whose name they run. */
export async function enqueue(
  db: Connection,
  by: string,
  jobs: readonly NewJob[],
  { parent = null, after = null }: { parent?: string | null; after?: Date | null } = {},
): Promise<number> {
  if (jobs.length === 0) return 0;
  const result = await sql`insert into jobs (kind, payload, name, parent_id, run_after, made_by)
    select kind, coalesce(payload, '{}'), name, ${parent}::bigint, coalesce(${after}::timestamptz, now()), ${by}::text
    from jsonb_to_recordset(${JSON.stringify(jobs)}::jsonb) as new (kind text, payload jsonb, name text)
    on conflict (name) where state = 'waiting' do nothing`.execute(db);
  return Number(result.numAffectedRows ?? 0);
}

/** Puts a parent in and its jobs under it, in order. Its progress counts those that were not waiting already. Gives its id. */
export async function enqueueUnder(
  db: Connection,
  by: string,
  kind: string,
  jobs: readonly NewJob[],
  payload: object = {},
): Promise<string> {
  const { rows } = await sql<{
    id: string;
  }>`insert into jobs (kind, payload, state, made_by) values (${kind}, ${JSON.stringify(payload)}::jsonb, 'running', ${by}) returning id`.execute(
    db,
  );
  const { id } = rows[0]!;
  const total = await enqueue(db, by, jobs, { parent: id });
  // Jobs of it may have ended while others were put in.
  await sql`update jobs set total = ${total}, state = case when done >= ${total} then 'done' else 'running' end, ended_at = case
    when done >= ${total} then now() end where id = ${id}`.execute(db);
  return id;
}

/** Takes the job that has waited longest, for as long as the lease; null when none waits. Two workers never take one job. */
export async function claimJob(db: Connection, worker: string, leaseSeconds: number): Promise<Job | null> {
  const { rows } = await sql<Job>`update jobs set state = 'running', attempts = attempts + 1, worker = ${worker},
      lease_until = now() + make_interval(secs => ${leaseSeconds}::double precision)
    where id = (select id from jobs where state = 'waiting' and run_after <= now() order by run_after, id for update skip locked
      limit 1) returning ${COLUMNS}`.execute(db);
  return rows[0] ?? null;
}

/** Keeps the jobs a worker has in hand its own for longer: those alone, for one whose end could not be written is to be given back. */
export async function extendLeases(db: Connection, worker: string, jobs: readonly string[], leaseSeconds: number): Promise<void> {
  if (jobs.length === 0) return;
  await sql`update jobs set lease_until = now() + make_interval(secs => ${leaseSeconds}::double precision) where worker = ${worker}
    and state = 'running' and id = any(${jobs}::bigint[])`.execute(db);
}

/** A job waits again: without its name where another of that name waits by now, or comes to wait with it. */
const AGAIN = sql`state = 'waiting', worker = null, lease_until = null`;
const OTHER_WAITS = sql`exists (select 1 from jobs w where w.name = jobs.name and w.state = 'waiting')`;

/** Gives back the jobs of workers that died: their leases have run out. */
export function reclaimLapsed(db: Connection): Promise<number> {
  return named(async (nameless) => {
    const result = await sql`with lapsed as (select id from jobs where state = 'running' and lease_until < now() for update skip locked),
        placed as (select j.id, row_number() over (partition by j.name order by j.id) as place from jobs j join lapsed using (id))
      update jobs set ${AGAIN}, name = case when ${nameless} or placed.place > 1 or ${OTHER_WAITS} then null else jobs.name end
      from placed where placed.id = jobs.id`.execute(db);
    return Number(result.numAffectedRows ?? 0);
  });
}

/** Writes jobs that wait under their names; without them where another one of such a name was put in at that very moment (23505). */
async function named<T>(write: (nameless: boolean) => Promise<T>): Promise<T> {
  try {
    return await write(false);
  } catch (error) {
    if ((error as { code?: unknown } | null)?.code !== '23505') throw error;
    return write(true);
  }
}

/** Ends a job, when this worker still has it: one whose lease ran out was given to another, and ends once. Counts it for its parent. */
async function end(db: Connection, job: Job, worker: string, state: 'done' | 'failed', problem: string | null): Promise<boolean> {
  const { rows } = await sql<{ ended: number }>`with ended as (
      update jobs set state = ${state}, problem = ${problem}, ended_at = now(), lease_until = null where id = ${job.id}
        and state = 'running' and worker = ${worker} returning parent_id),
    counted as (
      update jobs set done = done + 1, state = case when state = 'running' and total > 0 and done + 1 >= total then 'done'
        else state end, ended_at = case when total > 0 and done + 1 >= total then now() end
      where id in (select parent_id from ended) returning id)
    select count(*)::integer as ended from ended`.execute(db);
  return rows[0]!.ended > 0;
}

export function finishJob(db: Connection, job: Job, worker: string): Promise<boolean> {
  return end(db, job, worker, 'done', null);
}

/** A job that failed waits for its next attempt, the longer the more there were; after the last it stays failed and says why. */
export async function failJob(db: Connection, job: Job, worker: string, problem: string, mostAttempts: number): Promise<void> {
  if (job.attempts >= mostAttempts) return void (await end(db, job, worker, 'failed', problem));
  await named((nameless) =>
    sql`update jobs set ${AGAIN}, name = case when ${nameless} or ${OTHER_WAITS} then null else name end,
      problem = ${problem}, run_after = now() + make_interval(secs => ${0.2 * 4 ** job.attempts}::double precision) where id = ${job.id}
        and state = 'running' and worker = ${worker}`.execute(db),
  );
}

/** How long jobs that ended are kept: what came of them is asked for a while; of those that failed, for longer. */
const KEPT_DAYS = { done: 2, others: 30 };
const SWEPT_AT_ONCE = 5_000;

/** Deletes jobs that ended long ago, some at a time. A walk that was cancelled stays: it is not to begin again. Gives how many went. */
export async function sweepJobs(db: Connection): Promise<number> {
  const result = await sql`delete from jobs where id in (select j.id from jobs j where j.ended_at is not null
      and j.ended_at < now() - make_interval(days => case when j.state = 'done' and j.total = 0 then ${KEPT_DAYS.done}::integer
        else ${KEPT_DAYS.others}::integer end)
      and not (j.state = 'cancelled' and j.parent_id is null)
      and not exists (select 1 from jobs below where below.parent_id = j.id and below.ended_at is null)
    limit ${SWEPT_AT_ONCE})`.execute(db);
  return Number(result.numAffectedRows ?? 0);
}

/** Cancels a job, and those under it that have not begun. What ended stays as it ended. */
export async function cancelJob(db: Connection, id: string): Promise<boolean> {
  const result = await sql`update jobs set state = 'cancelled', ended_at = now() where (id = ${id} and state in ('waiting', 'running'))
      or (parent_id = ${id} and state = 'waiting')`.execute(db);
  return Number(result.numAffectedRows ?? 0) > 0;
}

export async function jobById(db: Connection, id: string): Promise<Job | null> {
  const { rows } = await sql<Job>`select ${COLUMNS} from jobs where id = ${id}`.execute(db);
  return rows[0] ?? null;
}

/** The parents of a kind that are on their way, the newest first. */
export async function runningOf(db: Connection, kind: string): Promise<Job[]> {
  const { rows } = await sql<Job>`select ${COLUMNS} from jobs where kind = ${kind} and state = 'running' and parent_id is null and total > 0
      order by id desc limit 5`.execute(db);
  return rows;
}

/** Whether a parent of a kind and payload was cancelled: what the system would put in by itself is then not put in again. */
export async function wasCancelled(db: Connection, kind: string, payload: object): Promise<boolean> {
  const { rows } = await sql`select 1 from jobs where kind = ${kind} and state = 'cancelled' and parent_id is null
      and payload = ${JSON.stringify(payload)}::jsonb limit 1`.execute(db);
  return rows.length > 0;
}
