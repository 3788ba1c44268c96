/** How the year of a place is told from its daily weather. */
export const SPELLS = {
  /** Whole years without which nothing is said of a place. Judgement. */
  leastYears: 3,
  /** Leaves grow after this many days in a row whose mean is above this, °C. ETCCDI, growing season length (Zhang et al. 2011, from memory). */
  growsAbove: 5,
  growsDays: 6,
  /** A month is hot with so many days of so many °C in its mean year. Judgement. */
  hotDegrees: 30,
  hotDays: 5,
  /** A month is wet with so much more rain than evaporation, mm, and dry with so much less. Judgement. */
  wet: 30,
  dry: 60,
  /** The ground is frozen where the mean of so many days is below 0 °C, on a day of the year on which it is so in so many years. Judgement. */
  frozenDays: 5,
  frozenYears: 0.5,
} as const;
