'use client';

import { createContext, use, useEffect, useState, type ReactNode } from 'react';
import type { UnitSystem } from '@undrel/core/units';
import type { CaseControl } from '../../device/useCase';
import { late } from '../../ui/late';
import { useTelling, useTold, type Told } from '../../device/told';
import type { SaveTroublesProps } from './SaveTroubles';

const SaveTroubles = late<SaveTroublesProps>(
  () => import('./SaveTroubles').then((m) => m.SaveTroubles),
  () => (
    <p role="alert" className="wrong">
      What happened cannot be shown without signal. Nothing is lost; open this again with signal.
    </p>
  ),
);

const Saving = createContext<Told<CaseControl> | undefined>(undefined);

/** Gives what is within the case whose saving {@link SaveStateHere} tells. */
export const SavingOf = ({ value, children }: { value: CaseControl; children: ReactNode }) => (
  <Saving value={useTelling(value)}>{children}</Saving>
);

/** The state of saving where the page draws nothing else anew when it changes. */
export const SaveStateHere = ({ system }: { system: UnitSystem }) => (
  <SaveState control={useTold(use(Saving)!)} system={system} />
);

/** Whether everything is saved, in words. */
function stateOf({ saving, state, kept }: CaseControl): { text: string; bad: boolean } {
  const waiting = state.unsaved.size;
  const where = kept
    ? `${waiting} kept on this device`
    : `${waiting} not kept, the device is full; leave this open`;
  if (state.conflicts.length > 0) return { text: `${state.conflicts.length} to settle`, bad: true };
  if (saving === 'unknown') return { text: 'Still loading: not saved yet', bad: false };
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
        className={`line-clamp-2 ${bad ? 'text-harm font-semibold' : 'text-muted'} ${saving === 'unknown' ? 'after-a-while' : ''}`}
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
          <SaveTroubles control={control} system={system} />
        </div>
      )}
    </div>
  );
}
