import type { Parts, ValuesOf } from './kind';

/** What each limit of a cut plan may be: shares of the root cross-section, degrees, m, multiples of DBH. */
export const CUT_RANGES = {
  stageLoss: [0, 1],
  totalLoss: [0, 1],
  anchorGap: [30, 360],
  /** The same for what the first stage opens. */
  stageGap: [30, 360],
  strictGap: [30, 360],
  largest: [0.01, 0.8],
  /** Of roots thicker than this no more than one goes in a stage. */
  together: [0.01, 0.8],
  nearDbh: [0, 10],
} as const;

/** What was decided for the cut plan of a visit; the plan itself follows from it and the dig. Degrees from true north. */
export const cuts = ({ bearing, day, once, text, z }: Parts) => {
  const ranged = (key: keyof typeof CUT_RANGES) =>
    z.number().min(CUT_RANGES[key][0]).max(CUT_RANGES[key][1]).optional();
  const stage = z.int().min(1).max(5);
  const label = text(12);
  return z.strictObject({
    stages: stage.optional(),
    /** Growing seasons from one stage to the next. */
    interval: z.int().min(1).max(10).optional(),
    /** Set by hand. */
    limits: z
      .strictObject({
        stageLoss: ranged('stageLoss'),
        totalLoss: ranged('totalLoss'),
        anchorGap: ranged('anchorGap'),
        stageGap: ranged('stageGap'),
        strictGap: ranged('strictGap'),
        largest: ranged('largest'),
        together: ranged('together'),
        nearDbh: ranged('nearDbh'),
      })
      .optional(),
    /** The side the wind comes from, and the side of what a fall would hit. */
    windward: bearing.optional(),
    target: bearing.optional(),
    /** A species or a site that takes loss badly. */
    sensitive: z.literal(true).optional(),
    /** Roots held by hand: kept, cut, or cut in a stage. */
    locks: z
      .array(z.strictObject({ label, hold: z.enum(['keep', 'cut']), stage: stage.optional() }))
      .max(500)
      .optional(),
    /** The plan that was agreed: each root that goes. */
    agreed: z.array(z.strictObject({ label, stage })).max(500).optional(),
    /** Days for which later stages are planned; the first is planned with its operation. */
    days: z
      .array(z.strictObject({ stage, on: day }))
      .max(5)
      .refine(
        once((d: { stage: number }) => d.stage),
        'a stage is given twice',
      )
      .optional(),
    note: text(2000).optional(),
  });
};

export type CutDesign = ValuesOf<typeof cuts>;
/** What a plan keeps to. */
export type CutLimits = Required<NonNullable<CutDesign['limits']>>;
