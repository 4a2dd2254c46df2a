import { open } from '@/server/answer';
import { SECOND_CODE } from '@/server/peopleInputs';
import { signInSecond } from '@/server/secondFactor';
import { withCookies } from '@/server/signIn';

/** Lets in whoever gave a right password with the code of their second factor. */
export function POST(request: Request): Promise<Response> {
  return open(request, SECOND_CODE, async (wish) => {
    const found = await signInSecond(request, wish);
    return found.ok ? withCookies(Response.json({ ok: true, value: null }), found.value) : found.problem;
  });
}
