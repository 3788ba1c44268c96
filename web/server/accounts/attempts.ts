import { withoutFirm } from '../database/transaction';
import * as sql from './sql';

/** Where a request comes from. */
export interface Origin {
  address: string;
  agent: string;
}

/**
 * Failures within the window after which a sign-in pauses: of one account from one address, of one account from
 * anywhere, of one address. The second is high, so that nobody shuts a known person out by a few guesses.
 */
export const THROTTLE = { window: '15 minutes', pair: 6, account: 60, address: 40 };

/** Said in place of an answer when there were too many attempts. */
export const PAUSED = `Too many failed attempts; wait ${THROTTLE.window} and try again.`;

/**
 * Looks at a password when the account and the address have attempts left. The attempt is counted first, so that many
 * at once are not all looked at.
 *
 * @param account what the attempts are counted by
 */
export async function tried(
  account: string,
  from: Origin,
  look: () => Promise<boolean>,
): Promise<boolean | 'paused'> {
  const { window, pair, account: most, address } = THROTTLE;
  const row = await withoutFirm((db) =>
    db.row<{ attempt: string | null }>(sql.TRY, [account, from.address, window, pair, most, address]),
  );
  const attempt = row?.attempt;
  if (!attempt) return 'paused';
  const fits = await look();
  if (fits) await withoutFirm((db) => db.rows(sql.TRIED, [attempt]));
  return fits;
}
