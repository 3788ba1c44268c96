import type { TrenchDesign } from '@undrel/core/records';
import { TRENCH_LIMITS } from '@undrel/core/practice';
import type { PlannedSpoke, TrenchPlan } from '@undrel/core/trenching';
import { formatValue, type UnitSystem, percent } from '@undrel/core/units';
import { box, hatch, type Drawing, type Point, type Shape, type Tone } from './shapes';

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

/** A sheet that is drawn on, with its measures in words. */
class Sheet {
  readonly shapes: Shape[] = [];

  constructor(private readonly system: UnitSystem) {}

  write(at: Point, text: string, more: Partial<Extract<Shape, { as: 'text' }>> = {}): void {
    this.shapes.push({
      as: 'text',
      at,
      text,
      size: 13,
      tone: 'ink',
      anchor: 'start',
      halo: 'paper',
      ...more,
    });
  }

  area(points: Point[], tone: Extract<Shape, { as: 'area' }>['tone'], edge?: 'ink' | 'muted'): void {
    this.shapes.push({ as: 'area', points, tone, ...(edge && { edge }) });
  }

  line(points: Point[], tone: 'ink' | 'muted' | 'harm', width: number, dash?: [number, number]): void {
    this.shapes.push({ as: 'line', points, tone, width, ...(dash && { dash }) });
  }

  /** Soil that was dug and filled again. */
  filled(points: Point[]): void {
    this.area(points, 'topsoil', 'ink');
    this.shapes.push({ as: 'marks', tone: 'muted', width: 1.2, segments: hatch(points, 7, [0.6, 0]) });
  }

  dimension(a: number, b: number, y: number, text: string): void {
    if (b - a < 8) return;
    this.line(
      [
        [a, y],
        [b, y],
      ],
      'ink',
      1,
    );
    const end = (x: number): [Point, Point] => [
      [x, y - 4],
      [x, y + 4],
    ];
    this.shapes.push({ as: 'marks', tone: 'ink', width: 1, segments: [end(a), end(b)] });
    this.write([(a + b) / 2, y - 5], text, { anchor: 'middle', size: 12, figures: true });
  }

  short(metres: number): string {
    return formatValue(metres, 'short length', this.system);
  }

  long(metres: number): string {
    return formatValue(metres, 'long length', this.system);
  }
}

/** Where the run stands on the sheet: by distance from the middle of the stem, m. */
interface Run {
  /** Half a metre or so beyond the end of the trench. */
  reach: number;
  scale: number;
  x: (r: number) => number;
  ground: (r: number) => number;
  /** Foot of the ground that is drawn. */
  bottom: number;
}

/** The run as large as the sheet takes, with a line of words under it. */
function runOf({ spoke, plan, slope, width }: SpokeSectionGiven): Run {
  const reach = spoke.to + 0.4;
  const fall = slope ? slope.fall * Math.cos(((spoke.bearing - slope.toward) * Math.PI) / 180) : 0;
  const lowest = Math.max(0, fall) * reach;
  const highest = Math.max(0, -fall) * reach;
  const below = lowest + Math.max(0.45, plan.rules.depth + 0.15);
  const scale = Math.min((width - 2 * LEFT) / reach, (HEIGHT - GROUND - UNDER) / (highest + below));
  const top = GROUND + highest * scale;
  return {
    reach,
    scale,
    x: (r) => LEFT + r * scale,
    ground: (r) => top + fall * r * scale,
    bottom: top + below * scale,
  };
}

/** The ground along the run, and the depth at which roots stop where it is known. */
function groundAlong(sheet: Sheet, { stopsAt, stemRadius }: SpokeSectionGiven, run: Run): void {
  const { reach, scale, x, ground, bottom } = run;
  sheet.area(
    [
      [x(0), ground(0)],
      [x(reach), ground(reach)],
      [x(reach), bottom],
      [x(0), bottom],
    ],
    'loam',
  );
  if (!stopsAt) return;
  const points: Point[] = [];
  for (let r = stemRadius; r <= reach; r += 0.05) {
    const d = stopsAt(r);
    if (d !== undefined) points.push([x(r), Math.min(bottom, ground(r) + d * scale)]);
  }
  if (points.length < 2) return;
  sheet.area([...points, [points.at(-1)![0], bottom], [points[0]![0], bottom]], 'clay');
  sheet.line(points, 'harm', 1.6, [5, 4]);
  sheet.write([points[0]![0] + 4, Math.min(bottom - 4, points[0]![1] + 15)], 'roots stop here', {
    tone: 'harm',
    size: 12,
    halo: 'clay',
  });
}

