import type { Dig, Tree } from '@undrel/core/records';
import type { UnitSystem } from '@undrel/core/units';
import { digPlanDrawing, fittingView } from './digPlan';
import type { Drawing } from './shapes';
import type { NumberedCut } from '@undrel/core/pruning';
import type { DigReading } from '@undrel/core/roots';

/** Narrower than this only labels fit, not what they say, px. */
const COMPACT_BELOW = 420;

/** The plan of a dig as it stands, for a sheet or a file. */
export const planOf = (
  { dig, reading, cuts }: { dig: Dig; reading: DigReading; cuts: readonly NumberedCut[] },
  tree: Tree,
  system: UnitSystem,
  size: { width: number; height: number },
  never?: readonly string[],
): Drawing =>
  digPlanDrawing({
    reading,
    outline: reading.outline,
    paths: reading.roots.map((r) => r.path),
    there: reading.roots.map(() => true),
    arcs: reading.arcs,
    share: reading.share,
    view: fittingView(reading, size.width, size.height),
    ...size,
    system,
    dbh: tree.dbh ?? tree.stemDiameter,
    drip: tree.crownRadius,
    decay: dig.decay,
    barriers: dig.barriers,
    cuts,
    never,
    compact: size.width < COMPACT_BELOW,
  });
