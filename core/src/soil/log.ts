import type { LogPlace, SoilLayer, SoilLog } from '../records';
import { shortMark } from '../units/marks';

/** Places of a hole of the soil probe, as they are named. */
export const PLACES: readonly { key: LogPlace; label: string }[] = [
  { key: 'ring', label: 'in the mulch ring' },
  { key: 'outside', label: 'outside the ring' },
  { key: 'open', label: 'in open ground' },
  { key: 'reference', label: 'by the reference tree' },
];

const placeAt = (log: SoilLog): number => PLACES.findIndex((p) => p.key === log.place);

/** Order of holes as they are shown: from the tree outward, then round it. */
export const fromTheTree = (a: SoilLog, b: SoilLog): number =>
  placeAt(a) - placeAt(b) || a.bearing - b.bearing || a.distance - b.distance;

/** Colours in plain words, and what each means for wetness and organic matter. Common practice, no source. */
export const COLOURS = [
  { key: 'dark', label: 'dark', means: 'topsoil, rich in organic matter' },
  { key: 'brown', label: 'brown', means: 'subsoil with air in it' },
  { key: 'pale', label: 'pale', means: 'little organic matter' },
  { key: 'mottled', label: 'mottled grey and rust', means: 'wet for part of the year' },
  { key: 'grey', label: 'grey or blue-grey', means: 'wet most of the year, without air' },
  { key: 'mixed', label: 'mixed, with rubble', means: 'imported fill' },
] as const satisfies readonly { key: NonNullable<SoilLayer['colour']>; label: string; means: string }[];

export const MOISTURES = [
  { key: 'dry', label: 'dry' },
  { key: 'moist', label: 'moist' },
  { key: 'wet', label: 'wet' },
  { key: 'water', label: 'water runs in' },
] as const satisfies readonly { key: NonNullable<SoilLayer['moisture']>; label: string }[];

export const SMELLS = [
  { key: 'none', label: 'earthy or none' },
  { key: 'sour', label: 'sour' },
  { key: 'rotten', label: 'rotten eggs' },
] as const satisfies readonly { key: NonNullable<SoilLayer['smell']>; label: string }[];

export const ROOTS = [
  { key: 'none', label: 'no roots' },
  { key: 'few', label: 'few roots' },
  { key: 'many', label: 'many roots' },
] as const satisfies readonly { key: NonNullable<SoilLayer['roots']>; label: string }[];

/** What one hole of the soil probe comes to; depths in m. */
export interface LogReading {
  log: SoilLog;
  /** Dark soil from the surface, or from the original grade where that lies deeper; not known without colours. */
  topsoil?: number;
  /** Depth of the original grade: where it was seen, or where dark soil lies under paler. */
  oldGrade?: number;
  /** Depth from which soil is mottled, grey or smells. */
  wetFrom?: number;
  /** Depth to which it was looked. */
  to: number;
}

const topOf = (layers: readonly SoilLayer[], i: number): number => layers[i - 1]?.to ?? 0;
const isWet = ({ colour, smell, moisture }: SoilLayer): boolean =>
  colour === 'mottled' || colour === 'grey' || smell === 'sour' || smell === 'rotten' || moisture === 'water';

/** A single hole read from its layers. */
export function readLog(log: SoilLog): LogReading {
  const { layers } = log;
  const dark = layers.map((l) => l.colour === 'dark');
  // Dark soil that begins under soil of another colour is the topsoil that was buried.
  const buried = layers.findIndex((_, i) => i > 0 && dark[i] && layers[i - 1]!.colour && !dark[i - 1]);
  const oldGrade = log.oldGrade ?? (buried > 0 ? topOf(layers, buried) : undefined);
  let topsoil: number | undefined;
  if (layers.some((l) => l.colour)) {
    topsoil = 0;
    const from = oldGrade ?? 0;
    for (const [i, layer] of layers.entries()) {
      if (layer.to <= from + 1e-9) continue;
      // A layer whose colour nobody noted may be topsoil.
      if (layer.colour === undefined && topsoil === 0) {
        topsoil = undefined;
        break;
      }
      if (!dark[i]) break;
      topsoil += layer.to - Math.max(from, topOf(layers, i));
    }
  }
  const wet = layers.findIndex(isWet);
  return {
    log,
    ...(topsoil !== undefined && { topsoil }),
    ...(oldGrade !== undefined && { oldGrade }),
    ...(wet >= 0 && { wetFrom: topOf(layers, wet) }),
    to: Math.max(layers.at(-1)?.to ?? 0, log.refusal ?? 0),
  };
}

