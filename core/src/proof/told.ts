import type { Verified } from './verify';

/** What a verification came to: in one line whether the report stands, and what else is to be said. */
export function verifiedTold(v: Verified): { stands: boolean; head: string; lines: string[] } {
  const { chances, work, amounts, costs } = v.compared;
  const sameEngines =
    v.then.verdict === v.now.verdict &&
    v.then.table === v.now.table &&
    v.then.prescription === v.now.prescription;
  const stands = v.seal === 'holds' && v.differences.length === 0;
  return {
    stands,
    head: stands
      ? `${v.tree}, visit of ${v.visit}: genuine. The file is as it was issued, and everything computed anew is the same.`
      : v.seal === 'broken'
        ? `${v.tree}, visit of ${v.visit}: the file was changed after it was issued.`
        : `${v.tree}, visit of ${v.visit}: the file is as it was issued, but computed anew ${v.differences.length === 1 ? 'one figure differs' : `${v.differences.length} figures differ`}.`,
    lines: [
      `Proof code ${v.code}. Compare it with the one printed on the report.`,
      `Computed anew: ${chances} chances, ${work} operations with ${amounts} amounts, ${costs} options with their costs.`,
      ...(v.seal === 'broken' && v.differences.length === 0
        ? ['The figures attached are consistent; what is printed may not be.']
        : []),
      ...(sameEngines
        ? []
        : [
            `It was issued with ${v.then.verdict}, table ${v.then.table} and ${v.then.prescription}; this is ${v.now.verdict}, table ${v.now.table} and ${v.now.prescription}. Differences may come from that.`,
          ]),
      ...v.differences,
    ],
  };
}
