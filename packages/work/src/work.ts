import { claimJob, extendLeases, failJob, finishJob, reclaimLapsed, sweepJobs, type Connection, type Job } from './queue.ts';

/** Does one job. It may run twice, when a worker dies between doing and saying so: the second time must find it done. */
export type Handler = (job: Job) => Promise<void>;

export interface WorkOptions {
  handlers: Readonly<Record<string, Handler>>;
  /** Names this worker among all: no two at one time may share it. */
  worker: string;
  signal: AbortSignal;
  /** Jobs done at one time. */
  atOnce?: number;
  /** How long a job is this worker's without a sign of life. */
  leaseSeconds?: number;
  /** How long to wait when there is nothing to do. */
  idleMs?: number;
  mostAttempts?: number;
  /** Told of every job that could not be done. */
  onTrouble?: (job: Job | null, error: unknown) => void;
}

/** How often ended jobs are cleared away. */
const SWEEP_INTERVAL_MS = 600_000;

/** Works until it is told to stop: then what has begun is finished, and nothing new is taken. */
export async function work(db: Connection, options: WorkOptions): Promise<void> {
  const { worker, signal, atOnce = 2, leaseSeconds = 30, onTrouble = () => undefined } = options;
  const inHand = new Set<string>();
  const alive = setInterval(
    () => void extendLeases(db, worker, [...inHand], leaseSeconds).catch((error: unknown) => onTrouble(null, error)),
    (leaseSeconds * 1000) / 3,
  );
  const found = setInterval(
    () => void reclaimLapsed(db).catch((error: unknown) => onTrouble(null, error)),
    Math.max(500, leaseSeconds * 500),
  );
  const sweep = () => void sweepJobs(db).catch((error: unknown) => onTrouble(null, error));
  const swept = setInterval(sweep, SWEEP_INTERVAL_MS);
  sweep();
  try {
    await reclaimLapsed(db).catch((error: unknown) => onTrouble(null, error));
    await Promise.all(Array.from({ length: atOnce }, () => oneAfterAnother(db, options, inHand)));
  } finally {
    clearInterval(swept);
    clearInterval(alive);
    clearInterval(found);
  }
  if (!signal.aborted) throw new Error('The work ended though nobody stopped it.');
}

async function oneAfterAnother(
  db: Connection,
  { handlers, worker, signal, leaseSeconds = 30, idleMs = 200, mostAttempts = 5, onTrouble = () => undefined }: WorkOptions,
  inHand: Set<string>,
): Promise<void> {
  const known = new Map(Object.entries(handlers));
  while (!signal.aborted) {
    const job = await claimJob(db, worker, leaseSeconds).catch((error: unknown) => void onTrouble(null, error));
    if (!job) {
      await pause(idleMs, signal);
      continue;
    }
    inHand.add(job.id);
    try {
      const handler = known.get(job.kind);
      if (!handler) throw new Error(`No handler is known for "${job.kind}".`);
      await handler(job);
      await finishJob(db, job, worker);
    } catch (error) {
      onTrouble(job, error);
      // Where the database is away, the lease runs out and the job is given back.
      await failJob(db, job, worker, error instanceof Error ? error.message : String(error), mostAttempts).catch((again: unknown) =>
        onTrouble(job, again),
      );
    } finally {
      // Also where its end could not be written: then the lease runs out.
      inHand.delete(job.id);
    }
  }
}

function pause(ms: number, signal: AbortSignal): Promise<void> {
  return new Promise((resolve) => {
    const done = () => {
      clearTimeout(timer);
      signal.removeEventListener('abort', done);
      resolve();
    };
    const timer = setTimeout(done, ms);
    signal.addEventListener('abort', done);
  });
}
