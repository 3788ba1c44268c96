import type { Assessment } from '../src/assessment';
import type { CaseFile } from '../src/casefile';
import { formatQuantity, writeLengths, type UnitSystem } from '../src/units';

/** An assessment for people: the verdict first, then what is to be done, then what it rests on. */
export function assessmentText(
  caseFile: CaseFile,
  date: string,
  result: Assessment,
  system: UnitSystem,
): string {
  const say = (sentence: string) => writeLengths(sentence, system);
  const { profile, verdict, operations } = result;
  const measured = [
    profile.collar?.depth,
    profile.fill?.atStem,
    profile.fill?.volume,
    profile.mulch?.onBark,
    profile.mulch?.volume,
    profile.mulch?.ringRadius,
  ].filter((q) => q !== undefined);
  const lines = [
    `${caseFile.tree.label}, ${caseFile.tree.species}, visit of ${date}`,
    verdict.summary,
    '',
    ...measured.map((q) => `  ${q.name}: ${formatQuantity(q, system)}`),
    ...(profile.flare.looked > 0
      ? [`  Flare seen on ${profile.flare.seen} of ${profile.flare.looked} sides`]
      : []),
    ...[...profile.missing, ...profile.problems.map((p) => p.message)].map((m) => `  ! ${say(m)}`),
    '',
  ];
  for (const cause of verdict.causes.filter(
    (c) => c.standing !== 'unexamined' && c.standing !== 'unlikely',
  )) {
    lines.push(`${cause.label}: ${cause.standing}`);
    lines.push(
      ...cause.for.map((r) => `  + ${say(r.text)}`),
      ...cause.against.map((r) => `  - ${say(r.text)}`),
    );
    if (cause.unexamined.length > 0) lines.push(`  ? ${cause.unexamined.map((u) => u.text).join('; ')}`);
  }
  lines.push('');
  for (const operation of operations) {
    lines.push(`${operation.advice.toUpperCase().padEnd(7)}${operation.title}: ${say(operation.summary)}`);
    if (operation.advice === 'not') continue;
    lines.push(...operation.quantities.map((q) => `         ${q.name}: ${formatQuantity(q, system)}`));
  }
  return `${lines.join('\n')}\n`;
}
