import type { SoilLog, Tree } from '@undrel/core/records';

/** Holes of the soil probe. Invented. */
export const SOIL_LOGS: Record<string, SoilLog[]> = {
  // The path contractor's spoil over the old turf, rolled at its foot.
  'kelpworth-4': [
    {
      place: 'ring',
      bearing: 90,
      distance: 0.7,
      layers: [
        { to: 0.14, colour: 'mixed', texture: 'sandy loam', moisture: 'moist', roots: 'few' },
        { to: 0.24, colour: 'dark', texture: 'loam', moisture: 'moist', roots: 'few' },
        { to: 0.38, colour: 'mottled', texture: 'clay loam', moisture: 'wet', smell: 'sour', roots: 'none' },
        { to: 0.6, colour: 'brown', texture: 'clay loam', moisture: 'moist', roots: 'none' },
      ],
    },
    {
      place: 'outside',
      bearing: 270,
      distance: 1.8,
      layers: [
        { to: 0.11, colour: 'mixed', texture: 'sandy loam', moisture: 'dry', roots: 'none' },
        { to: 0.22, colour: 'dark', texture: 'loam', moisture: 'moist', roots: 'few' },
        { to: 0.3, colour: 'mottled', texture: 'clay loam', moisture: 'moist', roots: 'none' },
      ],
      refusal: 0.31,
    },
  ],
  'kelpworth-17': [
    {
      place: 'ring',
      bearing: 180,
      distance: 0.8,
      layers: [
        { to: 0.26, colour: 'dark', texture: 'loam', moisture: 'moist', smell: 'none', roots: 'many' },
        { to: 0.65, colour: 'brown', texture: 'clay loam', moisture: 'moist', smell: 'none', roots: 'few' },
      ],
    },
  ],
  // Nursery mix in a hole bored into clay: the hole is wet, the ground about it is not.
  'sable-katsura-14': [
    {
      place: 'ring',
      bearing: 40,
      distance: 0.25,
      layers: [
        { to: 0.18, colour: 'dark', texture: 'sandy loam', moisture: 'wet', roots: 'many' },
        { to: 0.42, colour: 'mottled', texture: 'sandy loam', moisture: 'wet', smell: 'sour', roots: 'few' },
      ],
      refusal: 0.45,
    },
    {
      place: 'outside',
      bearing: 40,
      distance: 1.2,
      layers: [
        { to: 0.1, colour: 'dark', texture: 'clay loam', moisture: 'moist', roots: 'few' },
        { to: 0.4, colour: 'brown', texture: 'clay', moisture: 'moist', smell: 'none', roots: 'none' },
      ],
      refusal: 0.41,
    },
  ],
};

/** Crowns that were measured bearing by bearing: shaded or pruned back to one side. Invented. */
export const CROWN_SPREAD: Record<string, NonNullable<Tree['crownSpread']>> = {
  'kelpworth-4': [3.1, 3, 2.7, 2.2, 1.9, 2.1, 2.6, 2.9].map((radius, i) => ({ bearing: 45 * i, radius })),
};
