import { createHash } from 'node:crypto';
import { forgetNewest, forgetWrong, noteWrong, wrongSince, type Database, type Write } from '@inkwell/store';
import { done, refused, type Result } from '../problems.ts';
import type { Services } from '../services.ts';

/** Wrong passwords that one account and one network address may bring, and for how long they count, in ms. */
const MOST_FOR_ACCOUNT = 8;
const MOST_FROM_ADDRESS = 60;
const COUNTS_MS = 15 * 60_000;

/** Who tries to sign in: the account as it was typed, and the network address they come from, where it is known. */
export interface Try {
  email: string;
  from: string | null;
}

/** An account nobody has counts like any other, so that it cannot be told from one. */
const accountKey = (email: string) => `account ${createHash('sha256').update(email.trim().toLowerCase()).digest('hex')}`;
const addressKey = (from: string) => `address ${from}`;
const keysOf = ({ email, from }: Try) => [accountKey(email), ...(from === null ? [] : [addressKey(from)])];

/**
 * Whether somebody may try a password now. The try is counted before it is looked at, so that many at once count too; `signedIn` takes
 * that back.
 */
export async function mayTry({ db, now }: Services, wish: Try): Promise<Result<null>> {
  const at = now();
  await noteWrong(db, keysOf(wish), at);
  const wrong = await wrongSince(db, keysOf(wish), new Date(at.getTime() - COUNTS_MS));
  const [account, address] = keysOf(wish);
  if (wrong.get(account!)! <= MOST_FOR_ACCOUNT && (address === undefined || wrong.get(address)! <= MOST_FROM_ADDRESS)) return done(null);
  return refused({
    code: 'too-many',
    what: 'Too many tries',
    why: `After ${MOST_FOR_ACCOUNT} wrong passwords within ${COUNTS_MS / 60_000} minutes nobody is let in for a while.`,
    kept: 'Nothing was changed.',
    next: 'Wait a quarter of an hour, or ask for a new password.',
  });
}

/** The password was right: what was wrong for the account is forgotten, and of its network address this one try, which was none. */
export async function signedIn({ db, now }: Services, { email, from }: Try): Promise<void> {
  await forgetTries(db, email);
  if (from !== null) await forgetNewest(db, addressKey(from));
  await forgetWrong(db, { before: new Date(now().getTime() - COUNTS_MS) });
}

/** Whoever came by a link is who they are: wrong passwords of others do not keep them out. */
export const forgetTries = (db: Database | Write, email: string) => forgetWrong(db, { key: accountKey(email) });

export const WRONG_PASSWORD = refused({
  code: 'not-allowed',
  what: 'Nobody is let in with these',
  why: 'The address or the password is wrong, or whoever it is has left.',
  kept: 'What you typed stays in the form, but for the password.',
  next: 'Try again, or ask for a new password.',
});
