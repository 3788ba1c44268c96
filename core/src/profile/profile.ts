import type { Tree, Visit } from '../records';
import { stemRadius } from '../records/stem';
import { answersTo } from '../questions/question';
import { collarOf, type CollarResult } from './collar';
import { fillOf, type FillResult } from './fill';
import { mulchOf, type MulchResult } from './mulch';
import { problemsOf, type Problem } from './problems';

export interface Flare {
  /** By sector from north: true where the flare is seen, false where the stem goes in straight. */
  sectors: (boolean | undefined)[];
  seen: number;
  looked: number;
}

/** What the tape and the rod say about the ground round one stem at one visit. */
export interface Profile {
  stemRadius: number | undefined;
  mulch: MulchResult | undefined;
  fill: FillResult | undefined;
  collar: CollarResult | undefined;
  flare: Flare;
  problems: Problem[];
  /** What keeps a result from being computed, in words for the entry. */
  missing: string[];
}

/** Flare visibility by sector, from the answers to how the stem enters the ground. */
export function flareOf(visit: Visit): Flare {
  const sectors: (boolean | undefined)[] = Array.from({ length: 8 }, () => undefined);
  for (const f of answersTo(visit.findings, 'base.entry')) {
    if (f.part !== undefined && f.answer) sectors[f.part] = f.answer === 'flared';
  }
  return {
    sectors,
    seen: sectors.filter((s) => s === true).length,
    looked: sectors.filter((s) => s !== undefined).length,
  };
}

/**
 * Mulch, fill, collar depth and flare of one visit. Whatever was not measured is undefined, never zero.
 */
export function profileOf(tree: Tree, visit: Visit): Profile {
  const radius = stemRadius(tree);
  const missing: string[] = [];
  const measuredGround = visit.profiles.some((p) => p.mulch.length > 0 || p.fill.length > 0);
  if (radius === undefined && measuredGround)
    missing.push('Stem diameter is needed for volumes: measure it at the base.');
  const mulch = radius === undefined ? undefined : mulchOf(visit.profiles, radius);
  const fill = radius === undefined ? undefined : fillOf(visit.profiles, radius);
  const collar = collarOf(visit.probes, mulch ? mulch.surface.depth : undefined);
  return {
    stemRadius: radius,
    mulch,
    fill,
    collar,
    flare: flareOf(visit),
    problems: problemsOf(visit.profiles, visit.probes, visit.findings, collar, fill),
    missing,
  };
}