const middle = (values: readonly number[]): number | undefined => {
  const sorted = [...values].sort((a, b) => a - b);
  const half = Math.floor(sorted.length / 2);
  return sorted.length === 0
    ? undefined
    : sorted.length % 2 === 1
      ? sorted[half]
      : (sorted[half - 1]! + sorted[half]!) / 2;
};

/** What the holes of one kind of place come to. */
export interface GroundAt {
  place: LogPlace;
  holes: number;
  /** Medians, m. */
  topsoil?: number;
  refusal?: number;
  /** Holes that are wet, and the shallowest depth from which one is. */
  wet: number;
  wetFrom?: number;
  /** Holes with no root in them, of those looked at for roots. */
  rootless: number;
  lookedForRoots: number;
}

export interface LogsReading {
  holes: LogReading[];
  places: GroundAt[];
  /** How the ground about the tree differs from that elsewhere, in sentences. */
  compared: string[];
}

/** Differences of depth that are worth saying, m. Judgement: what two holes a step apart differ by. */
const DIFFERS = 0.05;

function groundAt(place: LogPlace, holes: readonly LogReading[]): GroundAt {
  const refusals = holes.flatMap((h) => h.log.refusal ?? []);
  const wet = holes.flatMap((h) => h.wetFrom ?? []);
  const looked = holes.filter((h) => h.log.layers.some((l) => l.roots));
  const topsoil = middle(holes.flatMap((h) => h.topsoil ?? []));
  return {
    place,
    holes: holes.length,
    ...(topsoil !== undefined && { topsoil }),
    ...(refusals.length > 0 && { refusal: middle(refusals)! }),
    wet: wet.length,
    ...(wet.length > 0 && { wetFrom: Math.min(...wet) }),
    rootless: looked.filter((h) => h.log.layers.every((l) => l.roots === undefined || l.roots === 'none'))
      .length,
    lookedForRoots: looked.length,
  };
}

/**
 * All holes of a visit, the ground about the tree set beside that of the reference tree, else beside open ground.
 *
 * @param elsewhere holes of the reference tree's own visits
 */
export function readLogs(logs: readonly SoilLog[], elsewhere: readonly SoilLog[] = []): LogsReading {
  const holes = [...logs].sort(fromTheTree).map(readLog);
  const others = elsewhere.map((log) => readLog({ ...log, place: 'reference' }));
  const places = PLACES.flatMap(({ key }): GroundAt[] => {
    const at = [...holes, ...others].filter((h) => h.log.place === key);
    return at.length > 0 ? [groundAt(key, at)] : [];
  });
  const at = (place: LogPlace) => places.find((p) => p.place === place);
  const here = holes.filter((h) => h.log.place === 'ring' || h.log.place === 'outside');
  const compared: string[] = [];
  const beside = at('reference') ?? at('open');
  if (here.length > 0 && beside) {
    const tree = groundAt('ring', here);
    const there = PLACES.find((p) => p.key === beside.place)!.label;
    const set = (what: string, a: number | undefined, b: number | undefined) => {
      if (a === undefined || b === undefined) return;
      compared.push(
        Math.abs(a - b) < DIFFERS
          ? `${what} ${shortMark(a)}, as ${there}.`
          : `${what} ${shortMark(a)} about the tree, ${shortMark(b)} ${there}.`,
      );
    };
    set('Topsoil', tree.topsoil, beside.topsoil);
    set('The probe stops at', tree.refusal, beside.refusal);
    if (tree.wet > 0 && beside.wet === 0)
      compared.push(`Long wet from ${shortMark(tree.wetFrom!)} about the tree, not ${there}.`);
    else if (tree.wet === 0 && beside.wet > 0)
      compared.push(`Long wet from ${shortMark(beside.wetFrom!)} ${there}, not about the tree.`);
    else if (tree.wet > 0) compared.push(`Long wet about the tree as ${there}: the whole ground is.`);
  }
  const [ring, outside] = [at('ring'), at('outside')];
  if (ring && outside && ring.wet > 0 && outside.wet === 0)
    compared.push(`Wet in the mulch ring from ${shortMark(ring.wetFrom!)}, not outside it.`);
  if (outside && outside.lookedForRoots > 0 && outside.rootless === outside.lookedForRoots)
    compared.push('No root was met outside the ring.');
  return { holes, places, compared };
}
