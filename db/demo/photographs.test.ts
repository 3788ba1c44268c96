import { assess } from '@undrel/core/assessment';
import { readMarkers } from '@undrel/core/markers';
import {
  homographyOf,
  keptOnRays,
  laidFor,
  mapped,
  planeOfCards,
  samePlaces,
  seenPlan,
  shownBy,
  tiedToDig,
  TRACED_WITHIN,
  traced,
  warped,
  type PlanSquare,
  type Point,
  type Raster,
} from '@undrel/core/photogrammetry';
import type { Dig, DugRoot, PictureCards, Tree, TreeEvent, Visit } from '@undrel/core/records';
import {
  girdledShare,
  laidOnBark,
  placed,
  planPoint,
  readDig,
  readingAt,
  type RootReading,
} from '@undrel/core/roots';
import sharp from 'sharp';
import { cardsAlone } from './cardsAlone';
import { photographFile, photographOf } from './photographs';
import { cameraFrom, rendered, type LaidCard } from './renderer';
import { variation } from './series';
import { PROPERTIES } from './world';

const demoTree = (id: string): { tree: Tree; dig: Dig; visit: Visit; events: TreeEvent[] } => {
  const { caseFile } = PROPERTIES()
    .flatMap((p) => p.trees)
    .find((t) => t.id === id)!;
  const visit = caseFile.visits.findLast((v) => v.dig)!;
  return { tree: caseFile.tree, dig: visit.dig!, visit, events: caseFile.events };
};

async function decoded(file: Buffer): Promise<Raster> {
  const { data, info } = await sharp(file).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, data: new Uint8ClampedArray(data) };
}

const SQUARE: PlanSquare = { x: 0, y: 0, half: 0.6, scale: 800 };

/** Anchors that no other root lies over: where one does, its edges are those that are seen. */
const CLEAR = ['D2', 'D4', 'D5'];

/** A picture of a dig with cards, and all that a person would do with it: nothing of it is told by the scene but what a rod, a compass and a finger give. */
async function taken(dig: Dig, tree: Tree, bearing: number) {
  const photo = photographOf(dig, tree, bearing, 'cards');
  const raster = await decoded(await photographFile(photo));
  const found = readMarkers(raster);
  const cards = { found: structuredClone(found) as PictureCards['found'], ...photo.tie! };
  const on = tiedToDig({ ...raster, cards }, readDig(tree, dig));
  if (!on || 'problem' in on) throw new Error(on?.problem ?? 'not tied');
  return { raster, on, found };
}

type View = Awaited<ReturnType<typeof taken>>;

/** The view that shows a place. */
const showing = (views: readonly View[], place: Point): View =>
  views.find(
    (v) =>
      v.on ===
      shownBy(
        views.map((w) => w.on),
        place,
      ),
  )!;

/** Where a finger touches a root that it sees on the plan, so many times along it; the picture is true for things at a depth. */
function touches(
  views: readonly View[],
  { path }: RootReading,
  times: number,
  seenAt: number,
  off: () => number,
): Point[] {
  const inside = [...path.x.keys()].filter((i) => Math.hypot(path.x[i]!, path.y[i]!) < 0.5);
  return Array.from({ length: times }, (_, k): Point => {
    const i = inside[Math.round((k * (inside.length - 1)) / (times - 1))]!;
    const place: Point = [path.x[i]!, path.y[i]!];
    const { on } = showing(views, place);
    const [x, y] = on.toPlan(on.toPicture(place, -path.z[i]!)!, seenAt)!;
    return [x + off(), y + off()];
  });
}

