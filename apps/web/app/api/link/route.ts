import { hashPassword } from 'better-auth/crypto';
import { choosePassword } from '@inkwell/review';
import { open } from '@/server/answer';
import { USE_LINK } from '@/server/peopleInputs';
import { services } from '@/server/services';
import { signIn, withCookies } from '@/server/signIn';

/** Takes the password that whoever was sent a link chose, and signs them in with it. */
export function POST(request: Request): Promise<Response> {
  return open(request, USE_LINK, async ({ secret, password }) => {
    const chosen = await choosePassword(await services(), { secret, password, hash: hashPassword });
    if (!chosen.ok) return chosen.problem;
    const found = await signIn(request, { email: chosen.value.email, password });
    return withCookies(Response.json({ ok: true, value: null }), found.ok ? found.value.cookies : []);
  });
}
