import { randomUUID } from 'node:crypto';
import { hashPassword } from '@better-auth/utils/password';
import { loginByEmail, setEmail, setPassword, writing, type Database } from '@inkwell/store';
import { PEOPLE } from './scenario.ts';

/** Lets the people of the demo sign in with the password in INKWELL_DEMO; whoever may already keeps what they have. */
export async function letPeopleIn(db: Database): Promise<void> {
  const password = process.env.INKWELL_DEMO;
  if (!password) return;
  for (const { id, name } of PEOPLE) {
    const email = `${name.toLowerCase().replace(' ', '.')}@larkmoor.example`;
    if (await loginByEmail(db, email)) continue;
    const hash = await hashPassword(password);
    await writing(db, async (trx) => {
      await setEmail(trx, id, email);
      await setPassword(trx, { person: id, name, email, hash, id: randomUUID() });
    });
  }
}
