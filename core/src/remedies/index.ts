import { drain } from './drain';
import { excavate } from './excavate';
import { fertiliser } from './fertiliser';
import { guard } from './guard';
import { mulch } from './mulch';
import { prune } from './prune';
import { regrade } from './regrade';
import { remove } from './remove';
import { replace } from './replace';
import { reset } from './reset';
import { ring } from './ring';
import { stability } from './stability';
import { stake } from './stake';
import { ties } from './ties';
import { treeWell } from './treeWell';
import { trench } from './trench';
import { watch } from './watch';
import { water } from './water';
import type { OperationKey } from '../vocabulary/operations';
import type { Remedy } from '../weighing/remedy';

export const REMEDY_SOURCE = 'common practice, no source';

/** Every remedy, one file each. Common practice, no source, unless a row says otherwise. */
export const REMEDIES: Record<OperationKey, Remedy> = {
  stability,
  ties,
  mulch,
  excavate,
  regrade,
  treeWell,
  ring,
  prune,
  reset,
  drain,
  trench,
  stake,
  guard,
  water,
  fertiliser,
  watch,
  remove,
  replace,
};

/** The order in which they are weighed: rules may ask whether a remedy before them is planned. */
export const WEIGHED: readonly OperationKey[] = [
  'stability',
  'mulch',
  'excavate',
  'prune',
  'reset',
  'trench',
  'remove',
  'treeWell',
  'regrade',
  'ties',
  'ring',
  'drain',
  'stake',
  'guard',
  'watch',
  'water',
  'fertiliser',
  'replace',
];
