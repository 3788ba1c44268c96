import type { OperationKey } from '../vocabulary/operations';

/** What a remedy does where it was done as prescribed; what it is for stands with the remedy (`treats`). */
export interface Effect {
  /** That it was done, in words. */
  done: string;
  /** Chance that it ends what it is for. Judgement; common practice, no source. */
  chance: number;
  /** Growing seasons until the crown shows it, at the soonest and at the latest. Judgement; common practice, no source. */
  seasons: readonly [soonest: number, latest: number];
  /** What it leaves behind. */
  leaves: string;
}

export const EFFECTS = {
  mulch: {
    done: 'mulch pulled back',
    chance: 0.95,
    seasons: [1, 3],
    leaves: 'bark that was kept damp, and roots that grew into the mulch',
  },
  mulchRing: { done: 'mulch ring laid', chance: 0.8, seasons: [1, 3], leaves: 'the wounds that were there' },
  excavate: {
    done: 'root collar excavated',
    chance: 0.9,
    seasons: [1, 3],
    leaves: 'roots across the stem that it shows, and a floor below grade',
  },
  regrade: {
    done: 'fill taken off',
    chance: 0.85,
    seasons: [1, 3],
    leaves: 'roots that died under the fill',
  },
  treeWell: {
    done: 'tree well built',
    chance: 0.6,
    seasons: [1, 4],
    leaves: 'fill over the roots beyond the well',
  },
  ring: {
    done: 'root-control ring opened',
    chance: 0.75,
    seasons: [1, 3],
    leaves: 'roots that turned at the wall',
  },
  prune: {
    done: 'roots pruned',
    chance: 0.75,
    seasons: [1, 3],
    leaves: 'bark that was compressed, and fewer roots',
  },
  reset: {
    done: 'lifted and reset',
    chance: 0.85,
    seasons: [1, 3],
    leaves: 'fewer roots, and ground that settles',
  },
  raise: {
    done: 'raised onto a mound',
    chance: 0.75,
    seasons: [1, 3],
    leaves: 'a mound that dries in summer',
  },
  openBall: {
    done: 'root ball opened',
    chance: 0.6,
    seasons: [1, 3],
    leaves: 'fewer roots, and the inner circle of the pot',
  },
  move: {
    done: 'moved to another place',
    chance: 0.85,
    seasons: [1, 3],
    leaves: 'fewer roots, in a new place',
  },
  drain: { done: 'ground drained', chance: 0.75, seasons: [1, 3], leaves: 'roots that drowned' },
  trench: {
    done: 'soil opened',
    chance: 0.5,
    seasons: [2, 4],
    leaves: 'compacted ground between the trenches',
  },
  stake: { done: 'staked', chance: 0.5, seasons: [1, 2], leaves: 'a stem that leans on its stake' },
  ties: { done: 'ties loosened or cut', chance: 0.9, seasons: [1, 2], leaves: 'the groove that it cut' },
  guard: { done: 'guarded', chance: 0.8, seasons: [1, 2], leaves: 'the wounds that were there' },
  leach: { done: 'salt leached', chance: 0.7, seasons: [1, 2], leaves: 'whatever salt comes next winter' },
  feed: { done: 'pH or iron corrected', chance: 0.7, seasons: [1, 2], leaves: 'the ground as it is' },
  water: { done: 'watered', chance: 0.8, seasons: [1, 2], leaves: 'roots that died in the dry' },
} as const satisfies Partial<Record<OperationKey, Effect>>;

export const effectOf = (operation: OperationKey): Effect | undefined =>
  (EFFECTS as Partial<Record<OperationKey, Effect>>)[operation];
