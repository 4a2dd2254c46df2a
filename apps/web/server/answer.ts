import 'server-only';
import type { Actor, Problem } from '@inkwell/review';
import { isAway, type Database } from '@inkwell/store';
import { currentActor } from './actor';
import { database } from './database';
import type { Checker } from './inputs';

const STATUS: Record<Problem['code'], number> = { conflict: 409, declined: 422, 'not-allowed': 403, 'not-found': 404, 'nothing-to-do': 409, 'bad-page': 422, held: 409, duplicate: 409, away: 503 };

export const AWAY: Problem = {
  code: 'away',
  what: 'The database cannot be reached',
  why: 'It has stopped, or this server has lost its way to it.',
  kept: 'What is stored is untouched, and what you typed stays on this screen and in this browser.',
  next: 'Try again in a moment; if it stays away, tell whoever looks after this server.',
};

type Answerable = { ok: true; value: unknown } | { ok: false; problem: Problem };

export function problemResponse(problem: Problem): Response {
  return Response.json({ ok: false, problem }, { status: STATUS[problem.code] });
}

/** Checks a request and its body, runs a use-case as the current actor, and answers in JSON. Nothing thrown reaches the client raw. */
export async function answer<T>(request: Request, check: Checker<T>, act: (db: Database, actor: Actor, input: T) => Promise<Answerable>): Promise<Response> {
  // Another site's page must not act in the name of whoever sits here.
  const from = request.headers.get('sec-fetch-site');
  if (from && from !== 'same-origin' && from !== 'none') return problemResponse({ code: 'not-allowed', what: 'This request came from another site', kept: 'Nothing was changed.' });
  try {
    const body: unknown = await request.json().catch(() => undefined);
    const input = check(body);
    if (!input.ok) return problemResponse({ code: 'bad-page', what: 'This request could not be read', why: input.why, kept: 'Nothing was changed.' });
    const result = await act(await database(), await currentActor(), input.value);
    return result.ok ? Response.json(result) : problemResponse(result.problem);
  } catch (error) {
    if (isAway(error)) return problemResponse(AWAY);
    console.error(error);
    return Response.json({ ok: false, problem: { code: 'away', what: 'Something went wrong on the server', why: 'It met a case it was not made for; the server’s log has the details.', kept: 'Nothing was changed, and what you typed stays on this screen.', next: 'Try again; if it happens again, tell whoever looks after this server.' } satisfies Problem }, { status: 500 });
  }
}
