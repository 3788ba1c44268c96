'use client';

import {
  GROWTH_CLASSES,
  STRESS_WORDS,
  STRESSES,
  TOLERANCES,
  type GrowthClass,
  type Species,
  type Tolerance,
} from '@undrel/core/species';
import { LengthInput } from '../../ui/controls/LengthInput';
import { Select } from '../../ui/controls/Select';
import type { UnitSystem } from '@undrel/core/units';
const options = <K extends string>(keys: readonly K[], word = (key: K): string => key) =>
  keys.map((key) => ({ key, label: word(key) }));
const FOLIAGE = ['deciduous', 'evergreen'] as const;
const STANDS: Readonly<Record<Tolerance, string>> = { poor: 'poorly', fair: 'fairly', good: 'well' };
/** How it grows, and what it stands. */
export function SpeciesFacts({
  s,
  off,
  change,
  units,
}: {
  s: Species;
  off: boolean;
  change: (part: Partial<Species>) => void;
  units: UnitSystem;
}) {
  return (
    <>
      <Select
        label="Foliage"
        options={options(FOLIAGE)}
        value={s.foliage}
        disabled={off}
        onChange={(foliage) => change({ foliage: foliage! })}
      />
      <Select<GrowthClass>
        label="Growth of the stem"
        options={options(GROWTH_CLASSES)}
        value={s.growth}
        disabled={off}
        onChange={(growth) => change({ growth: growth! })}
      />
      {(['height', 'spread'] as const).map((size) => (
        <LengthInput
          key={size}
          field="height"
          label={size === 'height' ? 'Mature height' : 'Mature spread'}
          system={units}
          value={s[size]}
          disabled={off}
          onChange={(metres) => change({ [size]: metres ?? s[size] })}
        />
      ))}
      {STRESSES.map((stress) => (
        <Select<Tolerance>
          key={stress}
          label={`Stands ${STRESS_WORDS[stress]}`}
          options={options(TOLERANCES, (t) => STANDS[t])}
          value={s.stands[stress]}
          disabled={off}
          onChange={(how) => change({ stands: { ...s.stands, [stress]: how! } })}
        />
      ))}
    </>
  );
}
