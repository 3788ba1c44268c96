import { assess } from '../assessment';
import type { Finding, Tree, Visit } from '../records';
import type { OperationKey } from '../vocabulary/operations';

const TREE: Tree = {
  label: 'T',
  species: 'Tilia cordata',
  plantedYear: 2008,
  stemDiameter: 0.2,
  crownRadius: 3,
};
const SALT: Finding[] = [
  { key: 'history.salt', answer: 'onto' },
  { key: 'soil.salt', answer: 'high' },
];
const of = (key: OperationKey, findings: Finding[], tree: Partial<Tree> = {}) => {
  const visit: Visit = { date: '2026-06-01', findings, profiles: [], probes: [], decisions: [] };
  const operation = assess({ ...TREE, ...tree }, [], visit).operations.find((o) => o.key === key)!;
  const amounts = Object.fromEntries(operation.quantities.map((q) => [q.key, q.value]));
  return { ...operation, amounts };
};

test('salt is washed with as much water as the soil is deep, over the crown; by hand', () => {
  const { advice, amounts, quantities, window } = of('leach', SALT);
  expect(advice).toBe('do');
  // 30 cm of water over a circle of 3 m: 28.27 m² × 0.3 m = 8.48 m³.
  expect(amounts).toEqual({
    laboratoryTests: 1,
    leachedRadius: expect.closeTo(3, 9),
    waterToLeach: expect.closeTo(1000 * 28.2743338823 * 0.3, 5),
    waterings: 3,
  });
  expect(quantities.find((q) => q.key === 'waterToLeach')!.working.source).toContain('FAO');
  expect(window).toMatchObject({ from: 2, to: 4 });
  // Wider to one side: the ground that the crown covers counts.
  const spread = [0, 90, 180, 270].map((bearing) => ({ bearing, radius: 2 }));
  expect(of('leach', SALT, { crownSpread: spread }).amounts.leachedRadius).toBeCloseTo(2, 9);
  const unknown = of('leach', SALT, { crownRadius: undefined });
  expect([unknown.amounts.waterToLeach, unknown.missing]).toEqual([undefined, ['crown radius']]);
});

test('nothing is washed out where water stands, and a weedkiller is not spread', () => {
  const wet = of('leach', [...SALT, { key: 'probe.drain', answer: 'standing' }]);
  expect(wet).toMatchObject({ advice: 'not', summary: expect.stringContaining('Not while water stands') });
  expect(wet.quantities).toEqual([]);
  const sprayed = of('leach', [...SALT, { key: 'history.chemicals', answer: 'yes' }]);
  expect(sprayed.against.join()).toMatch(/weedkiller/);
});

test('how often is by the stem: a transplant every week, an established tree in dry spells, one not measured as often as may be', () => {
  const dry: Finding[] = [
    { key: 'crown.colour', answer: 'scorched' },
    { key: 'probe.moisture', answer: 'dry' },
    { key: 'history.watering', answer: 'none' },
  ];
  const rounds = (stemDiameter: number | undefined) =>
    of('water', dry, { stemDiameter, plantedYear: 2025 }).amounts.waterings!;
  expect(of('water', dry, { plantedYear: 2025 }).advice).toBe('do');
  expect(rounds(0.06)).toBe(2 * rounds(0.2));
  expect(rounds(undefined)).toBe(rounds(0.06));
});

test('a look by hand, a sample, a pair of tests: small amounts that are charged', () => {
  const pot: Finding[] = [{ key: 'dig.shape', answer: 'wholly' }];
  expect(of('explore', pot)).toMatchObject({ advice: 'do', amounts: { crewHours: 0.5 } });
  const cankers: Finding[] = [
    { key: 'crown.pests', answer: 'cankers' },
    { key: 'crown.wilt', answer: 'limb' },
  ];
  expect(of('identify', cankers)).toMatchObject({ advice: 'do', amounts: { laboratoryTests: 1 } });
  const veins: Finding[] = [
    { key: 'crown.colour', answer: 'veins' },
    { key: 'soil.ph', answer: 'very high' },
  ];
  expect(of('feed', veins)).toMatchObject({ advice: 'do', amounts: { laboratoryTests: 2 } });
});
