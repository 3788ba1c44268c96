/** Heads of the tables of trenches, the same on screen, on paper and in the PDF. */
export const TRENCH_HEAD = ['trench', 'bearing', 'bark to start', 'to end', 'season', 'ended by'];
export const WAYS_HEAD = ['way', 'opens', 'disturbs', 'because'];
export const TRENCH_CAPTION =
  'Trenches on their site, true scale, north up; filled ones are dug first. Buried lines are located before any digging.';

export const SOIL_CAPTION = 'Holes of the soil probe by depth, and how hard the ground is to push into.';

export const STAGES_HEAD = ['stage', 'year', 'roots', 'root cross-section'];
export const CUT_REASONS_HEAD = ['root', 'what becomes of it', 'because'];
