'use client';

import type { ReactNode } from 'react';
import { MATTERS, schoolFor, type Schools, type Matter, type SchoolInForce } from '@undrel/core/practice';
import { PageLink } from '@/ui/PageLink';
import { Said } from '../../ui/Said';
import { tradeLengths } from '@undrel/core/units';
import { usePreferences } from '../shell/preferences';
import { TopBar } from '../shell/TopBar';
import { useKeptForm } from '../../ui/useKeptForm';

export interface PracticeState {
  version: number;
  schools: Schools;
  told?: string;
  problem?: string;
}

/** The practice book: where practitioners disagree, and which school the firm follows, or a property of its own. */
export function PracticeScreen(props: {
  /** Name of the firm, or of the property. */
  of: string;
  schools: Schools;
  /** Where it is of a property: what the firm has chosen above it. */
  property?: { id: string; firm: Schools };
  version: number;
  save: ((state: PracticeState, form: FormData) => Promise<PracticeState>) | undefined;
}) {
  const { property } = props;
  const { units } = usePreferences();
  const say = (words: string) => tradeLengths(words, units);
  const start: PracticeState = { schools: props.schools, version: props.version };
  const [state, act, busy] = useKeptForm(props.save ?? (async (s: PracticeState) => s), start);
  return (
    <div className="min-h-dvh">
      <TopBar>
        {property ? (
          <nav aria-label="Where" className="flex items-baseline gap-2">
            <PageLink className="plain" href={`/grounds/${property.id}`}>
              {props.of}
            </PageLink>
            <span aria-hidden="true">›</span>
            <strong>Schools</strong>
          </nav>
        ) : (
          <strong>Practice</strong>
        )}
      </TopBar>
      <main className="p-4 lg:p-8 max-w-4xl">
        <h1>{property ? `Schools followed at ${props.of}` : 'Practice book'}</h1>
        <p className="my-2 max-w-2xl">
          {property
            ? 'Where the site or the owner calls for it, this property follows another school than the firm. A tree may follow another still, and every figure says which it followed.'
            : `Good practitioners disagree on these. ${props.of} follows the school chosen here; a property or a tree may follow another, and every figure says which it followed.`}
        </p>
        {!property && <Elsewhere />}
        <form action={act} key={state.version}>
          {MATTERS.map((matter) => {
            const above = property && schoolFor(matter.key, { firm: property.firm });
            const inForce = schoolFor(matter.key, { firm: state.schools });
            const own = property ? (state.schools[matter.key] ?? '') : inForce.key;
            return (
              <MatterChoice
                key={matter.key}
                matter={matter}
                save={props.save}
                above={above}
                own={own}
                say={say}
                property={property}
              />
            );
          })}
          {props.save ? (
            <div className="sticky bottom-0 bg-wash border-t-2 border-ink -mx-4 px-4 py-2.5 flex items-center gap-3">
              <button className="act" disabled={busy}>
                Save
              </button>
              <Said problem={state.problem} told={state.told} className="flex-1" />
            </div>
          ) : (
            <p className="told">Owners and consultants choose the schools.</p>
          )}
        </form>
      </main>
    </div>
  );
}

function Choice(props: { matter: string; value: string; chosen: boolean; children: ReactNode }) {
  return (
    <label className="flex items-start gap-3 min-h-[44px] py-1.5">
      <input
        type="radio"
        name={props.matter}
        value={props.value}
        defaultChecked={props.chosen}
        className="mt-0.5 shrink-0"
      />
      <span>{props.children}</span>
    </label>
  );
}

/** The other parts of the book. */
const Elsewhere = () => (
  <>
    <p className="my-2">
      <PageLink href="/practice/judgements">The table of causes</PageLink>: what speaks for which cause, in
      words, with the reasons.
    </p>
    <p className="my-2">
      <PageLink href="/practice/rates">Rates and closed seasons</PageLink>: what work costs, and when it may
      not be done.
    </p>
    <p className="my-2">
      <PageLink href="/practice/worked">What worked</PageLink>: how often each remedy helped at the trees of
      the firm, and where it did not.
    </p>
    <p className="my-2">
      <PageLink href="/practice/species">Species</PageLink>: how they grow and what they tolerate.
    </p>
  </>
);

function MatterChoice({
  matter,
  save,
  above,
  own,
  say,
  property,
}: {
  matter: Matter;
  save: ((state: PracticeState, form: FormData) => Promise<PracticeState>) | undefined;
  above: SchoolInForce | undefined;
  own: string;
  say: (words: string) => string;
  property: { id: string; firm: Schools } | undefined;
}) {
  return (
    <fieldset className="border-t border-ink py-3" disabled={!save}>
      <legend className="float-left w-full font-bold">{matter.label}</legend>
      <div className="clear-both grid sm:grid-cols-[1fr_18rem] gap-x-6">
        <div>
          {above && (
            <Choice matter={matter.key} value="" chosen={own === ''}>
              as the firm: {say(above.label)}
            </Choice>
          )}
          {matter.schools.map((school, i) => (
            <Choice
              key={school.key}
              matter={matter.key}
              value={i === 0 && !property ? '' : school.key}
              chosen={own === school.key}
            >
              {say(school.label)}
              {i === 0 && <span className="text-muted"> (default)</span>}
              {school.warning && <span className="block text-sm text-harm">{school.warning}</span>}
            </Choice>
          ))}
        </div>
        <p className="text-muted text-sm">Why the default: {say(matter.reason)}</p>
      </div>
    </fieldset>
  );
}
