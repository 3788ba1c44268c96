import { highsSolver, type Mip, type Solver } from '../../milp';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import highsLoader from 'highs';
import type { CaseFile } from '../../format/case';
import type { CutLimits } from '../../records';
import { stemRate } from '../../growth';
import { CUT_PLAN } from '../../practice';
import { share } from '../../../tests/anyCase';
import {
  alternativePlans,
  assessCuts,
  broken,
  chosenFrom,
  costOf,
  cutModel,
  planCuts,
  planDifference,
  priceOf,
  reasonsOf,
  stageAt,
  propose,
  valueOf,
  type Candidate,
  type Chosen,
  type CutProblem,
} from './index';

let solve: Solver;
beforeAll(async () => {
  solve = highsSolver(await highsLoader());
});

const HORIZON = 6;
const years = (() => {
  const raw = Float64Array.from({ length: HORIZON + 1 }, (_, y) => 0.8 ** y);
  const sum = raw.reduce((a, b) => a + b, 0);
  return raw.map((v) => v / sum);
})();

/** A choice among roots made up at random: what presses where, what holds, what lies on what. */
const problems = (most: number, stages: number): fc.Arbitrary<CutProblem> =>
  fc
    .record({
      roots: fc.array(
        fc.record({
          presses: fc.array(
            fc.oneof({ weight: 3, arbitrary: fc.constant(Infinity) }, fc.constantFrom(0, 0, 1.5, 3, 5)),
            { minLength: 10, maxLength: 10 },
          ),
          area: fc.integer({ min: 0, max: 30 }).map((v) => v / 200),
          others: fc.constantFrom(0, 0, 0, 0.05),
          diameter: fc.constantFrom(0.02, 0.04, 0.06, 0.08),
          small: fc.boolean(),
          anchorAt: fc.option(fc.integer({ min: 0, max: 359 }), { nil: undefined }),
          barred: fc.constantFrom(undefined, undefined, undefined, {
            by: 'nature' as const,
            why: 'grown together',
          }),
        }),
        { minLength: 1, maxLength: most, size: 'max' },
      ),
      stages: fc.integer({ min: 1, max: stages }),
      interval: fc.integer({ min: 1, max: 3 }),
      pairs: fc.array(fc.tuple(fc.nat(), fc.nat()), { maxLength: 4 }),
      threats: fc.array(
        fc.record({
          root: fc.nat(),
          anchor: fc.nat(),
          from: fc.constantFrom(0, 1.5, 4),
          now: fc.boolean(),
          worth: fc.constant(0.04),
        }),
        { maxLength: 2 },
      ),
      stageLoss: fc.integer({ min: 5, max: 30 }).map((v) => v / 100),
      totalLoss: fc.integer({ min: 10, max: 60 }).map((v) => v / 100),
      gap: fc.integer({ min: 60, max: 240 }),
      stageGap: fc.integer({ min: 60, max: 240 }),
      together: fc.constantFrom(0.03, 0.05, 0.8),
    })
    .map(
      ({
        roots,
        stages: s,
        interval,
        pairs,
        threats,
        stageLoss,
        totalLoss,
        gap,
        stageGap,
        together,
      }): CutProblem => {
        const candidates = roots.map((r, i): Candidate => ({
          ...r,
          label: `R${i}`,
          presses: Float64Array.from(r.presses),
          large: r.area > 0.03,
          earliest: r.anchorAt === undefined ? 0 : s - 1,
          lock: undefined,
          cuts: [],
        }));
        const n = candidates.length;
        // What lies on what goes one way only.
        const order = pairs.flatMap(([a, b]) =>
          a % n === b % n ? [] : [{ over: Math.min(a % n, b % n), under: Math.max(a % n, b % n) }],
        );
        return {
          candidates,
          weights: new Float64Array(10).fill(0.1),
          years,
          stages: s,
          interval,
          threats: threats
            .map((t) => ({ ...t, root: t.root % n, anchor: t.anchor % n }))
            .filter((t) => t.root !== t.anchor && candidates[t.anchor]!.anchorAt !== undefined),
          order,
          gapLimit: (from) => (from < 90 ? Math.min(gap, 100) : gap),
          limits: {
            stageLoss,
            totalLoss,
            anchorGap: gap,
            stageGap,
            strictGap: 100,
            largest: 0.1,
            together,
            nearDbh: 3,
          },
          fewestAnchors: Math.min(3, candidates.filter((c) => c.anchorAt !== undefined).length),
          schools: [],
          gentle: undefined,
        };
      },
    );

