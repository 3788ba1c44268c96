import fc from 'fast-check';
import { QUESTIONS } from '../src/questions/all';
import { caseOf } from '../src/format/order';
import type { Finding, Picture, Visit } from '../src/records';
import { EVENT_KINDS } from '../src/vocabulary/events';
import { LENGTH_LIMITS, type LengthField } from '../src/units';

const length = (field: LengthField) =>
  fc.double({ min: LENGTH_LIMITS[field].min, max: LENGTH_LIMITS[field].max, noNaN: true }).map((v) => v + 0);
const text = (maxLength: number) =>
  fc.string({ minLength: 1, maxLength, unit: 'grapheme' }).filter((s) => !s.includes('\0'));
const some = <T>(arb: fc.Arbitrary<T>) => fc.option(arb, { nil: undefined });
const reading = (field: LengthField) => fc.record({ distance: length('distance'), depth: length(field) });
const bearing = fc.double({ min: 0, max: 359.9, noNaN: true }).map((v) => Math.round(v * 10) / 10);

const finding = fc.constantFrom(...QUESTIONS).chain((q): fc.Arbitrary<Finding> => {
  if (q.kind === 'grade')
    return fc.record({
      key: fc.constant(q.key),
      answer: fc.constantFrom(...q.answers.map((a) => a.key)),
      note: some(text(40)),
      ...(q.placed && { bearing: some(bearing), height: some(length('woundHeight')) }),
    });
  if (q.kind === 'sectors')
    return fc.record({
      key: fc.constant(q.key),
      part: fc.nat(7),
      answer: fc.constantFrom(...q.answers.map((a) => a.key)),
    });
  if (q.kind === 'percent')
    return fc.record({
      key: fc.constant(q.key),
      number: fc.double({ min: 0, max: 1, noNaN: true }).map((v) => v + 0),
    });
  if (q.kind === 'number')
    return fc.record({
      key: fc.constant(q.key),
      number: fc.double({ min: q.min, max: q.max, noNaN: true }).map((v) => v + 0),
    });
  if (q.kind === 'length') return fc.record({ key: fc.constant(q.key), number: length(q.field) });
  return fc.record({
    key: fc.constant(q.key),
    part: fc.integer({ min: 1990, max: 2026 }),
    number: length(q.field),
  });
});

const dig = fc.record({
  radii: some(fc.array(fc.record({ bearing, radius: length('outlineRadius') }), { maxLength: 4 })),
  diameters: some(
    fc.record({ bearing, along: length('outlineDiameter'), across: length('outlineDiameter') }),
  ),
  decay: some(fc.constant([{ from: 30, to: 80, height: 0.2, depth: 0.03 }])),
  barriers: some(fc.constant([{ kind: 'grate' as const, diameter: 0.9 }])),
  measuredFrom: fc.constantFrom('bark' as const, 'centre' as const),
  north: fc.constantFrom('true' as const, 'magnetic' as const),
  declination: some(fc.constant(-3.5)),
  roots: fc.uniqueArray(
    fc.record({
      label: fc.constantFrom('A', 'B', '3', '12'),
      kind: fc.constantFrom('structural' as const, 'girdling' as const, 'competing' as const),
      start: fc.constantFrom('stem' as const, 'outside' as const),
      points: fc.array(
        fc.record({
          bearing,
          distance: length('rootDistance'),
          depth: length('rootDepth'),
          diameter: length('rootDiameter'),
        }),
        { maxLength: 5 },
      ),
      over: some(fc.constant(['B'])),
      contact: some(fc.constant('embedded' as const)),
      embedded: some(length('embedded')),
      leftPot: some(fc.boolean()),
      rings: some(fc.constant({ count: 9, over: 0.02 })),
      done: some(fc.constant({ on: '2026-06-01', by: 'T', how: 'as planned' as const, diameters: [0.03] })),
    }),
    { maxLength: 3, selector: (r) => r.label },
  ),
});

