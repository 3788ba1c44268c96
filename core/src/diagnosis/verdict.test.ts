import type { Finding, GradeProfile, ProbePoint, Tree, TreeEvent, Visit } from '../records';
import type { CauseKey } from '../vocabulary';
import { profileOf } from '../profile';
import { PRACTICE_TABLE, reweigh, rowsOf, tableFor, verdictOf, wordsWithoutRow } from './index';

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
  expect(likely.map((c) => c.cause).sort()).toEqual(['gradeRaised', 'mulchCone']);
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

test('not looked is neither for nor against, and is listed', () => {
  const verdict = judge({}, { plantedYear: undefined });
  expect(verdict.causes.every((c) => c.standing === 'unexamined')).toBe(true);
  for (const c of verdict.causes) expect(c.probability).toBeCloseTo(c.prior, 9);
  expect(verdict.summary).toContain('Nothing has been examined yet');
  expect(verdict.chain).toEqual([]);
  const withNo = judge({ findings: [{ key: 'base.conks', answer: 'none' }] });
  const biotic = withNo.causes.find((c) => c.cause === 'biotic')!;
  expect(biotic.probability).toBeLessThan(biotic.prior);
  expect(biotic.unexamined.map((u) => u.finding)).toContain('base.ooze');
  expect(withNo.summary).toContain('There is only one finding so far');
});

test('a depth measured as uncertain moves less than one measured well', () => {
  const at = (depths: number[]) =>
    judge({
      probes: depths.map((depth, i) => ({
        bearing: i * 60,
        distance: 0.1,
        depth,
        found: 'root',
        from: 'grade',
      })),
    }).mechanisms.find((m) => m.mechanism === 'buriedCollar')!.probability;
  expect(at([0.02, 0.1, 0.2])).toBeLessThan(at([0.1, 0.11, 0.1]) + at([0.2, 0.2, 0.2]) - at([0.1, 0.1, 0.1]));
  expect(at([0.2, 0.2, 0.21])).toBeGreaterThan(0.75);
  expect(at([0.04, 0.04, 0.05])).toBeLessThan(0.2);
});

test('an answer noted as unsure is trusted less', () => {
  const ooze = (unsure?: true) =>
    judge({ findings: [{ key: 'base.ooze', answer: 'fresh', unsure }] }).causes.find(
      (c) => c.cause === 'biotic',
    )!.probability;
  expect(ooze(true)).toBeGreaterThan(judge({}).causes.find((c) => c.cause === 'biotic')!.prior);
  expect(ooze(true)).toBeLessThan(ooze());
});

test('the history moves the priors: a pot, bare root, a tree just planted', () => {
  const prior = (
    cause: CauseKey,
    tree: Partial<Tree>,
    visit: Partial<Visit> = {},
    events: TreeEvent[] = [],
  ) => judge(visit, tree, events).causes.find((c) => c.cause === cause)!.prior;
  expect(prior('containerRoots', { stock: 'container' })).toBeGreaterThan(prior('containerRoots', {}));
  expect(prior('plantedDeep', { stock: 'bare-root' })).toBeLessThan(prior('plantedDeep', {}));
  expect(prior('drought', { plantedYear: 2025 })).toBeGreaterThan(prior('drought', {}));
  const paved = { findings: [{ key: 'history.site', answer: 'paved' }] };
  expect(prior('barrier', {}, paved)).toBeGreaterThan(prior('barrier', {}));
  // A contract moves the prior; it is not counted a second time as a finding.
  const contract: TreeEvent = { kind: 'mulch contract', when: '2019' };
  expect(prior('mulchCone', {}, {}, [contract])).toBeGreaterThan(prior('mulchCone', {}));
  expect(prior('mulchCone', {}, {}, [{ ...contract, when: '2027' }])).toBe(prior('mulchCone', {}));
  expect(judge({}, {}, [contract]).evidence).toEqual([]);
});

test('the chain names each likely mechanism with what brought it about', () => {
  const { chain } = judge({ probes: probes(0.2), profiles: ground(0, 0, 0), findings: entry(8) });
  expect(chain[0]).toMatchObject({ mechanism: 'buriedCollar', because: ['It was planted too deep'] });
  expect(chain[0]!.text).toBe('It was planted too deep; so the collar is buried.');
});

test('what goes on is told even where what led to it is not', () => {
  const { summary, chain } = judge({
    findings: [
      { key: 'base.girdling', answer: 'embedded' },
      { key: 'base.flat', answer: 'marked' },
    ],
  });
  expect(summary).toMatch(/^It may fall: .* Roots girdle the stem; the cause is not settled\. Possible: /);
  expect(chain[0]!.text).toBe('Roots girdle the stem; the cause is not settled.');
});

