import { fileURLToPath } from 'node:url';
import type { LookAtImage, LookInto } from '@inkwell/review';
import Piscina from 'piscina';

/** Longest a file may be looked into. */
const LONGEST_MS = 30_000;

/** Looks into attachments and images in a thread, ended when a file takes too long or too much. `beside`: where this program lies. */
export function inThread(beside: string): { lookInto: LookInto; lookAtImage: LookAtImage } {
  const pool = new Piscina({
    filename: fileURLToPath(new URL('look-thread.mjs', beside)),
    minThreads: 0,
    maxThreads: 1,
    idleTimeout: 10_000,
    resourceLimits: { maxOldGenerationSizeMb: 1_024 },
  });
  const run = <T>(wish: object, name: string) => pool.run(wish, { name, signal: AbortSignal.timeout(LONGEST_MS) }) as Promise<T>;
  return {
    async lookInto(bytes, path) {
      try {
        return await run<Awaited<ReturnType<LookInto>>>({ bytes, path }, 'default');
      } catch (error) {
        return { of: 'unreadable', why: isTimeout(error) ? 'Reading it took too long.' : 'Reading it failed.' };
      }
    },
    async lookAtImage(bytes) {
      try {
        return await run<Awaited<ReturnType<LookAtImage>>>({ bytes }, 'look');
      } catch {
        return { width: null, height: null, look: null, print: null, thumbnail: null };
      }
    },
  };
}

function isTimeout(error: unknown): boolean {
  return error instanceof Error && error.name === 'AbortError';
}
