import type { Dig, DugRoot, RootKind, RootPoint } from '@undrel/core/records';
import { variation } from './series';

/** Made-up digs, each of another character. Distances from the bark to the middle of the root, metres. */
const mm = (value: number): number => Math.round(value * 1000) / 1000;
const turned = (bearing: number): number => Math.round((((bearing % 360) + 360) % 360) * 10) / 10;

/** A holding root that goes straight out and tapers. */
function anchor(
  label: string,
  bearing: number,
  diameter: number,
  depth: number,
  more: Partial<DugRoot> = {},
): DugRoot {
  const vary = variation(Math.round(bearing * 7 + diameter * 1000));
  const points = [0, 0.12, 0.35, 0.65, 1].map((distance, i): RootPoint => ({
    bearing: turned(bearing + vary(i === 0 ? 0 : 5)),
    distance,
    depth: mm(depth + 0.09 * distance + vary(0.006)),
    diameter: mm(diameter * [1.15, 0.95, 0.72, 0.55, 0.42][i]!),
  }));
  return { label, kind: 'structural', start: 'stem', condition: 'sound', contact: 'clear', points, ...more };
}

interface Bend {
  kind: RootKind;
  /** First bearing, and how far round it goes. */
  from: number;
  round: number;
  diameter: number;
  depth: number;
  /** Gap between bark and root along the bend, and how far out its ends are. */
  gap: number;
  begins: number;
  ends: number;
}

/** A root that bends round the stem: in from one side, along the bark, and out again. */
function bend(label: string, b: Bend, more: Partial<DugRoot> = {}): DugRoot {
  const vary = variation(Math.round(b.from * 3 + b.diameter * 4000 + b.round));
  const steps = Math.max(5, Math.round(Math.abs(b.round) / 22));
  const points = Array.from({ length: steps + 1 }, (_, i): RootPoint => {
    const t = i / steps;
    const lift = b.begins * Math.max(0, 1 - t * 4) ** 1.6 + b.ends * Math.max(0, t * 4 - 3) ** 1.6;
    return {
      bearing: turned(b.from + b.round * t),
      distance: mm(b.gap + b.diameter / 2 + lift + (lift > 0.02 ? vary(0.008) : vary(0.0008))),
      depth: mm(b.depth + vary(0.008)),
      diameter: mm(b.diameter * (1 - 0.15 * t)),
    };
  });
  return { label, kind: b.kind, start: 'outside', condition: 'sound', points, ...more };
}

const dig = (roots: DugRoot[], more: Partial<Dig> = {}): Dig => ({
  measuredFrom: 'bark',
  north: 'true',
  pitRadius: 1.4,
  ...more,
  roots,
});

const MILD: Partial<Record<NonNullable<DugRoot['contact']>, DugRoot['contact']>> = {
  pressing: 'touching',
  embedded: 'pressing',
};

/** The same dig some growing seasons before: stem and roots thinner, the press milder, nothing counted on a cut yet. */
export const before = (later: Dig, stem: number, roots: number, unseen: readonly string[] = []): Dig => ({
  ...later,
  roots: later.roots
    .filter((r) => !unseen.includes(r.label))
    .map(({ rings: _, done: __, ...root }) => ({
      ...root,
      contact: (root.contact && MILD[root.contact]) ?? root.contact,
      points: root.points.map((p) => ({
        ...p,
        distance: mm(p.distance + (root.start === 'stem' ? 0 : (stem + roots) / 2)),
        diameter: mm(Math.max(0.004, p.diameter - roots)),
      })),
    })),
});

/** Under the cone: buried bark has put out a mat of its own roots, and two of them go round the stem. */
export const adventitiousMat: Dig = dig(
  [
    anchor('D1', 12, 0.07, 0.18),
    anchor('D2', 98, 0.075, 0.19),
    anchor('D3', 158, 0.055, 0.17),
    anchor('D4', 228, 0.065, 0.18),
    anchor('D5', 322, 0.05, 0.17),
    bend(
      'A',
      {
        kind: 'girdling',
        from: 262,
        round: 116,
        diameter: 0.046,
        depth: 0.09,
        gap: -0.001,
        begins: 0.004,
        ends: 0.32,
      },
      {
        start: 'stem',
        contact: 'pressing',
        note: 'From the west, over the north side; a groove in the bark beneath it.',
      },
    ),
    bend(
      'B',
      {
        kind: 'girdling',
        from: 132,
        round: 96,
        diameter: 0.036,
        depth: 0.11,
        gap: 0,
        begins: 0.02,
        ends: 0.22,
      },
      {
        contact: 'touching',
        over: ['D3'],
      },
    ),
    ...[20, 55, 84, 196, 246, 300].map((from, i) =>
      bend(
        `c${i + 1}`,
        {
          kind: 'adventitious',
          from,
          round: i % 2 ? 34 : -30,
          diameter: 0.009 + 0.002 * (i % 3),
          depth: 0.02 + 0.01 * (i % 4),
          gap: 0.012 + 0.006 * i,
          begins: 0,
          ends: 0.12,
        },
        { start: 'stem', contact: 'clear' },
      ),
    ),
  ],
  {
    diameters: { bearing: 0, along: 0.318, across: 0.302 },
    decay: [{ from: 275, to: 330, height: 0.12, depth: 0.015 }],
  },
);

