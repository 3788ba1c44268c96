import { cookies, headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { after } from 'next/server';
import { cache } from 'react';
import type { Db } from '../database/transaction';
import { PERSON_COOKIE } from '../../protocol/personCookie';
import { may, type Deed } from '../../protocol/roles';
import { orKnown } from '../known';
import type { Origin } from './attempts';
import { asSession, isSecure, sessionCookie, sessionToken, type Turn, type Viewer } from './session';

export type Work<T> = (db: Db, viewer: Viewer) => Promise<T>;

/** How long a turn lasts at most after what was read: a page that has more worked out is on its way for longer, ms. */
const WRITING = 200;

/** The turn of a page: it lasts until the page is sent. */
const turnOfPage = cache((): { taken: boolean; until: () => Promise<void> } => {
  let sent = () => {};
  const answered = new Promise<void>((done) => (sent = done));
  after(() => sent());
  const until = () => {
    const timer = setTimeout(sent, WRITING).unref();
    return answered.finally(() => clearTimeout(timer));
  };
  return { taken: false, until };
});

/** Runs work as the person signed in; sends anyone else to the sign-in page. */
async function entered<T>(work: Work<T>, turn?: Turn): Promise<T> {
  const token = sessionToken(await cookies(), await headers());
  const result = token
    ? await asSession(token, async (db, viewer) => ({ value: await work(db, viewer) }), turn)
    : undefined;
  if (!result) redirect('/sign-in');
  return result.value;
}

/** Runs a page's work as the person signed in; sends anyone else to the sign-in page. */
export async function signedIn<T>(work: Work<T>): Promise<T> {
  const turn = turnOfPage();
  const within = turn.taken;
  turn.taken = true;
  return entered(work, within ? { within } : { until: turn.until });
}

/** Runs a form's work when the person's role allows the deed; otherwise answers with a plain refusal. */
export async function allowed<T>(deed: Deed, work: Work<T>): Promise<T | { problem: string }> {
  return orKnown(
    entered<T | { problem: string }>(async (db, viewer) =>
      may(viewer.role, deed)
        ? work(db, viewer)
        : { problem: `Your role (${viewer.role}) does not allow this; ask the owner of ${viewer.firmName}.` },
    ),
  );
}

/** Keeps a new session in a cookie; a device without units of its own takes the firm's. */
export async function keepSession(session: { token: string; expires: Date }): Promise<void> {
  const secure = isSecure(await headers());
  const jar = await cookies();
  jar.set(sessionCookie(secure), session.token, {
    httpOnly: true,
    sameSite: 'lax',
    secure,
    path: '/',
    expires: session.expires,
  });
  const viewer = await asSession(session.token, async (_, who) => who);
  if (!viewer) return;
  // Whose device it is: its own script keeps apart what different people take along on it. It opens nothing.
  jar.set(PERSON_COOKIE, viewer.userId, { sameSite: 'lax', secure, path: '/', expires: session.expires });
  if (!jar.has('undrel_units'))
    jar.set('undrel_units', viewer.units, { sameSite: 'lax', path: '/', maxAge: 31_536_000 });
}

/**
 * Where a request comes from, for throttling and the list of sessions: the last hop named, which the server itself fills
 * in where no proxy does. It may be forged where clients reach the server directly; the limit for each account holds
 * all the same.
 */
export async function origin(): Promise<Origin> {
  const list = await headers();
  const address = list.get('x-forwarded-for')?.split(',').pop()?.trim();
  return { address: address || 'unknown', agent: list.get('user-agent') ?? '' };
}

/** The token of the session that this device has now. */
export const present = async (): Promise<string | undefined> =>
  sessionToken(await cookies(), await headers());
