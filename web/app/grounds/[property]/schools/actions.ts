'use server';

import { allowed } from '@/server/accounts/viewer';
import { practiceOn, saveSchoolsOn } from '@/server/grounds/practice';
import { chosenIn, chosenMeanwhile } from '@/server/schoolChoice';
import { takingFormOf } from '@/server/taking';
import type { PracticeState } from '@/screens/practice/PracticeScreen';

/** Saves the schools that hold on a property. */
export const saveSchoolsOnAction = takingFormOf(
  async (propertyId: string, state: PracticeState, form): Promise<PracticeState> => {
    const schools = chosenIn(form);
    const saved = await allowed('judge', async (db) => {
      const version = await saveSchoolsOn(db, propertyId, schools, state.version);
      return version === undefined ? { stale: await practiceOn(db, propertyId) } : { version };
    });
    if ('problem' in saved) return { ...state, schools, problem: saved.problem };
    if ('version' in saved)
      return { schools, version: saved.version!, told: 'Saved. Its trees follow it at once.' };
    return saved.stale
      ? {
          schools,
          version: saved.stale.version,
          problem: chosenMeanwhile(saved.stale.house.property ?? {}, schools),
        }
      : { ...state, schools, problem: 'This property has been removed.' };
  },
);
