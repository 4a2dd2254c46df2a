import { open } from '@/server/answer';
import { SIGN_IN } from '@/server/peopleInputs';
import { signIn, withCookies } from '@/server/signIn';

/** Signs somebody in with a password; whoever has a second factor is asked for it next. */
export function POST(request: Request): Promise<Response> {
  return open(request, SIGN_IN, async (wish) => {
    const found = await signIn(request, wish);
    if (!found.ok) return found.problem;
    const { cookies, asksSecond } = found.value;
    return withCookies(Response.json({ ok: true, value: { asksSecond } }), cookies);
  });
}
