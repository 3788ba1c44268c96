import type { FirmTable } from '@undrel/core/diagnosis';
import type { House } from '@undrel/core/house';
import type { HouseSchools, Schools } from '@undrel/core/practice';
import type { Db } from '../database/transaction';
import * as sql from './sql';

/** What is followed on a property: the schools of the firm and its own, and the firm's table of causes. */
export interface PropertyPractice {
  name: string;
  version: number;
  house: House & Required<HouseSchools>;
  judgements: FirmTable | null;
}

export const practiceOn = (db: Db, propertyId: string): Promise<PropertyPractice | undefined> =>
  db.row<PropertyPractice>(sql.PRACTICE_ON, [propertyId]);

/** Saves the schools of a property; undefined when it was changed since `version`. */
export const saveSchoolsOn = async (
  db: Db,
  propertyId: string,
  schools: Schools,
  version: number,
): Promise<number | undefined> =>
  (
    await db.row<{ version: number }>(sql.SET_PROPERTY_SCHOOLS, [
      propertyId,
      JSON.stringify(schools),
      version,
    ])
  )?.version;

/** Follows one school on a property, or none of its own; false where there is no such property. */
export const chooseOn = async (
  db: Db,
  propertyId: string,
  matter: string,
  school: string | undefined,
): Promise<boolean> =>
  (await db.row(sql.CHOOSE_PROPERTY_SCHOOL, [
    propertyId,
    matter,
    JSON.stringify(school === undefined ? {} : { [matter]: school }),
  ])) !== undefined;
