import { type DigHead, type DugRoot, idOf, NEW_DIG } from '@undrel/core/records';
import { nextLabel } from '@undrel/core/roots';
import { newId } from '../newId';

/**
 * What is kept of roots that were brought in from a file: each under a label that no other has, with the dig they belong to
 * where there is none yet.
 *
 * @param head the dig before
 * @param labels of the roots it has
 * @param radii of the stem, where the file told them
 */
export function broughtIn(
  visitId: string,
  head: DigHead | undefined,
  labels: readonly string[],
  roots: readonly DugRoot[],
  radii: DigHead['radii'],
) {
  const taken = [...labels];
  const dig = { ...(head ?? NEW_DIG), ...(radii && { radii }) };
  return [
    ...(head && !radii
      ? []
      : [{ kind: 'dig' as const, id: idOf('dig', visitId), parent: visitId, values: dig }]),
    ...roots.map((root) => {
      const label = taken.includes(root.label) || root.label === '?' ? nextLabel(taken) : root.label;
      taken.push(label);
      return { kind: 'root' as const, id: newId(), parent: visitId, values: { ...root, label } };
    }),
  ];
}