/** Any case that a file may hold. */
export const anyCase = fc
  .record({
    tree: fc.record({
      label: text(20),
      species: text(30),
      commonName: some(text(20)),
      plantedYear: some(fc.constant(1700)),
      stock: some(fc.constantFrom('container' as const, 'bare-root' as const)),
      stemDiameter: some(length('stemDiameter')),
      mulchRoom: some(length('mulchRoom')),
      position: some(fc.record({ x: length('position'), y: length('position') })),
      reference: some(fc.constant(true)),
      schools: some(fc.constant({ mulchDepth: 'thin' })),
      worth: some(fc.constant({ currency: 'EUR', asIs: '8000', young: '450.50' })),
      note: some(text(60)),
    }),
    events: fc.array(
      fc.record({
        kind: fc.constantFrom(...EVENT_KINDS),
        when: fc.constantFrom('2012', '2015-04', '2018-11-30'),
        note: some(text(30)),
      }),
      { maxLength: 3 },
    ),
    visits: fc.array(
      fc.record({
        date: fc.constantFrom('2024-05-01', '2025-06-02', '2026-02-28'),
        by: some(text(20)),
        lookAgain: some(fc.constant({ on: '2026-12-01', why: 'dry' })),
        drainCheck: some(fc.constant('2026-02-02')),
        labOrder: some(fc.constant({ label: 'L1', sent: '2026-02-01', ready: '2026-02-06' })),
        findings: fc.uniqueArray(finding, { maxLength: 8, selector: (f) => `${f.key}.${f.part}` }),
        profiles: fc.uniqueArray(
          fc.record({
            bearing,
            mulch: fc.array(reading('mulchDepth'), { maxLength: 4 }),
            mulchEnds: some(length('mulchEnds')),
            fill: fc.array(reading('fillDepth'), { maxLength: 2 }),
          }),
          { maxLength: 4, selector: (p) => p.bearing },
        ),
        probes: fc.uniqueArray(
          fc.record({
            bearing,
            distance: length('distance'),
            depth: length('probeDepth'),
            found: fc.constantFrom('root' as const, 'nothing' as const),
            from: fc.constantFrom('grade' as const, 'mulch' as const),
          }),
          { maxLength: 5, selector: (p) => p.bearing },
        ),
        dig: some(dig),
        trenches: some(
          fc.record({
            holeRadius: some(length('holeRadius')),
            slope: some(fc.record({ fall: fc.constantFrom(0, 0.06, 1), toward: bearing })),
            locked: some(fc.array(bearing, { maxLength: 3 })),
            avoid: some(fc.array(bearing, { maxLength: 3 })),
            marked: some(fc.constant('2026-02-01')),
            choice: some(fc.constant({ remedy: 'air', why: 'the lawn' })),
          }),
        ),
        pushes: some(
          fc.uniqueArray(
            fc.record({
              bearing,
              distance: length('distance'),
              readings: fc
                .uniqueArray(fc.integer({ min: 1, max: 150 }), { maxLength: 6 })
                .map((deep) =>
                  deep.sort((a, b) => a - b).map((d) => ({ depth: d / 100, pressure: d * 1e4 })),
                ),
              stopped: some(fc.constant(0.31)),
              moisture: some(fc.constantFrom('dry' as const, 'wet' as const)),
            }),
            { minLength: 1, maxLength: 3, selector: (p) => p.bearing },
          ),
        ),
        cuts: some(
          fc.record({
            stages: some(fc.integer({ min: 1, max: 5 })),
            interval: some(fc.integer({ min: 1, max: 10 })),
            limits: some(fc.constant({ stageLoss: 0.15, largest: 0.08, together: 0.06 })),
            windward: some(bearing),
            target: some(bearing),
            sensitive: some(fc.constant(true as const)),
            locks: some(fc.constant([{ label: 'A', hold: 'cut' as const, stage: 2 }])),
            agreed: some(fc.constant([{ label: 'A', stage: 2 }])),
            days: some(fc.constant([{ stage: 2, on: '2029-01-15' }])),
          }),
        ),
        soilLogs: some(
          fc.uniqueArray(
            fc.record({
              place: fc.constantFrom('ring' as const, 'reference' as const),
              bearing,
              distance: length('siteDistance'),
              layers: fc
                .uniqueArray(fc.integer({ min: 1, max: 200 }), { maxLength: 4 })
                .map((deep) =>
                  deep
                    .sort((a, b) => a - b)
                    .map((d) => ({ to: d / 100, colour: 'mottled' as const, texture: 'silt loam' })),
                ),
              refusal: some(fc.constant(0.4)),
              oldGrade: some(fc.constant(0.12)),
            }),
            { minLength: 1, maxLength: 3, selector: (l) => l.bearing },
          ),
        ),
        work: some(
          fc.constantFrom('hold-utilities', 'prune-2').map((step) => [
            {
              step,
              how: 'changed' as const,
              on: '2025-06-01',
              by: 'crew',
              amounts: [{ quantity: 'crewHours', amount: 1.5 }],
            },
          ]),
        ),
        followUps: some(
          fc
            .constantFrom('excavate.bark', 'mulch.spring.2026', 'look')
            .map((task) => [{ task, how: 'moved' as const, on: '2025-06-20', by: 'crew', why: 'rain' }]),
        ),
        decisions: fc
          .record({ taken: fc.boolean(), on: some(fc.constant('2025-07-01')) })
          .map((d) => [{ operation: 'mulch', ...d }]),
      }),
      { maxLength: 2 },
    ),
  })
  // Rounds of water and a picture where work was recorded: nothing is drawn for them, so that the other cases stay as they are.
  .map((c) =>
    caseOf(
      c.tree,
      c.events,
      (c.visits as Visit[]).map((v) =>
        v.work
          ? {
              ...v,
              waterings: [{ on: '2025-06-21', litres: 80, probe: 'dry' as const, by: 'crew' }],
              pictures: [PICTURE],
            }
          : v,
      ),
    ),
  );

