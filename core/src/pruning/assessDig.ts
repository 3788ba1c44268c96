import { diebackOf } from '../crown/dieback';
import type { Tree, Visit } from '../records';
import { inOrder } from '../labels';
import { vigourFrom } from '../crown';
import { forecastOf, type Forecast, type Scenario } from '../growth/forecast';
import { stemRate, type StemRate } from '../growth/rates';
import { LIMITS } from '../practice/limits';
import { withAge } from '../history';
import type { House } from '../house';
import { isMapped, readDig, type DigReading } from '../roots';
import { adviseRoots, proposalFor, type PruningAdvice } from './advice';
import type { Cut } from './cuts';

/** Draws of a forecast, and their seed: the same dig gives the same forecast on every screen. */
export const FORECAST_DRAWS = 2000;
export const FORECAST_SEED = 20261;

/** All that follows from the dig of one visit. */
export interface DigAssessment {
  reading: DigReading;
  stem: StemRate;
  advice: PruningAdvice;
  forecast: Forecast;
}

export interface NumberedCut {
  number: number;
  label: string;
  cut: Cut;
}

/** Years after which what is cut later goes, where no plan was agreed. */
const LATER = 2;

/** Low vigour or much dieback: the tree counts as stressed, and less of its roots goes in a season. */
export function isStressed(visit: Visit): boolean {
  const vigour = vigourFrom(visit.findings);
  const dieback = diebackOf(visit.findings) ?? 0;
  return (
    (vigour !== undefined && vigour.ratio < LIMITS.vigourDrop.value) ||
    dieback >= LIMITS.stressedDieback.value
  );
}

/**
 * What is set side by side: nothing done, one root cut alone, what is advised now, and that with the rest two years on.
 *
 * @param alone label of a root, where one is looked at
 */
export function scenariosOf(advice: PruningAdvice, alone?: string): Scenario[] {
  const cut = (decision: string, year: number): Record<string, number> =>
    Object.fromEntries(
      advice.roots.filter((r) => r.decision === decision).map((r) => [r.label, r.inYears ?? year]),
    );
  const now = cut('cut now', 0);
  const later = cut('cut later', LATER);
  const when = Math.max(LATER, ...Object.values(later));
  const names = (cuts: Record<string, number>) => Object.keys(cuts).join(', ');
  return [
    { name: 'nothing done', cuts: {} },
    ...(alone !== undefined && advice.roots.some((r) => r.label === alone) && names(now) !== alone
      ? [{ name: `only ${alone} now`, cuts: { [alone]: 0 } }]
      : []),
    ...(names(now) ? [{ name: `${names(now)} now`, cuts: now }] : []),
    ...(names(later)
      ? [
          {
            name: `${names(now) ? `${names(now)} now, ` : ''}${names(later)} ${when === LATER ? 'in two years' : `by year ${when}`}`,
            cuts: { ...now, ...later },
          },
        ]
      : []),
  ];
}

/** The cuts of this season, numbered round the stem from north clockwise. */
export const numberedCuts = (advice: PruningAdvice): NumberedCut[] =>
  advice.roots
    .filter((r) => r.decision === 'cut now')
    .flatMap((r) => r.cuts.map((cut) => ({ label: r.label, cut })))
    .sort((a, b) => a.cut.bearing - b.cut.bearing)
    .map((c, i) => ({ ...c, number: i + 1 }));

/**
 * Reads, forecasts and advises on the dig of a visit.
 *
 * @param visits all of the tree's, for its growth from one dig to another
 * @returns undefined when the visit has no dig with a root in it
 */
export function assessDig(
  tree: Tree,
  visits: readonly Visit[],
  visit: Visit,
  firm: House = {},
): DigAssessment | undefined {
  if (!visit.dig || !isMapped(visit.dig)) return undefined;
  const reading = readDig(tree, inOrder(visit.dig));
  const stem = stemRate(tree, visits, firm.species);
  const all = {
    tree: withAge(tree, visit),
    date: visit.date,
    reading,
    stem,
    stressed: isStressed(visit),
    firm,
    design: visit.cuts,
  };
  const proposed = proposalFor(all);
  const forecast = forecastOf(reading, {
    draws: FORECAST_DRAWS,
    seed: FORECAST_SEED,
    stem,
    barriers: visit.dig.barriers ?? [],
    scenarios: scenariosOf(adviseRoots(all, proposed)),
  })!;
  return { reading, stem, advice: adviseRoots({ ...all, forecast }, proposed), forecast };
}
