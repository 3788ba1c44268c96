import type { OperationKey } from '../vocabulary/operations';
import { PRACTICE, type Limit } from './limit';

/** What the packing of crew days weighs, all in hours of the crew. */
export const CREW_DAYS = {
  travel: {
    value: 1,
    unit: 'h',
    reason:
      'Loading, the way there and back, and setting up, for each property on a day whose place is not known.',
    source: PRACTICE,
  },
  setUp: {
    value: 0.5,
    unit: 'h',
    reason: 'Setting up and clearing away on each property on a day, beside the driving.',
    source: PRACTICE,
  },
  detour: {
    value: 1.3,
    unit: 'ratio',
    reason: 'Roads are longer than the straight line by about a third.',
    source: PRACTICE,
  },
  speed: {
    value: 45,
    unit: 'km/h',
    reason: 'A van with a trailer over town and country, stops included.',
    source: PRACTICE,
  },
  wet: {
    value: 3,
    unit: 'h',
    reason:
      'Digging in months when the ground is wet smears and compacts it; it waits for drier days unless it would be late by weeks.',
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

/** Work in the ground: not done where it is frozen, put off while it is wet. Common practice, no source. */
export const IN_THE_GROUND: readonly OperationKey[] = [
  'explore',
  'excavate',
  'regrade',
  'treeWell',
  'prune',
  'reset',
  'raise',
  'slopeUp',
  'openBall',
  'move',
  'drain',
  'trench',
];

/** Work that lifts a tree or bares its roots for long: not done in the heat. Common practice, no source. */
export const NOT_IN_HEAT: readonly OperationKey[] = ['reset', 'raise', 'openBall', 'move'];