/** The whole system still in the shape of its pot. */
export const potBound: Dig = dig(
  [
    ...[0, 1, 2, 3, 4].map((i) =>
      bend(
        `P${i + 1}`,
        {
          kind: 'circling',
          from: i * 71,
          round: i % 2 ? -150 : 165,
          diameter: 0.011 + 0.003 * (i % 3),
          depth: 0.1 + 0.025 * i,
          gap: 0.128,
          begins: 0,
          ends: 0,
        },
        { leftPot: false, farthest: 0.2, ...(i === 3 ? { rings: { count: 4, over: 0.0055 } } : {}) },
      ),
    ),
    bend(
      'G',
      {
        kind: 'girdling',
        from: 200,
        round: 130,
        diameter: 0.016,
        depth: 0.06,
        gap: 0,
        begins: 0.1,
        ends: 0.06,
      },
      { contact: 'touching', leftPot: false },
    ),
  ],
  { pitRadius: 0.4 },
);

/** One thick root lies across an anchor and has begun to sink into it; a year later it is deeper in. */
const acrossAnchor = (year: 0 | 1): Dig => {
  const grown = year === 0 ? 0 : 0.004;
  return dig(
    [
      anchor('D1', 30, 0.062 + grown, 0.1),
      anchor('D2', 112, 0.07 + grown, 0.11),
      anchor('D3', 205, 0.058 + grown, 0.1),
      anchor('D4', 287, 0.05 + grown, 0.09),
      bend(
        'X',
        {
          kind: 'root on root',
          from: 70,
          round: 92,
          diameter: 0.05 + grown,
          depth: 0.063,
          gap: 0.09,
          begins: 0.35,
          ends: 0.28,
        },
        {
          over: ['D2'],
          contact: 'clear',
        },
      ),
      bend(
        'S',
        {
          kind: 'girdling',
          from: 118,
          round: 64,
          diameter: 0.034 + grown / 2,
          depth: 0.05,
          gap: -0.001,
          begins: 0.14,
          ends: 0.2,
        },
        {
          contact: 'pressing',
          rings: { count: 8, over: 0.014 },
        },
      ),
    ],
    {
      diameters: { bearing: 30, along: 0.176 + 2 * grown, across: 0.164 + 2 * grown },
      barriers: [
        { kind: 'grate', diameter: 0.42 },
        { kind: 'tie', diameter: 0.19 },
      ],
      north: 'magnetic',
      declination: 4,
    },
  );
};
export const anchorCut: Dig = acrossAnchor(0);
export const anchorCutLater: Dig = acrossAnchor(1);

/** Squeezed between its own anchors and a root of the tree beside it. */
export const neighbour: Dig = dig([
  anchor('D1', 5, 0.08, 0.07),
  anchor('D2', 74, 0.06, 0.08),
  anchor('D3', 150, 0.075, 0.07),
  anchor('D4', 215, 0.085, 0.08),
  bend(
    'N',
    {
      kind: 'competing',
      from: 240,
      round: 92,
      diameter: 0.046,
      depth: 0.05,
      gap: 0.026,
      begins: 0.7,
      ends: 0.6,
    },
    {
      from: 'Linden 22',
      contact: 'clear',
    },
  ),
]);

/** Roots turned round and round by a root-control ring. */
export const inRing: Dig = dig(
  [
    { ...anchor('D1', 60, 0.03, 0.12), points: anchor('D1', 60, 0.03, 0.12).points.slice(0, 3) },
    { ...anchor('D2', 240, 0.028, 0.13), points: anchor('D2', 240, 0.028, 0.13).points.slice(0, 3) },
    ...[0, 1, 2, 3].map((i) =>
      bend(`R${i + 1}`, {
        kind: 'circling',
        from: 20 + 88 * i,
        round: 140,
        diameter: 0.018 + 0.004 * (i % 2),
        depth: 0.08 + 0.02 * i,
        gap: 0.185,
        begins: 0,
        ends: 0,
      }),
    ),
    bend(
      'E',
      {
        kind: 'girdling',
        from: 300,
        round: 88,
        diameter: 0.024,
        depth: 0.06,
        gap: 0.016,
        begins: 0.16,
        ends: 0.14,
      },
      {
        contact: 'clear',
      },
    ),
  ],
  { barriers: [{ kind: 'root-control ring', diameter: 0.61 }], pitRadius: 0.6 },
);

/** Nothing much: a collar as it should be. */
export const soundCollar: Dig = dig([
  ...[18, 80, 137, 196, 251, 318].map((b, i) => anchor(`D${i + 1}`, b, 0.06 + 0.008 * (i % 3), 0.05)),
  bend(
    'c1',
    {
      kind: 'adventitious',
      from: 100,
      round: 30,
      diameter: 0.008,
      depth: 0.01,
      gap: 0.02,
      begins: 0,
      ends: 0.1,
    },
    {
      start: 'stem',
      contact: 'clear',
    },
  ),
]);

/** More than may be cut: thick roots that grew from the stem and hold it by the throat, each with a share of its roots. */
export const manyThick: Dig = dig([
  ...[12, 96, 168, 251, 322].map((b, i) => anchor(`D${i + 1}`, b, 0.062 + 0.006 * (i % 3), 0.11)),
  ...[
    { label: 'G1', from: 30, round: 96, diameter: 0.078, gap: 0 },
    { label: 'G2', from: 118, round: 88, diameter: 0.07, gap: 0.001 },
    { label: 'G3', from: 205, round: 104, diameter: 0.074, gap: 0 },
    { label: 'G4', from: 300, round: 70, diameter: 0.058, gap: 0.006 },
  ].map(({ label, ...b }) =>
    bend(
      label,
      { kind: 'girdling', depth: 0.05, begins: 0, ends: 0.3, ...b },
      { start: 'stem', contact: 'pressing' },
    ),
  ),
  bend(
    'c1',
    {
      kind: 'circling',
      from: 60,
      round: 120,
      diameter: 0.016,
      depth: 0.03,
      gap: 0.012,
      begins: 0.1,
      ends: 0.1,
    },
    { contact: 'clear' },
  ),
]);
