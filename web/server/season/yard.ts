import type { Place } from '@undrel/core/crewDays';
import type { Places } from '../../protocol/season';
import { coordinate } from '../../work/readers/coordinate';
import type { Db } from '../database/transaction';
import * as sql from './sql';

export async function placesOf(db: Db): Promise<Places> {
  const yard = (await db.row<{ yard: Place | null }>(sql.YARD))?.yard;
  return {
    ...(yard && { yard }),
    grounds: await db.rows<Place & { id: string }>(sql.PLACES),
  };
}

/** Notes where the crews start from, as it was typed; nothing typed takes it away. */
export async function noteYard(
  db: Db,
  typed: unknown,
): Promise<{ problem: string } | { yard: Place | undefined }> {
  const { latitude, longitude } = (typed ?? {}) as Record<string, unknown>;
  const none = [latitude, longitude].every((x) => String(x ?? '').trim() === '');
  const read = [coordinate('Latitude', latitude), coordinate('Longitude', longitude)];
  const wrong = read.find((r) => 'problem' in r);
  if (!none && wrong && 'problem' in wrong) return wrong;
  const [north, east] = read.map((r) => ('degrees' in r ? r.degrees : 0));
  const yard = none ? undefined : { latitude: north!, longitude: east! };
  await db.rows(sql.SET_YARD, [yard ? JSON.stringify(yard) : null]);
  return { yard };
}
