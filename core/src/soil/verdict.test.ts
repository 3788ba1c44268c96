import type { Finding, Push, SoilLog, Tree, Visit } from '../records';
import { groundVerdict } from './verdict';

const tree: Tree = { label: 'T', species: 'Tilia cordata', stemDiameter: 0.2 };

const visit = (more: Partial<Visit> = {}): Visit => ({
  date: '2026-05-01',
  findings: [],
  profiles: [],
  probes: [],
  decisions: [],
  ...more,
});

/** MPa every 10 cm. */
const push = (distance: number, ...mpa: number[]): Push => ({
  bearing: 0,
  distance,
  readings: mpa.map((m, i) => ({ depth: (i + 1) / 10, pressure: m * 1e6 })),
});
const answer = (key: string, value: string): Finding => ({ key, answer: value });

const LOOSE = [0.4, 0.5, 0.6, 0.7, 0.8];
const TIGHT = [1, 2.5, 3, 3.2, 3.4];
const CONFINED = [
  push(0.1, ...LOOSE),
  push(0.2, ...LOOSE),
  push(1, ...TIGHT),
  push(1.2, ...TIGHT),
  push(1.4, ...TIGHT),
];
const kind = (v: Visit) => groundVerdict(tree, v)?.kind;

test('nothing measured, nothing said', () => {
  expect(groundVerdict(tree, visit())).toBeUndefined();
});

test('loose inside the hole and compacted beyond it is a confined hole; with standing water a saucer', () => {
  const hole = visit({ pushes: CONFINED, trenches: { holeRadius: 0.5 } });
  expect(kind(hole)).toBe('hole');
  expect(kind({ ...hole, findings: [answer('probe.drain', 'standing')] })).toBe('saucer');
  expect(kind({ ...hole, findings: [{ key: 'soil.percolation', number: 1 }] })).toBe('saucer');
  // 2.5 cm/h and over is not poor: common practice, no source.
  expect(kind({ ...hole, findings: [{ key: 'soil.percolation', number: 2.5 }] })).toBe('hole');
  expect(kind({ ...hole, findings: [answer('probe.drain', 'drained')] })).toBe('hole');
});

test('a ring that is long wet beside ground that is not makes a saucer, where the hole confines', () => {
  const log = (place: SoilLog['place'], colour: 'grey' | 'brown'): SoilLog => ({
    place,
    bearing: 0,
    distance: 0.3,
    layers: [{ to: 0.4, colour }],
  });
  const wet = visit({ soilLogs: [log('ring', 'grey'), log('outside', 'brown')] });
  expect(kind({ ...wet, findings: [answer('probe.wall', 'glazed')] })).toBe('saucer');
  expect(kind(wet)).toBe('wet');
  expect(
    kind({
      ...visit({ soilLogs: [log('ring', 'grey'), log('outside', 'grey')] }),
      findings: [answer('probe.wall', 'glazed')],
    }),
  ).toBe('hole');
});

test('pushes alone tell surface, pan, whole and open; a core speaks where nobody pushed', () => {
  const three = (...mpa: number[]) => visit({ pushes: [1, 2, 3].map((d) => push(d, ...mpa)) });
  expect(kind(three(...TIGHT))).toBe('whole');
  expect(kind(three(...LOOSE))).toBe('open');
  expect(kind(three(0.5, 1, 3, 3, 1, 1, 1))).toBe('pan');
  const core: Finding[] = [
    { key: 'soil.sand', number: 0.2 },
    { key: 'soil.clay', number: 0.5 },
    { key: 'soil.coreVolume', number: 100 },
    { key: 'soil.coreMass', number: 155 },
  ];
  expect(kind(visit({ findings: core }))).toBe('dense');
  // A core between the two limits of its texture (clay over 45 %: affected from 1.39, restricted above 1.47 g/cm³).
  const between = core.map((f) => (f.key === 'soil.coreMass' ? { ...f, number: 143 } : f));
  expect(kind(visit({ findings: between }))).toBe('firm');
  expect(kind({ ...three(...LOOSE), findings: [answer('probe.drain', 'damp')] })).toBe('wet');
});

test('each reason names its measurement, and what is missing is asked for', () => {
  const { reasons, missing } = groundVerdict(tree, visit({ findings: [answer('probe.drain', 'standing')] }))!;
  expect(reasons).toEqual(['Water stood in the test hole the next day.']);
  expect(missing).toContain('at least three pushes of the penetrometer');
});
