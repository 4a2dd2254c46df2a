import { open, problemResponse } from '@/server/answer';
import { SIGN_ON_BEGUN } from '@/server/peopleInputs';
import { withCookies } from '@/server/signIn';
import { signOn } from '@/server/signOn';
import { beginSignOn } from '@/server/signOnBegun';

/** Says where to go to sign in at the house's own sign-on. */
export function POST(request: Request): Promise<Response> {
  if (!signOn())
    return Promise.resolve(
      problemResponse({ code: 'not-found', what: 'This house has no sign-on of its own', kept: 'Nothing was changed.' }),
    );
  return open(request, SIGN_ON_BEGUN, async (wish) => {
    const begun = await beginSignOn(request, wish);
    if (!begun.ok) return begun.problem;
    return withCookies(Response.json({ ok: true, value: { address: begun.value.address } }), begun.value.cookies);
  });
}
