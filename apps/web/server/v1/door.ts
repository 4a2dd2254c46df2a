import 'server-only';
import Ajv, { type ErrorObject, type ValidateFunction } from 'ajv';
import pLimit from 'p-limit';
import { actorOfToken, type TokenReach } from '@inkwell/review';
import { isAway, isUnstorableText } from '@inkwell/store';
import { bytesWithin } from '../answer';
import { log } from '../log';
import { services } from '../services';
import type { Call } from './call';
import { CALLS, lacks } from './calls';
import { openApi } from './openApi';
import { problemAnswer, Trouble, type ShapeError } from './problems';

/** Longest body, in bytes. */
const LONGEST = 20_000_000;
/** Calls a minute for one token. */
const RATE = Math.max(1, Number(process.env.INKWELL_RATE) || 600);

/**
 * Calls that are seen to at one time: fewer than there are connections to the database, so that a thousand at once leave some for
 * whoever works on the screens. The others wait their turn, with their bodies still unread.
 */
const inTurn = pLimit(6);

const ajv = new Ajv({ allErrors: true, strict: false });
const checks = new Map<object, ValidateFunction>();

/** Answers a call below `/api/v1`. Cookies are not looked at. */
export async function callAnswer(request: Request, path: string): Promise<Response> {
  const from = performance.now();
  let who = '';
  const answer = await inTurn(() => answered(request, path, (person) => (who = person))).catch((error: unknown) => {
    if (error instanceof Trouble) return problemAnswer(error);
    if (isAway(error)) return problemAnswer(new Trouble('away'));
    if (error instanceof URIError || isUnstorableText(error)) return problemAnswer(new Trouble('unreadable'));
    log.error({ err: error }, 'a fault');
    return problemAnswer(new Trouble('fault'));
  });
  answer.headers.set('cache-control', 'private, no-store');
  answer.headers.set('x-content-type-options', 'nosniff');
  log.info({ path: `/api/v1${path}`, person: who, status: answer.status, ms: Math.round(performance.now() - from) }, 'called');
  const known = isRead(request) && isKnown(request.headers.get('if-none-match'), answer.headers.get('etag'));
  if (request.method !== 'HEAD' && !known) return answer;
  // What was made ready to be sent is put away: nobody reads it.
  await answer.body?.cancel();
  return new Response(null, { status: known ? 304 : answer.status, headers: answer.headers });
}

const isRead = ({ method }: Request) => method === 'GET' || method === 'HEAD';