/** A picture with everything that one may have. */
const PICTURE: Picture = {
  hash: '0123456789abcdef'.repeat(4),
  width: 4000,
  height: 3000,
  on: '2025-06-01',
  by: 'crew',
  shows: 'dig',
  bearing: 45,
  root: 'A',
  step: 'prune-2',
  caption: 'Root A from the north-east',
  leftOut: true,
  first: true,
  bar: { of: 'rod', from: [0.2, 0.1], to: [0.2, 0.9], length: 0.8 },
  face: [
    [0.3, 0.1],
    [0.31, 0.4],
  ],
  sheet: {
    kind: 'letter',
    corners: [
      [0.1, 0.1],
      [0.3, 0.1],
      [0.3, 0.4],
      [0.1, 0.4],
    ],
  },
  cards: {
    found: [
      {
        id: 1,
        corners: [
          [0.5, 0.5],
          [0.6, 0.5],
          [0.6, 0.6],
          [0.5, 0.6],
        ],
      },
    ],
    side: 0.0795,
    bark: [
      [0.3, 0.4],
      [0.35, 0.45],
      [0.4, 0.45],
    ],
    towards: 350,
    level: 0.12,
  },
  aligned: {
    to: 'fedcba9876543210'.repeat(4),
    here: [
      [0.1, 0.1],
      [0.8, 0.1],
      [0.8, 0.9],
      [0.1, 0.9],
    ],
    there: [
      [0.15, 0.1],
      [0.85, 0.12],
      [0.8, 0.95],
      [0.1, 0.85],
    ],
  },
  leaves: {
    of: 'reference',
    index: 0.52,
    spread: 0.03,
    count: 6,
    error: 0.02,
    veins: { index: -0.02, error: 0.01 },
  },
  marks: [{ kind: 'arrow', from: [0.1, 0.2], to: [0.5, 0.5], text: 'A' }],
};

/** How many random inputs are tried: in a short run half as many. */
export const share = (numRuns: number): number => Math.ceil(numRuns / (process.env.UNDREL_SHORT ? 2 : 1));

/**
 * How many cases a run tries: the same ones each time, so that a change is judged by itself; a short run tries the first
 * half of them. Others with SEED=…, more with RUNS=….
 */
export const tries = (numRuns: number) => ({
  seed: Number(process.env.SEED ?? 20261126),
  numRuns: Number(process.env.RUNS ?? share(numRuns)),
});
