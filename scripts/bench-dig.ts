// A dig of many roots, for the benches: GeoJSON on standard output with `--geojson N`, else timings as JSON.
import { highsSolver } from '@undrel/core/milp';
import highs from 'highs';
import type { Dig, DugRoot } from '@undrel/core/records';
import { forecastOf, seeded, type Scenario } from '@undrel/core/growth';
import {
  compressionOf,
  digToGeoJson,
  leavesBase,
  outlineOf,
  pathThrough,
  placed,
  readDig,
  togetherOf,
  TOUCH_TOLERANCE,
} from '@undrel/core/roots';
import { cutProblem, planCuts, propose } from '@undrel/core/pruning';
import { layOut, obstaclesFor, type Obstacle } from '@undrel/core/trenching';

const TREE = { stemDiameter: 0.3 };

/** A site at random: beds, walls and lines about a tree, from a seed. */
function site(count: number): Obstacle[] {
  const random = seeded(9);
  return Array.from({ length: count }, (_, n): Obstacle => {
    const [x, y] = [(random() - 0.5) * 14, (random() - 0.5) * 14];
    const points = Array.from({ length: 3 + (n % 3) }, (): [number, number] => [
      x + random() * 2,
      y + random() * 2,
    ]);
    return {
      name: `thing ${n}`,
      shape: n % 2 === 0 ? 'area' : 'line',
      points,
      clearance: 0.1 + random() * 0.4,
    };
  });
}

/** Roots that bend round a stem at random, from a seed. */
function tangle(count: number): Dig {
  const random = seeded(5);
  const roots = Array.from({ length: count }, (_, n): DugRoot => {
    const [at, turn, gap] = [random() * 360, (random() - 0.5) * 200, random() * 0.05];
    const [diameter, end] = [0.01 + random() * 0.05, random() * 0.4];
    return {
      label: String(n + 1),
      kind: 'girdling',
      start: 'outside',
      points: Array.from({ length: 6 }, (_, i) => ({
        bearing: (((at + (turn * i) / 5) % 360) + 360) % 360,
        distance: gap + diameter / 2 + end * (i / 5) ** 2,
        depth: 0.05 + random() * 0.2,
        diameter,
      })),
    };
  });
  return { measuredFrom: 'bark', north: 'true', roots };
}

/** The same with every third root grown from the stem and six anchors among them. */
function rooted(count: number): Dig {
  const { roots, ...head } = tangle(count);
  return {
    ...head,
    roots: roots.map((root, n) => {
      if (n >= 6) return n % 3 === 0 ? { ...root, kind: 'circling', start: 'stem' } : root;
      const [first] = root.points;
      const points = [0, 0.3, 0.9].map((distance) => ({
        ...first!,
        bearing: n * 60,
        distance,
        diameter: 0.07,
      }));
      return { ...root, kind: 'structural', start: 'stem', points };
    }),
  };
}

function time(name: string, times: number, work: () => unknown) {
  work();
  const taken = Array.from({ length: times }, () => {
    const begun = performance.now();
    work();
    return performance.now() - begun;
  }).sort((a, b) => a - b);
  return { name, median: taken[times >> 1]!, p95: taken[Math.floor(times * 0.95)]! };
}

const wanted = process.argv.indexOf('--geojson');
if (wanted > 0) {
  const dig = tangle(Number(process.argv[wanted + 1]));
  console.log(JSON.stringify(digToGeoJson(dig, readDig(TREE, dig))));
} else {
  const many = tangle(200);
  const outline = outlineOf(many, 0, 0.15);
  const rule = { tolerance: TOUCH_TOLERANCE, underside: Infinity };
  const share = () =>
    togetherOf(
      many.roots.map((root) => {
        const path = pathThrough(placed(many, 0, outline, root));
        return compressionOf(path, leavesBase(path, false, outline), outline, rule);
      }),
      outline,
    ).share;
  const forty = tangle(40);
  const fresh = () => structuredClone(forty);
  const reading = readDig(TREE, forty);
  const scenarios: Scenario[] = [{ name: 'nothing done', cuts: {} }];
  const sixty = tangle(60);
  const anchors = readDig(TREE, {
    ...sixty,
    roots: sixty.roots.map((r) => ({ ...r, kind: 'structural' as const, start: 'stem' as const })),
  });
  const about = [
    ...site(40),
    ...obstaclesFor({ tree: { label: 'T', species: 'x' }, site: [], dig: anchors }, { depth: 0.28 }),
  ];
  const rules = {
    width: 0.22,
    from: 2,
    to: 6,
    innerSpacing: 0.6,
    outerSpacing: 1.2,
    leastLength: 1,
    opened: 0.3,
    leastGain: 0.08,
  };
  const solve = highsSolver(await highs());
  const dug = readDig(TREE, rooted(60));
  const problemOf = () =>
    cutProblem({
      tree: { ...TREE, label: 'T', species: 'x' },
      date: '2026-06-01',
      reading: dug,
      stem: { perYear: 0.003, variation: 0.45, from: 'bench' },
      stressed: false,
      firm: {},
      design: { stages: 3 },
    });
  const cuts = () => {
    const planned = planCuts(problemOf(), solve);
    if (!('plan' in planned) || !planned.plan.proved) throw new Error('no plan was proved the best');
  };
  const forecast = (of: Scenario[]) => () =>
    forecastOf(reading, {
      draws: 2000,
      seed: 1,
      stem: { perYear: 0.003, variation: 0.45, from: 'bench' },
      barriers: [],
      scenarios: of,
    });
  console.log(
    JSON.stringify([
      time('share of the circumference, 200 roots', 40, share),
      time('a dig of 40 roots read, crossings and all', 20, () => readDig(TREE, fresh())),
      time('trenches among 40 obstacles and 60 roots', 20, () => layOut(rules, { obstacles: about }, [30])),
      time('proposal of a cut plan, as the dig shows it: 60 roots in 3 stages', 10, () =>
        propose(problemOf()),
      ),
      time('cut plan of 60 roots in 3 stages, proved the best', 10, cuts),
      time('forecast: 2,000 draws, 40 roots, 30 years', 7, forecast(scenarios)),
      time(
        'the same with three scenarios',
        7,
        forecast([...scenarios, { name: 'one now', cuts: { 3: 0 } }, { name: 'two', cuts: { 3: 0, 5: 2 } }]),
      ),
    ]),
  );
}
