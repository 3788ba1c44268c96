import { answerTo } from '../questions/question';
import type { SoilLog, Tree, Visit } from '../records';
import { rootsStopMark, shortMark } from '../units/marks';
import { readLogs } from './log';
import { readPushes, type PenetrationReading } from './penetration';
import { PERCOLATION } from './rates';
import { sampleOf } from './sample';

const HOUR = 3600;

/** What kind of ground a tree stands in, where its tightness or its water is the trouble. */
export const GROUNDS = {
  saucer: 'A saucer that holds water',
  hole: 'A confined hole: loose inside, compacted outside',
  surface: 'Compacted at the surface',
  pan: 'A pan at depth',
  whole: 'Compacted through the whole profile',
  dense: 'Too dense for roots where the core was taken',
  firm: 'Dense enough to hold roots back where the core was taken',
  wet: 'Open, but water stands',
  open: 'Open ground',
} as const;
export type GroundKind = keyof typeof GROUNDS;

export interface GroundVerdict {
  kind: GroundKind;
  title: string;
  /** What it rests on, each with its measurement. */
  reasons: string[];
  /** What would still have to be looked at to be surer of it. */
  missing: string[];
}

/** How far from the bark the edge of the planting hole lies, m, where it was measured. */
export const holeFromBark = (tree: Tree, visit: Pick<Visit, 'trenches'>): number | undefined => {
  const radius = visit.trenches?.holeRadius;
  return radius === undefined ? undefined : Math.max(0, radius - (tree.stemDiameter ?? tree.dbh ?? 0) / 2);
};

/** Pushes of a visit read with the edge of the hole. */
export const penetrationOf = (tree: Tree, visit: Visit): PenetrationReading | undefined =>
  visit.pushes && readPushes(visit.pushes, holeFromBark(tree, visit));

/** Why water is held to stand about the tree. */
function standing(visit: Visit): string[] {
  const drain = answerTo(visit.findings, 'probe.drain')?.answer;
  const rate = answerTo(visit.findings, 'soil.percolation')?.number;
  const { places } = readLogs(visit.soilLogs ?? []);
  const ring = places.find((p) => p.place === 'ring');
  const outside = places.find((p) => p.place === 'outside' || p.place === 'open');
  return [
    ...(drain === 'standing' ? ['Water stood in the test hole the next day.'] : []),
    ...(drain === 'damp' ? ['The test hole was still saturated the next day.'] : []),
    ...(rate !== undefined && rate / 100 / HOUR < PERCOLATION.poor
      ? [
          `Water in the filled hole falls ${shortMark(rate / 100)} per hour; under ${shortMark(PERCOLATION.poor * HOUR)} is poor.`,
        ]
      : []),
    ...(ring && outside && ring.wet > 0 && outside.wet === 0
      ? [`The soil of the ring is long wet from ${shortMark(ring.wetFrom!)}, that beyond it is not.`]
      : []),
  ];
}

/**
 * The kind of ground, from all that was measured of it: pushes, layers, water and density.
 *
 * @returns undefined while nothing tells of it
 */
