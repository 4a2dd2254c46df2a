import 'server-only';
import { browserReadsAsXml } from '@inkwell/core';
import { proof, type Actor } from '@inkwell/review';
import { SignedOut } from './actor';
import { isAway } from './away';
import { services } from './services';

/**
 * A page as readers meet it, byte for byte, and the files it shows, at their own relative addresses. Imported pages are hostile: the
 * answer forbids scripts, forms, plugins and everything from outside its collection, also other addresses of ours; the frame that shows it
 * is sandboxed as well.
 */
function policyFor(place: string): string {
  return [
    "default-src 'none'",
    `img-src ${place} data:`,
    `media-src ${place}`,
    `style-src ${place} 'unsafe-inline'`,
    `font-src ${place} data:`,
    "form-action 'none'",
    "base-uri 'none'",
    "frame-ancestors 'self'",
    'sandbox allow-same-origin',
  ].join('; ');
}

/** Where the files of a request's collection lie, as a policy names it (CSP 3, path matching), by the host the browser knows us as. */
function placeOf(request: Request): string {
  const folder = new URL(request.url).pathname.split('/').slice(0, 3).join('/');
  const hosts = ['x-forwarded-host', 'host'].map((name) => request.headers.get(name)?.trim() ?? '');
  const host = hosts.find((one) => /^[a-z0-9.-]+(:\d+)?$|^\[[0-9a-f:]+\](:\d+)?$/i.test(one));
  return host ? `${host}${folder}/` : "'none'";
}

function guard(request: Request): Record<string, string> {
  return {
    'content-security-policy': policyFor(placeOf(request)),
    'x-content-type-options': 'nosniff',
    'x-dns-prefetch-control': 'off',
    'referrer-policy': 'no-referrer',
    'cross-origin-resource-policy': 'same-origin',
  };
}

/** Answers with what lies at an address of a collection, as far as somebody may see it. */
export async function proofResponse(
  request: Request,
  actor: () => Promise<Actor>,
  { collection, path }: { collection: string; path: string[] },
): Promise<Response> {
  const asked = new URL(request.url).searchParams;
  const revision = Number(asked.get('revision')) || undefined;
  const inside = asked.get('inside');
  try {
    const found = await proof(await services(), await actor(), {
      collection,
      address: `${path.map(decodeURIComponent).join('/')}${inside === null ? '' : `#${inside}`}`,
      revision,
    });
    if (!found.ok) return plain(request, 'There is nothing at this address in the collection.', 404);
    const { value } = found;
    if (value.kind === 'page')
      return new Response(value.html, {
        // Places of notes are those of the tree the engine read: the browser has to read the page the same way.
        headers: {
          ...guard(request),
          'content-type': `${mediaTypeOf(value.html, path.at(-1)!)}; charset=utf-8`,
          'cache-control': 'private, max-age=3600',
        },
      });
    return fileResponse(request, value);
  } catch (error) {
    if (error instanceof SignedOut) return plain(request, 'Nobody is signed in here.', 401);
    if (!isAway(error)) throw error;
    return plain(request, 'The database cannot be reached.', 503);
  }
}

function mediaTypeOf(html: string, name: string): string {
  return browserReadsAsXml(html, name) ? 'application/xhtml+xml' : 'text/html';
}

interface Sent {
  file: { sha256: string; mediaType: string; size: number };
  bytes: (from: number, to: number) => AsyncGenerator<Buffer>;
}

/** A file, as its very bytes, whole or the range that was asked for (RFC 9110, single ranges of bytes), sent piece by piece. */
function fileResponse(request: Request, { file, bytes }: Sent): Response {
  const tag = `"${file.sha256}"`;
  const headers = {
    ...guard(request),
    'content-type': file.mediaType,
    'cache-control': 'private, max-age=300, no-transform',
    'accept-ranges': 'bytes',
    etag: tag,
  };
  if (request.headers.get('if-none-match') === tag) return new Response(null, { status: 304, headers });
  const range = rangeIn(request.headers.get('range'), file.size);
  if (range === 'beyond') return new Response(null, { status: 416, headers: { ...headers, 'content-range': `bytes */${file.size}` } });
  const [from, to] = range ?? [0, file.size];
  const partial: Record<string, string> = range ? { 'content-range': `bytes ${from}-${to - 1}/${file.size}` } : {};
  return new Response(streamOf(bytes(from, to)), {
    status: range ? 206 : 200,
    headers: { ...headers, ...partial, 'content-length': String(to - from) },
  });
}

/** Pieces as a stream that reads the next one when the last is gone. */
function streamOf(pieces: AsyncGenerator<Buffer>): ReadableStream<Uint8Array> {
  return new ReadableStream({
    async pull(controller) {
      const next = await pieces.next();
      if (next.done) controller.close();
      else controller.enqueue(new Uint8Array(next.value));
    },
    cancel: async () => void (await pieces.return(undefined)),
  });
}

/** From and to (not counted in) of a range header; null for none, or for one this does not serve. */
function rangeIn(header: string | null, size: number): [number, number] | 'beyond' | null {
  const asked = /^bytes=(\d*)-(\d*)$/.exec(header ?? '');
  if (!asked || (asked[1] === '' && asked[2] === '')) return null;
  if (asked[1] === '') return size === 0 || Number(asked[2]) === 0 ? 'beyond' : [Math.max(0, size - Number(asked[2])), size];
  const from = Number(asked[1]);
  const to = asked[2] === '' ? size : Math.min(size, Number(asked[2]) + 1);
  return from >= size || to <= from ? 'beyond' : [from, to];
}

function plain(request: Request, words: string, status: number): Response {
  return new Response(words, { status, headers: { ...guard(request), 'content-type': 'text/plain; charset=utf-8' } });
}
