import fc from 'fast-check';
import {
  CAUSE_KEYS as EVERY,
  type CauseKey,
  isMechanism,
  MECHANISM_KEYS,
  type NodeKey,
} from '../vocabulary/causes';
import { answered, clamp, drawTree, random } from '../../tests/calibration';
import type { Circumstance, JudgementTable, NetworkFinding, Often } from './judgement';
import { networkOf, priorsOf, tableProblems } from './network';
import { causePairs, jointOf, likelihood, marginalsOf, type Seen } from './posterior';
import { reweighted, seatsOf } from './seats';
import { PRACTICE_TABLE } from './practiceTable';
import { HOW_OFTEN } from './words';

const WORDS = Object.keys(HOW_OFTEN) as (keyof typeof HOW_OFTEN)[];
const network = networkOf(PRACTICE_TABLE, new Set());
/** The causes that can be at a tree that was not moved lately. */
const CAUSE_KEYS = EVERY.slice(0, network.count);
const ALL: NodeKey[] = [...CAUSE_KEYS, ...MECHANISM_KEYS];
const PRIORS = priorsOf(PRACTICE_TABLE, new Set());

const expectClose = (a: Float64Array, b: Float64Array) =>
  a.forEach((p, i) => expect(p).toBeCloseTo(b[i]!, 8));

/**
 * Written a second time, from the words alone: every state of the given causes and of all mechanisms, its chance
 * multiplied out. Causes left out have no part in what was seen and are not asked for.
 */
function enumerate(
  table: JudgementTable,
  priors: readonly number[],
  seen: readonly Seen[],
  causes: CauseKey[],
) {
  const nodes: NodeKey[] = [...causes, ...MECHANISM_KEYS];
  const bit = (node: NodeKey) => (nodes.includes(node) ? 1 << nodes.indexOf(node) : 0);
  const own = causes.map((cause) => priors[EVERY.indexOf(cause)]!);
  const rows = MECHANISM_KEYS.map((key) => {
    const row = table.mechanisms.find((m) => m.mechanism === key)!;
    return {
      self: bit(key),
      off: 1 - clamp(row.leak),
      links: row.links.map((l) => ({ bit: bit(l.of), off: 1 - clamp(l.makes) })).filter((l) => l.bit > 0),
    };
  });
  const findings = seen.map(({ key, agrees }) => {
    const finding = table.findings.find((f) => f.key === key)!;
    const grades = finding.answers.slice(1).map(([a]) => a);
    const upTo = (makes: Partial<Record<string, Often>>, unsaid: number) => {
      const p = grades.map((g) => (makes[g] === undefined ? unsaid : clamp(makes[g])));
      const sum = p.reduce((a, b) => a + b, 0);
      const scaled = p.map((v) => (sum > 0.93 ? (v * 0.93) / sum : v));
      return [...grades.map((_, g) => 1 - scaled.slice(g).reduce((a, b) => a + b, 0)), 1];
    };
    return {
      agrees,
      leak: upTo(finding.leak, 0.001),
      links: finding.links.map((l) => ({ bit: bit(l.of), upTo: upTo(l.makes, 0) })).filter((l) => l.bit > 0),
    };
  });
  // Kept for every state of the causes and every state of the mechanisms; single nodes and pairs are added up from these.
  const byCauses = new Float64Array(1 << causes.length);
  const byMechanisms = new Float64Array(1 << MECHANISM_KEYS.length);
  const states = 1 << nodes.length;
  for (let state = 0; state < states; state++) {
    let p = 1;
    for (let i = 0; i < causes.length; i++) p *= (state >> i) & 1 ? own[i]! : 1 - own[i]!;
    for (const { self, off, links } of rows) {
      let stays = off;
      for (const link of links) if (state & link.bit) stays *= link.off;
      p *= state & self ? 1 - stays : stays;
    }
    for (const { agrees, leak, links } of findings) {
      let below = 0;
      let sum = 0;
      for (let g = 0; g < agrees.length; g++) {
        let upTo = leak[g]!;
        for (const link of links) if (state & link.bit) upTo *= link.upTo[g]!;
        sum += agrees[g]! * (upTo - below);
        below = upTo;
      }
      p *= sum;
    }
    byCauses[state & (byCauses.length - 1)]! += p;
    byMechanisms[state >> causes.length]! += p;
  }
  const massOf = (masses: Float64Array, bits: number) =>
    masses.reduce((sum, p, state) => ((state & bits) === bits ? sum + p : sum), 0);
  const total = massOf(byCauses, 0);
  return {
    chance: (node: NodeKey) =>
      (isMechanism(node) ? massOf(byMechanisms, bit(node) >> causes.length) : massOf(byCauses, bit(node))) /
      total,
    both: (a: CauseKey, b: CauseKey) => massOf(byCauses, bit(a) | bit(b)) / total,
  };
}

