import 'server-only';
import { reach } from '@inkwell/store';
import { database } from './database';

/** Whether this server can do its work. */
export async function isWell(): Promise<boolean> {
  try {
    await reach(await database());
    return true;
  } catch {
    return false;
  }
}
