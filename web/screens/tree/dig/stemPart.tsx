import type { DigHead } from '@undrel/core/records';
import type { UnitSystem } from '@undrel/core/units';

/** What a part of the stem is entered with. */
export interface StemPart {
  head: DigHead;
  system: UnitSystem;
  disabled: boolean;
  set: (change: Partial<DigHead>, field: string) => void;
}

/** A list with one of its values changed, or taken out. */
export const replaced = <T,>(list: readonly T[], index: number, value: T | undefined): T[] =>
  list.flatMap((old, i) => (i === index ? (value === undefined ? [] : [value]) : [old]));

export const some = <T,>(list: T[]): T[] | undefined => (list.length > 0 ? list : undefined);

/** Takes one of a list out. */
export const Remove = ({ label, act }: { label: string; act: () => void }) => (
  <button type="button" className="link self-end min-h-[44px]" aria-label={label} onClick={act}>
    ×
  </button>
);
