import 'server-only';
import { migrate, openDatabase, type Database } from '@inkwell/store';
import { once } from './once';

/** The database of this process, its tables up to date. Opened at the first use; after a failure the next call tries again. */
export function database(): Promise<Database> {
  return once('database', open);
}

async function open(): Promise<Database> {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('DATABASE_URL is not set: start the application with bin/demo, or set it to a postgresql:// address.');
  const db = openDatabase({ url });
  try {
    await migrate(db);
  } catch (error) {
    await db.destroy();
    throw error;
  }
  return db;
}
