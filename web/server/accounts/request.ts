import type { NextRequest } from 'next/server';
import { knownOf } from '../known';
import type { Db } from '../database/transaction';
import { BYTES, tooLarge, type BodyKind } from '../../work/readers/limits';
import { may, type Deed } from '../../protocol/roles';
import { asSession, sessionToken, type Viewer } from './session';
import type { Work } from './viewer';
import { PERSON_HEADER } from '../../protocol/person';

export const plain = (status: number, problem: string, headers?: Record<string, string>): Response =>
  Response.json({ problem }, { status, headers });

const SIGN_IN_AGAIN = 'Sign in again; what you entered is kept.';

/** A write must come from our own pages: the browser says so, or the Origin matches the host. */
function foreign(request: NextRequest): boolean {
  const site = request.headers.get('sec-fetch-site');
  if (site) return site !== 'same-origin';
  const from = request.headers.get('origin');
  if (from === null) return false;
  return !URL.canParse(from) || new URL(from).host !== request.headers.get('host');
}

/** What ends a request: an answer to give in place of going on. */
class Refused extends Error {
  constructor(readonly answer: Response) {
    super('refused');
  }
}

/** Ends a request with a word on why. */
export const refuse = (status: number, problem: string): never => {
  throw new Refused(plain(status, problem));
};

/** A plain word in place of a failure, wherever it is known what went wrong. */
export function answerTo(error: unknown): Response {
  if (error instanceof Refused) return error.answer;
  if (error instanceof DOMException && error.name === 'AbortError')
    return plain(499, 'The request was given up.');
  const known = knownOf(error);
  if (known)
    return plain(
      known.status,
      known.problem,
      known.after === undefined ? undefined : { 'retry-after': String(known.after) },
    );
  console.error(error);
  return plain(500, 'This did not work; it has been noted. Try again.');
}

/** A request of a person who may do what it asks for. */
export interface Asked {
  viewer: Viewer;
  /** Whose work it is, ended when the client goes. */
  asker: Viewer & { signal: AbortSignal };
  /** Runs work in one transaction of the person's firm. */
  inFirm: <T>(work: (db: Db, viewer: Viewer) => Promise<T>) => Promise<T>;
  /** The body, read whole or refused; only now is any of it read. */
  body: (kind: BodyKind) => Promise<Uint8Array<ArrayBuffer>>;
  /** The body as JSON of a few fields. */
  json: (kind?: BodyKind) => Promise<unknown>;
}

/** Bytes of a body, refused once there are more than allowed. */
async function bodyOf(request: NextRequest, kind: BodyKind): Promise<Uint8Array<ArrayBuffer>> {
  const most = BYTES[kind];
  const told = Number(request.headers.get('content-length') ?? NaN);
  if (told > most) refuse(413, tooLarge(kind, told));
  const parts: Uint8Array[] = [];
  let length = 0;
  if (request.body) {
    const reader = request.body.getReader();
    for (;;) {
      const { value, done } = await reader.read();
      if (done) break;
      length += value.length;
      if (length > most) {
        void reader.cancel().catch(() => undefined);
        refuse(413, tooLarge(kind, undefined));
      }
      parts.push(value);
    }
  }
  if (Number.isFinite(told) && length !== told)
    refuse(400, `Only ${length} of ${told} bytes arrived. Nothing was taken; send it again.`);
  const whole = new Uint8Array(length);
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}

/**
 * Runs a route as the person of the request: session and role are looked at first, in a transaction of their own, and
 * the body is read after them. No connection to the database is held meanwhile.
 *
 * Answers 403 to a write from another site or without the role, 401 without a session, and a plain word in place of a
 * failure wherever it is known what went wrong.
 */
export async function asked(
  request: NextRequest,
  deed: Deed | 'read',
  work: (given: Asked) => Promise<Response>,
): Promise<Response> {
  try {
    if (request.method !== 'GET' && foreign(request))
      return plain(403, 'This request came from another site.');
    if (/%00/.test(request.url)) return plain(400, 'The address holds a character that none may hold (NUL).');
    const token = sessionToken(request.cookies, request.headers);
    const viewer = token && (await asSession(token, async (_, who) => who, { signal: request.signal }));
    if (!token || !viewer) return plain(401, SIGN_IN_AGAIN);
    // What one person noted or took is not kept under the name of whoever is signed in now.
    const person = request.headers.get(PERSON_HEADER);
    if (person !== null && person !== viewer.userId)
      return plain(401, 'Someone else is signed in; sign in again, what you entered is kept.');
    if (deed !== 'read' && !may(viewer.role, deed))
      return plain(403, `Your role (${viewer.role}) does not allow this.`);
    const body = (kind: BodyKind) => bodyOf(request, kind);
    return await work({
      viewer,
      asker: { ...viewer, signal: request.signal },
      body,
      json: async (kind = 'form') => {
        const text = new TextDecoder().decode(await body(kind));
        try {
          return JSON.parse(text) as unknown;
        } catch {
          return refuse(400, text.trim() === '' ? 'Nothing was sent.' : 'What was sent is not JSON.');
        }
      },
      inFirm: async (inside) => {
        const done = await asSession(token, async (db, who) => ({ value: await inside(db, who) }), {
          signal: request.signal,
        });
        return done ? done.value : refuse(401, SIGN_IN_AGAIN);
      },
    });
  } catch (error) {
    return answerTo(error);
  }
}

/** Runs a route that only reads or writes rows, in one transaction. */
export const handle = (request: NextRequest, deed: Deed | 'read', work: Work<Response>): Promise<Response> =>
  asked(request, deed, ({ inFirm }) => inFirm(work));
