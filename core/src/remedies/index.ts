import { alive } from './alive';
import { crown } from './crown';
import { explore } from './explore';
import { feed } from './feed';
import { identify } from './identify';
import { leach } from './leach';
import { drain } from './drain';
import { excavate } from './excavate';
import { fertiliser } from './fertiliser';
import { guard } from './guard';
import { move } from './move';
import { mulch } from './mulch';
import { postmortem } from './postmortem';
import { mulchRing } from './mulchRing';
import { prune } from './prune';
import { openBall } from './openBall';
import { raise } from './raise';
import { regrade } from './regrade';
import { remove } from './remove';
import { replace } from './replace';
import { reset } from './reset';
import { ring } from './ring';
import { stability } from './stability';
import { slopeUp } from './slopeUp';
import { stake } from './stake';
import { straighten } from './straighten';
import { ties } from './ties';
import { treeWell } from './treeWell';
import { trench } from './trench';
import { watch } from './watch';
import { water } from './water';
import type { OperationKey } from '../vocabulary/operations';
import type { Remedy } from '../weighing/remedy';

/** Every remedy, one file each. Common practice, no source, unless a row says otherwise. */
export const REMEDIES: Record<OperationKey, Remedy> = {
  stability,
  alive,
  identify,
  ties,
  mulch,
  mulchRing,
  explore,
  excavate,
  regrade,
  treeWell,
  ring,
  prune,
  reset,
  raise,
  slopeUp,
  openBall,
  move,
  drain,
  trench,
  straighten,
  stake,
  guard,
  leach,
  feed,
  crown,
  water,
  fertiliser,
  watch,
  postmortem,
  remove,
  replace,
};

/** The order in which they are weighed: rules may ask whether a remedy before them is planned. */
export const WEIGHED: readonly OperationKey[] = [
  'stability',
  'alive',
  'postmortem',
  'identify',
  'mulch',
  'excavate',
  'mulchRing',
  'explore',
  'prune',
  'reset',
  'raise',
  'slopeUp',
  'openBall',
  'move',
  'straighten',
  'trench',
  'remove',
  'treeWell',
  'regrade',
  'ties',
  'ring',
  'drain',
  'stake',
  'guard',
  'leach',
  'feed',
  'crown',
  'water',
  'watch',
  'fertiliser',
  'replace',
];
