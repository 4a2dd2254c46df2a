import { cookies } from 'next/headers';
import { isKnown, PERSON_COOKIE } from '@/server/actor';
import { answer } from '@/server/answer';
import { PERSON } from '@/server/inputs';

/** Sets who is at the desk in this browser. */
export function POST(request: Request): Promise<Response> {
  return answer(request, PERSON, async (_services, _actor, { person }) => {
    if (!(await isKnown(person))) return { ok: false, problem: { code: 'not-found', what: 'Nobody of that name is known here' } };
    (await cookies()).set(PERSON_COOKIE, person, { httpOnly: true, sameSite: 'lax', path: '/', maxAge: 60 * 60 * 24 * 365 });
    return { ok: true, value: { id: person } };
  });
}
