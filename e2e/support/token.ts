import { HERE, newToken, THE_SYSTEM, type TokenReach } from '@inkwell/review';
import { openDatabase } from '@inkwell/store';

let made = 0;

/** A token for somebody, as bin/token makes one. */
export async function tokenFor(email: string | null, reach: readonly TokenReach[], days = 1): Promise<{ name: string; token: string }> {
  const db = openDatabase({ url: process.env.DATABASE_URL!, most: 1 });
  try {
    const name = `Test ${process.pid} ${++made} ${Date.now()}`;
    const put = await newToken({ db, engine: HERE, now: () => new Date() }, THE_SYSTEM, { name, as: email, reach, days });
    if (!put.ok) throw new Error(put.problem.what);
    return { name, token: put.value.token };
  } finally {
    await db.destroy();
  }
}
