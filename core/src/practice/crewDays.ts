import { PRACTICE, type Limit } from './limit';

/** What the packing of crew days weighs, all in hours of the crew. */
export const CREW_DAYS = {
  travel: {
    value: 1,
    unit: 'h',
    reason: 'Loading, the way there and back, and setting up, for each of the grounds on a day.',
    source: PRACTICE,
  },
  machine: {
    value: 1,
    unit: 'h',
    reason: 'Fetching and bringing back the air tool with its compressor, each day it comes along.',
    source: PRACTICE,
  },
  lateDay: {
    value: 0.1,
    unit: 'h',
    reason: 'A day after its time costs little by itself: ten days are as much as one trip.',
    source: PRACTICE,
  },
  left: {
    value: 40,
    unit: 'h',
    reason: 'Work that no day holds costs more than any trip, so that it is left only where it has to be.',
    source: PRACTICE,
  },
  drying: {
    value: 14,
    unit: 'days',
    reason: 'Bark that was buried dries for two weeks before anything is cut or covered.',
    source: PRACTICE,
  },
} as const satisfies Record<string, Limit>;