function expectSame(
  exact: ReturnType<typeof marginalsOf>,
  other: ReturnType<typeof enumerate>,
  nodes: NodeKey[],
) {
  for (const node of nodes) {
    const got = isMechanism(node)
      ? exact.mechanisms[MECHANISM_KEYS.indexOf(node)]!
      : exact.causes[EVERY.indexOf(node)]!;
    expect(got).toBeCloseTo(other.chance(node), 9);
  }
}

test('on the full table every cause, mechanism and pair of causes agrees with all four million states counted out @whole', () => {
  const seen = PRACTICE_TABLE.findings
    .filter((_, i) => i % 5 === 0)
    .map((f, i) => answered(f, i % 3 === 0 ? f.answers.length - 1 : 0));
  const joint = jointOf(network, PRIORS, seen);
  const other = enumerate(PRACTICE_TABLE, PRIORS, seen, [...CAUSE_KEYS]);
  expectSame(marginalsOf(joint), other, ALL);
  const pairs = causePairs(joint);
  for (let i = 0; i < CAUSE_KEYS.length; i++)
    for (let j = 0; j < i; j++)
      expect(pairs[i]![j]!).toBeCloseTo(other.both(CAUSE_KEYS[i]!, CAUSE_KEYS[j]!), 9);
});

/** Circumstances under which each of some causes can be. */
const causesCanAll = (causes: readonly CauseKey[]): Set<Circumstance> =>
  new Set(causes.every((c) => CAUSE_KEYS.includes(c)) ? [] : ['transplanted']);

/** Small tables: three causes with random words speak through random mechanisms to random findings. */
const smallTables = fc
  .record({
    causes: fc.uniqueArray(fc.constantFrom(...EVERY), { minLength: 1, maxLength: 3 }),
    words: fc.array(fc.constantFrom(...WORDS), { minLength: 40, maxLength: 40 }),
    picks: fc.array(fc.nat(1000), { minLength: 40, maxLength: 40 }),
  })
  .map(({ causes, words, picks }) => {
    let at = 0;
    const word = () => words[at++ % words.length]!;
    const pick = <T>(from: readonly T[]) => from[picks[at++ % picks.length]! % from.length]!;
    const mechanisms = MECHANISM_KEYS.map((mechanism, m) => ({
      mechanism,
      leak: word(),
      links: [pick(causes), ...(m > 0 ? [pick(MECHANISM_KEYS.slice(0, Math.min(m, 6)))] : [])].map((of) => ({
        of,
        makes: word(),
        why: '',
      })),
    }));
    const findings: NetworkFinding[] = Array.from({ length: 5 }, (_, f) => ({
      key: `f${f}`,
      station: 'base',
      about: '',
      answers: [
        ['none', ''],
        ['some', ''],
        ['much', ''],
      ],
      leak: { some: word(), much: word() },
      links: [pick(causes), pick(MECHANISM_KEYS)].map((of) => ({
        of,
        makes: { some: word(), much: word() },
        why: '',
      })),
      minutes: 1,
    }));
    // A finding for each cause, so that the table is whole; none of these is looked at.
    const rest = EVERY.map((of): NetworkFinding => ({
      ...findings[0]!,
      key: of,
      links: [{ of, makes: {}, why: '' }],
    }));
    const table: JudgementTable = {
      version: 'small',
      priors: EVERY.map((cause) => ({
        cause,
        ...(!CAUSE_KEYS.includes(cause) && { only: 'transplanted' as const }),
        base: word(),
        given: [],
        why: '',
      })),
      mechanisms,
      findings: [...findings, ...rest],
      stakes: [],
    };
    const seen = findings.map((f) => answered(f, pick([0, 1, 2])));
    return { table, causes, seen };
  });

