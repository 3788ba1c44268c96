import type { NextRequest } from 'next/server';
import type { Work } from './viewer';
import { may, type Deed } from './roles';
import { asSession, SESSION_COOKIE } from './session';

export const plain = (status: number, problem: string): Response => Response.json({ problem }, { status });

/** A write must come from our own pages: the browser says so, or the Origin matches the host. */
function foreign(request: NextRequest): boolean {
  const site = request.headers.get('sec-fetch-site');
  if (site) return site !== 'same-origin';
  const from = request.headers.get('origin');
  return from !== null && new URL(from).host !== request.headers.get('host');
}

/**
 * Runs a route handler's work as the person of the request.
 *
 * Answers 403 to a write from another site or without the role, 401 without a session.
 */
export async function handle(
  request: NextRequest,
  deed: Deed | 'read',
  work: Work<Response>,
): Promise<Response> {
  if (request.method !== 'GET' && foreign(request)) return plain(403, 'This request came from another site.');
  const token = request.cookies.get(SESSION_COOKIE)?.value;
  const answer = token
    ? await asSession(token, async (db, viewer) =>
        deed === 'read' || may(viewer.role, deed)
          ? work(db, viewer)
          : plain(403, `Your role (${viewer.role}) does not allow this.`),
      )
    : undefined;
  return answer ?? plain(401, 'Sign in again; what you entered is kept.');
}
