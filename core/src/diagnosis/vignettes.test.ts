import type { Tree } from '../records';
import { type CauseKey, CAUSES, type MechanismKey, MECHANISMS } from '../vocabulary/causes';
import { circumstancesOf } from './evidence';
import { networkOf, priorsOf } from './network';
import { jointOf, marginalsOf } from './posterior';
import { PRACTICE_TABLE } from './practiceTable';
import vignettes from './vignettes.json' with { type: 'json' };

interface Vignette {
  story: string;
  stock?: Tree['stock'];
  age?: number;
  answers: Record<string, string>;
  /** Absent where nothing is wrong. */
  first?: CauseKey;
  mechanism?: MechanismKey;
  notInFirstThree: CauseKey;
}

const network = networkOf(PRACTICE_TABLE);

function chancesOf({ stock, age, answers }: Vignette) {
  const tree: Tree = {
    label: 'T',
    species: 'x',
    stock,
    plantedYear: age === undefined ? undefined : 2026 - age,
  };
  const visit = { date: '2026-06-01', findings: [], profiles: [], probes: [], decisions: [] };
  const seen = Object.entries(answers).map(([key, answer]) => {
    const known = network.findings.get(key)!.finding.answers.map(([a]) => a);
    if (!known.includes(answer)) throw new Error(`${key}: ${answer}; known are ${known.join(', ')}`);
    return { key, agrees: known.map((a) => (a === answer ? 1 : 0)) };
  });
  const chances = marginalsOf(
    jointOf(network, priorsOf(PRACTICE_TABLE, circumstancesOf(tree, [], visit)), seen),
  );
  const by = (keys: object, values: Float64Array) =>
    Object.keys(keys).map((key, i) => ({ key, chance: values[i]! }));
  return { causes: by(CAUSES, chances.causes), mechanisms: by(MECHANISMS, chances.mechanisms) };
}

// Written by hand from the trade: common practice, no source. Read and added to in vignettes.json.
test.each(vignettes as unknown as Vignette[])('$story', (vignette) => {
  const { causes, mechanisms } = chancesOf(vignette);
  const ranked = [...causes].sort((a, b) => b.chance - a.chance);
  if (vignette.first) expect(ranked[0]!.key).toBe(vignette.first);
  else expect(ranked[0]!.chance).toBeLessThan(0.25);
  if (vignette.mechanism)
    expect(mechanisms.find((m) => m.key === vignette.mechanism)!.chance).toBeGreaterThan(0.5);
  if (vignette.first) expect(ranked.slice(0, 3).map((c) => c.key)).not.toContain(vignette.notInFirstThree);
});
