import type { FirmTable } from '@undrel/core/diagnosis';
import type { Rates } from '@undrel/core/costing';
import type { ClosedSeason } from '@undrel/core/prescription';
import type { Schools } from '@undrel/core/practice';
import type { Species } from '@undrel/core/species';
import type { Db } from '../database/transaction';
import type { Role } from '../../protocol/roles';
import * as sql from './sql';

export interface Firm {
  name: string;
  units: 'metric' | 'us';
  schools: Schools;
  judgements: FirmTable | null;
  /** What the firm charges; null before any was entered. */
  rates: Rates | null;
  closed_seasons: ClosedSeason[] | null;
  /** Species as the firm judges them. */
  species: Species[] | null;
  report_prefix: string;
  version: number;
}

export interface Person {
  id: string;
  name: string;
  email: string;
  role: Role;
  version: number;
  disabled: boolean;
  secondStep: boolean;
}

export const loadFirm = async (db: Db): Promise<Firm> => (await db.row<Firm>(sql.FIRM))!;

/** Saves the firm's schools; undefined when the firm was changed since `version`. */
export const saveSchools = async (db: Db, schools: Schools, version: number): Promise<number | undefined> =>
  (await db.row<{ version: number }>(sql.SET_SCHOOLS, [JSON.stringify(schools), version]))?.version;

/** Saves the firm's own words in the table of causes; undefined when the firm was changed since `version`. */
export const saveJudgements = async (
  db: Db,
  judgements: FirmTable,
  version: number,
): Promise<number | undefined> =>
  (await db.row<{ version: number }>(sql.SET_JUDGEMENTS, [JSON.stringify(judgements), version]))?.version;

/** Saves rates and closed seasons; undefined when the firm was changed since `version`. */
export const saveCosts = async (
  db: Db,
  rates: Rates,
  closed: readonly ClosedSeason[],
  version: number,
): Promise<number | undefined> =>
  (await db.row<{ version: number }>(sql.SET_COSTS, [JSON.stringify(rates), JSON.stringify(closed), version]))
    ?.version;

/** Saves the species as the firm judges them; undefined when the firm was changed since `version`. */
export const saveSpecies = async (
  db: Db,
  species: readonly Species[],
  version: number,
): Promise<number | undefined> =>
  (await db.row<{ version: number }>(sql.SET_SPECIES, [JSON.stringify(species), version]))?.version;

/** Saves name, units and report prefix; undefined when the firm was changed since `version`. */
export const saveFirm = async (
  db: Db,
  firm: Pick<Firm, 'name' | 'units' | 'report_prefix'>,
  version: number,
): Promise<number | undefined> =>
  (await db.row<{ version: number }>(sql.SET_FIRM, [firm.name, firm.units, firm.report_prefix, version]))
    ?.version;

export const listPeople = (db: Db): Promise<Person[]> => db.rows<Person>(sql.LIST_USERS);

/** Takes an invitation back; false where it was taken up or taken back before. */
export const revokeInvitation = async (db: Db, id: string): Promise<boolean> =>
  (await db.row(sql.REVOKE_INVITATION, [id])) !== undefined;

/** Changes a person's role or shuts them out; the last owner stays one. Shut out, they are signed out everywhere. */
export async function setPerson(
  db: Db,
  id: string,
  role: Role,
  disabled: boolean,
  version: number,
): Promise<string | undefined> {
  await db.rows(sql.HOLD_FIRM);
  const others = await db.row<{ owners: number }>(sql.COUNT_OTHER_OWNERS, [id]);
  if ((role !== 'owner' || disabled) && others?.owners === 0)
    return 'The firm needs at least one owner; make another first.';
  const saved = await db.row(sql.SET_USER, [id, role, disabled, version]);
  if (!saved) return 'Someone else has changed this person; the page shows it now.';
  if (disabled) await db.rows(sql.CLOSE_SESSIONS_OF, [id, null]);
  return undefined;
}
