import type { Migration } from 'kysely';
import * as firstTables from './001-first-tables.ts';

/** In order, forward only. Imported, not read from a folder, so that they survive bundling. */
export const MIGRATIONS: Record<string, Migration> = {
  '001-first-tables': firstTables,
};
