// Times what is read from photographs, and counts how often cards are found; prints JSON for scripts/bench.mjs.
import { readMarkers } from '@undrel/core/markers';
import {
  laidFor,
  leafColourOf,
  planeOfCards,
  seenPlan,
  tiedToDig,
  traced,
  warped,
  type PlanSquare,
  type Raster,
} from '@undrel/core/photogrammetry';
import { readDig } from '@undrel/core/roots';
import { cardsAlone } from '../db/demo/cardsAlone';
import { LEAF_TONES, leafPhotograph } from '../db/demo/leaves';
import { photographOf } from '../db/demo/photographs';
import { PROPERTIES } from '../db/demo/world';

const RUNS = 9;
const PICTURES = 100;

function time<T>(
  name: string,
  work: () => T,
): { row: { name: string; median: number; p95: number }; last: T } {
  let last = work();
  const taken = Array.from({ length: RUNS }, () => {
    const begun = performance.now();
    last = work();
    return performance.now() - begun;
  }).sort((a, b) => a - b);
  return { row: { name, median: taken[RUNS >> 1]!, p95: taken[RUNS - 1]! }, last };
}

/** Each pixel several times over: as many as a phone's picture has. */
function enlarged({ width, height, data }: Raster, by: number): Raster {
  const [w, h] = [width * by, height * by];
  const large = new Uint8ClampedArray(4 * w * h);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const from = 4 * (Math.floor(y / by) * width + Math.floor(x / by));
      large.set(data.subarray(from, from + 4), 4 * (y * w + x));
    }
  return { width: w, height: h, data: large };
}

const { caseFile } = PROPERTIES()
  .flatMap((p) => p.trees)
  .find((t) => t.id === 'sable-katsura-14')!;
const dig = caseFile.visits.findLast((v) => v.dig)!.dig!;
const photo = photographOf(dig, caseFile.tree, 50, 'cards');
const { width, height } = photo.raster;
const square: PlanSquare = { x: 0, y: 0, half: 1, scale: 800 };

const find = time(`cards found in a picture of ${width} × ${height}`, () => readMarkers(photo.raster));
const plane = time('camera, lens and lie of four cards', () => planeOfCards(photo.raster, find.last));
const truth = readDig(caseFile.tree, dig);
const on = tiedToDig(
  { ...photo.raster, cards: { found: structuredClone(find.last) as never, ...photo.tie! } },
  truth,
);
if (!on || 'problem' in on) throw new Error(on?.problem);
const large = enlarged(photo.raster, 3);
const million = Math.round((large.width * large.height) / 1e6);
const seenAt = laidFor(on.level, 0.2);
const lay = time(`picture of ${million} million pixels laid under 2 m of the plan`, () =>
  warped([{ raster: large, on }], square, seenAt),
);
const seen = time('edges of it made ready', () => seenPlan(lay.last!));
const follow = time('root followed between two touches, 25 cm', () =>
  traced(seen.last, square, () => on, { from: [0.2, -0.03], to: [0.45, -0.07], seenAt, top: 0.2 }),
);
const sheet = leafPhotograph({ colour: LEAF_TONES.green, seed: 3 }).raster;
const lies = planeOfCards(sheet, readMarkers(sheet));
if ('problem' in lies) throw new Error(lies.problem);
const leaves = time('colour of seven leaves', () => leafColourOf(sheet, lies));

let whole = 0;
for (let n = 0; n < PICTURES; n++) {
  const { cards, raster } = await cardsAlone(n);
  if (readMarkers(raster).length === cards.length) whole++;
}
console.log(
  JSON.stringify({
    rows: [find, plane, lay, seen, follow, leaves].map((t) => t.row),
    found: { whole, pictures: PICTURES },
  }),
);
