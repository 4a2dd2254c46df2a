import 'server-only';
import { hashPassword } from 'better-auth/crypto';
import { addressFrom, mayTry, signedIn, WRONG_PASSWORD, type Result } from '@inkwell/review';
import { loginByEmail, personById } from '@inkwell/store';
import { auth, demoPassword, isDemo } from './auth';
import { services } from './services';

/**
 * Signs somebody in with a password. Gives the cookies their browser is to keep. An account nobody has, one whose person has left and a
 * wrong password are answered alike, and take as long.
 */
export async function signIn(request: Request, wish: { email: string; password: string }): Promise<Result<LetIn>> {
  const ready = await services();
  const tried = { email: wish.email, from: addressOf(request) };
  const may = await mayTry(ready, tried);
  if (!may.ok) return may;
  const email = addressFrom(wish.email);
  const login = email === null ? undefined : await loginByEmail(ready.db, email);
  if (email === null || !login) {
    await hashPassword(wish.password);
    return WRONG_PASSWORD;
  }
  const came = await letIn(request, email, wish.password);
  if (!came) return WRONG_PASSWORD;
  await signedIn(ready, tried);
  return { ok: true, value: came };
}

/** Lets a person of the demo in with one press; elsewhere nobody. */
export async function signInAtDemo(request: Request, wish: { person: string }): Promise<Result<string[]>> {
  const person = isDemo() ? await personById((await services()).db, wish.person) : undefined;
  const came = person?.email ? await letIn(request, person.email, demoPassword()) : null;
  return came && !came.asksSecond ? { ok: true, value: came.cookies } : WRONG_PASSWORD;
}

/** Somebody whose password is right: the cookies their browser is to keep, and whether a second factor is asked for first. */
export interface LetIn {
  cookies: string[];
  asksSecond: boolean;
}

/** A new session for whoever knows the password; null for others. */
async function letIn(request: Request, email: string, password: string): Promise<LetIn | null> {
  const answer = await (await auth()).api.signInEmail({ body: { email, password }, headers: request.headers, asResponse: true });
  if (!answer.ok) return null;
  const { twoFactorRedirect } = (await answer.json()) as { twoFactorRedirect?: boolean };
  return { cookies: answer.headers.getSetCookie(), asksSecond: twoFactorRedirect === true };
}

/** Ends the session of a request; gives the cookies that go. */
export async function signOut(request: Request): Promise<string[]> {
  const answer = await (await auth()).api.signOut({ headers: request.headers, asResponse: true });
  return answer.headers.getSetCookie();
}

/** The network address a request came from, as the nearest hop tells it. */
export function addressOf(request: Request): string | null {
  return request.headers.get('x-forwarded-for')?.split(',').at(-1)?.trim() || null;
}

/** An answer that has a browser keep cookies. */
export function withCookies(answer: Response, cookies: readonly string[]): Response {
  for (const cookie of cookies) answer.headers.append('set-cookie', cookie);
  return answer;
}

/** A place on this server to go to after signing in; where one begins for whatever is none. */
export function placeFrom(asked: string | undefined): string {
  return asked && /^\/(?![/\\])[\x20-\x7e]*$/.test(asked) ? asked : '/home';
}
