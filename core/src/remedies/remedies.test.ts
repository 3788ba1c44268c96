import { OPERATION_KEYS } from '../vocabulary/operations';
import { PRACTICE_TABLE } from '../diagnosis';
import { REMEDIES, WEIGHED } from './index';

const rulesOf = (key: (typeof OPERATION_KEYS)[number]) => {
  const { do: wanted, option, bars = [] } = REMEDIES[key];
  return [...wanted, ...option, ...bars];
};

test('every remedy is weighed once, and rules ask only about those weighed before', () => {
  expect([...WEIGHED].sort()).toEqual([...OPERATION_KEYS].sort());
  for (const [at, key] of WEIGHED.entries())
    for (const rule of rulesOf(key))
      for (const condition of rule.when)
        if ('planned' in condition) expect(WEIGHED.slice(0, at)).toContain(condition.planned);
});

test('a rule that asks for a finding names one of the table, with answers that it has', () => {
  const findings = new Map(PRACTICE_TABLE.findings.map((f) => [f.key, f.answers.map(([answer]) => answer)]));
  const asked = OPERATION_KEYS.flatMap((key) =>
    [...rulesOf(key), ...REMEDIES[key].against].flatMap((rule) =>
      rule.when.flatMap((c) => ('finding' in c ? [c] : [])),
    ),
  );
  expect(asked.length).toBeGreaterThan(0);
  for (const { finding, among } of asked)
    expect(findings.get(finding)).toEqual(expect.arrayContaining([...among]));
});
