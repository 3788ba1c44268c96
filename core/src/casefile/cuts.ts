/** What was decided for the cut plan of a visit; the plan itself follows from it and the dig. SI, degrees from true north. */
export interface CutDesign {
  stages?: number;
  /** Growing seasons from one stage to the next. */
  interval?: number;
  /** Limits set by hand: shares of the root cross-section, degrees, m, multiples of DBH. */
  limits?: Partial<CutLimits>;
  /** The side the wind comes from, and the side of what a fall would hit. */
  windward?: number;
  target?: number;
  /** A species or a site that takes loss badly. */
  sensitive?: true;
  /** Roots held by hand: kept, cut, or cut in a stage (from 1). */
  locks?: { label: string; hold: 'keep' | 'cut'; stage?: number }[];
  /** The plan that was agreed: label and stage (from 1) of each root that goes. */
  agreed?: { label: string; stage: number }[];
  /** ISO days for which later stages are planned; the first stage is planned with its operation. */
  days?: { stage: number; on: string }[];
  note?: string;
}

/** What a plan keeps to. */
export interface CutLimits {
  stageLoss: number;
  totalLoss: number;
  anchorGap: number;
  strictGap: number;
  largest: number;
  /** Of roots thicker than this no more than one goes in a stage. */
  together: number;
  nearDbh: number;
}

/** What each limit may be: shares of the root cross-section, degrees, m, multiples of DBH. */
export const CUT_RANGES: Record<keyof CutLimits, readonly [least: number, most: number]> = {
  stageLoss: [0, 1],
  totalLoss: [0, 1],
  anchorGap: [30, 360],
  strictGap: [30, 360],
  largest: [0.01, 0.8],
  together: [0.01, 0.8],
  nearDbh: [0, 10],
};
