import { crownReach } from '../crown';
import { ageAt, seasonMonths } from '../history';
import { LIMITS } from '../practice';
import type { Profile } from '../profile';
import { answerTo } from '../questions/question';
import type { Tree, Visit } from '../records';
import { sampleOf } from '../soil';
import { shortMark } from '../units/marks';
import { ballOf } from '../weighing/lift';
import { tightGround } from '../weighing/ground';
import type { RootZone } from './balance';
import { referenceEt, type StationPlace, type WeatherDay } from './evapotranspiration';

/** Water that a loam holds between field capacity and wilting, share. Source: Saxton & Rawls 2006, table 3. */
const LOAM = 0.14;
/** A fall of the ground from which rain runs off it, share. Common practice, no source. */
const STEEP = 0.05;
const METRE_TO_MM = 1000;

/**
 * What landscape trees draw of the reference at a place: by its growing seasons of whole months, in which rain makes up for
 * the reference or does not.
 *
 * @param known daily weather; where it holds no growing season, summers are taken as dry
 */
export function plantFactorAt(place: StationPlace, known: readonly WeatherDay[]): number {
  const months = seasonMonths({ latitude: place.latitude });
  let rain = 0;
  let reference = 0;
  for (const day of known) {
    if (!months.includes(Number(day.date.slice(5, 7)))) continue;
    rain += day.rain;
    reference += referenceEt(place, day).mm;
  }
  const humid = reference > 0 && rain / reference >= LIMITS.humidSummer.value;
  return LIMITS[humid ? 'plantFactorHumid' : 'plantFactor'].value;
}

/** What a tree can draw on, and what it was worked out from, in words. */
export interface TreeZone extends RootZone {
  /** Depth and radius of the roots, m. */
  depth: number;
  radius: number;
  notes: string[];
}

/**
 * The root zone of a tree: of one planted or reset lately its ball and how far its roots went since, of others the ground
 * under the crown.
 *
 * @param today ISO date
 * @param since year it was planted, moved or reset last; else that of its planting
 * @param plant what landscape trees draw of the reference here
 * @param own what the tree draws against what others do, learned from the probe
 * @returns undefined where neither stem nor crown was measured
 */
export function zoneOf(
  tree: Tree,
  visit: Visit,
  profile: Profile,
  today: string,
  since?: number,
  plant: number = LIMITS.plantFactor.value,
  own = 1,
): TreeZone | undefined {
  const notes: string[] = [];
  const year = Number(today.slice(0, 4));
  const planted =
    since ?? (ageAt(tree, visit) ? Number(visit.date.slice(0, 4)) - ageAt(tree, visit)!.years : undefined);
  const ball = ballOf({ tree, visit });
  const reach = crownReach(tree);
  const grown =
    ball && planted !== undefined
      ? ball.diameter / 2 + LIMITS.rootsOut.value * Math.max(0, year - planted)
      : undefined;
  const crown = reach ?? grown;
  if (crown === undefined) return undefined;
  const young = grown !== undefined && grown < crown;
  const radius = young ? grown : crown;
  if (reach === undefined) notes.push('Crown not measured: as wide as its roots.');
  notes.push(
    young
      ? `Ball of ${planted}, and ${shortMark(LIMITS.rootsOut.value)} of roots a year since.`
      : 'Roots under the whole crown.',
  );
  const stops = answerTo(visit.findings, 'probe.refusal')?.number;
  const depth = Math.max(
    0.15,
    Math.min(
      LIMITS.rootDepth.value,
      stops ?? Infinity,
      young ? Math.max(ball!.depth, Math.min(LIMITS.rootDepth.value, radius)) : Infinity,
    ),
  );
  const sample = sampleOf(visit.findings);
  const holds = sample.available?.value ?? LOAM;
  if (!sample.available) notes.push('Texture not tested: loam taken.');
  else notes.push(`Soil: ${sample.texture}.`);
  const area = Math.PI * radius ** 2;
  const ring = profile.mulch?.ringRadius.value ?? 0;
  const mulched = Math.min(1, (ring / radius) ** 2);
  const over = Math.min(LIMITS.crownOverRoots.value, (crown / radius) ** 2);
  const fall = answerTo(visit.findings, 'soil.fall')?.number ?? 0;
  const tight = tightGround({ tree, visit }) !== undefined;
  return {
    store: METRE_TO_MM * depth * holds,
    easy: LIMITS[young ? 'easyYoung' : 'easyEstablished'].value,
    area,
    factor: plant * over * (1 - LIMITS.mulchSaves.value * mulched) * own,
    kept: METRE_TO_MM * LIMITS.crownKeeps.value,
    runOff: (fall > STEEP ? LIMITS.runOffSlope.value : 0) + (tight ? LIMITS.runOffTight.value : 0),
    depth,
    radius,
    notes,
  };
}
