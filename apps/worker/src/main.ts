import { hostname } from 'node:os';
import {
  auditAllAgain,
  CLEAR_OUT,
  DIGEST,
  END_EXCEPTIONS,
  FORGET,
  HERE,
  lookAtHostsDue,
  lookOutsideAgain,
  lookWhereNobodyHas,
  NOTE_DAY,
  SEND_MAIL,
  sendDeliveries,
  sweepScratch,
  THE_SYSTEM,
  type Services,
} from '@inkwell/review';
import { isAway, migrate, openDatabase, SYSTEM, type Database } from '@inkwell/store';
import { enqueue, work, type Job } from '@inkwell/work';
import { handlers, MOST_ATTEMPTS } from './handlers.ts';
import { log } from './log.ts';
import { inThread } from './lookInto.ts';
import { mailServer } from './mailServer.ts';

/** How often it is looked whether an exception has run out. */
const EVERY_MS = 60_000;
/** How often it is looked whether somebody waits to be told of something. */
const MESSAGES_MS = 2_000;
/** Rounds of messages sent in a row. */
const ROUNDS = 100;

/**
 * A worker process: any number of them, on any machine that reaches the database. Ends on SIGTERM or SIGINT, when what it began is done.
 */
async function main(): Promise<void> {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('DATABASE_URL is not set: bin/worker finds the demo’s database, or set it to a postgresql:// address.');
  const stop = new AbortController();
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, () => stop.abort());
  const db = openDatabase({ url, most: 5 });
  await ready(db, stop.signal);
  await sweepScratch();
  const services: Services = { db, engine: HERE, now: () => new Date() };
  const worker = `${hostname()} ${process.pid}`;
  const send = mailServer(process.env);
  const due = [END_EXCEPTIONS, CLEAR_OUT, NOTE_DAY, DIGEST, FORGET, ...(send ? [SEND_MAIL] : [])];
  const timer = setInterval(() => void tend(services, due), EVERY_MS);
  await tend(services, due);
  const messages = setInterval(() => void sendHooks(services), MESSAGES_MS);
  log.info({ worker, mail: send !== null }, 'working');
  await work(db, {
    handlers: handlers(services, { ...inThread(import.meta.url), send }),
    worker,
    signal: stop.signal,
    atOnce: 1,
    mostAttempts: MOST_ATTEMPTS,
    leaseSeconds: Number(process.env.INKWELL_LEASE) || 30,
    onTrouble,
  });
  clearInterval(timer);
  clearInterval(messages);
  await db.destroy();
}

/** Waits for the database, which may start after this. */
async function ready(db: Database, signal: AbortSignal): Promise<void> {
  while (!signal.aborted) {
    try {
      return await migrate(db);
    } catch (error) {
      if (!isAway(error)) throw error;
      await new Promise((resolve) => setTimeout(resolve, 1_000));
    }
  }
}

/**
 * Puts in what is due: exceptions to end, how far all is today, and pages that an older engine looked at. Many workers put in one job
 * between them.
 */
async function tend(services: Services, due: readonly string[]): Promise<void> {
  try {
    await enqueue(
      services.db,
      SYSTEM,
      due.map((kind) => ({ kind, name: kind })),
    );
    await lookWhereNobodyHas(services);
    await lookOutsideAgain(services);
    await lookAtHostsDue(services, SYSTEM);
    await auditAllAgain(services, THE_SYSTEM);
  } catch (error) {
    onTrouble(null, error);
  }
}

let sending = false;

/** Tells webhooks what happened. One round at a time: a receiver that is slow holds up no more than its own. */
async function sendHooks(services: Services): Promise<void> {
  if (sending) return;
  sending = true;
  try {
    // As long as there is much to tell it goes on, but not without end: other work looks after itself meanwhile.
    for (let round = 0; round < ROUNDS; round++) {
      const sent = await sendDeliveries(services, THE_SYSTEM);
      if (!sent.ok || sent.value === 0) break;
    }
  } catch (error) {
    onTrouble(null, error);
  } finally {
    sending = false;
  }
}

function onTrouble(job: Job | null, error: unknown): void {
  const about = job ? { job: job.id, kind: job.kind, attempt: job.attempts } : {};
  log.error({ ...about, err: error }, job ? 'a job could not be done' : 'trouble between jobs');
}

await main();
