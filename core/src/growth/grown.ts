import {
  compressionOf,
  grownOutline,
  togetherOf,
  TOUCH_TOLERANCE,
  type Arc,
  type DigReading,
  type Outline,
  type RootPath,
} from '../roots';
import { mayClose } from './closing';
import { rootRate, type StemRate } from './rates';

/** A dig some years on, at the middle rates. */
export interface GrownDig {
  outline: Outline;
  paths: RootPath[];
  /** Whether each root is still there. */
  there: boolean[];
  arcs: Arc[];
  share: number;
}

/**
 * Stem and roots as they will be after some years if they grow at their middle rates.
 *
 * @param cuts years from now in which roots are cut, by label; a cut root is gone from that year on
 */
export function grownDig(
  reading: DigReading,
  years: number,
  stem: StemRate,
  cuts: Readonly<Record<string, number>> = {},
): GrownDig {
  const outline = years === 0 ? reading.outline : grownOutline(reading.outline, stem.perYear * years);
  const there = reading.roots.map(({ root }) => !((cuts[root.label] ?? Infinity) <= years));
  const paths = reading.roots.map(({ root, path }) => {
    if (years === 0) return path;
    const thicker = rootRate(root, stem).perYear * years;
    return { ...path, radius: path.radius.map((r) => r + thicker) };
  });
  const together = togetherOf(
    reading.roots.flatMap((root, i) =>
      there[i] && (years === 0 || mayClose(root))
        ? [
            compressionOf(paths[i]!, root.counted, outline, {
              tolerance: TOUCH_TOLERANCE,
              underside: reading.underside,
            }),
          ]
        : [],
    ),
    outline,
  );
  return { outline, paths, there, arcs: together.arcs, share: together.share };
}
