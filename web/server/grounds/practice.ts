import type { Schools } from '@undrel/core/practice';
import type { Db } from '../database/transaction';
import type { PropertyPractice } from '../../work/property/practice';
import * as sql from './sql';

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
