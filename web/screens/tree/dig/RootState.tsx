import type { BarkContact, DugRoot, RootCondition } from '@undrel/core/records';
import type { UnitSystem } from '@undrel/core/units';
import { LengthInput } from '../../../ui/controls/LengthInput';
import { Select } from '../../../ui/controls/Select';

const CONDITIONS: readonly { key: RootCondition; label: string }[] = [
  { key: 'sound', label: 'sound' },
  { key: 'cracked', label: 'cracked' },
  { key: 'decayed', label: 'decayed' },
  { key: 'dead', label: 'dead' },
];
const CONTACTS: readonly { key: BarkContact; label: string }[] = [
  { key: 'clear', label: 'clear of the bark' },
  { key: 'touching', label: 'touching' },
  { key: 'pressing', label: 'pressing' },
  { key: 'embedded', label: 'grown in' },
  { key: 'grafted', label: 'grafted' },
];

/** Where a root comes from, how it lies on the bark and over others, and what it is like. */
export function RootState({
  root,
  others,
  system,
  disabled,
  set,
}: {
  root: DugRoot;
  others: readonly DugRoot[];
  system: UnitSystem;
  disabled: boolean;
  set: (change: Partial<DugRoot>, field: string) => void;
}) {
  return (
    <>
      <div className="grid grid-cols-2 gap-2 mt-2">
        <RootOrigin root={root} others={others} set={set} disabled={disabled} />
        <Select
          label="Bark"
          empty="not examined"
          options={CONTACTS}
          value={root.contact}
          onChange={(contact) =>
            set({ contact, embedded: contact === 'embedded' ? root.embedded : undefined }, 'contact')
          }
          disabled={disabled}
        />
        <Select
          label="Condition"
          empty="not examined"
          options={CONDITIONS}
          value={root.condition}
          onChange={(condition) => set({ condition }, 'condition')}
          disabled={disabled}
        />
        {root.contact === 'embedded' && (
          <LengthInput
            field="embedded"
            label="Grown in by"
            system={system}
            value={root.embedded}
            onChange={(embedded) => set({ embedded }, 'embedded')}
            disabled={disabled}
          />
        )}
        <Select
          label="Passes over"
          empty="by depth"
          options={others
            .filter((o) => !root.over?.includes(o.label))
            .map((o) => ({ key: o.label, label: o.label }))}
          value={undefined}
          onChange={(over) => over && set({ over: [...(root.over ?? []), over] }, 'over')}
          disabled={disabled}
        />
      </div>
      <SeenOver root={root} disabled={disabled} set={set} />
    </>
  );
}

function RootOrigin({
  root,
  others,
  set,
  disabled,
}: {
  root: DugRoot;
  others: readonly DugRoot[];
  set: (change: Partial<DugRoot>, field: string) => void;
  disabled: boolean;
}) {
  return (
    <>
      {root.start === 'root' && (
        <Select
          label="At root"
          empty="not said"
          options={others.map((o) => ({ key: o.label, label: o.label }))}
          value={root.from}
          onChange={(from) => set({ from }, 'from')}
          disabled={disabled}
        />
      )}
      {root.kind === 'competing' && root.start !== 'root' && (
        <label className="block">
          <span className="block text-sm">Belongs to</span>
          <input
            className="w-full"
            maxLength={80}
            value={root.from ?? ''}
            disabled={disabled}
            onChange={(event) => set({ from: event.target.value || undefined }, 'from')}
          />
        </label>
      )}
    </>
  );
}

function SeenOver({
  root,
  disabled,
  set,
}: {
  root: DugRoot;
  disabled: boolean;
  set: (change: Partial<DugRoot>, field: string) => void;
}) {
  return (
    <>
      {root.over && root.over.length > 0 && (
        <p className="text-sm mt-1">
          Seen over{' '}
          {root.over.map((over) => (
            <button
              key={over}
              type="button"
              className="link px-1"
              disabled={disabled}
              aria-label={`No longer over ${over}`}
              onClick={() => set({ over: root.over!.filter((o) => o !== over) }, 'over')}
            >
              {over} ×
            </button>
          ))}
        </p>
      )}
    </>
  );
}
