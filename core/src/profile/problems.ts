import type { Finding, GradeProfile, ProbePoint } from '../records';
import { answerTo, sectorOf, SECTORS } from '../questions/question';
import { bearingGap } from '../geometry';
import type { CollarResult } from './collar';
import type { FillResult } from './fill';
import { shortMark } from '../units/marks';

/** Readings that do not go together. Nothing is dropped because of one: it is shown, and the rest is used. */
export interface Problem {
  station: 'base' | 'mulch' | 'probe';
  message: string;
}

/** Same place for the rod: within 5 degrees and 5 cm. */
const samePlace = (a: ProbePoint, b: ProbePoint) =>
  bearingGap(a.bearing, b.bearing) <= 5 && Math.abs(a.distance - b.distance) <= 0.05;

export function problemsOf(
  profiles: readonly GradeProfile[],
  probes: readonly ProbePoint[],
  findings: readonly Finding[],
  collar: CollarResult | undefined,
  fill: FillResult | undefined,
): Problem[] {
  const found: Problem[] = [];
  const say = (station: Problem['station'], message: string) => found.push({ station, message });

  const withMulch = profiles.filter((p) => p.mulch.length > 0);
  if (withMulch.length === 1) {
    say(
      'mulch',
      `Only one mulch profile (${withMulch[0]!.bearing}°): taken as the same all round. Read at least four.`,
    );
  }
  for (const p of profiles) {
    const beyond = p.mulch.find((m) => p.mulchEnds !== undefined && m.distance > p.mulchEnds && m.depth > 0);
    if (beyond) {
      say(
        'mulch',
        `At ${p.bearing}° mulch is ${shortMark(beyond.depth)} deep at ${shortMark(beyond.distance)}, but ends at ${shortMark(p.mulchEnds!)}.`,
      );
    }
  }
  for (const point of probes) {
    if (point.found !== 'root') continue;
    const sector = sectorOf(point.bearing);
    const entry = answerTo(findings, 'base.entry', sector)?.answer;
    if (point.depth < 0 && point.from === 'grade' && entry === 'straight') {
      say(
        'probe',
        `At ${point.bearing}° the root stands ${shortMark(-point.depth)} above grade, yet the stem is noted as straight on the ${SECTORS[sector]} side. Is the sign wrong?`,
      );
    }
    const empty = probes.find(
      (p) => p.found === 'nothing' && p.from === point.from && p.depth > point.depth && samePlace(p, point),
    );
    if (empty) {
      say(
        'probe',
        `At ${point.bearing}° a root at ${shortMark(point.depth)} and no root to ${shortMark(empty.depth)} in the same place: push again.`,
      );
    }
  }
  if (probes.some((p) => p.from === 'mulch') && withMulch.length === 0) {
    say(
      'probe',
      'Some pushes are read from the mulch, but no mulch depth is entered: they count from grade until it is.',
    );
  }
  if (collar && fill && fill.atStem.value - collar.depth.value > 0.03) {
    say(
      'probe',
      `Fill at the stem (${shortMark(fill.atStem.value)}) is deeper than the first roots (${shortMark(collar.depth.value)}): these may be adventitious roots in the fill. Dig to see.`,
    );
  }
  return found;
}
