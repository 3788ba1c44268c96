import { NextResponse, type NextRequest } from 'next/server';
import { BYTES, tooLarge } from './work/readers/limits';

/** Refuses what an action is given where it is too long: it would be read to the limit and then fail. */
export function proxy(request: NextRequest): NextResponse {
  const sent = Number(request.headers.get('content-length'));
  return request.method === 'POST' && sent > BYTES.action
    ? new NextResponse(tooLarge('action', sent), { status: 413 })
    : NextResponse.next();
}

// Asked for what has a body alone. Bodies sent to /api are read by the routes themselves, whole or not at all: passed through
// here they would be cut.
export const config = {
  matcher: [
    {
      source: '/((?!api/|_next/static|favicon.ico|icon.svg|sw.js|manifest.webmanifest).*)',
      has: [{ type: 'header', key: 'content-length' }],
    },
  ],
};
