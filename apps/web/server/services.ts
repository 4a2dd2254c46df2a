import 'server-only';
import type { Services } from '@inkwell/review';
import { database } from './database';
import { engine } from './engine';

/** What every use-case of this process stands on. */
export async function services(): Promise<Services> {
  return { db: await database(), engine: await engine(), now: () => new Date() };
}
