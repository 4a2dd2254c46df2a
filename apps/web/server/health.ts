import 'server-only';
import { tryWriting, workerQuietFor } from '@inkwell/store';
import { database } from './database';

export interface Health {
  ok: boolean;
  /** What does not work, in words; null where all does. */
  what: string | null;
  parts: { database: 'ok' | 'fails'; worker: 'ok' | 'quiet' };
}

/** Seconds after which a worker that ended no job is taken for gone: each looks after the house every few seconds. */
const MAX_QUIET_S = 120;

/** Whether this server can do its work: the database takes a write, and a worker works. */
export async function health(): Promise<Health> {
  try {
    const db = await database();
    await tryWriting(db);
    const quiet = await workerQuietFor(db);
    if (quiet !== null && quiet <= MAX_QUIET_S) return { ok: true, what: null, parts: { database: 'ok', worker: 'ok' } };
    return {
      ok: false,
      what: 'No worker is at work: imports and audits wait. Start bin/worker.',
      parts: { database: 'ok', worker: 'quiet' },
    };
  } catch {
    const what = 'The database takes no writes. Look at its log; after an upgrade of PostgreSQL, restart it.';
    return { ok: false, what, parts: { database: 'fails', worker: 'quiet' } };
  }
}
