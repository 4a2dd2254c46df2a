import { NextResponse, type NextRequest } from 'next/server';
import { isReadable } from './server/readable';

/**
 * Every screen's policy: our own scripts and styles by nonce, frames and images of our own only. The proof answers with its own. An
 * address that cannot be read is answered here, before any route meets it.
 */
export function proxy(request: NextRequest): NextResponse {
  if (!isReadable(request.url)) return unreadable(request.nextUrl.pathname);
  if (ANSWERS.test(request.nextUrl.pathname)) return NextResponse.next();
  const nonce = btoa(crypto.randomUUID());
  const policy = policyFor(nonce);
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy);
  // Where one wanted to go, for whoever has to sign in first.
  headers.set('x-place', request.nextUrl.pathname + request.nextUrl.search);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('referrer-policy', 'same-origin');
  return response;
}

/** What is no screen, and sets its own policy. */
const ANSWERS = /^\/(?:api|proof|published|thumbnail)\//;

const UNREADABLE = {
  what: 'This address cannot be read',
  next: 'Look for a percent sign that was cut off or a character that was pasted along.',
};

function unreadable(path: string): NextResponse {
  const headers = { 'cache-control': 'no-store', 'x-content-type-options': 'nosniff', 'content-security-policy': "default-src 'none'" };
  const { what, next } = UNREADABLE;
  const kept = 'Nothing was changed.';
  if (path.startsWith('/api/v1/')) {
    const problem = { type: '/problems/unreadable', title: what, status: 400, detail: `${what}. ${next}`, kept, next };
    return NextResponse.json(problem, { status: 400, headers: { ...headers, 'content-type': 'application/problem+json' } });
  }
  if (path.startsWith('/api/'))
    return NextResponse.json({ ok: false, problem: { code: 'bad-page', what, kept, next } }, { status: 400, headers });
  const page = `<!doctype html><html lang="en"><title>${what}</title><main><h1>${what}</h1><p>${next}</p><p><a href="/">Shelf</a></p></main></html>`;
  return new NextResponse(page, { status: 400, headers: { ...headers, 'content-type': 'text/html; charset=utf-8' } });
}

function policyFor(nonce: string): string {
  // `next dev` evaluates code and writes styles of its own.
  const loose = process.env.NODE_ENV === 'development';
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${loose ? " 'unsafe-eval'" : ''}`,
    loose ? "style-src 'self' 'unsafe-inline'" : `style-src 'self' 'nonce-${nonce}'`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data:",
    "font-src 'self'",
    `connect-src 'self'${loose ? ' ws:' : ''}`,
    "worker-src 'self'",
    "frame-src 'self'",
    "frame-ancestors 'none'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
  ].join('; ');
}

/**
 * Screens, and whatever else carries no body: a page of many megabytes must reach its route whole. Routes with a body refuse what they
 * cannot read themselves (`guarded`).
 */
export const config = {
  matcher: [
    '/((?!_next/static|_next/image|api/|proof/|published/|thumbnail/|icon.svg).*)',
    {
      source: '/(api|proof|published|thumbnail)/(.*)',
      // A file of no known type comes without a content type: what tells a body is its length.
      missing: [
        { type: 'header', key: 'content-length' },
        { type: 'header', key: 'transfer-encoding' },
        { type: 'header', key: 'content-type' },
      ],
    },
  ],
};
