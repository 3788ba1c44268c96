import { along, type Obstacle, type PlannedSpoke, type TrenchPlan } from '@undrel/core/trenching';
import { obstacleKind } from '@undrel/core/practice';
import { formatValue, type UnitSystem } from '@undrel/core/units';
import { toDrawing, type PlanView } from './planView';
import { NORTH_MARK, northMark } from './northMark';
import { scaleBar, scaleBarMarks } from './scaleBar';
import { paperOf, type Drawing, type Point, type Shape } from './shapes';

export interface TrenchDrawing {
  plan: TrenchPlan;
  /** Kind of each thing of the site by its name, for its look. */
  kinds: ReadonlyMap<string, string>;
  stemRadius: number | undefined;
  selected: string | undefined;
  system: UnitSystem;
  width: number;
  height: number;
}

/** Width kept for the legend's words, where no name is written, and from one of its rows to the next, px. */
const KEPT = 236;
const ROW = 19;
/** Height kept for the legend and the scale, px. */
const LEGEND = 96;

/** The view that takes in the zone with room for its numbers. */
export function trenchView({ zone }: TrenchPlan, width: number, height: number): PlanView {
  const scale = Math.min(width, height - LEGEND) / 2 / (zone.to * 1.2);
  return { x: 0, y: -LEGEND / 2 / scale, scale };
}

/** What a plan is drawn with: where metres lie, and what is drawn so far. */
interface Pen {
  given: TrenchDrawing;
  to: ReturnType<typeof toDrawing>;
  shapes: Shape[];
  /** Upper right corner of where the legend and the scale stand. Lines run on beneath: a main is hidden by nothing. */
  kept: { right: number; top: number };
  /** Things that are named once all lines are drawn: where each runs, and whether it is a utility. */
  named: { name: string; line: readonly Point[]; utility: boolean }[];
  /** Places of lines and marks that a name keeps clear of. */
  taken: Point[];
}

type Ring = [radius: number, words: string, dash: [number, number]];

const write = (
  { shapes }: Pen,
  at: Point,
  text: string,
  more: Partial<Extract<Shape, { as: 'text' }>> = {},
) => shapes.push({ as: 'text', at, text, size: 13, tone: 'ink', anchor: 'start', halo: 'paper', ...more });

/** Site and spokes at true scale, north up. Spokes are told apart by number, seasons by their fill. */
export function trenchDrawing(given: TrenchDrawing): Drawing {
  const { plan, system, width, height } = given;
  const view = trenchView(plan, width, height);
  const to = toDrawing({ view, width, height });
  const shapes: Shape[] = [];
  const round = (radius: (bearing: number) => number): Point[] =>
    Array.from({ length: 91 }, (_, i) => {
      const [ux, uy] = along(4 * i);
      const r = radius((4 * i) % 360);
      return to(r * ux, r * uy);
    });
  const circle = (r: number) => round(() => r);
  shapes.push(paperOf(width, height));
  const legendRows = 1 + (plan.drip ? 1 : 0) + (plan.seasons > 1 ? 1 : 0);
  const kept = { right: Math.min(width, KEPT), top: height - 54 - ROW * (legendRows - 1) - 16 };
  const pen: Pen = { given, to, shapes, kept, named: [], taken: [] };
  plan.obstacles.forEach((thing) => drawThing(pen, thing));
  const rings: Ring[] = [
    [plan.zone.from, plan.rules.begins === 'hole' ? 'hole edge' : 'structural root zone', [4, 5]],
  ];
  const ring = (points: Point[], dash: [number, number]) => {
    shapes.push({ as: 'line', points, tone: 'muted', width: 1.2, dash });
    keepClear(pen, points);
  };
  for (const [radius, , dash] of rings) ring(circle(radius), dash);
  if (plan.drip) {
    const dash: [number, number] = [16, 5];
    ring(
      round((b) => plan.drip![b]!),
      dash,
    );
    const [least, most] = [Math.min(...plan.drip), Math.max(...plan.drip)];
    rings.push([
      plan.drip.reduce((a, b) => a + b, 0) / plan.drip.length,
      most - least > 0.01 ? 'mean drip line' : 'drip line',
      dash,
    ]);
  }
  if (given.stemRadius)
    shapes.push({ as: 'area', points: circle(given.stemRadius), tone: 'root', edge: 'ink' });
  for (const spoke of plan.spokes) drawSpoke(pen, spoke);
  const north = width - NORTH_MARK.in;
  for (const x of [north - 8, north + 8])
    keepClear(pen, [
      [x, 0],
      [x, NORTH_MARK.height],
    ]);
  for (const thing of pen.named) writeName(pen, thing);
  drawLegend(pen, rings);
  northMark(shapes, width);
  const bar = scaleBar(view.scale, system, width * 0.25);
  shapes.push(scaleBarMarks(14, height - 14, bar.length));
  write(pen, [14, height - 23], bar.label);
  return { width, height, shapes };
}

