import type { CauseKey } from '../vocabulary/causes';

/** A judgement between two ends, 0 to 1, with its reason. */
export interface Judged {
  from: number;
  to: number;
  why: string;
}

/** How far the chance is looked ahead, years. */
export const WORTH_YEARS = 10;

/**
 * If this cause is at work: the chance that the tree stands healthy enough to be kept after ten years, where it is
 * treated for it, and where nothing is done. Common practice, no source.
 */
export const OUTLOOK: Record<CauseKey, { treated: Judged; left: Judged }> = {
  plantedDeep: {
    treated: { from: 0.65, to: 0.85, why: 'Bark laid open dries and holds, unless it has decayed.' },
    left: { from: 0.2, to: 0.5, why: 'Buried stems fail over 10 to 20 years.' },
  },
  gradeRaised: {
    treated: { from: 0.55, to: 0.8, why: 'Air comes back to the old roots that still live.' },
    left: { from: 0.15, to: 0.45, why: 'Roots under fill die back year by year.' },
  },
  mulchCone: {
    treated: { from: 0.8, to: 0.95, why: 'Easily corrected while the bark is sound.' },
    left: { from: 0.35, to: 0.65, why: 'Wet bark decays, and roots turn round the stem.' },
  },
  containerRoots: {
    treated: { from: 0.55, to: 0.8, why: 'Cut in time the stem grows free; what has grown in stays.' },
    left: { from: 0.15, to: 0.4, why: 'Both thicken into each other every year.' },
  },
  confinedHole: {
    treated: { from: 0.5, to: 0.75, why: 'Roots follow opened soil within a few seasons.' },
    left: { from: 0.2, to: 0.45, why: 'A tree cannot outgrow its hole.' },
  },
  barrier: {
    treated: { from: 0.5, to: 0.75, why: 'Once the wall is out new roots go outward.' },
    left: { from: 0.2, to: 0.45, why: 'Roots circle along the wall for good.' },
  },
  compaction: {
    treated: { from: 0.5, to: 0.75, why: 'Opened soil lasts where air and organic matter follow.' },
    left: { from: 0.25, to: 0.5, why: 'Compacted ground seldom opens by itself.' },
  },
  waterlogging: {
    treated: { from: 0.45, to: 0.75, why: 'Drained in time, roots come back from the collar.' },
    left: { from: 0.05, to: 0.3, why: 'Roots without air die within weeks.' },
  },
  transplantShock: {
    treated: { from: 0.8, to: 0.95, why: 'Watered through two summers most of them root.' },
    left: { from: 0.4, to: 0.75, why: 'What does not root before a dry summer is lost.' },
  },
  drought: {
    treated: { from: 0.8, to: 0.95, why: 'Watered, sound roots recover.' },
    left: { from: 0.5, to: 0.8, why: 'Rain may do it.' },
  },
  severed: {
    treated: { from: 0.5, to: 0.75, why: 'Water and rest while roots regrow.' },
    left: { from: 0.35, to: 0.65, why: 'Some recover on their own.' },
  },
  biotic: {
    treated: { from: 0.3, to: 0.7, why: 'It depends on what it is; it has to be identified first.' },
    left: { from: 0.15, to: 0.5, why: 'What attacks sound trees seldom stops by itself.' },
  },
  chlorosis: {
    treated: { from: 0.5, to: 0.8, why: 'Soil corrected by its test; the ground stays what it is.' },
    left: { from: 0.3, to: 0.6, why: 'It starves slowly.' },
  },
  stemInjury: {
    treated: { from: 0.6, to: 0.85, why: 'Wounds close once nothing opens them again.' },
    left: { from: 0.35, to: 0.65, why: 'Mowers come back every week.' },
  },
  salt: {
    treated: { from: 0.5, to: 0.8, why: 'Rain washes it out once it is no longer spread.' },
    left: { from: 0.3, to: 0.6, why: 'Depends on the next winters.' },
  },
};

/** By how much dieback lowers every chance, from which share of the crown on. Common practice, no source. */
export const DIEBACK_FACTORS: readonly { from: number; factor: Judged }[] = [
  { from: 0, factor: { from: 1, to: 1, why: 'Crown as good as whole.' } },
  { from: 0.1, factor: { from: 0.9, to: 1, why: 'Some reserve is gone.' } },
  { from: 0.25, factor: { from: 0.7, to: 0.9, why: 'It lives off its reserves.' } },
  { from: 0.5, factor: { from: 0.35, to: 0.65, why: 'Half of the crown is dead.' } },
  { from: 0.7, factor: { from: 0.02, to: 0.15, why: 'Recovery is rare from here.' } },
];

export const OTHER_OUTLOOKS = {
  reset: { from: 0.6, to: 0.85, why: 'A young tree lifted in its season and watered for two seasons.' },
  replace: { from: 0.75, to: 0.95, why: 'A young tree planted right; the ground stays what it is.' },
  decay: {
    from: 0.5,
    to: 0.85,
    why: 'Soft bark, conks or a hollow sound at the base: worse below than the skin shows.',
  },
} as const satisfies Record<string, Judged>;

/** How far hours on site stray from those reckoned. Common practice, no source. */
export const COST_RANGE: Judged = {
  from: 0.8,
  to: 1.4,
  why: 'Roots, stones and access decide; seldom is it quicker.',
};

/** A look of the consultant at the tree each year, hours, while it is watched. */
export const WATCH_HOURS = 0.5;
