import 'server-only';
import { mayTry, signedIn, type Problem, type Result } from '@inkwell/review';
import type { Person } from '@inkwell/store';
import { auth } from './auth';
import { services } from './services';
import { addressOf } from './signIn';

/** Lets in whoever gave a right password before with the code of their device, or one of those kept for when it is lost. */
export async function signInSecond(request: Request, { code, isRecovery }: SecondCode): Promise<Result<string[]>> {
  const { api } = await auth();
  const asked = { headers: request.headers, asResponse: true as const };
  const answer = isRecovery
    ? await api.verifyBackupCode({ ...asked, body: { code: code.trim() } })
    : await api.verifyTOTP({ ...asked, body: { code: code.replace(/\s/g, '') } });
  if (answer.ok) return { ok: true, value: answer.headers.getSetCookie() };
  return { ok: false, problem: secondTrouble(await codeOf(answer)) };
}

export interface SecondCode {
  code: string;
  isRecovery: boolean;
}

const codeOf = async (answer: Response) => ((await answer.json().catch(() => ({}))) as { code?: string }).code ?? '';

function secondTrouble(code: string): Problem {
  if (code === 'ACCOUNT_TEMPORARILY_LOCKED' || code === 'TOO_MANY_ATTEMPTS_REQUEST_NEW_CODE')
    return {
      code: 'too-many',
      what: 'Too many codes were wrong',
      kept: 'Nothing was changed.',
      next: 'Wait a quarter of an hour, then sign in again.',
    };
  if (code === 'INVALID_TWO_FACTOR_COOKIE')
    return { code: 'not-allowed', what: 'This took too long', kept: 'Nothing was changed.', next: 'Give your password again.' };
  return {
    code: 'not-allowed',
    what: 'This code is not the one',
    why: 'Codes change every half minute, and a code for a lost device is good once.',
    kept: 'Nothing was changed.',
    next: 'Give the one that is shown now. If the clock of the device is wrong, set it.',
  };
}

/** A second factor that is being set up: an address for the device (otpauth:), its key to be typed, and codes for when it is lost. */
export interface SecondBegun {
  address: string;
  key: string;
  recovery: string[];
}

/** Begins a second factor for whoever is signed in and gives their password again. It is asked for once a code of it was given. */
export function beginSecond(request: Request, owner: Owner, wish: { password: string }): Promise<Result<SecondBegun>> {
  return proved(request, owner, () => begun(request, wish));
}

async function begun(request: Request, wish: { password: string }): Promise<Result<SecondBegun>> {
  const answer = await (
    await auth()
  ).api.enableTwoFactor({
    headers: request.headers,
    body: { password: wish.password },
    asResponse: true,
  });
  if (!answer.ok) return (await codeOf(answer)) === 'TOTP_ALREADY_ENABLED' ? ALREADY : NOT_YOURS;
  const { totpURI, backupCodes } = (await answer.json()) as { totpURI: string; backupCodes: string[] };
  return { ok: true, value: { address: totpURI, key: new URL(totpURI).searchParams.get('secret') ?? '', recovery: backupCodes } };
}

/** Has whoever is signed in give their password again: wrong ones count as they do at the door. */
async function proved<T>(request: Request, owner: Owner, act: () => Promise<Result<T>>): Promise<Result<T>> {
  const ready = await services();
  const tried = { email: owner.email ?? '', from: addressOf(request) };
  const may = await mayTry(ready, tried);
  if (!may.ok) return may;
  const result = await act();
  if (result.ok) await signedIn(ready, tried);
  return result;
}

/** Whoever is signed in. */
export type Owner = Pick<Person, 'email'>;

const NOT_YOURS: Result<never> = {
  ok: false,
  problem: { code: 'not-allowed', what: 'This is not your password', kept: 'Nothing was changed.', next: 'Give it again.' },
};

const ALREADY: Result<never> = {
  ok: false,
  problem: {
    code: 'conflict',
    what: 'You have a second factor already',
    kept: 'It stays.',
    next: 'Take it away first, to set up another.',
  },
};

/** Takes the second factor of whoever is signed in away; gives the cookies of their session, which is a new one. */
export function endSecond(request: Request, owner: Owner, wish: { password: string }): Promise<Result<string[]>> {
  return proved(request, owner, () => ended(request, wish));
}

async function ended(request: Request, wish: { password: string }): Promise<Result<string[]>> {
  const answer = await (
    await auth()
  ).api.disableTwoFactor({
    headers: request.headers,
    body: { password: wish.password },
    asResponse: true,
  });
  return answer.ok ? { ok: true, value: answer.headers.getSetCookie() } : NOT_YOURS;
}
