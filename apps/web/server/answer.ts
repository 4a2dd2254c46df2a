import 'server-only';
import type { Actor, Problem, Services } from '@inkwell/review';
import { isAway, isUnstorableText } from '@inkwell/store';
import { currentActor, SignedOut } from './actor';
import type { Checker } from './inputs';
import { log } from './log';
import { services } from './services';

const STATUS: Record<Problem['code'], number> = {
  conflict: 409,
  declined: 422,
  'not-allowed': 403,
  'not-found': 404,
  'nothing-to-do': 409,
  'bad-page': 422,
  'bad-request': 400,
  'too-large': 413,
  held: 409,
  duplicate: 409,
  'signed-out': 401,
  'too-many': 429,
  away: 503,
  fault: 500,
};

export const AWAY: Problem = {
  code: 'away',
  what: 'The database cannot be reached',
  why: 'It has stopped, or this server has lost its way to it.',
  kept: 'What is stored is untouched, and what you typed stays on this screen and in this browser.',
  next: 'Try again in a moment; if it stays away, tell whoever looks after this server.',
};

export const FAULT: Problem = {
  code: 'fault',
  what: 'Something went wrong on the server',
  why: 'It met a case it was not made for; the server’s log has the details.',
  kept: 'Nothing was changed, and what you typed stays on this screen.',
  next: 'Try again; if it happens again, tell whoever looks after this server.',
};

const UNREADABLE: Problem = {
  code: 'bad-request',
  what: 'This request cannot be read',
  why: 'It holds a NUL, half a character, or an escape that was cut off.',
  kept: 'Nothing was changed, and what you typed stays on this screen.',
  next: 'Take that character out and send it again.',
};

const SIGNED_OUT: Problem = {
  code: 'signed-out',
  what: 'Nobody is signed in here',
  why: 'The session is over, or was ended.',
  kept: 'Nothing was changed, and what you typed stays on this screen.',
  next: 'Sign in again in another tab, come back, and do it once more.',
};

type Answerable = { ok: true; value: unknown } | { ok: false; problem: Problem };

/** Bytes a request may hold: a decision is short, and a page of 20 MB may be written with escapes. */
export const SHORT_BODY = 256 * 1024;
export const PAGE_BODY = 48 * 1024 * 1024;

export function problemResponse(problem: Problem): Response {
  return Response.json({ ok: false, problem }, { status: STATUS[problem.code] });
}

/** Another site's page must not act in the name of whoever sits here: its request is turned away, null lets one pass. */
export function fromElsewhere(request: Request): Response | null {
  const from = request.headers.get('sec-fetch-site');
  if (!from || from === 'same-origin' || from === 'none') return null;
  return problemResponse({ code: 'not-allowed', what: 'This request came from another site', kept: 'Nothing was changed.' });
}

/** Checks a request and its body, runs a use-case as the current actor, and answers in JSON. */
export async function answer<T>(
  request: Request,
  check: Checker<T>,
  act: (services: Services, actor: Actor, input: T) => Promise<Answerable>,
  most = SHORT_BODY,
): Promise<Response> {
  return guarded(async () => {
    // Whoever is not signed in is sent away before anything of what they sent is read.
    const actor = await currentActor();
    const from = performance.now();
    const answered = await open(
      request,
      check,
      async (input) => {
        const result = await act(await services(), actor, input);
        return result.ok ? Response.json(result) : result.problem;
      },
      most,
    );
    const { pathname } = new URL(request.url);
    log.info({ path: pathname, person: actor.id, status: answered.status, ms: Math.round(performance.now() - from) }, 'answered');
    return answered;
  });
}

/** The same for what nobody need be signed in for. */
export async function open<T>(
  request: Request,
  check: Checker<T>,
  act: (input: T) => Promise<Response | Problem>,
  most = SHORT_BODY,
): Promise<Response> {
  const barred = fromElsewhere(request);
  if (barred) return barred;
  return guarded(async () => {
    const bytes = await bytesWithin(request, most);
    if (bytes === null)
      return problemResponse({
        code: 'too-large',
        what: 'This is too much to take in at once',
        why: `It holds more than ${Math.round(most / 1024)} KB.`,
        kept: 'Nothing was changed, and what you typed stays on this screen.',
        next: 'Bring it in in parts.',
      });
    const input = check(parsed(new TextDecoder().decode(bytes)));
    if (!input.ok)
      return problemResponse({ code: 'bad-page', what: 'This request could not be read', why: input.why, kept: 'Nothing was changed.' });
    const result = await act(input.value);
    return result instanceof Response ? result : problemResponse(result);
  });
}

/** Takes a file that is sent as its very bytes, runs a use-case with it, and answers in JSON. */
export async function takes(
  request: Request,
  { most, what }: { most: number; what: string },
  act: (services: Services, actor: Actor, bytes: Uint8Array) => Promise<Answerable>,
): Promise<Response> {
  const barred = fromElsewhere(request);
  if (barred) return barred;
  return guarded(async () => {
    const actor = await currentActor();
    const bytes = await bytesWithin(request, most);
    if (bytes === null)
      return problemResponse({
        code: 'too-large',
        what: `${what} is too large`,
        why: `It holds more than ${most / 1_000_000} MB.`,
        kept: 'Nothing was changed.',
        next: 'Bring it in in parts.',
      });
    const taken = await act(await services(), actor, bytes);
    return taken.ok ? Response.json(taken) : problemResponse(taken.problem);
  });
}

/** Nothing thrown reaches the client raw. */
export async function guarded(make: () => Promise<Response>): Promise<Response> {
  try {
    return await make();
  } catch (error) {
    if (isAway(error)) return problemResponse(AWAY);
    if (error instanceof SignedOut) return problemResponse(SIGNED_OUT);
    if (error instanceof URIError || isUnstorableText(error)) return problemResponse(UNREADABLE);
    log.error({ err: error }, 'a fault');
    return problemResponse(FAULT);
  }
}

/** Bytes that are saved as a file, never shown: what was brought in is hostile. */
export function downloaded(bytes: BodyInit, { name, type, size }: { name: string; type: string; size?: number }): Response {
  return new Response(bytes, {
    headers: {
      'content-type': type,
      ...(size === undefined ? {} : { 'content-length': String(size) }),
      'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
      'cache-control': 'no-store',
      'x-content-type-options': 'nosniff',
    },
  });
}

/** Answers a question that changes nothing, in JSON. */
export function asked(read: (services: Services, actor: Actor) => Promise<Answerable>): Promise<Response> {
  return guarded(async () => {
    const result = await read(await services(), await currentActor());
    return result.ok ? Response.json(result) : problemResponse(result.problem);
  });
}

/** A request's body, never more of it read than may be; null when it is longer. */
export async function bytesWithin(request: Request, most: number): Promise<Uint8Array | null> {
  if (Number(request.headers.get('content-length') ?? 0) > most) return null;
  const [parts, reader]: [Uint8Array[], ReturnType<NonNullable<typeof request.body>['getReader']> | undefined] = [
    [],
    request.body?.getReader(),
  ];
  let length = 0;
  for (let part = await reader?.read(); part && !part.done; part = await reader!.read()) {
    length += part.value.length;
    if (length > most) {
      await reader!.cancel();
      return null;
    }
    parts.push(part.value);
  }
  return Buffer.concat(parts);
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
