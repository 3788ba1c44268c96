import { CHOICES, type TreatOrLook as Decision } from '@undrel/core/diagnosis';
import type { StationKey } from '../../visitEntry';

/** For each cause whether it is treated on what is known, with what either way is expected to lose. */
export function TreatOrLook(props: { decisions: readonly Decision[]; goTo: (s: StationKey) => void }) {
  if (props.decisions.length === 0)
    return <p className="text-muted">No cause is likely enough to ask for a decision.</p>;
  return (
    <>
      <ul>
        {props.decisions.map(({ for: node, label, choice, look, text }) => (
          <li key={node} className="border-b border-hair py-1.5">
            <span className="flex items-baseline justify-between gap-3">
              <strong>{label}</strong>
              <span className={choice === 'do' ? 'font-bold text-todo' : 'font-semibold'}>
                {CHOICES[choice]}
              </span>
            </span>
            <span className="block text-sm text-muted">{text}</span>
            {look && (
              <button
                type="button"
                className="link min-h-[32px] text-left text-sm"
                onClick={() => props.goTo(look.station)}
              >
                Inspect {look.about}
              </button>
            )}
          </li>
        ))}
      </ul>
      <p className="mt-1 text-sm text-muted">
        Losses in hours of work, from the stakes of the table: half a day is three of its steps, and a tree
        that falls counts most.
      </p>
    </>
  );
}