function drawSpoke(pen: Pen, spoke: PlannedSpoke) {
  const { given, to, shapes } = pen;
  const { plan } = given;
  const [ux, uy] = along(spoke.bearing);
  const half = plan.rules.width / 2;
  const corner = (r: number, side: number) => to(r * ux + side * half * uy, r * uy - side * half * ux);
  const chosen = spoke.label === given.selected;
  const points = [corner(spoke.from, -1), corner(spoke.to, -1), corner(spoke.to, 1), corner(spoke.from, 1)];
  shapes.push({
    as: 'area',
    points,
    tone: chosen ? 'wash' : spoke.season === 1 ? 'todo' : 'sheet',
    edge: 'todo',
  });
  if (spoke.locked) {
    const [x, y] = to((spoke.from - 0.12) * ux, (spoke.from - 0.12) * uy);
    shapes.push({
      as: 'area',
      tone: 'ink',
      points: [
        [x - 4, y - 4],
        [x + 4, y - 4],
        [x + 4, y + 4],
        [x - 4, y + 4],
      ],
    });
  }
  const [x, y] = to(spoke.to * ux, spoke.to * uy);
  const number: Point = [x + 13 * ux, y - 13 * uy + 5];
  keepClear(pen, [...points, points[0]!]);
  keepClear(pen, [number, [number[0], number[1] - 10]]);
  write(pen, number, spoke.label, {
    anchor: 'middle',
    strong: true,
    tone: 'todo',
    size: 14,
  });
}

/** What the lines and fills mean, over the scale. */
function drawLegend(pen: Pen, rings: readonly Ring[]) {
  const { given, shapes } = pen;
  const { plan, system, height } = given;
  const rows: [string, Shape][] = rings.map(([radius, words, dash], k) => [
    // A line that runs on beneath would be a minus sign before a bare figure.
    `${words} (${formatValue(radius, 'long length', system, 0.1)})`,
    { as: 'line', points: rowAt(height, k), tone: 'muted', width: 1.2, dash },
  ]);
  if (plan.seasons > 1)
    rows.push([
      'dug in season 1',
      { as: 'line', points: rowAt(height, rows.length), tone: 'todo', width: 9 },
    ]);
  rows.forEach(([words, sample], k) => {
    shapes.push(sample);
    write(pen, [64, rowAt(height, k)[0]![1] + 4], words, { size: 12 });
  });
}

/** The sample of a row of the legend, counted from below. */
function rowAt(height: number, k: number): Point[] {
  const y = height - 54 - ROW * k;
  return [
    [14, y],
    [56, y],
  ];
}

function drawThing(pen: Pen, { name, shape, points }: Obstacle) {
  const { given, to, shapes } = pen;
  const kind = given.kinds.get(name);
  const line = points.map(([x, y]) => to(x, y));
  keepClear(pen, line);
  if (points.length === 1) {
    const [x, y] = line[0]!;
    shapes.push({
      as: 'area',
      tone: 'sheet',
      edge: 'muted',
      points: Array.from({ length: 25 }, (_, i): Point => [
        x + 6 * Math.cos((i * Math.PI) / 12),
        y + 6 * Math.sin((i * Math.PI) / 12),
      ]),
    });
  } else if (shape === 'area') {
    shapes.push({ as: 'area', points: line, tone: kind === 'building' ? 'fill' : 'hair', edge: 'muted' });
  } else {
    const utility = kind !== undefined && obstacleKind(kind).utility === true;
    shapes.push({
      as: 'line',
      points: line,
      tone: utility ? 'harm' : kind === undefined ? 'root' : 'ink',
      width: utility ? 2 : kind === undefined ? 3 : 1.6,
      ...(utility && { dash: [6, 4] as [number, number] }),
    });
  }
  if (kind === undefined && points.length > 1) return;
  pen.named.push({ name, line, utility: kind !== undefined && obstacleKind(kind).utility === true });
}

