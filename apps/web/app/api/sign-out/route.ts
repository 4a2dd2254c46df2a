import { open } from '@/server/answer';
import { NOTHING } from '@/server/inputs';
import { signOut, withCookies } from '@/server/signIn';

/** Ends the session of whoever asks. */
export function POST(request: Request): Promise<Response> {
  return open(request, NOTHING, async () => withCookies(Response.json({ ok: true, value: null }), await signOut(request)));
}
