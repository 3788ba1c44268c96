'use client';

import { Said } from '../../ui/Said';
import { useKeptForm } from '../../ui/useKeptForm';
import { ServerButton } from '../../ui/FromServer';

export interface PropertyEditState {
  name: string;
  client: string;
  note: string;
  version: number;
  problem?: string;
  done?: boolean;
  /** What stands now, where someone else changed it meanwhile. */
  theirs?: { name: string; client: string; note: string };
}

export type PropertyActions = {
  save: (id: string, state: PropertyEditState, form: FormData) => Promise<PropertyEditState>;
  remove: (id: string) => Promise<{ problem: string }>;
};

/** Name, client and note of a property; a stale save shows both sides. */
export function PropertyEdit(props: {
  id: string;
  start: PropertyEditState;
  actions: PropertyActions;
  onDone: () => void;
  onProblem: (problem: string) => void;
}) {
  const [state, act, busy] = useKeptForm(async (before: PropertyEditState, form: FormData) => {
    const after = await props.actions.save(props.id, before, form);
    if (after.done) props.onDone();
    return after;
  }, props.start);
  return (
    <form action={act} className="grid sm:grid-cols-2 gap-2 mb-3 bg-wash p-3 -mx-3" key={state.version}>
      <label>
        <span className="block text-sm">Name</span>
        <input className="w-full" name="name" required maxLength={120} defaultValue={state.name} />
      </label>
      <label>
        <span className="block text-sm">Client</span>
        <input className="w-full" name="client" maxLength={120} defaultValue={state.client} />
      </label>
      <label className="sm:col-span-2">
        <span className="block text-sm">Note: access, contact on site, hazards</span>
        <textarea className="w-full" name="note" rows={2} defaultValue={state.note} />
      </label>
      <div className="sm:col-span-2 flex flex-wrap gap-2">
        <ServerButton type="submit" className="act" disabled={busy}>
          {state.theirs ? 'Keep mine' : 'Save'}
        </ServerButton>
        <button type="button" className="quiet" onClick={props.onDone}>
          {state.theirs ? 'Take theirs' : 'Cancel'}
        </button>
        <button
          type="button"
          className="link ml-auto"
          onClick={async () => {
            const answer = await props.actions.remove(props.id).catch((error: unknown) => {
              if (String((error as { digest?: string }).digest).startsWith('NEXT_')) throw error;
              return { problem: 'The server could not be reached; nothing was removed.' };
            });
            if (answer) props.onProblem(answer.problem);
          }}
        >
          Remove this property
        </button>
      </div>
      <Said
        className="sm:col-span-2"
        lines={3}
        problem={
          state.problem && (
            <>
              {state.problem}
              {state.theirs && (
                <span className="block">
                  Theirs: {state.theirs.name}; {state.theirs.client || 'no client'};{' '}
                  {state.theirs.note || 'no note'}
                </span>
              )}
            </>
          )
        }
      />
    </form>
  );
}
