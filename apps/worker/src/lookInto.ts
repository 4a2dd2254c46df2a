import { fileURLToPath } from 'node:url';
import type { LookInto } from '@inkwell/review';
import Piscina from 'piscina';

/** Longest a file may be looked into. */
const LONGEST_MS = 30_000;

/** Looks into attachments in a thread, which is ended when a file takes too long or too much. `beside`: where this program lies. */
export function inThread(beside: string): LookInto {
  const pool = new Piscina({
    filename: fileURLToPath(new URL('look-thread.mjs', beside)),
    minThreads: 0,
    maxThreads: 1,
    idleTimeout: 10_000,
    resourceLimits: { maxOldGenerationSizeMb: 1_024 },
  });
  return async (bytes, path) => {
    try {
      return (await pool.run({ bytes, path }, { signal: AbortSignal.timeout(LONGEST_MS) })) as Awaited<ReturnType<LookInto>>;
    } catch (error) {
      return { of: 'unreadable', why: isTimeout(error) ? 'Reading it took too long.' : 'Reading it failed.' };
    }
  };
}

function isTimeout(error: unknown): boolean {
  return error instanceof Error && error.name === 'AbortError';
}