/** The best objective of all plans there are, by bits and apart from the sums of the core. */
function bestOfAll(problem: CutProblem): number {
  const { candidates, stages, weights, order, limits, threats } = problem;
  const n = candidates.length;
  const stageOf = Array.from({ length: HORIZON + 1 }, (_, y) => stageAt(problem, y));
  const marks: { stage: number; mask: number; worth: number }[] = [];
  for (let k = 0; k < weights.length; k++)
    for (let y = 0; y <= HORIZON; y++) {
      const mask = candidates.reduce((bits, c, i) => (c.presses[k]! <= y ? bits | (1 << i) : bits), 0);
      if (mask) marks.push({ stage: stageOf[y]!, mask, worth: weights[k]! * problem.years[y]! });
    }
  const anchors = candidates
    .flatMap((c, i) => (c.anchorAt === undefined ? [] : [{ i, at: c.anchorAt }]))
    .sort((a, b) => a.at - b.at);
  const holds = (gone: number, widest: number): boolean => {
    const kept = anchors.filter(({ i }) => !(gone & (1 << i)));
    if (kept.length < problem.fewestAnchors) return false;
    if (kept.length < 2) return true;
    return kept.every((a, p) => {
      const b = kept[(p + 1) % kept.length]!;
      const [from, to] = [anchors.indexOf(a), anchors.indexOf(b)];
      const opened = (to - from + anchors.length) % anchors.length > 1;
      return !opened || (b.at - a.at + 360) % 360 <= Math.min(widest, problem.gapLimit(a.at, b.at)) + 1e-9;
    });
  };
  let best = -Infinity;
  const chosen = new Array<number | undefined>(n).fill(undefined);
  const loss = new Array<number>(stages).fill(0);
  const thick = new Array<number>(stages).fill(0);
  const leaf = () => {
    const gone = Array.from({ length: stages }, (_, s) =>
      chosen.reduce<number>((bits, at, i) => (at !== undefined && at <= s ? bits | (1 << i) : bits), 0),
    );
    const all = gone[stages - 1]!;
    if (loss.reduce((a, b) => a + b, 0) > limits.totalLoss + 1e-9) return;
    if (!holds(all, 360) || !holds(gone[0]!, limits.stageGap)) return;
    for (const { over, under } of order)
      if (chosen[over] !== undefined && chosen[under] !== undefined && chosen[over]! > chosen[under]!) return;
    let value = 0;
    for (const { stage, mask, worth } of marks) if ((mask & ~gone[stage]!) === 0) value += worth;
    for (const { root, anchor, from, worth } of threats)
      for (let y = Math.ceil(from); y <= HORIZON; y++)
        if (gone[stageOf[y]!]! & (1 << root) && !(all & (1 << anchor))) value += worth * problem.years[y]!;
    chosen.forEach((at, i) => {
      if (at === undefined) return;
      const { area, others, small } = candidates[i]!;
      const left = problem.years.reduce((sum, v, y) => (stageOf[y]! >= at ? sum + v : sum), 0);
      value -=
        CUT_PLAN.rootWorth.value * area +
        CUT_PLAN.competingWorth.value * others +
        CUT_PLAN.eachCut.value * (1 + CUT_PLAN.laterCut.value * at);
      if (small) value += CUT_PLAN.smallRoot.value * left;
    });
    best = Math.max(best, value);
  };
  const go = (i: number) => {
    if (i === n) return leaf();
    go(i + 1);
    if (candidates[i]!.barred) return;
    for (let s = candidates[i]!.earliest; s < stages; s++) {
      const isThick = candidates[i]!.diameter > limits.together ? 1 : 0;
      if (loss[s]! + candidates[i]!.area > limits.stageLoss + 1e-9 || thick[s]! + isThick > 1) continue;
      thick[s]! += isThick;
      loss[s]! += candidates[i]!.area;
      chosen[i] = s;
      go(i + 1);
      chosen[i] = undefined;
      loss[s]! -= candidates[i]!.area;
      thick[s]! -= isThick;
    }
  };
  go(0);
  return best;
}

