import type { Finding, GradeProfile, ProbePoint, Tree, TreeEvent, Visit } from '../casefile';
import { profileOf } from '../profile';
import { FACTS, RULES, verdictOf, type CauseKey } from './index';

const probes = (depth: number): ProbePoint[] =>
  [0, 60, 120, 180, 240, 300].map((bearing) => ({
    bearing,
    distance: 0.1,
    depth,
    found: 'root',
    from: 'grade',
  }));
const ground = (height: number, reach: number, fill: number): GradeProfile[] =>
  [0, 90, 180, 270].map((bearing) => ({
    bearing,
    mulch: height > 0 ? [{ distance: 0, depth: height }] : [],
    mulchEnds: height > 0 ? reach : undefined,
    fill: [{ distance: 0, depth: fill }],
  }));
const entry = (hidden: number): Finding[] =>
  Array.from({ length: 8 }, (_, part) => ({
    key: 'base.entry',
    part,
    answer: part < hidden ? 'straight' : 'flared',
  }));

const judge = (visit: Partial<Visit>, tree: Partial<Tree> = {}, events: TreeEvent[] = []) => {
  const t: Tree = { label: 'T', species: 'x', stemDiameter: 0.2, plantedYear: 2015, ...tree };
  const v: Visit = { date: '2026-06-01', findings: [], profiles: [], probes: [], decisions: [], ...visit };
  return verdictOf(t, events, v, profileOf(t, v));
};
const first = (...args: Parameters<typeof judge>) => judge(...args).causes[0]!;
const standing = (cause: CauseKey, ...args: Parameters<typeof judge>) =>
  judge(...args).causes.find((c) => c.cause === cause)!.standing;

// Vignettes of the trade: common practice, no source.
test('deep planting, fill and mulch cone are told apart', () => {
  expect(first({ probes: probes(0.2), profiles: ground(0, 0, 0), findings: entry(8) }).cause).toBe(
    'plantedDeep',
  );
  expect(first({ probes: probes(0.18), profiles: ground(0, 0, 0.14), findings: entry(6) }).cause).toBe(
    'gradeRaised',
  );
  expect(first({ probes: probes(0.04), profiles: ground(0.3, 0.8, 0), findings: entry(0) }).cause).toBe(
    'mulchCone',
  );
});

test('several causes may be likely at once', () => {
  const likely = judge({
    probes: probes(0.19),
    profiles: ground(0.3, 0.8, 0.12),
    findings: [
      ...entry(8),
      { key: 'base.girdling', answer: 'pressing' },
      { key: 'base.flat', answer: 'marked' },
    ],
  }).causes.filter((c) => c.standing === 'likely');
  expect(likely.map((c) => c.cause).sort()).toEqual(['girdling', 'gradeRaised', 'mulchCone']);
});

test('scorched margins in a dry year with the neighbours alike and the flare in view: drought', () => {
  const visit = {
    findings: [
      ...entry(0),
      { key: 'crown.colour', answer: 'scorched' },
      { key: 'crown.neighbours', answer: 'all' },
    ],
    probes: probes(0.05),
  };
  expect(first(visit, {}, [{ kind: 'drought', when: '2025' }]).cause).toBe('drought');
  expect(standing('plantedDeep', visit)).toBe('unlikely');
});

test('conks and ooze with an open flare are not a burial', () => {
  const causes = judge({
    probes: probes(0.04),
    findings: [
      ...entry(0),
      { key: 'base.conks', answer: 'many' },
      { key: 'base.ooze', answer: 'fresh' },
      { key: 'base.bark', part: 2, answer: 'soft' },
    ],
  }).causes;
  expect(
    causes
      .slice(0, 2)
      .map((c) => c.cause)
      .sort(),
  ).toEqual(['basalDecay', 'biotic']);
});

test('not looked is neither for nor against, and is listed', () => {
  const verdict = judge({}, { plantedYear: undefined });
  expect(verdict.causes.every((c) => c.score === 0 && c.standing === 'unexamined')).toBe(true);
  expect(verdict.summary).toContain('Nothing examined yet');
  const withNo = judge({ findings: [{ key: 'base.conks', answer: 'none' }] });
  const decay = withNo.causes.find((c) => c.cause === 'basalDecay')!;
  expect(decay.against.map((r) => r.fact)).toEqual(['conks']);
  expect(decay.unexamined.map((u) => u.fact)).toContain('hollow');
});

test('a depth whose interval reaches across the limit counts neither way, and asks for more bearings', () => {
  const uneven: ProbePoint[] = [-0.03, 0.12, 0.19].map((depth, i) => ({
    bearing: i * 90,
    distance: 0.1,
    depth,
    found: 'root',
    from: 'grade',
  }));
  const { facts } = judge({ probes: uneven });
  expect(facts.collarDeep).toMatchObject({
    state: 'unexamined',
    text: expect.stringContaining('probe more bearings'),
  });
  expect(judge({ probes: probes(0.18) }).facts.collarDeep.state).toBe('yes');
  expect(judge({ probes: probes(0.04) }).facts.collarDeep.state).toBe('no');
});

test('every fact is used by a rule and every rule can move its cause', () => {
  expect(new Set(RULES.map((r) => r.fact))).toEqual(new Set(Object.keys(FACTS)));
  expect(RULES.every((r) => r.ifYes !== 0 || r.ifNo !== 0)).toBe(true);
});
