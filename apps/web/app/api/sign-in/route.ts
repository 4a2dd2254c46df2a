import { open } from '@/server/answer';
import { SIGN_IN } from '@/server/peopleInputs';
import { signIn, withCookies } from '@/server/signIn';

/** Signs somebody in with a password. */
export function POST(request: Request): Promise<Response> {
  return open(request, SIGN_IN, async (wish) => {
    const found = await signIn(request, wish);
    return found.ok ? withCookies(Response.json({ ok: true, value: null }), found.value) : found.problem;
  });
}
