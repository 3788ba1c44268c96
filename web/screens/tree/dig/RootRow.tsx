import type { DugRoot } from '@undrel/core/records';
import type { RootAdvice, RootDecision } from '@undrel/core/pruning';
import { formatValue, writeLengths, type UnitSystem } from '@undrel/core/units';
import { DECISION_NAMES, KIND_NAMES } from '../../../drawings/rootKinds';

const TONES: Record<RootDecision, string> = {
  'cut now': 'text-todo font-bold',
  'cut later': 'text-todo font-bold',
  watch: 'font-semibold',
  keep: 'font-semibold',
  'look again': 'font-semibold',
};

/** A root in the list: what it does to the bark, what is advised, and why. */
export function RootRow({
  advice,
  root,
  share,
  chosen,
  onSelect,
  system,
}: {
  advice: RootAdvice;
  root: DugRoot;
  share: number;
  chosen: boolean;
  onSelect: () => void;
  system: UnitSystem;
}) {
  return (
    <>
      <tr className={`[&>td]:border-b-0 [&>td]:pb-0 ${chosen ? 'bg-wash' : ''}`}>
        <td>
          <button
            type="button"
            className="link font-bold min-w-[44px] text-left"
            aria-pressed={chosen}
            aria-label={`Root ${advice.label}`}
            onClick={onSelect}
          >
            {advice.label}
          </button>
        </td>
        <td>{KIND_NAMES[root.kind]}</td>
        <td className="num text-right">{share > 0 ? `${Math.round(100 * share)}%` : ''}</td>
        <td className={TONES[advice.decision]}>{DECISION_NAMES[advice.decision]}</td>
      </tr>
      <tr className={chosen ? 'bg-wash' : ''}>
        <td />
        <td colSpan={3} className="text-sm text-muted pb-2">
          {advice.reasons.map((r) => writeLengths(r, system)).join(' ')}
          {advice.leaveIn > 0 &&
            ` Leave the ${formatValue(advice.leaveIn, 'short length', system)} that has grown in.`}
        </td>
      </tr>
    </>
  );
}