test('on small tables with random words the sums agree with enumeration', () => {
  fc.assert(
    fc.property(smallTables, ({ table, causes, seen }) => {
      const lately = causesCanAll(causes);
      const priors = priorsOf(table, lately);
      expectSame(
        marginalsOf(jointOf(networkOf(table, lately), priors, seen)),
        enumerate(table, priors, seen, causes),
        [...causes, ...MECHANISM_KEYS],
      );
    }),
    { numRuns: 15 },
  );
});

const someFindings = fc
  .uniqueArray(fc.nat(PRACTICE_TABLE.findings.length - 1), { maxLength: 25 })
  .chain((at) =>
    fc.tuple(
      fc.constant(at.map((i) => PRACTICE_TABLE.findings[i]!)),
      fc.array(fc.nat(5), { minLength: at.length, maxLength: at.length }),
    ),
  )
  .map(([findings, grades]) => findings.map((f, i) => answered(f, grades[i]! % f.answers.length)));

test('the order of findings does not matter, and every chance is one', () => {
  fc.assert(
    fc.property(someFindings, (seen) => {
      const one = marginalsOf(jointOf(network, PRIORS, seen));
      const other = marginalsOf(jointOf(network, PRIORS, [...seen].reverse()));
      [...one.causes, ...one.mechanisms].forEach((p, i) => {
        expect(p).toBeGreaterThanOrEqual(0);
        expect(p).toBeLessThanOrEqual(1 + 1e-12);
        expect(p).toBeCloseTo([...other.causes, ...other.mechanisms][i]!, 9);
      });
    }),
    { numRuns: 15 },
  );
});

test('what was not examined, and an answer that says nothing, leave the priors as they are', () => {
  const before = marginalsOf(jointOf(network, PRIORS, []));
  before.causes.forEach((p, i) => expect(p).toBeCloseTo(PRIORS[i]!, 12));
  const vague = PRACTICE_TABLE.findings.map((f) => ({ key: f.key, agrees: f.answers.map(() => 0.3) }));
  const after = marginalsOf(jointOf(network, PRIORS, vague));
  after.causes.forEach((p, i) => expect(p).toBeCloseTo(PRIORS[i]!, 6));
});

test('a finding that depends on no cause changes nothing', () => {
  const idle: NetworkFinding = { ...PRACTICE_TABLE.findings[0]!, key: 'idle', leak: {}, links: [] };
  const table = { ...PRACTICE_TABLE, findings: [...PRACTICE_TABLE.findings, idle] };
  const seen = PRACTICE_TABLE.findings.slice(20, 30).map((f) => answered(f, 1));
  const without = marginalsOf(jointOf(networkOf(table, new Set()), PRIORS, seen));
  const withIt = marginalsOf(jointOf(networkOf(table, new Set()), PRIORS, [...seen, answered(idle, 0)]));
  without.causes.forEach((p, i) => expect(withIt.causes[i]).toBeCloseTo(p, 12));
});