test('the table and the engine are named; the verdict is weighed again from its own findings', () => {
  const verdict = judge({ probes: probes(0.2), findings: [{ key: 'base.conks', answer: 'none' }] });
  expect([verdict.engine, verdict.table]).toEqual(['network-1', 'practice-6']);
  const again = reweigh(JSON.parse(JSON.stringify(verdict)), PRACTICE_TABLE);
  verdict.causes.forEach((c, i) => expect(again.causes[i]!.probability).toBeCloseTo(c.probability, 12));
});

test('a firm puts its own word in place of one: another version, another chance, and bad words are named', () => {
  const visit = { findings: [{ key: 'base.ooze', answer: 'fresh' }] };
  const before = judge(visit);
  const table = tableFor({
    version: 3,
    words: { 'prior.biotic': 'usually', 'finding.base.ooze.biotic.fresh': 'often' },
  });
  expect(table.version).toBe('practice-6+firm-3');
  expect(rowsOf(table).find((r) => r.address === 'prior.biotic')!.often).toBe('usually');
  const after = reweigh(before, table);
  const biotic = (v: typeof before) => v.causes.find((c) => c.cause === 'biotic')!.probability;
  expect(after.table).toBe('practice-6+firm-3');
  expect(biotic(after)).toBeGreaterThan(biotic(before));
  expect(tableFor({ version: 1, words: {} })).toBe(PRACTICE_TABLE);
  // A word for a row that the table has no more is told and counts for nothing: no page fails by it.
  const gone = { 'prior.gnomes': 'often', 'finding.crown.dieback.biotic.much': 'usually' } as const;
  expect(wordsWithoutRow({ ...gone, 'prior.salt': 'often' })).toEqual(Object.keys(gone));
  const beside = reweigh(before, tableFor({ version: 4, words: gone }));
  beside.causes.forEach((c, i) => expect(c.probability).toBeCloseTo(before.causes[i]!.probability, 12));
  expect(() => tableFor({ version: 1, words: { 'prior.salt': 1.5 } })).toThrow(
    /prior.salt: 1.5; allowed .* 0 to 1/,
  );
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

test('a timed percolation speaks like the look a day later, and gives way to it', () => {
  const wet = (findings: Visit['findings']) =>
    judge({ findings }).causes.find((c) => c.cause === 'waterlogging')!.probability;
  const timed = (number: number) => ({ key: 'soil.percolation', number });
  const looked = { key: 'probe.drain', answer: 'drained' };
  expect(wet([timed(0.1)])).toBeGreaterThan(wet([timed(1)]));
  expect(wet([timed(1)])).toBeGreaterThan(wet([timed(8)]));
  expect(wet([timed(0.1), looked])).toBe(wet([looked]));
});

// Judgements of the trade that were put right: common practice, no source.
test('what the end of any decline, a burnt margin, compacted ground, the shape of a pot and short shoots speak for', () => {
  const chance = (node: string, ...given: Parameters<typeof judge>) => {
    const { causes, mechanisms } = judge(...given);
    return (
      causes.find((c) => c.cause === node)?.probability ??
      mechanisms.find((m) => m.mechanism === node)!.probability
    );
  };
  const with1 = (key: string, answer: string): Partial<Visit> => ({ findings: [{ key, answer }] });
  const rise = (node: CauseKey, visit: Partial<Visit>, tree: Partial<Tree> = {}) =>
    chance(node, visit, tree) / chance(node, {}, tree);

  const dieback: Partial<Visit> = { findings: [{ key: 'crown.dieback', number: 0.6 }] };
  expect(rise('biotic', dieback)).toBeLessThan(1.15 * rise('drought', dieback));

  const scorched = with1('crown.colour', 'scorched');
  const young = { plantedYear: 2025 };
  for (const node of ['drought', 'waterlogging', 'salt'] as const)
    expect(rise(node, scorched, young)).toBeGreaterThan(1.5);
  expect(chance('waterlogging', {}, young)).toBeGreaterThan(chance('waterlogging', {}));

  expect(rise('chlorosis', with1('crown.colour', 'veins'))).toBeGreaterThan(4);
  expect(rise('chlorosis', with1('crown.colour', 'pale'))).toBeGreaterThan(1);

  const rolled = with1('history.traffic', 'much');
  expect(chance('poorAnchorage', rolled)).toBeGreaterThan(
    chance('poorAnchorage', with1('history.traffic', 'none')),
  );

  expect(chance('containerRoots', with1('dig.shape', 'wholly'))).toBeGreaterThan(0.93);

  const shoots = (length: number): Partial<Visit> => ({
    findings: [2021, 2022, 2023, 2024, 2025].map((part) => ({
      key: 'crown.extension',
      part,
      number: length,
    })),
  });
  expect(chance('crownDecline', shoots(0.03))).toBeGreaterThan(2 * chance('crownDecline', shoots(0.3)));
});
