import type { RootKind } from '@undrel/core/records';
import type { RootDecision } from '@undrel/core/pruning';

/** Kinds of roots and what is advised on them, as they are written everywhere. */
export const KIND_NAMES: Record<RootKind, string> = {
  structural: 'structural, anchor',
  girdling: 'stem-girdling',
  'root on root': 'root on root',
  circling: 'circling',
  adventitious: 'adventitious',
  competing: 'another tree’s',
};

export const DECISION_NAMES: Record<RootDecision, string> = {
  'cut now': 'cut now',
  'cut later': 'cut later',
  watch: 'watch',
  keep: 'do not cut',
  'look again': 'look again',
};