test('taking a finding back and adding one come to the same as reckoning again', () => {
  fc.assert(
    fc.property(someFindings, fc.nat(100), (seen, n) => {
      fc.pre(seen.length > 1);
      const one = seen[n % seen.length]!;
      const rest = seen.filter((s) => s !== one);
      const compiled = network.findings.get(one.key)!;
      const all = jointOf(network, PRIORS, seen, true);
      const some = jointOf(network, PRIORS, rest, true);
      const likely = likelihood(compiled, one.agrees);
      const back = reweighted(seatsOf(network, all)(one.key), [
        likely[0].map((l) => 1 / l),
        likely[1].map((l) => 1 / l),
      ]);
      const added = reweighted(seatsOf(network, some)(one.key), likely);
      expectClose(back.causes, marginalsOf(some).causes);
      expectClose(back.mechanisms, marginalsOf(some).mechanisms);
      expectClose(added.causes, marginalsOf(all).causes);
      expectClose(added.mechanisms, marginalsOf(all).mechanisms);
    }),
    { numRuns: 10 },
  );
});

test('laid open or folded, the sums are the same, whichever findings speak of causes of their own @whole', () => {
  const next = random(20261128);
  for (let n = 0; n < 40; n++) {
    const { seen } = drawTree(next, PRACTICE_TABLE, 'usual');
    const [open, folded] = [jointOf(network, PRIORS, seen, true), jointOf(network, PRIORS, seen)];
    const [a, b] = [marginalsOf(open), marginalsOf(folded)];
    expect(a.total / b.total).toBeCloseTo(1, 9);
    expectClose(a.causes, b.causes);
    expectClose(a.mechanisms, b.mechanisms);
    // Of a pair no more than of either, and no less than both leave for it.
    const { one, two } = open.open!;
    const whole = (worlds: Float64Array) => worlds.reduce((sum, p) => sum + p, 0) / a.total;
    for (let m = 1; m < one.length; m++)
      for (let k = 0; k < m; k++) {
        const [p, q, both] = [whole(one[m]!), whole(one[k]!), whole(two[m]![k]!)];
        expect(both).toBeLessThanOrEqual(Math.min(p, q) + 1e-9);
        expect(both).toBeGreaterThanOrEqual(p + q - 1 - 1e-9);
      }
  }
});

test('recovers its own truth: 800 trees drawn from the table @whole', () => {
  const next = random(20261125);
  const bins = Array.from({ length: 10 }, () => ({ said: 0, true: 0, spread: 0 }));
  let right = 0;
  let better = 0;
  let pairs = 0;
  let expected = 0;
  let spreadOfFirst = 0;
  for (let n = 0; n < 800; n++) {
    const { on, seen } = drawTree(next, PRACTICE_TABLE, 'usual');
    const { causes } = marginalsOf(jointOf(network, PRIORS, seen));
    causes.forEach((p, i) => {
      const bin = bins[Math.min(9, Math.floor(p * 10))]!;
      bin.said += p;
      bin.spread += p * (1 - p);
      bin.true += on.has(CAUSE_KEYS[i]!) ? 1 : 0;
    });
    const present = CAUSE_KEYS.flatMap((key, i) => (on.has(key) ? [causes[i]!] : []));
    const absent = CAUSE_KEYS.flatMap((key, i) => (on.has(key) ? [] : [causes[i]!]));
    for (const p of present) for (const q of absent) better += p > q ? 1 : 0;
    pairs += present.length * absent.length;
    const first = Math.max(...causes);
    expected += first;
    spreadOfFirst += first * (1 - first);
    if (present.includes(first)) right++;
  }
  // Calibration: in every tenth, as many are true as was said, within four standard errors of drawing them.
  for (const { said, true: there, spread } of bins)
    expect(Math.abs(there - said)).toBeLessThan(4 * Math.sqrt(spread) + 0.5);
  // The first cause is right as often as it says, and a cause at work stands before one that is not.
  expect(better / pairs).toBeGreaterThan(0.93);
  expect(Math.abs(right - expected)).toBeLessThan(4 * Math.sqrt(spreadOfFirst));
});