/** From one place along a line to the next, px: no name fits between two of them. */
const STEP = 8;

/** From where to where along a segment it lies within the sheet, as parts of its run; undefined where it does not. */
function seenPart([fx, fy]: Point, [x, y]: Point, { width, height }: TrenchDrawing) {
  let [from, to] = [0, 1];
  for (const [at, run, most] of [
    [fx, x - fx, width],
    [fy, y - fy, height],
  ] as const) {
    if (run === 0) {
      if (at < 0 || at > most) return undefined;
      continue;
    }
    const [a, b] = [-at / run, (most - at) / run];
    from = Math.max(from, Math.min(a, b));
    to = Math.min(to, Math.max(a, b));
  }
  return from <= to ? ([from, to] as const) : undefined;
}

/** Places along what of a line lies within the sheet, however long it is. */
function placesAlong(line: readonly Point[], given: TrenchDrawing): Point[] {
  const whole = line.length > 1 ? line : [...line, ...line];
  return whole.slice(1).flatMap((end, i) => {
    const begin = whole[i]!;
    const part = seenPart(begin, end, given);
    if (!part) return [];
    const [dx, dy] = [end[0] - begin[0], end[1] - begin[1]];
    const steps = Math.ceil(((part[1] - part[0]) * Math.hypot(dx, dy)) / STEP);
    return Array.from({ length: steps + 1 }, (_, k): Point => {
      const t = part[0] + ((part[1] - part[0]) * k) / Math.max(1, steps);
      return [begin[0] + t * dx, begin[1] + t * dy];
    });
  });
}

const keepClear = ({ taken, given }: Pen, line: readonly Point[]): void =>
  void taken.push(...placesAlong(line, given));

/** Size of a name, of its letters and of the box that it fills, px; of the sheet it takes no more than this part. */
const NAME = { size: 13, letter: 7, above: 11, below: 4, most: 0.6 };
/** A name is tried at each so many places along its line. */
const EVERY = 3;
/** From a line down to the foot of its name: under it, or over it; and beside it, px. */
const OFF = [15, -7];
const BESIDE = 6;
/** Height at the foot of the sheet that is the scale's, px. */
const SCALE = 50;

/**
 * Writes the name of a thing beside the place of it, in view, where it meets the fewest lines and marks; that of a buried
 * utility in the colour of its line, and even where legend and scale stand, for it must be found.
 */
function writeName(pen: Pen, { name, line, utility }: Pen['named'][number]) {
  const { kept, given } = pen;
  const { width, height } = given;
  const most = Math.floor((NAME.most * width) / NAME.letter);
  const text = name.length > most ? `${name.slice(0, most - 1)}…` : name;
  const long = text.length * NAME.letter;
  const within = ([x, y]: Point) =>
    x > 4 && x + long < width - 4 && y - NAME.above > 4 && y + NAME.below < height - 4;
  const free = ([x, y]: Point) => y < height - SCALE && (x > kept.right || y < kept.top - 20);
  const meets = ([x, y]: Point) =>
    pen.taken.filter(
      ([px, py]) => px > x - 4 && px < x + long + 4 && py > y - NAME.above - 2 && py < y + NAME.below,
    ).length;
  const places = placesAlong(line, given)
    .filter((_, i) => i % EVERY === 0)
    .flatMap(([x, y]) =>
      [x + BESIDE, x - BESIDE - long].flatMap((at) => OFF.map((off): Point => [at, y + off])),
    )
    .filter(within);
  const clear = places.filter(free);
  const [best] = (utility && clear.length === 0 ? places : clear)
    .map((at) => ({ at, met: meets(at) }))
    .sort((a, b) => a.met - b.met);
  if (!best) return;
  const [x, y] = best.at;
  for (const up of [0, 10])
    keepClear(pen, [
      [x, y - up],
      [x + long, y - up],
    ]);
  write(pen, best.at, text, { size: NAME.size, tone: utility ? 'harm' : 'ink', strong: utility });
}