const best = (problem: CutProblem) => {
  const planned = planCuts(problem, solve);
  if (!('plan' in planned)) throw new Error(planned.clash.says.join(' '));
  return planned.plan;
};

test.each([
  [5, 3, 100],
  [8, 2, 60],
  [12, 2, 12],
])(
  'the plan is the best of all there are, of up to %i roots in up to %i stages',
  (roots, stages, runs) => {
    fc.assert(
      fc.property(problems(roots, stages), (problem) => {
        const { chosen, value, proved } = best(problem);
        expect(proved).toBe(true);
        expect(broken(problem, chosen)).toEqual([]);
        expect(value.objective).toBeCloseTo(bestOfAll(problem), 7);
      }),
      { numRuns: runs },
    );
  },
  60_000,
);

test('a solver that finds nothing in its time is stood in for, and it is said that nothing was proved', () => {
  const late: Solver = () => ({ state: 'stopped', values: undefined, objective: -Infinity, bound: Infinity });
  fc.assert(
    fc.property(problems(8, 2), (problem) => {
      const planned = planCuts(problem, late);
      if (!('plan' in planned)) throw new Error('a plan without held roots always stands');
      expect(planned.plan.proved).toBe(false);
      expect(broken(problem, planned.plan.chosen)).toEqual([]);
      expect(planned.plan.chosen).toEqual(propose(problem));
      expect(planned.plan.value.objective).toBeGreaterThanOrEqual(0);
      expect(planned.plan.value.objective).toBeLessThanOrEqual(best(problem).value.objective + 1e-9);
    }),
    { numRuns: 20 },
  );
});

test('the proposal keeps to every rule and, of up to 14 roots in up to 3 stages, is as good as the best', () => {
  // Drawn from a fixed seed: of many thousands one may be bettered by a solver, and the cut plan then says so.
  for (const problem of fc.sample(problems(14, 3), { numRuns: share(150), seed: 5 })) {
    const own = propose(problem);
    expect(broken(problem, own)).toEqual([]);
    expect(valueOf(problem, own).objective).toBeCloseTo(best(problem).value.objective, 7);
    expect(best(problem).chosen).toEqual(own);
  }
});