test('three pictures of a dig, its roots traced by touches: most of the points within a centimetre, the bark compressed within 3 points @whole', async () => {
  const { tree, dig, visit, events } = demoTree('sable-katsura-14');
  const truth = readDig(tree, dig);
  const frame = { dig, turn: truth.turn, outline: truth.outline };
  const views: View[] = [];
  for (const bearing of [50, 170, 290]) views.push(await taken(dig, tree, bearing));
  for (const { found, on } of views) {
    expect(found.map((m) => m.id)).toEqual([1, 2, 3, 4]);
    expect(on.misfit).toBeLessThan(0.005);
  }
  const vary = variation(5);
  const wanted = truth.roots.filter(({ root }) => root.kind === 'girdling' || CLEAR.includes(root.label));
  const others = dig.roots.filter((r) => !wanted.some((w) => w.root === r));
  const off: { girdling: number[]; structural: number[] } = { girdling: [], structural: [] };
  const thick: number[] = [];
  const roots = wanted.map((reading): DugRoot => {
    const { root, path } = reading;
    const girdling = root.kind === 'girdling';
    const depths = root.points.filter((p) => p.distance < 0.4).map((p) => p.depth);
    const top = depths.reduce((a, b) => a + b, 0) / depths.length;
    const seenAt = laidFor(views[0]!.on.level, top);
    const seen = seenPlan(warped(views, SQUARE, seenAt)!);
    const places = touches(views, reading, girdling ? 7 : 3, seenAt, () => vary(0.004));
    const points: DugRoot['points'] = [];
    for (let i = 1; i < places.length; i++) {
      const [from, to] = [places[i - 1]!, places[i]!];
      const { on } = showing(views, [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]);
      const before = points.at(-1)?.diameter;
      const read = traced(seen, SQUARE, (place) => showing(views, place).on, {
        from,
        to,
        seenAt,
        top,
        ...(before && { before }),
      });
      const more = (points.length > 0 ? read.slice(1) : read).map((p) => ({
        ...readingAt(frame, p.x, p.y),
        depth: p.depth,
        diameter: p.diameter,
      }));
      // Then the depth of each point by the rod: it stays on its ray, and its place follows.
      const there = (p: DugRoot['points'][number]) => {
        const { x, y } = placed(dig, truth.turn, truth.outline, { points: [p] })[0]!;
        let best = 0;
        path.x.forEach((px, k) => {
          if (Math.hypot(px - x, path.y[k]! - y) < Math.hypot(path.x[best]! - x, path.y[best]! - y)) best = k;
        });
        return { k: best, far: Math.hypot(path.x[best]! - x, path.y[best]! - y) };
      };
      const rodded = more.map((p) => {
        const k = there(p).k;
        return { ...p, depth: -path.z[k]! - path.radius[k]! };
      });
      const kept = keptOnRays({ ...root, points: more }, { ...root, points: rodded }, frame, on).points;
      for (const p of kept) {
        const { k, far } = there(p);
        off[girdling ? 'girdling' : 'structural'].push(far);
        if (girdling) thick.push(Math.abs(p.diameter / (2 * path.radius[k]!) - 1));
      }
      points.push(...kept);
    }
    return girdling ? laidOnBark({ ...root, points }, frame, TRACED_WITHIN) : { ...root, points };
  });
  const share = (list: readonly number[], most: number) => list.filter((v) => v <= most).length / list.length;
  expect(Math.min(off.girdling.length, off.structural.length)).toBeGreaterThan(6);
  expect(share(off.girdling, 0.005)).toBeGreaterThanOrEqual(0.5);
  expect(share(off.girdling, 0.01)).toBeGreaterThanOrEqual(0.75);
  // Anchors slope and go into the floor: they are told less well than what runs level round the stem.
  expect(share(off.structural, 0.01)).toBeGreaterThanOrEqual(0.6);
  expect(share(off.structural, 0.03)).toBeGreaterThanOrEqual(0.9);
  expect(share(off.girdling, TRACED_WITHIN)).toBeGreaterThanOrEqual(0.9);
  expect(share(thick, 0.15)).toBeGreaterThanOrEqual(0.6);
  const squeezed = girdledShare(readDig(tree, { ...dig, roots: [...roots, ...others] })).value;
  expect(Math.abs(squeezed - girdledShare(truth).value)).toBeLessThanOrEqual(0.03);
  // To the end of the chain: the same work is prescribed for the roots as traced and as they are.
  const follows = (as: DugRoot[]) => {
    const looked = { ...visit, dig: { ...dig, roots: as } };
    const { operations } = assess(tree, events, looked);
    return operations.filter((o) => o.advice !== 'not').map((o) => `${o.key} ${o.advice}`);
  };
  expect(follows([...dig.roots]).length).toBeGreaterThan(2);
  expect(follows([...roots, ...others])).toEqual(follows([...dig.roots]));
});

