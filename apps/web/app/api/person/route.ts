import { open } from '@/server/answer';
import { PERSON_ONLY } from '@/server/peopleInputs';
import { signInAtDemo, withCookies } from '@/server/signIn';

/** In the demo: lets one of its people in with one press. */
export function POST(request: Request): Promise<Response> {
  return open(request, PERSON_ONLY, async (wish) => {
    const found = await signInAtDemo(request, wish);
    return found.ok ? withCookies(Response.json({ ok: true, value: { id: wish.person } }), found.value) : found.problem;
  });
}
