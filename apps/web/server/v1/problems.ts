import type { Problem } from '@inkwell/review';

/** The kinds of problems there are: what each is called, and with which status it is told (RFC 9457). */
export const KINDS = {
  'no-token': {
    status: 401,
    title: 'No token, or none that is good',
    about:
      'Every call carries `Authorization: Bearer TOKEN`, but for the description of the API itself. A token that ran out or was revoked is as good as none.',
  },
  'not-allowed': {
    status: 403,
    title: 'This is not allowed',
    about: 'The token is not good for this, or whoever it acts for may not do it.',
  },
  'not-found': { status: 404, title: 'This is not here', about: 'There is nothing of that name that whoever the token acts for may see.' },
  method: {
    status: 405,
    title: 'This is asked for in another way',
    about: 'The address is right, the method is not; `Allow` names those that are.',
  },
  'not-acceptable': {
    status: 406,
    title: 'It is not given in this form',
    about: 'What `?format=` or `Accept` asks for is none of the forms there are.',
  },
  conflict: { status: 409, title: 'It is not as it was taken to be', about: 'Somebody was there first, or there is nothing left to do.' },
  held: { status: 409, title: 'Something holds this page', about: 'It is not signed off or published while something holds it.' },
  'moved-on': {
    status: 412,
    title: 'It has moved on',
    about: 'What `If-Match` names is no longer what stands there. Get it again, and send the change with its new ETag.',
  },
  'too-large': { status: 413, title: 'This is too large', about: 'One byte over the limit is too much; nothing of it was read.' },
  'media-type': {
    status: 415,
    title: 'This is no kind of content that is taken',
    about: 'Bodies are `application/json` in UTF-8, without a content encoding.',
  },
  'not-json': { status: 400, title: 'This is no JSON', about: 'The body cannot be parsed, or is not UTF-8.' },
  unreadable: {
    status: 400,
    title: 'This request cannot be read',
    about: 'Its address or a text in it holds a NUL, half a character, or an escape that was cut off.',
  },
  shape: {
    status: 422,
    title: 'This cannot be used',
    about: 'The body or the address says something that is not expected; `errors` names where.',
  },
  'no-match': {
    status: 428,
    title: 'It is not said what this is based on',
    about: 'What changes something wants `If-Match` with the ETag it was seen under.',
  },
  'too-many': { status: 429, title: 'Too many calls', about: '`Retry-After` says in how many seconds to go on.' },
  fault: { status: 500, title: 'Something went wrong on the server', about: 'It met a case it was not made for. Its log has the details.' },
  away: { status: 503, title: 'Something this server needs is away', about: 'Most often the database. Try again in a moment.' },
} as const;

export type Kind = keyof typeof KINDS;

const OF: Record<Problem['code'], Kind> = {
  conflict: 'conflict',
  declined: 'shape',
  'not-allowed': 'not-allowed',
  'not-found': 'not-found',
  'nothing-to-do': 'conflict',
  'bad-page': 'shape',
  'bad-request': 'unreadable',
  'too-large': 'too-large',
  held: 'held',
  duplicate: 'conflict',
  'signed-out': 'no-token',
  'too-many': 'too-many',
  away: 'away',
  fault: 'fault',
};

/** What is wrong with one part of a request. `pointer`: where it stands, as RFC 6901 writes it. */
export interface ShapeError {
  pointer: string;
  detail: string;
}

/** Something that went otherwise than was asked for. */
export class Trouble extends Error {
  constructor(
    readonly kind: Kind,
    readonly told: {
      detail?: string | undefined;
      kept?: string | undefined;
      next?: string | undefined;
      errors?: readonly ShapeError[];
    } = {},
    readonly headers: Readonly<Record<string, string>> = {},
  ) {
    super(kind);
  }
}

/** What a use-case refused, as a problem of the API. */
export function troubleFrom({ code, what, why, kept, next }: Problem): Trouble {
  return new Trouble(OF[code], { detail: [what, why].filter(Boolean).join(': '), kept, next });
}

export function problemAnswer({ kind, told, headers }: Trouble): Response {
  const { status, title, about } = KINDS[kind];
  const { detail = about, kept = 'Nothing was changed.', next = 'See what the problem’s type says.' } = told;
  // What a use-case cannot use is named whole: it speaks of no one part.
  const errors = told.errors ?? (kind === 'shape' ? [{ pointer: '', detail }] : null);
  const body = { type: `/problems/${kind}`, title, status, detail, kept, next, ...(errors ? { errors } : {}) };
  return new Response(JSON.stringify(body), { status, headers: { ...headers, 'content-type': 'application/problem+json' } });
}