test('cards are found in nineteen of twenty pictures, tilted, blurred and half in shade; lengths between them are true @whole', async () => {
  let whole = 0;
  const all = 20;
  for (let n = 0; n < all; n++) {
    const { cards, raster } = await cardsAlone(n);
    const found = readMarkers(raster);
    if (found.length === cards.length) whole++;
    const plane = planeOfCards(raster, found);
    if ('problem' in plane) continue;
    expect(plane.off).toBeUndefined();
    for (const a of plane.cards)
      for (const b of plane.cards) {
        if (a.id >= b.id) continue;
        const far = (p: Point, q: Point) => Math.hypot(p[0] - q[0], p[1] - q[1]);
        const is = far(cards[a.id - 1]!.at, cards[b.id - 1]!.at);
        expect(Math.abs(far(a.at, b.at) - is)).toBeLessThan(0.003 + 0.01 * is);
      }
  }
  expect(whole).toBeGreaterThanOrEqual(0.95 * all);
});

test('cards turned over as in a mirror are none, and one that lies 10 cm too high is left out and named @whole', async () => {
  const camera = cameraFrom([0.5, -0.5, 1.2], [0, 0, 0]);
  const laid = (more: Partial<LaidCard>): LaidCard[] =>
    [
      [0.22, 0.2],
      [-0.25, 0.18],
      [-0.2, -0.24],
      [0.26, -0.15],
    ].map(([x, y], i) => ({ id: i + 1, at: [x!, y!], towards: 35 * i, ...(i === 2 && more) }));
  const scene = (cards: LaidCard[]) => ({ roots: [], pit: 0, floor: 0, cards });
  const shot = { camera, width: 960, height: 720, noise: 2, seed: 4 };
  const mirrored = readMarkers(rendered(scene(laid({ mirrored: true })), shot));
  expect(mirrored.map((m) => m.id)).toEqual([1, 2, 4]);
  const raster = rendered(scene(laid({ above: 0.1 })), shot);
  const plane = planeOfCards(raster, readMarkers(raster));
  if ('problem' in plane) throw new Error(plane.problem);
  expect(plane.off?.id).toBe(3);
  expect(plane.cards.map((c) => c.id).toSorted()).toEqual([1, 2, 4]);
});

test('two pictures of one dig from two places, each with its own cards, are laid one over the other without a touch @whole', async () => {
  const { tree, dig } = demoTree('sable-katsura-14');
  const [earlier, later] = [await taken(dig, tree, 50), await taken(dig, tree, 80)];
  const level = photographOf(dig, tree, 50, 'cards').tie!.level;
  const same = samePlaces(earlier.on, later.on, level)!;
  const map = homographyOf(same.there, same.here)!;
  // What one sees of the ground lies where the other sees it: within a hundredth of the picture, whatever the place.
  for (const bearing of [0, 45, 90, 135])
    for (const out of [0.35, 0.5]) {
      const place = planPoint(bearing, out);
      const [from, to] = [earlier, later].map(({ on }) => on.toPicture(place, level)!) as [Point, Point];
      const at = mapped(map, from);
      expect(Math.hypot(at[0] - to[0], at[1] - to[1])).toBeLessThan(0.01);
    }
  // With nothing in common there are no four places.
  const nothing = { ...later.on, toPicture: () => undefined };
  expect(samePlaces(earlier.on, nothing, level)).toBeUndefined();
});
