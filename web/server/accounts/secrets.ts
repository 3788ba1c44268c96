import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';

/** argon2id with the least parameters the OWASP password storage guide recommends (19 MiB, 2 passes). */
const ARGON = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

export const MIN_PASSWORD = 10;

export const hashPassword = (password: string): Promise<string> => hash(password, ARGON);

let decoy: Promise<string> | undefined;

/** Checks a password; with no account it takes as long as with one. */
export async function passwordFits(stored: string | undefined, password: string): Promise<boolean> {
  decoy ??= hashPassword(randomUUID());
  const fits = await verify(stored ?? (await decoy), password);
  return stored !== undefined && fits;
}

/** An opaque token and the only form of it that is stored. */
export function newToken(): { token: string; tokenHash: Buffer } {
  const token = randomBytes(32).toString('base64url');
  return { token, tokenHash: hashToken(token) };
}

export const hashToken = (token: string): Buffer => createHash('sha256').update(token).digest();
