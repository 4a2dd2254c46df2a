import 'server-only';
import type { Result } from '@inkwell/review';
import { auth } from './auth';
import { placeFrom } from './signIn';
import { SIGN_ON } from './signOn';

/** Where to go to sign in at the house's own sign-on, and the cookies that know it again. */
export async function beginSignOn(request: Request, wish: { next: string }): Promise<Result<{ address: string; cookies: string[] }>> {
  const answer = await (
    await auth()
  ).api.signInSocial({
    headers: request.headers,
    body: { provider: SIGN_ON, callbackURL: placeFrom(wish.next), errorCallbackURL: '/sign-in', disableRedirect: true },
    asResponse: true,
  });
  if (answer.ok)
    return { ok: true, value: { address: ((await answer.json()) as { url: string }).url, cookies: answer.headers.getSetCookie() } };
  return {
    ok: false,
    problem: {
      code: 'away',
      what: 'The house’s own sign-on does not answer',
      kept: 'Nothing was changed.',
      next: 'Try again in a while, or sign in with your password here.',
    },
  };
}
