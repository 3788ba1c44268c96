'use server';

import { revalidatePath } from 'next/cache';
import * as z from 'zod';
import { MATTERS } from '@undrel/core/practice';
import { allowed } from '@/server/accounts/viewer';
import { changeTree } from '@/server/cases/changeTree';
import { ID, taking } from '@/server/taking';
import { chooseOn } from '@/server/grounds/practice';

/**
 * Follows a school for one tree or for its whole property; without one, the level above holds again.
 *
 * A school chosen for the property takes the place of one that the tree had of its own.
 */
export const chooseSchoolAction = taking(
  [ID, z.enum(['tree', 'property']), z.string(), z.string().optional()],
  async (treeId, level, matter, school): Promise<{ problem?: string }> => {
    const known = MATTERS.find((m) => m.key === matter)?.schools.some((s) => s.key === school);
    if (school !== undefined && !known) return { problem: `School: “${school}” is not one of ${matter}.` };
    const answer = await allowed('judge', (db, viewer) =>
      changeTree(db, viewer, treeId, async (tree, loaded) => {
        if (level === 'property' && !(await chooseOn(db, loaded.property.id, matter, school)))
          return { problem: 'The property no longer exists.' };
        const { [matter]: own, ...others } = tree.schools ?? {};
        if (level === 'property' && own === undefined) return undefined;
        const schools =
          level === 'property' || school === undefined ? others : { ...others, [matter]: school };
        return { ...tree, schools: Object.keys(schools).length > 0 ? schools : undefined };
      }),
    );
    revalidatePath(`/trees/${treeId}/schools`);
    return answer;
  },
);