/** The trench along the run; on a slope its floor in level steps, each of which holds its water. */
function trenchAlong(sheet: Sheet, { spoke, plan }: SpokeSectionGiven, { scale, x, ground }: Run): void {
  const deep = plan.rules.depth * scale;
  const steps = Math.max(1, spoke.steps);
  for (let k = 0; k < steps; k++) {
    const [a, b] = [spoke.from + (k * spoke.length) / steps, spoke.from + ((k + 1) * spoke.length) / steps];
    const level = Math.max(ground(a), ground(b)) + deep;
    const [atEnd, atBegin] = spoke.steps > 0 ? [level, level] : [ground(b) + deep, ground(a) + deep];
    sheet.filled([
      [x(a), ground(a)],
      [x(b), ground(b)],
      [x(b), atEnd],
      [x(a), atBegin],
    ]);
  }
}

/** Stem, line of the ground and measures along the run. */
function measuresAlong(sheet: Sheet, { spoke, plan, stemRadius }: SpokeSectionGiven, run: Run): void {
  const { reach, scale, x, ground, bottom } = run;
  const { depth } = plan.rules;
  sheet.area(
    [
      [x(0), 14],
      [x(stemRadius), 14],
      [x(stemRadius), ground(stemRadius)],
      [x(0), ground(0)],
    ],
    'root',
    'ink',
  );
  sheet.line(
    [
      [x(0), ground(0)],
      [x(reach), ground(reach)],
    ],
    'ink',
    2,
  );
  sheet.write([x(stemRadius) + 6, 24], 'stem', { size: 12 });
  sheet.dimension(x(stemRadius), x(spoke.from), GROUND - 14, sheet.long(spoke.from - stemRadius));
  sheet.dimension(x(spoke.from), x(spoke.to), GROUND - 14, sheet.long(spoke.length));
  sheet.write([x(spoke.to) + 6, ground(spoke.to) + depth * scale], sheet.short(depth), {
    size: 12,
    figures: true,
  });
  sheet.write([LEFT, bottom + 16], `Along it, true scale; ended by: ${spoke.limit}`, {
    size: 12,
    tone: 'muted',
  });
}

/** The trench across its run, larger, with what goes into it; left out where there is no room under the run. */
function across(sheet: Sheet, given: SpokeSectionGiven, under: number): void {
  const { depth, width: wide } = given.plan.rules;
  const scale = Math.min(420, (HEIGHT - under - 66) / (depth + 0.12), (0.2 * given.width) / wide);
  if (scale <= 60) return;
  const top = under + 44;
  const middle = given.width * 0.24;
  const half = (wide / 2) * scale;
  const end = middle * 2 - LEFT;
  sheet.area(box(LEFT, top, end, HEIGHT - 6), 'loam');
  sheet.filled(box(middle - half, top, middle + half, top + depth * scale));
  sheet.area(
    box(Math.max(LEFT, middle - 2.2 * half), top - 0.05 * scale, Math.min(end, middle + 2.2 * half), top),
    'mulch',
    'muted',
  );
  sheet.line(
    [
      [LEFT, top],
      [end, top],
    ],
    'ink',
    2,
  );
  const beside: [words: string, how: { strong?: boolean; size?: number; tone?: Tone }][] = [
    [`${sheet.short(wide)} wide, ${sheet.short(depth)} deep`, { strong: true }],
    [`${percent(given.compost)} compost, rest native`, { size: 12 }],
    [`filled ${percent(TRENCH_LIMITS.settlement.value)} over: it settles`, { size: 12 }],
    ['thin mulch over it', { size: 12 }],
  ];
  const { bridges } = given.spoke;
  if (bridges.length > 0)
    beside.push([`root ${bridges.join(', ')} left whole across`, { size: 12, tone: 'harm' }]);
  // Beside the cut where there is room, higher where the last line would leave the sheet.
  const first = Math.min(top + 4, HEIGHT - 6 - LINE * (beside.length - 1));
  beside.forEach(([words, how], i) => sheet.write([middle * 2 + 8, first + LINE * i], words, how));
}

/** A trench along its run and across it, each at true scale: what is dug, how it is filled, and where roots stop now. */
export function spokeSection(given: SpokeSectionGiven): Drawing {
  const { system, width } = given;
  const sheet = new Sheet(system);
  const run = runOf(given);
  sheet.area(box(0, 0, width, HEIGHT), 'paper');
  groundAlong(sheet, given, run);
  trenchAlong(sheet, given, run);
  measuresAlong(sheet, given, run);
  across(sheet, given, run.bottom);
  return { width, height: HEIGHT, shapes: sheet.shapes };
}