test('an edited table is refused with the row, the value and what is allowed', () => {
  const edit = (change: (table: { -readonly [K in keyof JudgementTable]: JudgementTable[K] }) => void) => {
    const table = { ...PRACTICE_TABLE };
    change(table);
    return tableProblems(table).map((p) => `${p.row}: ${p.message}`);
  };
  expect(tableProblems(PRACTICE_TABLE)).toEqual([]);
  expect(
    edit((t) => (t.priors = t.priors.map((p) => (p.cause === 'salt' ? { ...p, base: 1.2 } : p)))),
  ).toEqual([expect.stringMatching(/prior of salt: 1.2 is no frequency.*0 to 1/)]);
  expect(
    edit(
      (t) =>
        (t.findings = t.findings.map((f) => ({ ...f, links: f.links.filter((l) => l.of !== 'barrier') }))),
    ),
  ).toEqual(['barrier: no finding reaches this cause']);
  expect(edit((t) => (t.mechanisms = t.mechanisms.slice(1)))).toEqual(['buriedCollar: is missing']);
  expect(() => networkOf({ ...PRACTICE_TABLE, priors: [] })).toThrow(/prior of plantedDeep/);
});

/** Findings of all kinds, answered by turns. */
const SOME = PRACTICE_TABLE.findings
  .filter((_, i) => i % 4 === 1)
  .map((f, i) => answered(f, i % 3 === 0 ? f.answers.length - 1 : 0));
const LATELY: ReadonlySet<Circumstance> = new Set(['transplanted']);

test('a cause that cannot be is left out of the sums, and changes none of them', () => {
  const whole = networkOf(PRACTICE_TABLE);
  expect([network.count, whole.count]).toEqual([EVERY.length - 1, EVERY.length]);
  expect(networkOf(PRACTICE_TABLE, LATELY)).toBe(whole);
  const [out, inside] = [network, whole].map((n) => marginalsOf(jointOf(n, PRIORS, SOME)));
  expectClose(out!.causes, inside!.causes);
  expectClose(out!.mechanisms, inside!.mechanisms);
  expect(out!.causes).toHaveLength(EVERY.length);
  expect(out!.causes[EVERY.length - 1]).toBe(0);
  expect(causePairs(jointOf(network, PRIORS, SOME))[EVERY.length - 1]).toEqual(CAUSE_KEYS.map(() => 0));
  const bound = PRACTICE_TABLE.priors.map((p) =>
    p.cause === 'salt' ? { ...p, only: 'street' as const } : p,
  );
  expect(tableProblems({ ...PRACTICE_TABLE, priors: bound })[0]!.message).toContain('only the last causes');
});

test('where it can be, an odd number of causes is summed and taken back as exactly', () => {
  const whole = networkOf(PRACTICE_TABLE, LATELY);
  const priors = priorsOf(PRACTICE_TABLE, LATELY);
  const all = jointOf(whole, priors, SOME, true);
  const folded = marginalsOf(jointOf(whole, priors, SOME));
  expectClose(marginalsOf(all).causes, folded.causes);
  expectClose(marginalsOf(all).mechanisms, folded.mechanisms);
  for (const { key, agrees } of SOME.slice(0, 6)) {
    const compiled = whole.findings.get(key)!;
    const likely = likelihood(compiled, agrees);
    const back = reweighted(seatsOf(whole, all)(key), [
      likely[0].map((l) => 1 / l),
      likely[1].map((l) => 1 / l),
    ]);
    const rest = marginalsOf(
      jointOf(
        whole,
        priors,
        SOME.filter((s) => s.key !== key),
      ),
    );
    expectClose(back.causes, rest.causes);
    expectClose(back.mechanisms, rest.mechanisms);
  }
});
