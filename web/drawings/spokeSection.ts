import type { TrenchDesign } from '@undrel/core/records';
import { TRENCH_LIMITS } from '@undrel/core/practice';
import type { PlannedSpoke, TrenchPlan } from '@undrel/core/trenching';
import { formatValue, type UnitSystem, percent } from '@undrel/core/units';
import { hatch, type Drawing, type Point, type Shape, type Tone } from './shapes';

export interface SpokeSectionGiven {
  plan: Pick<TrenchPlan, 'rules'>;
  spoke: PlannedSpoke;
  slope: TrenchDesign['slope'];
  stemRadius: number;
  /** Depth at which roots stop, by distance from the centre of the stem, m; undefined where nobody pushed. */
  stopsAt: ((distance: number) => number | undefined) | undefined;
  /** Share of compost in what goes back. */
  compost: number;
  system: UnitSystem;
  width: number;
}

const HEIGHT = 330;
/** Room left of the run, and over the ground. */
const LEFT = 12;
const GROUND = 46;
/** Room for a line of words under the run, and from one line to the next. */
const UNDER = 24;
const LINE = 16;

/** A trench along its run and across it, each at true scale: what is dug, how it is filled, and where roots stop now. */
export function spokeSection(given: SpokeSectionGiven): Drawing {
  const { spoke, plan, slope, system, width, stemRadius } = given;
  const { depth, width: wide } = plan.rules;
  const shapes: Shape[] = [];
  const write = (at: Point, text: string, more: Partial<Extract<Shape, { as: 'text' }>> = {}) =>
    shapes.push({ as: 'text', at, text, size: 13, tone: 'ink', anchor: 'start', halo: 'paper', ...more });
  const area = (points: Point[], tone: Extract<Shape, { as: 'area' }>['tone'], edge?: 'ink' | 'muted') =>
    shapes.push({ as: 'area', points, tone, ...(edge && { edge }) });
  const line = (points: Point[], tone: 'ink' | 'muted' | 'harm', w: number, dash?: [number, number]) =>
    shapes.push({ as: 'line', points, tone, width: w, ...(dash && { dash }) });
  const short = (metres: number) => formatValue(metres, 'short length', system);
  const long = (metres: number) => formatValue(metres, 'long length', system);
  area(box(0, 0, width, HEIGHT), 'paper');

  // Along the run, from the middle of the stem to half a metre beyond the end.
  const reach = spoke.to + 0.4;
  const fall = slope ? slope.fall * Math.cos(((spoke.bearing - slope.toward) * Math.PI) / 180) : 0;
  const lowest = Math.max(0, fall) * reach;
  const highest = Math.max(0, -fall) * reach;
  const below = lowest + Math.max(0.45, depth + 0.15);
  // As large as the sheet takes, with a line of words under it.
  const scale = Math.min((width - 2 * LEFT) / reach, (HEIGHT - GROUND - UNDER) / (highest + below));
  const top = GROUND + highest * scale;
  const x = (r: number) => LEFT + r * scale;
  const ground = (r: number) => top + fall * r * scale;
  const bottom = top + below * scale;
  area(
    [
      [x(0), ground(0)],
      [x(reach), ground(reach)],
      [x(reach), bottom],
      [x(0), bottom],
    ],
    'loam',
  );
  const stops = given.stopsAt;
  if (stops) {
    const points: Point[] = [];
    for (let r = stemRadius; r <= reach; r += 0.05) {
      const d = stops(r);
      if (d !== undefined) points.push([x(r), Math.min(bottom, ground(r) + d * scale)]);
    }
    if (points.length > 1) {
      area([...points, [points.at(-1)![0], bottom], [points[0]![0], bottom]], 'clay');
      line(points, 'harm', 1.6, [5, 4]);
      write([points[0]![0] + 4, Math.min(bottom - 4, points[0]![1] + 15)], 'roots stop here', {
        tone: 'harm',
        size: 12,
        halo: 'clay',
      });
    }
  }
  // Level floors: each step holds its water.
  const steps = Math.max(1, spoke.steps);
  for (let k = 0; k < steps; k++) {
    const [a, b] = [spoke.from + (k * spoke.length) / steps, spoke.from + ((k + 1) * spoke.length) / steps];
    const floor = (spoke.steps > 0 ? Math.max(ground(a), ground(b)) : 0) + depth * scale;
    const points: Point[] =
      spoke.steps > 0
        ? [
            [x(a), ground(a)],
            [x(b), ground(b)],
            [x(b), floor],
            [x(a), floor],
          ]
        : [
            [x(a), ground(a)],
            [x(b), ground(b)],
            [x(b), ground(b) + floor],
            [x(a), ground(a) + floor],
          ];
    area(points, 'topsoil', 'ink');
    shapes.push({ as: 'marks', tone: 'muted', width: 1.2, segments: hatch(points, 7, [0.6, 0]) });
  }
  area(
    [
      [x(0), 14],
      [x(stemRadius), 14],
      [x(stemRadius), ground(stemRadius)],
      [x(0), ground(0)],
    ],
    'root',
    'ink',
  );
  line(
    [
      [x(0), ground(0)],
      [x(reach), ground(reach)],
    ],
    'ink',
    2,
  );
  write([x(stemRadius) + 6, 24], 'stem', { size: 12 });
  dimension(x(stemRadius), x(spoke.from), GROUND - 14, long(spoke.from - stemRadius));
  dimension(x(spoke.from), x(spoke.to), GROUND - 14, long(spoke.length));
  write([x(spoke.to) + 6, ground(spoke.to) + depth * scale], short(depth), { size: 12, figures: true });
  write([LEFT, bottom + 16], `Along it, true scale; ended by: ${spoke.limit}`, { size: 12, tone: 'muted' });

  // Across it, larger.
  const across = Math.min(420, (HEIGHT - bottom - 66) / (depth + 0.12), (0.2 * width) / wide);
  if (across > 60) {
    const y0 = bottom + 44;
    const middle = width * 0.24;
    const half = (wide / 2) * across;
    const floor = y0 + depth * across;
    area(box(LEFT, y0, middle * 2 - LEFT, HEIGHT - 6), 'loam');
    const cut = box(middle - half, y0, middle + half, floor);
    area(cut, 'topsoil', 'ink');
    shapes.push({ as: 'marks', tone: 'muted', width: 1.2, segments: hatch(cut, 7, [0.6, 0]) });
    area(
      box(
        Math.max(LEFT, middle - 2.2 * half),
        y0 - 0.05 * across,
        Math.min(middle * 2 - LEFT, middle + 2.2 * half),
        y0,
      ),
      'mulch',
      'muted',
    );
    line(
      [
        [LEFT, y0],
        [middle * 2 - LEFT, y0],
      ],
      'ink',
      2,
    );
    const right = middle * 2 + 8;
    const beside: [words: string, how: { strong?: boolean; size?: number; tone?: Tone }][] = [
      [`${short(wide)} wide, ${short(depth)} deep`, { strong: true }],
      [`${percent(given.compost)} compost, rest native`, { size: 12 }],
      [`filled ${percent(TRENCH_LIMITS.settlement.value)} over: it settles`, { size: 12 }],
      ['thin mulch over it', { size: 12 }],
    ];
    if (spoke.bridges.length > 0)
      beside.push([`root ${spoke.bridges.join(', ')} left whole across`, { size: 12, tone: 'harm' }]);
    // Beside the cut where there is room, higher where the last line would leave the sheet.
    const first = Math.min(y0 + 4, HEIGHT - 6 - LINE * (beside.length - 1));
    beside.forEach(([words, how], i) => write([right, first + LINE * i], words, how));
  }
  return { width, height: HEIGHT, shapes };

  function dimension(a: number, b: number, y: number, text: string) {
    if (b - a < 8) return;
    line(
      [
        [a, y],
        [b, y],
      ],
      'ink',
      1,
    );
    shapes.push({
      as: 'marks',
      tone: 'ink',
      width: 1,
      segments: [
        [
          [a, y - 4],
          [a, y + 4],
        ],
        [
          [b, y - 4],
          [b, y + 4],
        ],
      ],
    });
    write([(a + b) / 2, y - 5], text, { anchor: 'middle', size: 12, figures: true });
  }
}

const box = (left: number, top: number, right: number, bottom: number): Point[] => [
  [left, top],
  [right, top],
  [right, bottom],
  [left, bottom],
];
