import type { Assessment } from '../src/assessment';
import type { CaseFile } from '../src/format/case';
import { CHOICES, pivotTold, PRACTICE_NOTE, STANDINGS, type Explanation } from '../src/diagnosis';
import type { SinceWhen } from '../src/history';
import { causesAnswered, lookFirstText, looksFirst } from '../src/prescription';
import { formatQuantity, writeLengths, type UnitSystem } from '../src/units';

const OPEN = STANDINGS.find((s) => s.key === 'open')!.from;
const percent = (share: number) => `${Math.round(100 * share)}%`;

/** What does not fit, what the unsure answers may change, what decides, and what to look at next. */
const explained = (explanation: Explanation, say: (sentence: string) => string): string[] => [
  ...explanation.contradictions.map((c) => `  ! ${say(c.text)}`),
  ...explanation.flips.map(
    (f) =>
      `  ? Unsure: ${say(f.text)}. If “${say(f.otherwise)}”: ${f.changes.map((c) => `${c.label.toLowerCase()} ${percent(c.from)} to ${percent(c.to)}`).join(', ')}`,
  ),
  ...(explanation.pivotal ? [pivotTold(explanation.pivotal, say(explanation.pivotal.text))] : []),
  ...explanation.decisions.map((d) => `  ${d.label}: ${CHOICES[d.choice]}. ${d.text}`),
  ...(explanation.enough
    ? ['Enough: nothing left to check would change the prescription.']
    : [
        'Check next:',
        ...explanation.checks
          .filter((c) => c.gain > 0)
          .slice(0, 5)
          .map((c) => `  ${c.about}, ${c.minutes} min${c.season ? `, ${c.season}` : ''}`),
      ]),
];

/** An assessment for people: the verdict first, then what is to be done, then what it rests on. */
export function assessmentText(
  caseFile: CaseFile,
  date: string,
  result: Assessment,
  explanation: Explanation | undefined,
  since: SinceWhen,
  system: UnitSystem,
): string {
  const say = (sentence: string) => writeLengths(sentence, system);
  const { profile, verdict, memory, operations, situation } = result;
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
  for (const cause of verdict.causes.filter((c) => c.probability >= OPEN)) {
    const reasons = explanation?.causes.find((c) => c.cause === cause.cause);
    lines.push(`${cause.label}: ${cause.certainty} (${percent(cause.probability)})`);
    for (const r of [...(reasons?.for ?? []), ...(reasons?.against ?? [])])
      lines.push(`  ${r.decibans > 0 ? '+' : '-'} ${say(r.text)} (${r.words}, ${r.decibans.toFixed(1)} dB)`);
  }
  lines.push(
    ...verdict.chain.map((step) => step.text),
    ...(memory.length > 0 ? ['Found before:', ...memory.map((m) => `  ${m.label}. ${m.text}`)] : []),
    `Since when: ${since.summary}`,
    ...since.events
      .filter((e) => e.chance >= 0.5)
      .map((e) => `  ${percent(e.chance)} within the usual lag of ${e.event.kind} ${e.event.when}`),
    ...(explanation ? explained(explanation, say) : []),
    PRACTICE_NOTE,
    '',
  );
  const answers = causesAnswered(situation, operations);
  const waiting = explanation ? looksFirst(situation, operations, explanation.decisions) : [];
  if (answers.length > 0) lines.push('What is done about it');
  lines.push(...answers.map((a) => `  ${a.label}, ${a.certainty}: ${say(a.text)}`), '');
  for (const operation of operations) {
    lines.push(`${operation.advice.toUpperCase().padEnd(7)}${operation.title}: ${say(operation.summary)}`);
    if (operation.advice === 'not') continue;
    const wait = waiting.find((w) => w.operation === operation.key);
    if (wait) lines.push(`         ${say(lookFirstText(wait))}`);
    lines.push(...operation.quantities.map((q) => `         ${q.name}: ${formatQuantity(q, system)}`));
  }
  return `${lines.join('\n')}\n`;
}