export function groundVerdict(tree: Tree, visit: Visit): GroundVerdict | undefined {
  const pushes = penetrationOf(tree, visit);
  const told = pushes && pushes.tightness !== 'few' ? pushes : undefined;
  const sample = sampleOf(visit.findings);
  const wall = answerTo(visit.findings, 'probe.wall')?.answer;
  const water = standing(visit);
  const walled = wall === 'felt' || wall === 'glazed';
  const confined = told?.tightness === 'hole' || (walled && told?.tightness !== 'open');
  const reasons = [
    ...(told
      ? [
          `${told.says} ${rootsStopMark} at ${shortMark(told.depth.median)}, the middle of ${told.pushes} pushes.`,
        ]
      : []),
    ...(walled
      ? [
          wall === 'glazed'
            ? 'The wall of the hole is smooth and glazed.'
            : 'The soil changes at the edge of the hole.',
        ]
      : []),
    ...water,
    ...(sample.verdict && sample.density
      ? [
          `Bulk density ${(sample.density.value / 1000).toFixed(2)} g/cm³ in ${sample.texture}: ${sample.verdict === 'open' ? 'loose enough' : sample.verdict === 'tight' ? 'too dense for roots' : 'dense enough to hold roots back'}.`,
        ]
      : []),
  ];
  if (reasons.length === 0) return undefined;
  const missing = [
    ...(told ? [] : ['at least three pushes of the penetrometer']),
    ...(told && holeFromBark(tree, visit) === undefined && !walled
      ? ['the edge of the planting hole, and pushes on both sides of it']
      : []),
    ...(water.length === 0 && answerTo(visit.findings, 'probe.drain') === undefined
      ? ['a filled hole, checked a day later']
      : []),
  ];
  const kind = kindOf(confined, water.length > 0, told, sample.verdict);
  return kind && { kind, title: GROUNDS[kind], reasons, missing };
}

function kindOf(
  confined: boolean,
  stands: boolean,
  pushes: PenetrationReading | undefined,
  density: 'open' | 'affected' | 'tight' | undefined,
): GroundKind | undefined {
  if (confined) return stands ? 'saucer' : 'hole';
  const tightness = pushes?.tightness;
  if (tightness === 'surface' || tightness === 'pan' || tightness === 'whole') return tightness;
  if (density === 'tight') return 'dense';
  if (stands) return 'wet';
  if (density === 'affected') return 'firm';
  return tightness === 'open' || density === 'open' ? 'open' : undefined;
}

const about = (logs: readonly SoilLog[]) => logs.filter((l) => l.place === 'ring' || l.place === 'outside');

/** What the soil probe tells of the questions that are otherwise answered by eye. */
export interface LoggedGround {
  topsoil?: number;
  refusal?: number;
  oldGrade?: number;
  colour?: 'dark' | 'pale' | 'mottled';
  moisture?: 'dry' | 'moist' | 'wet' | 'sour';
}

/** Depth at which moisture is told, m: that of the question. */
const MOISTURE_AT = 0.2;

/** Holes about the tree, as answers. Medians of depths; of colours and moisture what most holes show, wet before dry. */
export function loggedGround(logs: readonly SoilLog[]): LoggedGround {
  const { holes, places } = readLogs(about(logs).map((log) => ({ ...log, place: 'ring' })));
  if (holes.length === 0) return {};
  const [all] = places;
  const grades = holes.flatMap((h) => h.oldGrade ?? []);
  const layers = holes.flatMap((h) => h.log.layers);
  const coloured = layers.filter((l) => l.colour);
  const colour = layers.some((l) => l.colour === 'mottled' || l.colour === 'grey')
    ? 'mottled'
    : layers.some((l) => l.colour === 'dark')
      ? 'dark'
      : coloured.some((l) => l.colour === 'pale')
        ? 'pale'
        : undefined;
  const at = holes.flatMap((h) => h.log.layers.find((l) => l.to >= MOISTURE_AT - 1e-9 && l.moisture) ?? []);
  const wet = at.filter((l) => l.moisture === 'wet' || l.moisture === 'water');
  const sour = wet.some((l) => l.smell === 'sour' || l.smell === 'rotten');
  const dry = at.filter((l) => l.moisture === 'dry');
  const moisture =
    at.length === 0
      ? undefined
      : 2 * wet.length >= at.length
        ? sour
          ? 'sour'
          : 'wet'
        : 2 * dry.length > at.length
          ? 'dry'
          : 'moist';
  return {
    ...(all?.topsoil !== undefined && { topsoil: all.topsoil }),
    ...(all?.refusal !== undefined && { refusal: all.refusal }),
    ...(grades.length > 0 && { oldGrade: Math.min(...grades) }),
    ...(colour && { colour }),
    ...(moisture && { moisture }),
  };
}
