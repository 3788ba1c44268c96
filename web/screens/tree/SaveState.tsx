'use client';

import { useEffect, useState } from 'react';
import type { UnitSystem } from '@undrel/core/units';
import { calledOf } from '../../protocol/kinds';
import { fieldName, fieldTold } from '../../protocol/told';
import type { CaseControl } from '../../device/useCase';
import type { Conflict } from '../../device/store';

/** Whether everything is saved, in words. */
function stateOf({ saving, state, kept }: CaseControl): { text: string; bad: boolean } {
  const waiting = state.unsaved.size;
  const where = kept
    ? `${waiting} kept on this device`
    : `${waiting} not kept, the device is full; leave this open`;
  if (state.conflicts.length > 0) return { text: `${state.conflicts.length} to settle`, bad: true };
  if (saving === 'unknown') return { text: '', bad: false };
  if (saving === 'away') return { text: `Offline: ${where}`, bad: true };
  if (saving === 'signed out') return { text: `Signed out: ${where}`, bad: true };
  if (state.refusals.size > 0) return { text: `${state.refusals.size} not saved`, bad: true };
  if (waiting > 0 || saving === 'saving') return { text: 'Saving…', bad: false };
  return { text: 'Saved', bad: false };
}

/**
 * Whether everything is saved, in a place of its own size that nothing said there changes. What has to be settled or was
 * refused opens over the page when it is pressed, so that nothing moves or comes up under a thumb.
 */
export function SaveState({
  control,
  system,
  at = 'end',
}: {
  control: CaseControl;
  system: UnitSystem;
  /** Which end of its place the words stand at. */
  at?: 'start' | 'end';
}) {
  const { saving, state } = control;
  const { text, bad } = stateOf(control);
  const troubles = state.conflicts.length + state.refusals.size;
  const [open, setOpen] = useState(false);
  useEffect(() => {
    if (troubles === 0) setOpen(false);
  }, [troubles]);
  return (
    <div
      className={`h-[44px] w-[10.5rem] sm:w-[13rem] min-w-0 sm:shrink-0 flex items-center leading-tight text-sm ${at === 'end' ? 'justify-end text-right' : ''}`}
    >
      <p
        role="status"
        className={`line-clamp-2 ${bad ? 'text-harm font-semibold' : 'text-muted'}`}
        data-testid="save-state"
      >
        {text} {saving === 'signed out' && <a href="/sign-in">Sign in</a>}
        {saving === 'away' && (
          <button type="button" className="underline" onClick={() => void control.flush()}>
            Try now
          </button>
        )}
      </p>
      {troubles > 0 && (
        <button
          type="button"
          className="quiet ml-2 shrink-0 no-print"
          aria-expanded={open}
          onClick={() => setOpen(!open)}
        >
          {open ? 'Close' : 'See'}
        </button>
      )}
      {open && (
        <div className="no-print fixed z-40 inset-x-2 sm:left-auto sm:right-4 sm:w-[34rem] bottom-[76px] max-h-[70dvh] overflow-y-auto bg-sheet border-2 border-ink p-3 text-left text-base leading-normal">
          <ForAll control={control} />
          <Conflicts control={control} system={system} />
          <Refusals control={control} />
        </div>
      )}
    </div>
  );
}

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
function ForAll({ control }: { control: CaseControl }) {
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
function Conflicts({ control, system }: { control: CaseControl; system: UnitSystem }) {
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
function Refusals({ control }: { control: CaseControl }) {
  if (control.state.refusals.size === 0) return null;
  return (
    <div role="alert" className="wrong my-2">
      {[...control.state.refusals].map(([id, problem]) => (
        <p key={id}>Not saved: {problem}</p>
      ))}
    </div>
  );
}
