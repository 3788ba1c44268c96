/** Sides of the stem from which an open root collar is photographed, degrees from true north. */
export const RING = [0, 45, 90, 135, 180, 225, 270, 315] as const;