/** Whether whoever asks has what would be sent already (RFC 9110, 13.1.2: weak comparison). */
function isKnown(asked: string | null, tag: string | null): boolean {
  if (asked === null || tag === null) return false;
  const bare = (one: string) => one.trim().replace(/^W\//, '');
  return asked.trim() === '*' || asked.split(',').some((one) => bare(one) === bare(tag));
}

async function answered(request: Request, path: string, told: (person: string) => void): Promise<Response> {
  const method = request.method === 'HEAD' ? 'GET' : request.method;
  if (path === '/openapi.json') return described(method);
  const here = CALLS.flatMap((call) => {
    const named = match(call.path, path);
    return named ? [{ call, named }] : [];
  });
  if (here.length === 0) throw new Trouble('not-found', { detail: 'There is nothing at this address.' });
  const allow = allowed(here.map(({ call }) => call.method));
  if (method === 'OPTIONS') return new Response(null, { status: 204, headers: { allow } });
  const found = here.find(({ call }) => call.method === method);
  if (!found) throw new Trouble('method', {}, { allow });
  const ready = await services();
  const token = /^Bearer +(\S+)$/i.exec(request.headers.get('authorization') ?? '')?.[1];
  const known = token === undefined ? null : await actorOfToken(ready, token);
  if (!known) throw new Trouble('no-token', {}, { 'www-authenticate': 'Bearer' });
  told(known.actor.id);
  withinRate(known.id);
  const { call, named } = found;
  if (!known.reach.has(call.reach)) throw lacks(call.reach);
  return call.act({
    ...{ services: ready, actor: known.actor, reach: known.reach as ReadonlySet<TokenReach>, named },
    search: new URL(request.url).searchParams,
    body: call.body ? await bodyOf(request, call) : undefined,
    request,
    ifMatch: request.headers.get('if-match'),
  });
}

function described(method: string): Response {
  const allow = allowed(['GET']);
  if (method === 'OPTIONS') return new Response(null, { status: 204, headers: { allow } });
  if (method !== 'GET') throw new Trouble('method', {}, { allow });
  return Response.json(openApi());
}

const allowed = (methods: readonly string[]) =>
  [...new Set([...methods.flatMap((one) => (one === 'GET' ? ['GET', 'HEAD'] : [one])), 'OPTIONS'])].sort().join(', ');

/** What an address names, by the names of a path; null where it is another one. */
function match(pattern: string, path: string): Record<string, string> | null {
  const [own, asked] = [pattern.split('/'), path.split('/')];
  if (own.length !== asked.length) return null;
  const named: Record<string, string> = {};
  for (const [nth, part] of own.entries()) {
    if (part.startsWith('{')) named[part.slice(1, -1)] = asked[nth]!;
    else if (part !== asked[nth]) return null;
  }
  return Object.values(named).every((one) => one !== '' && one.length <= 300) ? named : null;
}

const calls = new Map<number, { minute: number; many: number }>();

function withinRate(token: number): void {
  const now = Date.now();
  const minute = Math.floor(now / 60_000);
  const known = calls.get(token);
  const many = known?.minute === minute ? known.many + 1 : 1;
  calls.set(token, { minute, many });
  if (many > RATE) throw new Trouble('too-many', {}, { 'retry-after': String(60 - Math.floor((now % 60_000) / 1000)) });
}

async function bodyOf(request: Request, call: Call): Promise<unknown> {
  // What may be left out says nothing of a type where it is.
  if (call.bodyOptional && !request.headers.has('content-type') && (await bytesWithin(request, 0)) !== null) return undefined;
  const [type = '', ...parameters] = (request.headers.get('content-type') ?? '').toLowerCase().split(';');
  const charset = parameters.map((one) => one.trim()).find((one) => one.startsWith('charset='));
  const isUtf8 = charset === undefined || /^charset="?utf-?8"?$/.test(charset);
  const encoding = request.headers.get('content-encoding');
  if (type.trim() !== 'application/json' || !isUtf8 || (encoding !== null && encoding !== 'identity')) throw new Trouble('media-type');
  const bytes = await bytesWithin(request, LONGEST);
  if (call.bodyOptional && bytes?.length === 0) return undefined;
  if (bytes === null) throw new Trouble('too-large', { detail: `It holds more than ${LONGEST} bytes.` });
  const body = parsed(bytes);
  const check = checkOf(call.body!);
  if (!check(body))
    throw new Trouble('shape', { detail: 'The body is not what is expected.', errors: (check.errors ?? []).map(shapeError) });
  return body;
}

function parsed(bytes: Uint8Array): unknown {
  try {
    return JSON.parse(new TextDecoder('utf-8', { fatal: true, ignoreBOM: true }).decode(bytes)) as unknown;
  } catch {
    throw new Trouble('not-json');
  }
}

function checkOf(schema: object): ValidateFunction {
  let check = checks.get(schema);
  if (!check) checks.set(schema, (check = ajv.compile(schema)));
  return check;
}

function shapeError({ instancePath, keyword, params, message }: ErrorObject): ShapeError {
  const { additionalProperty: extra, missingProperty: missing } = params as { additionalProperty?: string; missingProperty?: string };
  const name = extra ?? missing;
  const pointer = name === undefined ? instancePath : `${instancePath}/${name.replaceAll('~', '~0').replaceAll('/', '~1')}`;
  if (extra !== undefined) return { pointer, detail: 'There is no such property here.' };
  if (missing !== undefined) return { pointer, detail: 'This is missing.' };
  return { pointer, detail: `It ${message ?? `fails ${keyword}`}.` };
}