/** The same model in the words of another solver: GLPK's own program, which reads the LP format. */
function byGlpk({ columns, rows }: Mip): number {
  const term = (factor: number, c: number) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} c${c}`;
  const summed = (entries: Mip['rows'][number]['entries']) => {
    const sum = new Map<number, number>();
    for (const [c, f] of entries) sum.set(c, (sum.get(c) ?? 0) + f);
    return [...sum].map(([c, f]) => term(f, c)).join(' ');
  };
  const sides = (r: Mip['rows'][number], i: number) => [
    ...(r.upper === Infinity ? [] : [` u${i}: ${summed(r.entries)} <= ${r.upper}`]),
    ...(r.lower === -Infinity ? [] : [` l${i}: ${summed(r.entries)} >= ${r.lower}`]),
  ];
  const folder = mkdtempSync(join(tmpdir(), 'undrel-glpk-'));
  const [model, answer] = ['model.lp', 'answer.txt'].map((name) => join(folder, name)) as [string, string];
  writeFileSync(
    model,
    [
      'Maximize',
      ` worth: ${columns.map((c, i) => term(c.worth, i)).join(' ')}`,
      'Subject To',
      ...rows.filter((r) => r.entries.length > 0).flatMap(sides),
      'Bounds',
      ...columns.map((c, i) => ` ${c.lower} <= c${i} <= ${c.upper}`),
      'Generals',
      ...columns.flatMap((c, i) => (c.whole ? [` c${i}`] : [])),
      'End',
      '',
    ].join('\n'),
  );
  execFileSync('glpsol', ['--lp', model, '--mipgap', '0', '--write', answer], { stdio: 'pipe' });
  // "s mip rows columns state objective"; the state o is a proved best.
  const [, state, objective] = /^s mip \d+ \d+ (\w) (\S+)$/m.exec(readFileSync(answer, 'utf8')) ?? [];
  rmSync(folder, { recursive: true });
  expect(state).toBe('o');
  return Number(objective);
}

test('another solver (GLPK) finds no better plan among 16 roots in 3 stages', () => {
  for (const problem of fc.sample(problems(16, 3), { numRuns: 6, seed: 7 })) {
    const { mip } = cutModel(problem);
    expect(byGlpk(mip)).toBeCloseTo(best(problem).value.objective, 6);
  }
});

test('looser limits never make the plan worse', () => {
  fc.assert(
    fc.property(
      problems(9, 3),
      fc.constantFrom('stageLoss', 'totalLoss', 'together', 'gap'),
      (problem, limit) => {
        const looser: CutProblem = {
          ...problem,
          limits: { ...problem.limits, ...(limit !== 'gap' && { [limit]: problem.limits[limit] + 0.05 }) },
          ...(limit === 'gap' && { gapLimit: (a, b) => problem.gapLimit(a, b) + 40 }),
        };
        expect(best(looser).value.objective).toBeGreaterThanOrEqual(best(problem).value.objective - 1e-9);
      },
    ),
    { numRuns: 40 },
  );
});

test('the worth of a model and the worth counted sector by sector are the same for the plan it gives', () => {
  fc.assert(
    fc.property(problems(10, 3), (problem) => {
      const model = cutModel(problem);
      const solved = solve(model.mip, 10);
      expect(valueOf(problem, chosenFrom(model, solved.values!)).objective).toBeCloseTo(solved.objective, 7);
    }),
    { numRuns: 40 },
  );
});

test('other plans are as good as nine tenths, may be carried out, and each differs in a large root', () => {
  fc.assert(
    fc.property(problems(9, 2), (problem) => {
      const plan = best(problem);
      const others = alternativePlans(problem, plan, solve);
      const seen: Chosen[] = [plan.chosen];
      for (const { chosen, value } of others) {
        expect(broken(problem, chosen)).toEqual([]);
        expect(value.objective).toBeGreaterThanOrEqual(0.9 * plan.value.objective - 1e-9);
        expect(value.objective).toBeLessThanOrEqual(plan.value.objective + 1e-9);
        for (const before of seen)
          expect(
            problem.candidates.some(
              (c, i) => c.large && (chosen[i] === undefined) !== (before[i] === undefined),
            ),
          ).toBe(true);
        seen.push(chosen);
      }
    }),
    { numRuns: 25 },
  );
});

test('held roots stay as they are held; where they leave no plan, what clashes is said and the easing lets one through', () => {
  fc.assert(
    fc.property(problems(7, 2), fc.array(fc.nat(), { minLength: 1, maxLength: 4 }), (problem, picks) => {
      const locked: CutProblem = {
        ...problem,
        candidates: problem.candidates.map((c, i) =>
          picks.some((p) => p % problem.candidates.length === i) ? { ...c, lock: { hold: 'cut' } } : c,
        ),
      };
      const planned = planCuts(locked, solve);
      if ('plan' in planned) {
        expect(broken(locked, planned.plan.chosen)).toEqual([]);
        return;
      }
      const { says, ease, letGo } = planned.clash;
      expect(says.length).toBeGreaterThan(1);
      expect(
        Object.keys(ease).length + letGo.length + Number(says.some((s) => /anchors|lies on/.test(s))),
      ).toBeGreaterThan(0);
      if (says.some((s) => /anchors would stay|lies on/.test(s))) return;
      const eased: CutProblem = {
        ...locked,
        limits: { ...locked.limits, ...ease },
        gapLimit: (a, b) => Math.max(locked.gapLimit(a, b), ease.anchorGap ?? 0),
        candidates: locked.candidates.map((c) => (letGo.includes(c.label) ? { ...c, lock: undefined } : c)),
      };
      expect('plan' in planCuts(eased, solve)).toBe(true);
    }),
    { numRuns: 60 },
  );
});

test('a root held in a stage that the plan lacks is named, with the stages that there are', () => {
  fc.assert(
    fc.property(problems(6, 2), fc.nat(), (problem, pick) => {
      const at = pick % problem.candidates.length;
      const locked: CutProblem = {
        ...problem,
        candidates: problem.candidates.map((c, i) =>
          i === at ? { ...c, barred: undefined, lock: { hold: 'cut', stage: problem.stages + 1 } } : c,
        ),
      };
      const planned = planCuts(locked, solve);
      if ('plan' in planned) throw new Error('a plan without that stage');
      const { label } = locked.candidates[at]!;
      expect(planned.clash.says.join(' ')).toContain(`${label} is held in stage ${problem.stages + 2}`);
      expect(planned.clash.letGo).toContain(label);
    }),
    { numRuns: 30 },
  );
});

test('every root has a sentence, and it names what decided', () => {
  const root = (label: string, more: Partial<Candidate>): Candidate => ({
    label,
    presses: new Float64Array(10).fill(Infinity),
    area: 0.05,
    others: 0,
    diameter: 0.04,
    large: true,
    small: false,
    anchorAt: undefined,
    barred: undefined,
    earliest: 0,
    lock: undefined,
    cuts: [],
    ...more,
  });
  const on = (...sectors: number[]) =>
    Float64Array.from({ length: 10 }, (_, k) => (sectors.includes(k) ? 0 : Infinity));
  const problem: CutProblem = {
    candidates: [
      root('A', { presses: on(0, 1, 2, 3), area: 0.12 }),
      root('B', { presses: on(5, 6, 7), area: 0.12 }),
      root('C', { presses: on(9), area: 0.4 }),
      root('D', { anchorAt: 40, area: 0.2 }),
      root('E', { presses: on(8), barred: { by: 'nature', why: 'grown together with the stem' } }),
      root('F', { presses: on(4), lock: { hold: 'keep' } }),
    ],
    weights: new Float64Array(10).fill(0.1),
    years,
    stages: 2,
    interval: 2,
    threats: [],
    order: [],
    gapLimit: () => 180,
    limits: {
      stageLoss: 0.2,
      totalLoss: 0.3,
      anchorGap: 180,
      stageGap: 180,
      strictGap: 110,
      largest: 0.1,
      together: 0.05,
      nearDbh: 3,
    },
    fewestAnchors: 1,
    schools: [],
    gentle: undefined,
  };
  const plan = best(problem);
  expect(plan.chosen.slice(0, 3)).toEqual([0, 1, undefined]);
  const says = reasonsOf(problem, plan.chosen).map((r) => r.says);
  expect(says[0]).toMatch(/^Frees 40% of the bark over the years, for 12% of the root cross-section\./);
  expect(says[1]).toMatch(/Not before stage 2: stage 1 takes more than its share/);
  expect(says[2]).toMatch(/Stays: .*more than (their|its) share/);
  expect(says[3]).toMatch(/holds the tree/);
  expect(says[4]).toContain('grown together');
  expect(says[5]).toBe('Held as kept by hand.');
  const price = priceOf(
    'stageLoss',
    problem.limits,
    plan,
    (l) => ({ ...problem, limits: { ...problem.limits, ...l } }),
    solve,
  );
  // Less than 24 % lets nothing further in; the next step that is tried is 25 %.
  expect(price!.to).toBeCloseTo(0.25, 9);
  const wider = priceOf(
    'stageLoss',
    { ...problem.limits, stageLoss: 0.23 },
    plan,
    (l) => ({ ...problem, limits: { ...problem.limits, ...l } }),
    solve,
  );
  // At 24 % both go in the first stage.
  expect(wider!.to).toBeCloseTo(0.24, 9);
  expect(wider!.frees).toBeGreaterThan(0.05);
  expect(costOf(problem, 0, 0)).toBeCloseTo(0.35 * 0.12 + 0.0005, 9);
});

test('where every root is held as kept the plan is to cut none, and it is said of each', () => {
  fc.assert(
    fc.property(problems(8, 3), (problem) => {
      const held: CutProblem = {
        ...problem,
        candidates: problem.candidates.map((c) => ({ ...c, lock: { hold: 'keep' } })),
      };
      const plan = best(held);
      expect([plan.proved, plan.value.freed, plan.value.objective]).toEqual([true, 0, 0]);
      expect(plan.chosen.every((stage) => stage === undefined)).toBe(true);
      for (const { says } of reasonsOf(held, plan.chosen)) expect(says).toBe('Held as kept by hand.');
    }),
    { numRuns: 20 },
  );
});

test('two hundred roots: a plan that may be carried out, with how far from the best it may be', () => {
  const [made] = fc.sample(problems(3, 1), { numRuns: 1, seed: 11 });
  const many: CutProblem = {
    ...made!,
    candidates: Array.from({ length: 200 }, (_, i): Candidate => ({
      label: `R${i}`,
      // Two or three roots on each of 72 sectors, one in three of them only in three years.
      presses: Float64Array.from({ length: 72 }, (_sector, k) =>
        (i * 7) % 72 === k ? (i % 3 === 0 ? 3 : 0) : Infinity,
      ),
      area: 1 / 250,
      others: 0,
      diameter: i % 5 === 0 ? 0.06 : 0.03,
      large: i % 5 === 0,
      small: false,
      anchorAt: i % 10 === 0 ? (i * 37) % 360 : undefined,
      barred: undefined,
      earliest: 0,
      lock: undefined,
      cuts: [],
    })),
    weights: new Float64Array(72).fill(1 / 72),
    stages: 3,
    limits: { ...made!.limits, stageLoss: 0.1, totalLoss: 0.25, together: 0.05 },
    order: [],
    threats: [],
  };
  const hurried: Solver = (mip) => solve(mip, 1);
  const planned = planCuts(many, hurried);
  if (!('plan' in planned)) throw new Error('nothing is held, so a plan stands');
  expect(broken(many, planned.plan.chosen)).toEqual([]);
  expect(planned.plan.value.freed).toBeGreaterThan(0);
  expect(planned.plan.gap).toBeGreaterThanOrEqual(0);
  expect(planned.plan.proved).toBe(planned.plan.gap === 0);
  // What stands in when nothing is found in time: seconds, and within the rules.
  const standIn = propose(many);
  expect(broken(many, standIn)).toEqual([]);
  expect(valueOf(many, standIn).freed).toBeGreaterThan(0);
});

test('what another plan does otherwise is told root by root', () => {
  const { tree, visits } = JSON.parse(readFileSync('docs/example-case.json', 'utf8')) as CaseFile;
  const { dig, date } = visits.find((v) => v.dig)!;
  const under = (limits: Partial<CutLimits>) =>
    assessCuts(
      {
        tree,
        date,
        dig: dig!,
        stem: stemRate(tree, visits),
        design: { limits },
        firm: {},
        stressed: false,
      },
      solve,
    );
  const [tight, loose] = [under({ largest: 0.01 }), under({ totalLoss: 0.9, stageLoss: 0.9 })];
  expect(planDifference(tight, tight)).toEqual([]);
  const says = planDifference(tight, loose).join(' ');
  const freed = (a: typeof loose) => Math.round(100 * a.plan!.value.freed);
  expect(says).toContain(`Frees ${freed(loose)}% of the bark over the years, now ${freed(tight)}%`);
  const gone = (a: typeof loose) => Object.keys(a.plan!.stages);
  for (const label of gone(loose).filter((l) => !gone(tight).includes(l)))
    expect(says).toMatch(new RegExp(`Cut as well: .*${label}`));
  expect(planDifference(loose, { ...loose, plan: undefined })[0]).toMatch(/^No plan/);
});

test('the same dig gives the same plan, in whatever order its roots are stored', () => {
  const { tree, visits } = JSON.parse(readFileSync('docs/example-case.json', 'utf8')) as CaseFile;
  const { dig, date } = visits.find((v) => v.dig)!;
  const assessed = (roots: NonNullable<typeof dig>['roots']) =>
    assessCuts(
      {
        tree,
        date,
        dig: { ...dig!, roots },
        stem: stemRate(tree, visits),
        design: {},
        firm: {},
        stressed: false,
      },
      solve,
    );
  const plan = assessed(dig!.roots);
  expect(plan.plan!.proved).toBe(true);
  expect(assessed([...dig!.roots].reverse())).toEqual(plan);
  // What is squeezed today is what the dig itself says.
  expect(plan.plan!.freesToday).toBeLessThanOrEqual(plan.squeezed + 1e-9);
});
