'use client';

import type { UnitSystem } from '@undrel/core/units';
import type { Conflict } from '../../device/store';
import type { CaseControl } from '../../device/useCase';
import { calledOf } from '../../protocol/kinds';
import { fieldName, fieldTold } from '../../protocol/told';

export interface SaveTroublesProps {
  control: CaseControl;
  system: UnitSystem;
}

/** What has to be settled and what was refused. */
export const SaveTroubles = (props: SaveTroublesProps) => (
  <>
    <ForAll {...props} />
    <Conflicts {...props} />
    <Refusals {...props} />
  </>
);

/** When somebody else changed it, by the clock of this device. */
const whenOf = ({ theirs }: Conflict): string => {
  const at = new Date(theirs.at);
  if (Number.isNaN(at.getTime())) return '';
  return `, ${at.toLocaleString(undefined, { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })}`;
};

/** What an item is about, in words. */
function subject({ kind, mine, theirs }: Conflict): string {
  const called = calledOf(kind, (mine ?? theirs.values ?? {}) as Record<string, unknown>);
  return called.charAt(0).toUpperCase() + called.slice(1);
}

/** Where many were changed by others, one decision for all of them. */
function ForAll({ control }: SaveTroublesProps) {
  const { conflicts } = control.state;
  if (conflicts.length < 2) return null;
  const all = (keep: 'mine' | 'theirs') => conflicts.forEach(({ id }) => control.settle(id, keep));
  return (
    <div className="flex flex-wrap items-center gap-2 mb-3">
      <p className="flex-1 min-w-[12rem]">
        {conflicts.length} entries were changed by others in the meantime.
      </p>
      <button type="button" className="act" onClick={() => all('mine')}>
        Keep all mine
      </button>
      <button type="button" className="quiet" onClick={() => all('theirs')}>
        Take all theirs
      </button>
    </div>
  );
}

/** Both sides of every stale write, and one click to take either. */
function Conflicts({ control, system }: SaveTroublesProps) {
  return control.state.conflicts.map((conflict) => {
    const mine = (conflict.mine ?? {}) as Record<string, unknown>;
    const theirs = conflict.theirs.values ?? {};
    const fields = [...new Set([...Object.keys(mine), ...Object.keys(theirs)])].filter(
      (f) => JSON.stringify(mine[f]) !== JSON.stringify(theirs[f]),
    );
    const told = (values: Record<string, unknown>, field: string) =>
      fieldTold(conflict.kind, values, field, system) || '—';
    return (
      <section
        key={conflict.id}
        role="alertdialog"
        aria-label="Changed by someone else"
        className="border-2 border-harm bg-sheet p-3 mb-3"
      >
        <p className="font-semibold">
          {subject(conflict)} was changed {conflict.theirs.by ? `by ${conflict.theirs.by}` : 'elsewhere'} in
          the meantime{whenOf(conflict)}.
        </p>
        <table className="my-2">
          <thead>
            <tr>
              <th scope="col"></th>
              <th scope="col">Yours</th>
              <th scope="col">Theirs</th>
            </tr>
          </thead>
          <tbody>
            {fields.map((field) => (
              <tr key={field}>
                <th scope="row" className="font-normal">
                  {fieldName(field)}
                </th>
                <td>{conflict.mine === null ? 'removed' : told(mine, field)}</td>
                <td>{conflict.theirs.values === null ? 'removed' : told(theirs, field)}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <button type="button" className="act mr-2" onClick={() => control.settle(conflict.id, 'mine')}>
          Keep mine
        </button>
        <button type="button" className="quiet" onClick={() => control.settle(conflict.id, 'theirs')}>
          Take theirs
        </button>
      </section>
    );
  });
}

/** Values the server would not take, each with its reason; the value stays in the entry to be mended. */
function Refusals({ control }: SaveTroublesProps) {
  if (control.state.refusals.size === 0) return null;
  return (
    <div role="alert" className="wrong my-2">
      {[...control.state.refusals].map(([id, problem]) => (
        <p key={id}>Not saved: {problem}</p>
      ))}
    </div>
  );
}
