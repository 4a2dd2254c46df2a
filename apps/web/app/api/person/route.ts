import { cookies } from 'next/headers';
import { personById } from '@inkwell/store';
import { PERSON_COOKIE } from '@/server/actor';
import { answer } from '@/server/answer';
import { PERSON } from '@/server/inputs';

/** Sets who is at the desk in this browser. */
export function POST(request: Request): Promise<Response> {
  return answer(request, PERSON, async (db, _actor, { person }) => {
    const found = await personById(db, person);
    if (!found) return { ok: false, problem: { code: 'not-found', what: 'Nobody of that name is known here' } };
    (await cookies()).set(PERSON_COOKIE, found.id, { httpOnly: true, sameSite: 'lax', path: '/', maxAge: 60 * 60 * 24 * 365 });
    return { ok: true, value: found };
  });
}
