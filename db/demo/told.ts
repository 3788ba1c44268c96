import type { CauseKey } from '@undrel/core/vocabulary';

/** What is wrong with a tree of the demo world: known here, because it was made up so. First the one that matters most. */
export const TOLD: readonly { id: string; causes: readonly CauseKey[]; told: string }[] = [
  { id: 'kelpworth-3', causes: ['gradeRaised'], told: 'Buried by the spoil of the path in 2018.' },
  { id: 'kelpworth-4', causes: ['gradeRaised'], told: 'Buried by the spoil of the path in 2018.' },
  {
    id: 'kelpworth-6',
    causes: ['gradeRaised', 'compaction', 'waterlogging'],
    told: 'Three causes: spoil, the ruts of the site gate, and water that has nowhere to go.',
  },
  {
    id: 'kelpworth-9',
    causes: ['gradeRaised'],
    told: 'Buried by the spoil; decayed at the base, beyond help.',
  },
  { id: 'kelpworth-11', causes: ['gradeRaised'], told: 'Died under the spoil of the path.' },
  {
    id: 'kelpworth-21',
    causes: ['biotic'],
    told: 'A root rot that attacks sound trees; nothing wrong with its planting.',
  },
  {
    id: 'kelpworth-24',
    causes: ['severed'],
    told: 'Half its roots went with the cable trench of last autumn.',
  },
  { id: 'lanternfield-2', causes: ['barrier'], told: 'The root-control ring turned its roots.' },
  { id: 'lanternfield-4', causes: ['salt'], told: 'De-icing salt of the tram edge.' },
  {
    id: 'lanternfield-9',
    causes: ['drought'],
    told: 'Drought, nothing wrong below ground: hydrant off, flare in view.',
  },
  {
    id: 'lanternfield-11',
    causes: ['plantedDeep', 'containerRoots', 'compaction'],
    told: 'Three causes: planted deep, pot-bound, in the paving base.',
  },
  {
    id: 'sable-katsura-14',
    causes: ['mulchCone', 'gradeRaised'],
    told: 'A cone renewed each spring, on soil that was added.',
  },
  { id: 'sable-katsura-8', causes: ['containerRoots'], told: 'Never grew out of its pot.' },
  { id: 'sable-katsura-7', causes: ['waterlogging'], told: 'The roof water drowns it.' },
  {
    id: 'sable-hornbeam-2',
    causes: ['plantedDeep'],
    told: 'Planted deep two years ago; young enough to be reset.',
  },
  {
    id: 'sable-hornbeam-5',
    causes: ['compaction'],
    told: 'The obvious mulch cone is not the cause: the flare is in place under it. The bin lorry is.',
  },
];
