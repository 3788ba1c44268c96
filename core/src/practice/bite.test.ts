import { readFileSync } from 'node:fs';
import type { CaseFile } from '../format/case';
import { assess } from '../assessment';
import { assessDig } from '../pruning';
import { assessTrenches } from '../trenching';
import type { Dig, DugRoot, Finding, Tree, TreeEvent, Visit } from '../records';
import { MATTERS } from './schools';

interface Given {
  tree: Tree;
  events: TreeEvent[];
  visits: Visit[];
}

const example = JSON.parse(readFileSync('docs/example-case.json', 'utf8')) as CaseFile;
const around = (depth: number): Visit['probes'] =>
  [0, 45, 90, 135, 180, 225, 270, 315].map((bearing) => ({
    bearing,
    distance: 0.1,
    depth,
    found: 'root',
    from: 'grade',
  }));
const young: Tree = {
  label: 'Y',
  species: 'Tilia cordata',
  plantedYear: 2022,
  stock: 'container',
  stemDiameter: 0.06,
  height: 4,
};
const visitWith = (more: Partial<Visit>): Visit => ({
  date: '2026-05-01',
  findings: [],
  profiles: [],
  probes: [],
  decisions: [],
  ...more,
});
const findings: Finding[] = [
  { key: 'crown.dieback', number: 0.2 },
  { key: 'mulch.ground', answer: 'grass' },
  { key: 'mulch.scalped', answer: 'many' },
];
const taken = (...operations: string[]) =>
  operations.map((operation) => ({ operation, taken: true })) as Visit['decisions'];

/** Five anchors, and a thin root that goes round without touching. */
const dig: Dig = {
  measuredFrom: 'bark',
  north: 'true',
  roots: [
    ...[10, 70, 140, 220, 300].map((bearing, i): DugRoot => ({
      label: `D${i + 1}`,
      kind: 'structural',
      start: 'stem',
      condition: 'sound',
      points: [0, 0.5, 1].map((distance) => ({ bearing, distance, depth: 0.2, diameter: 0.07 })),
    })),
    {
      label: 'c',
      kind: 'circling',
      start: 'outside',
      condition: 'sound',
      points: [120, 150, 180, 210, 240].map((bearing) => ({
        bearing,
        distance: 0.1,
        depth: 0.05,
        diameter: 0.015,
      })),
    },
  ],
};

/** Trees that between them need every remedy on which practitioners differ. */
const CASES: readonly Given[] = [
  {
    tree: young,
    events: [{ kind: 'soil added', when: '2024' } as unknown as TreeEvent],
    visits: [
      visitWith({
        findings,
        probes: around(0.12),
        decisions: taken('reset', 'stake', 'replace', 'water'),
        trenches: { holeRadius: 0.3 },
      }),
    ],
  },
  {
    tree: { ...young, plantedYear: 2005, stemDiameter: 0.3 },
    events: [],
    visits: [visitWith({ probes: around(0.18), dig })],
  },
  {
    tree: { ...young, plantedYear: 2008, stemDiameter: 0.25 },
    events: [],
    visits: [visitWith({ dig: { ...dig, barriers: [{ kind: 'root-control ring', diameter: 0.6 }] } })],
  },
  {
    tree: { ...young, plantedYear: 2010, stemDiameter: 0.2, crownRadius: 3 },
    events: [],
    visits: [
      visitWith({
        findings: [
          { key: 'history.traffic', answer: 'much' },
          { key: 'look.flare', answer: 'part' },
        ],
        probes: around(0.05),
        trenches: { holeRadius: 0.5 },
      }),
    ],
  },
  { tree: young, events: [], visits: [visitWith({ findings: [{ key: 'crown.scratch', answer: 'dry' }] })] },
  { tree: example.tree, events: example.events, visits: example.visits },
];

/** Every figure, date and operation that follows from a case; no name of a school in it. */
function outcomeOf({ tree, events, visits }: Given, schools: Record<string, string>): string {
  const own = { ...tree, schools };
  return JSON.stringify(
    visits.map((visit) => {
      const { operations } = assess(own, events, visit);
      const dig = assessDig(own, visits, visit);
      const trenched =
        visit.trenches &&
        assessTrenches({
          tree: own,
          date: visit.date,
          findings: visit.findings,
          design: visit.trenches,
          dig: visit.dig,
          pushes: undefined,
          site: { things: [], others: [] },
          firm: {},
          stressed: false,
        });
      return [
        operations.map(({ key, advice, quantities, lookAgain, window, season, first }) => [
          key,
          advice,
          quantities.map((q) => [q.key, q.value]),
          lookAgain,
          window,
          season.replaceAll(/\[.*?\]/g, ''),
          first,
        ]),
        dig?.advice.roots.map((r) => [r.label, r.decision, r.inYears]),
        dig?.advice.lossLimit,
        trenched?.quantities.map((q) => [q.key, q.value]),
      ];
    }),
  );
}

test.each(MATTERS.flatMap((m) => m.schools.slice(1).map((s) => [m.key, s.key] as const)))(
  '%s, %s: changes a figure, a date or an operation of some tree @whole',
  (matter, school) => {
    const differs = CASES.some((given) => outcomeOf(given, {}) !== outcomeOf(given, { [matter]: school }));
    expect(differs).toBe(true);
  },
);
