import { periodic, radialVolume, roundIntegral, roundMean, type BearingValue } from '../geometry';
import { limit, type Situation } from './operation';

/** Roots that stand above grade leave nothing to take away there. */
export const belowGrade = (d: BearingValue): BearingValue => ({ ...d, value: Math.max(0, d.value) });

/**
 * A bowl round the stem: a level floor of `room` from the bark at the depth of the collar, then a straight slope that
 * runs out to grade at `run` for each unit of depth.
 *
 * @param depths depth of the floor below grade by bearing, m; at least one
 * @param stemRadius m
 * @returns volume of soil to take out, m3, and the mean outer radius from the stem's centre, m
 */
export function bowl(
  depths: readonly BearingValue[],
  stemRadius: number,
  room: number,
  run: number,
): { volume: number; outerRadius: number } {
  const depth = periodic(depths);
  const perRadian = (bearing: number) => {
    const d = Math.max(0, depth(bearing));
    const line = [
      { distance: 0, depth: d },
      { distance: room, depth: d },
      { distance: room + run * d, depth: 0 },
    ];
    return radialVolume(line, stemRadius);
  };
  const mean = roundMean(depths.map(belowGrade));
  return {
    volume: roundIntegral(
      perRadian,
      depths.map((d) => d.bearing),
    ),
    outerRadius: stemRadius + room + run * mean,
  };
}

/** Depth of the collar by bearing, and the bowl that is dug in any case; undefined where it was not probed. */
export function dugOut({ profile: { collar, stemRadius } }: Situation) {
  if (!collar || stemRadius === undefined) return undefined;
  const depths = collar.byBearing;
  return {
    depths,
    stemRadius,
    floor: Math.max(0, roundMean(depths)),
    bowl: bowl(depths, stemRadius, limit('workingRoom'), limit('featherRun')),
  };
}
