import { sameEngines } from './result';
import type { IssuedHere, Verified } from './verify';

/** Which tree and visit a report is about, or how many trees and from when to when they were visited. */
function aboutOf(trees: Verified['trees'], day: (iso: string) => string): string {
  const days = trees.map((t) => t.visit).sort();
  const [first, last] = [day(days[0]!), day(days.at(-1)!)];
  if (trees.length === 1) return `${trees[0]!.tree}, visit of ${first}`;
  return `${trees.length} trees, ${first === last ? `visits of ${first}` : `visits from ${first} to ${last}`}`;
}

/**
 * What a verification came to: in one line whether the report stands, and what else is to be said. A seal alone shows a
 * change, and anybody may seal; that a file is the one that was issued, only the installation that issued it knows.
 *
 * @param issued what it says of the file: the report it is, that it is none of its own, or nothing where it was not asked
 * @param day how a day is written for who reads it
 */
export function verifiedTold(
  v: Verified,
  issued?: IssuedHere | 'not here',
  day: (iso: string) => string = (iso) => iso,
): { stands: boolean; head: string; lines: string[] } {
  const { chances, work, amounts, costs } = v.compared;
  const consistent = v.seal === 'holds' && v.differences.length === 0;
  const stands = consistent && issued !== 'not here';
  const about = aboutOf(v.trees, day);
  const differs =
    v.differences.length === 1 ? 'one figure differs' : `${v.differences.length} figures differ`;
  const head = (): string => {
    if (v.seal === 'broken') return `${about}: the file was changed after it was issued.`;
    if (v.differences.length > 0) return `${about}: the file is as it was sealed, but recomputed ${differs}.`;
    if (issued === 'not here')
      return `${about}: sealed and consistent, but no report issued here is this file. Ask the firm whether it issued it.`;
    return issued
      ? `${about}: genuine. ${issued.firm} issued it as ${issued.number} on ${day(issued.on)}, and every figure recomputed is the same.`
      : `${about}: unchanged since it was sealed, and every figure recomputed is the same.`;
  };
  return {
    stands,
    head: head(),
    lines: [
      `Proof code ${v.code}. Compare it with the one printed on the report.`,
      ...(issued === undefined && consistent
        ? ['Whether the firm issued this very file, its own page Verify a report can say.']
        : []),
      `Recomputed: ${chances} chances, ${work} operations with ${amounts} amounts, ${costs} options with their costs.`,
      ...(v.seal === 'broken' && v.differences.length === 0
        ? ['The figures attached are consistent; what is printed may not be.']
        : []),
      ...(sameEngines(v.then, v.now)
        ? []
        : [
            `It was issued with ${v.then.verdict}, table ${v.then.table} and ${v.then.prescription}; this is ${v.now.verdict}, table ${v.now.table} and ${v.now.prescription}. Differences may come from that.`,
          ]),
      ...v.differences,
    ],
  };
}
