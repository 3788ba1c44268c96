'use server';

import { revalidatePath } from 'next/cache';
import type { Tree } from '@undrel/core/casefile';
import { MATTERS } from '@undrel/core/practice';
import { allowed } from '@/server/accounts/viewer';
import { loadCase } from '@/server/cases/load';
import { saveChanges } from '@/server/cases/write';

/** Follows a school for one tree; without one the tree follows the firm again. */
export async function chooseSchoolAction(
  treeId: string,
  matter: string,
  school: string | undefined,
): Promise<{ problem?: string }> {
  const known = MATTERS.find((m) => m.key === matter)?.schools.some((s) => s.key === school);
  if (school !== undefined && !known) return { problem: `School: “${school}” is not one of ${matter}.` };
  const answer = await allowed('judge', async (db, viewer): Promise<{ problem?: string }> => {
    const item = (await loadCase(db, treeId))?.items.find((i) => i.kind === 'tree');
    if (!item?.values) return { problem: 'The tree is not there any more.' };
    const tree = item.values as Tree;
    const { [matter]: _, ...others } = tree.schools ?? {};
    const schools = school === undefined ? others : { ...others, [matter]: school };
    const [saved] = await saveChanges(db, viewer, [
      {
        kind: 'tree',
        id: treeId,
        parent: item.parent,
        base: item.version,
        values: { ...tree, schools: Object.keys(schools).length > 0 ? schools : undefined },
      },
    ]);
    return saved?.status === 'saved'
      ? {}
      : { problem: 'The tree was changed meanwhile; look again and choose anew.' };
  });
  revalidatePath(`/trees/${treeId}/schools`);
  return answer;
}
