import { NextResponse, type NextRequest } from 'next/server';

/** Every screen's policy: our own scripts and styles by nonce, frames and images of our own only. The proof answers with its own. */
export function proxy(request: NextRequest): NextResponse {
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

/** Screens only: answers in JSON show nothing, and a page of many megabytes must reach its route whole. */
export const config = { matcher: ['/((?!_next/static|_next/image|api/|proof/|published/|thumbnail/|icon.svg).*)'] };
