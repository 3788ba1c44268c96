import { withoutFirm } from '../database/transaction';
import { hashToken, newToken } from './secrets';
import * as sql from './sql';

/** What stands between two requests of one sign-in, and links to choose a new password. */
export type StepKind = 'second' | 'passkey' | 'new passkey' | 'reset';

export interface Step {
  firm_id: string | null;
  user_id: string | null;
  challenge: string | null;
  email: string | null;
  name: string | null;
  firm_name: string | null;
}

/** How long each stands, s. */
const STANDS: Record<StepKind, number> = { second: 600, passkey: 300, 'new passkey': 300, reset: 3_600 };

/** Opens a step; only a hash of its token is kept. */
export async function openStep(
  kind: StepKind,
  given: {
    firmId?: string;
    userId?: string;
    maker?: string;
    challenge?: string;
    /** s, where it is not the usual time */
    stands?: number;
  },
): Promise<string> {
  const { token, tokenHash } = newToken();
  const { firmId = null, userId = null, maker = null, challenge = null, stands = STANDS[kind] } = given;
  await withoutFirm((db) =>
    db.rows(sql.OPEN_STEP, [tokenHash, kind, firmId, userId, maker, challenge, stands]),
  );
  return token;
}

/** A step that still stands, or undefined. */
export const seeStep = (token: string, kind: StepKind): Promise<Step | undefined> =>
  withoutFirm((db) => db.row<Step>(sql.SEE_STEP, [hashToken(token), kind]));

/** Takes a step; of several who take it at once one does. */
export const takeStep = async (token: string, kind: StepKind): Promise<boolean> =>
  (await withoutFirm((db) => db.row<{ taken: boolean }>(sql.TAKE_STEP, [hashToken(token), kind])))?.taken ??
  false;
