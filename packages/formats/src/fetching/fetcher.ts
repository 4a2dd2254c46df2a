import { lookup } from '@inkwell/core';
import { lookup as machineOf } from 'node:dns';
import { request as requestHttp, type IncomingMessage } from 'node:http';
import { request as requestHttps } from 'node:https';
import { createBrotliDecompress, createGunzip, createInflate } from 'node:zlib';
import type { Readable, Transform } from 'node:stream';
import { barredAddress, barredPlace, type HostPolicy } from './hosts.ts';

/** What was fetched, after redirects. */
export interface Fetched {
  url: URL;
  type: string;
  charset: string;
  bytes: Buffer;
}

/** Something that was not fetched: the end of a sentence. */
export class NotFetched extends Error {}

export interface FetchBounds {
  /** Bytes of one answer. */
  most: number;
  /** Milliseconds for one answer. */
  within: number;
  signal?: AbortSignal | undefined;
}

/** How we call ourselves, for robots.txt and in logs. */
export const AGENT = 'InkwellCheck';
const MOST_REDIRECTS = 5;

/**
 * Fetches an address. Every redirect is looked at as the first address was, and so is the machine that a name stands for, at the very
 * moment it is connected to.
 *
 * @throws NotFetched
 */
export async function fetchAddress(policy: HostPolicy, address: URL, bounds: FetchBounds): Promise<Fetched> {
  let url = address;
  for (let nth = 0; nth <= MOST_REDIRECTS; nth++) {
    const barred = barredAddress(policy, url);
    if (barred) throw new NotFetched(nth === 0 ? barred : `leads to ${url.href}, which ${barred}`);
    const answer = await answerOf(policy, url, 'GET', bounds);
    const status = answer.statusCode ?? 0;
    const next = status >= 300 && status < 400 ? answer.headers.location : undefined;
    if (next === undefined) return taken(url, answer, bounds);
    answer.destroy();
    url = redirected(next, url);
  }
  throw new NotFetched('leads from one address to the next without end');
}

function redirected(next: string, from: URL): URL {
  try {
    return new URL(next, from);
  } catch {
    throw new NotFetched('leads to what is no address');
  }
}

/** What is sent along. */
export interface Sent {
  headers: Readonly<Record<string, string>>;
  body?: string | Uint8Array | undefined;
}

/**
 * Asks an address for something, or tells it. Redirects are not followed.
 *
 * @throws NotFetched
 */
export async function askAddress(
  policy: HostPolicy,
  url: URL,
  { method, ...sent }: Sent & { method: string },
  bounds: FetchBounds,
): Promise<{ status: number; bytes: Buffer }> {
  const barred = barredAddress(policy, url);
  if (barred) throw new NotFetched(barred);
  const answer = await answerOf(policy, url, method, bounds, sent);
  return { status: answer.statusCode ?? 0, bytes: await within(bounds.most, answer, undefined) };
}

/**
 * One answer of one address, its body not read yet. What the name stands for is looked at when it is connected to.
 *
 * @throws NotFetched
 */
export function answerOf(
  policy: HostPolicy,
  url: URL,
  method: string,
  { within, signal }: Omit<FetchBounds, 'most'>,
  sent: Sent = { headers: { accept: 'text/html,*/*;q=0.8', 'accept-encoding': 'gzip, deflate, br' } },
): Promise<IncomingMessage> {
  const timeout = AbortSignal.timeout(within);
  return new Promise((resolve, reject) => {
    const ask = url.protocol === 'https:' ? requestHttps : requestHttp;
    const asked = ask(
      url,
      {
        method,
        headers: { 'user-agent': AGENT, ...sent.headers },
        agent: false,
        signal: signal ? AbortSignal.any([signal, timeout]) : timeout,
        lookup: (name, options, found) =>
          machineOf(name, { ...options, all: true }, (error, places) => {
            const good = (places ?? []).filter(({ address }) => barredPlace(policy, url, address) === null);
            if (error) found(error, []);
            else if (good.length === 0) found(new NotFetched(barredPlace(policy, url, places[0]!.address)!), []);
            else if (options.all) found(null, good);
            else found(null, good[0]!.address, good[0]!.family);
          }),
      },
      resolve,
    );
    asked.on('error', (error) => reject(error instanceof NotFetched ? error : new NotFetched(reasonOf(error))));
    asked.end(sent.body);
  });
}

const REASONS: Readonly<Record<string, string>> = {
  ABORT_ERR: 'did not answer in time',
  ECONNREFUSED: 'does not answer',
  ECONNRESET: 'broke off',
  ENOTFOUND: 'has a name nobody knows',
  EAI_AGAIN: 'has a name that could not be looked up',
};

function reasonOf(error: Error): string {
  const code = (error as NodeJS.ErrnoException).code ?? '';
  return (
    lookup(REASONS, code) ??
    (/CERT|SSL|TLS/.test(code) ? 'shows a certificate that is not trusted' : `could not be reached (${code || error.message})`)
  );
}

const UNPACK: Readonly<Record<string, () => Transform>> = {
  gzip: createGunzip,
  'x-gzip': createGunzip,
  deflate: createInflate,
  br: createBrotliDecompress,
};

async function taken(url: URL, answer: IncomingMessage, { most }: FetchBounds): Promise<Fetched> {
  const status = answer.statusCode ?? 0;
  if (status < 200 || status >= 300) {
    answer.destroy();
    throw new NotFetched(`answers ${status}`);
  }
  const unpack = lookup(UNPACK, (answer.headers['content-encoding'] ?? '').toLowerCase());
  const [type = '', ...more] = (answer.headers['content-type'] ?? '').split(';');
  const charset = more.map((part) => /^\s*charset\s*=\s*"?([^"\s]+)/i.exec(part)?.[1]).find(Boolean) ?? '';
  return { url, type: type.trim().toLowerCase(), charset, bytes: await within(most, answer, unpack) };
}

/** What is packed, unpacked; an answer that breaks off breaks this off too. */
function unpacked(answer: IncomingMessage, stream: Transform): Readable {
  answer.on('error', (error) => stream.destroy(error));
  return answer.pipe(stream);
}

/** The body, never more of it held than may be, packed or not. */
async function within(most: number, answer: IncomingMessage, unpack: (() => Transform) | undefined): Promise<Buffer> {
  const parts: Buffer[] = [];
  let length = 0;
  const body = unpack ? unpacked(answer, unpack()) : answer;
  try {
    for await (const part of body) {
      length += (part as Buffer).length;
      if (length > most) throw new NotFetched(`is larger than ${Math.floor(most / 1_000_000)} MB`);
      parts.push(part as Buffer);
    }
  } catch (error) {
    throw error instanceof NotFetched ? error : new NotFetched('broke off in the middle');
  } finally {
    answer.destroy();
  }
  return Buffer.concat(parts);
}
