import { randomBytes, randomUUID } from 'node:crypto';
import { generateSecret, generateURI, verify } from 'otplib';
import { asUser, type Db } from '../database/transaction';
import { PAUSED, tried, type Origin } from './attempts';
import { hashToken } from './secrets';
import type { Viewer } from './session';
import * as sql from './sql';

type Person = Pick<Viewer, 'firmId' | 'userId'>;

/** What a person has set up besides the password. */
export interface SecondStep {
  app: boolean;
  passkeys: { id: string; name: string; transports: string[]; created: Date; used: Date | null }[];
  codesLeft: number;
}

interface AppRow {
  secret: string;
  last_step: string;
  confirmed_at: Date | null;
}

/** s; a clock may be one step off, as RFC 6238 (section 5.2) allows for. */
const TOLERANCE = 30;
const CODES = 10;

export async function secondStepOf(db: Db, userId: string): Promise<SecondStep> {
  const app = await db.row<AppRow>(sql.APP_OF, [userId]);
  const keys = await db.rows<{
    id: string;
    name: string;
    transports: string[];
    created_at: Date;
    last_used_at: Date | null;
  }>(sql.PASSKEYS_OF, [userId]);
  const left = await db.row<{ codes: number }>(sql.COUNT_RECOVERY_CODES, [userId]);
  return {
    app: Boolean(app?.confirmed_at),
    passkeys: keys.map((k) => ({
      id: k.id,
      name: k.name,
      transports: k.transports,
      created: k.created_at,
      used: k.last_used_at,
    })),
    codesLeft: left?.codes ?? 0,
  };
}

/** Whether the password alone no longer does. */
export const isAsked = ({ app, passkeys }: Pick<SecondStep, 'app' | 'passkeys'>): boolean =>
  app || passkeys.length > 0;

/** A new key for an authenticator app, not in force until a code of it was entered; undefined where one is in force. */
export async function beginApp(db: Db, viewer: Viewer): Promise<{ secret: string; uri: string } | undefined> {
  const secret = generateSecret();
  const made = await db.row(sql.BEGIN_APP, [secret]);
  if (!made) return undefined;
  return { secret, uri: generateURI({ issuer: 'Undrel', label: viewer.email, secret }) };
}

/** The time step of a code that fits, or undefined. */
async function stepOf(secret: string, code: string): Promise<number | undefined> {
  const token = code.replace(/\s/g, '');
  if (!/^\d{6}$/.test(token)) return undefined;
  const result = await verify({ secret, token, epochTolerance: TOLERANCE });
  return result.valid && 'timeStep' in result ? result.timeStep : undefined;
}

/** New recovery codes in place of those there were; only their hashes are kept. */
async function renewCodes(db: Db, userId: string): Promise<string[]> {
  await db.rows(sql.DROP_RECOVERY_CODES, [userId]);
  const codes = Array.from({ length: CODES }, () =>
    randomBytes(8)
      .toString('hex')
      .replace(/.{4}(?=.)/g, '$&-'),
  );
  for (const code of codes) await db.rows(sql.ADD_RECOVERY_CODE, [randomUUID(), hashToken(code)]);
  return codes;
}

/** Recovery codes for the first second step that a person sets up; none where they have some. */
export async function firstCodes(db: Db, userId: string): Promise<string[] | undefined> {
  const { codesLeft } = await secondStepOf(db, userId);
  return codesLeft > 0 ? undefined : renewCodes(db, userId);
}

export const newCodes = (viewer: Person): Promise<string[]> =>
  asUser(viewer.firmId, viewer.userId, (db) => renewCodes(db, viewer.userId));

/** Turns the authenticator app on when a code shows that it has the key. */
export async function confirmApp(
  viewer: Person,
  code: string,
  from: Origin,
): Promise<{ codes: string[] | undefined } | { problem: string }> {
  const { firmId, userId } = viewer;
  const app = await asUser(firmId, userId, (db) => db.row<AppRow>(sql.APP_OF, [userId]));
  if (!app || app.confirmed_at) return { problem: 'Begin the set-up again; it was ended elsewhere.' };
  let step: number | undefined;
  const fits = await tried(`second step of ${userId}`, from, async () => {
    step = await stepOf(app.secret, code);
    return step !== undefined;
  });
  if (fits === 'paused') return { problem: PAUSED };
  if (step === undefined)
    return {
      problem: 'Code: does not fit. Enter the six digits that the app shows now; check the phone’s clock.',
    };
  return asUser(firmId, userId, async (db) => {
    if (!(await db.row(sql.CONFIRM_APP, [userId, step])))
      return { problem: 'Begin the set-up again; it was ended elsewhere.' };
    return { codes: await firstCodes(db, userId) };
  });
}

/** Recovery codes go with the last second step. */
async function dropCodesWithLast(db: Db, userId: string): Promise<void> {
  if (!isAsked(await secondStepOf(db, userId))) await db.rows(sql.DROP_RECOVERY_CODES, [userId]);
}

export const dropApp = (viewer: Person): Promise<void> =>
  asUser(viewer.firmId, viewer.userId, async (db) => {
    await db.rows(sql.DROP_APP, [viewer.userId]);
    await dropCodesWithLast(db, viewer.userId);
  });

export const dropPasskey = (viewer: Person, id: string): Promise<void> =>
  asUser(viewer.firmId, viewer.userId, async (db) => {
    await db.rows(sql.DROP_PASSKEY, [viewer.userId, id]);
    await dropCodesWithLast(db, viewer.userId);
  });

/** Takes all second steps off a person who lost them, for the owner of the firm; their sessions end. */
export async function takeOffSecondStep(db: Db, userId: string): Promise<void> {
  for (const drop of [sql.DROP_APP, sql.DROP_PASSKEYS, sql.DROP_RECOVERY_CODES])
    await db.rows(drop, [userId]);
  await db.rows(sql.CLOSE_SESSIONS_OF, [userId, null]);
}

/** Whether a code of the app, or one of the recovery codes, fits and was not used before. */
export async function codeFits(person: Person, code: string): Promise<boolean> {
  const { firmId, userId } = person;
  return asUser(firmId, userId, async (db) => {
    const app = await db.row<AppRow>(sql.APP_OF, [userId]);
    const step = app?.confirmed_at ? await stepOf(app.secret, code) : undefined;
    if (step !== undefined) return (await db.row(sql.TAKE_CODE, [userId, step])) !== undefined;
    const plain = code.trim().toLowerCase();
    return (await db.row(sql.TAKE_RECOVERY_CODE, [userId, hashToken(plain)])) !== undefined;
  });
}
