import { NextResponse, type NextRequest } from 'next/server';
import { BYTES, tooLarge } from './work/readers/limits';

/**
 * Headers of every page: a Content-Security-Policy with a nonce of its own for each answer, and the usual guards.
 * Inline style attributes are allowed (drawings are placed by them), inline scripts and style sheets are not.
 */
export function proxy(request: NextRequest): NextResponse {
  if (/%00/.test(request.url))
    return new NextResponse('The address holds a character that none may hold (NUL).', { status: 400 });
  // What an action is given: a longer body would be read to the limit and then fail.
  const sent = Number(request.headers.get('content-length'));
  if (request.method === 'POST' && sent > BYTES.action)
    return new NextResponse(tooLarge('action', sent), { status: 413 });
  const nonce = btoa(crypto.randomUUID());
  const development = process.env.NODE_ENV === 'development';
  const policy = [
    `default-src 'self'`,
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${development ? ` 'unsafe-eval'` : ''}`,
    development ? `style-src 'self' 'unsafe-inline'` : `style-src 'self' 'nonce-${nonce}'`,
    `style-src-attr 'unsafe-inline'`,
    `img-src 'self' blob: data:`,
    `font-src 'self'`,
    `connect-src 'self'${development ? ' ws:' : ''}`,
    `worker-src 'self' blob:`,
    `object-src 'none'`,
    `frame-src 'self'`,
    `frame-ancestors 'self'`,
    `base-uri 'self'`,
    `form-action 'self'`,
  ].join('; ');
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('referrer-policy', 'same-origin');
  response.headers.set('cross-origin-opener-policy', 'same-origin');
  response.headers.set(
    'permissions-policy',
    'camera=(self), geolocation=(self), serial=(self), ambient-light-sensor=(self), microphone=()',
  );
  if (request.headers.get('x-forwarded-proto') === 'https') {
    response.headers.set('strict-transport-security', 'max-age=31536000');
  }
  return response;
}

// Bodies sent to /api are read by the routes themselves, whole or not at all: passed through here they would be cut.
export const config = {
  matcher: '/((?!api/|_next/static|favicon.ico|icon.svg|sw.js|manifest.webmanifest).*)',
};
