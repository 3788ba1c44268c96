'use client';

import Link from 'next/link';
import { MATTERS, schoolFor, type Schools } from '@undrel/core/practice';
import { TopBar } from '../shell/TopBar';
import { useKeptForm } from '../../ui/useKeptForm';

export interface PracticeState {
  version: number;
  schools: Schools;
  told?: string;
  problem?: string;
}

/** The practice book: where practitioners disagree, and which school the firm follows. */
export function PracticeScreen(props: {
  firm: string;
  schools: Schools;
  version: number;
  save: ((state: PracticeState, form: FormData) => Promise<PracticeState>) | undefined;
}) {
  const start: PracticeState = { schools: props.schools, version: props.version };
  const [state, act, busy] = useKeptForm(props.save ?? (async (s: PracticeState) => s), start);
  return (
    <div className="min-h-dvh">
      <TopBar>
        <strong>Practice</strong>
      </TopBar>
      <main className="p-4 lg:p-8 max-w-4xl">
        <h1>Practice book</h1>
        <p className="my-2 max-w-2xl">
          Good practitioners disagree on these. {props.firm} follows the school chosen here; a tree may follow
          another, and every figure says which it followed.
        </p>
        <p className="my-2">
          <Link href="/practice/judgements">The table of causes</Link>: what speaks for which cause, in words,
          with the reasons.
        </p>
        <p className="my-2">
          <Link href="/practice/rates">Rates and closed seasons</Link>: what work costs, and when it may not
          be done.
        </p>
        <form action={act} key={state.version}>
          {MATTERS.map((matter) => {
            const inForce = schoolFor(matter.key, state.schools);
            return (
              <fieldset key={matter.key} className="border-t border-ink py-3" disabled={!props.save}>
                <legend className="float-left w-full font-bold">{matter.label}</legend>
                <div className="clear-both grid sm:grid-cols-[1fr_18rem] gap-x-6">
                  <div>
                    {matter.schools.map((school, i) => (
                      <label key={school.key} className="flex items-start gap-3 min-h-[44px] py-1.5">
                        <input
                          type="radio"
                          name={matter.key}
                          value={i === 0 ? '' : school.key}
                          defaultChecked={inForce.key === school.key}
                          className="mt-0.5 shrink-0"
                        />
                        <span>
                          {school.label}
                          {i === 0 && <span className="text-muted"> (default)</span>}
                          {school.warning && (
                            <span className="block text-sm text-harm">{school.warning}</span>
                          )}
                        </span>
                      </label>
                    ))}
                  </div>
                  <p className="text-muted text-sm">Why the default: {matter.reason}</p>
                </div>
              </fieldset>
            );
          })}
          {props.save ? (
            <div className="sticky bottom-0 bg-wash border-t-2 border-ink -mx-4 px-4 py-2.5 flex items-center gap-3">
              <button className="act" disabled={busy}>
                Save
              </button>
              <p role="status">
                {state.problem ? <span className="text-harm">{state.problem}</span> : state.told}
              </p>
            </div>
          ) : (
            <p className="told">Owners and consultants choose the schools.</p>
          )}
        </form>
      </main>
    </div>
  );
}
