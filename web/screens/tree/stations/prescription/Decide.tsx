import type { Decision } from '@undrel/core/records';
import type { Operation } from '@undrel/core/prescription';

/** What is advised of an operation, in words. */
export const ADVICE: Record<Operation['advice'], string> = {
  do: 'advised',
  option: 'worth considering',
  not: 'not advised',
};

/** Whether an operation is prescribed; what is only worth considering is declined as well, or left open. */
export function Decide({
  advice,
  taken,
  decided,
  mayJudge,
  decide,
  undecide,
}: {
  advice: Operation['advice'];
  taken: boolean;
  decided: boolean;
  mayJudge: boolean;
  decide: (change: Pick<Decision, 'taken'>) => void;
  undecide: () => void;
}) {
  return (
    <div className="flex flex-wrap items-center gap-x-6">
      <label className="flex items-center gap-2 min-h-[44px] font-semibold">
        <input
          type="checkbox"
          checked={taken}
          disabled={!mayJudge}
          onChange={(event) => decide({ taken: event.target.checked })}
        />
        Prescribe
        {decided && taken !== (advice === 'do') && (
          <span className="font-normal text-muted">(your decision; the rules said {ADVICE[advice]})</span>
        )}
      </label>
      {advice === 'option' && !taken && (
        <label className="flex items-center gap-2 min-h-[44px]">
          <input
            type="checkbox"
            checked={decided}
            disabled={!mayJudge}
            onChange={(event) => (event.target.checked ? decide({ taken: false }) : undecide())}
          />
          Decline
        </label>
      )}
    </div>
  );
}
