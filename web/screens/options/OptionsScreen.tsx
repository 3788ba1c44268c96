'use client';

import type { Language } from '../../language/languages';
import type { Worth } from '@undrel/core/records';
import type { Estimate, StageEstimate } from '@undrel/core/costing';
import { answerOf, type WorthOption } from '@undrel/core/worth';
import { PageLink } from '@/ui/PageLink';
import type { OfferDays, OfferHead } from '../../protocol/offer';
import { usePreferences } from '../shell/preferences';
import { TreePageBar } from '../shell/TreePageBar';
import { ClientLink, type Made } from './ClientLink';
import { EstimateView } from './EstimateView';
import { OptionsTable } from './OptionsTable';
import { WorthPart } from './WorthPart';

/** Is it worth it: the options over ten years, what the treatment costs, and the link for the client. */
export function OptionsScreen(props: {
  treeId: string;
  tree: string;
  property: string;
  visitDate: string;
  options: readonly WorthOption[];
  whole: Estimate | undefined;
  stages: readonly StageEstimate[];
  prescribed: boolean;
  undecided: readonly string[];
  notes: readonly string[];
  offers: readonly OfferHead[];
  days: OfferDays;
  worth: Worth | undefined;
  keepWorth: ((worth: Worth | undefined) => Promise<{ problem?: string }>) | undefined;
  make: ((days: number, language: Language) => Promise<Made>) | undefined;
  revoke: (id: string) => Promise<{ problem?: string }>;
}) {
  const { options, whole } = props;
  const { units } = usePreferences();
  const currency = whole?.currency;
  // A dead tree has no treatment to be shown.
  const lives = options.some((o) => o.key === 'nothing' && o.chance!.to > 0);
  return (
    <div className="min-h-dvh">
      <TreePageBar
        href={`/trees/${props.treeId}?station=prescription`}
        label={props.tree}
        page="Is it worth it?"
      />
      <main className="grid lg:grid-cols-[minmax(0,1fr)_340px]">
        <div className="min-w-0 p-4 lg:p-8">
          <h1>Is it worth it?</h1>
          <p className="text-xl leading-snug my-3 max-w-3xl" data-testid="worth-answer">
            {answerOf(options, currency)}
          </p>
          {!props.prescribed && lives && (
            <p className="told my-2">
              Nothing is prescribed yet: the treatment shown is what would be advised.
            </p>
          )}
          {props.undecided.length > 0 && (
            <p className="told my-2">
              Not decided yet: {props.undecided.join(', ').toLowerCase()}. What is agreed under Cut plan or
              Trenches counts here.
            </p>
          )}
          {!whole && (
            <p className="wrong my-2">
              The firm has no rates. <PageLink href="/practice/rates">Enter what you charge</PageLink> and
              every option has its cost.
            </p>
          )}
          <OptionsTable options={options} currency={currency} system={units} />
          <p className="text-sm text-muted mt-2 max-w-3xl">
            Chances are stated judgements from the verdict, not measured frequencies; their ends are the ends
            of each judgement. {props.property}, visit of {props.visitDate}.
          </p>
          {currency && (
            <WorthPart
              options={options}
              currency={currency}
              kept={props.worth?.currency === currency ? props.worth : undefined}
              keep={props.keepWorth}
            />
          )}
          {whole && <TreatmentCost stages={props.stages} whole={whole} notes={props.notes} />}
        </div>
        <ClientLink offers={props.offers} days={props.days} make={props.make} revoke={props.revoke} />
      </main>
    </div>
  );
}

function TreatmentCost({
  stages,
  whole,
  notes,
}: {
  stages: readonly StageEstimate[];
  whole: Estimate;
  notes: readonly string[];
}) {
  return (
    <section className="mt-8" aria-label="Estimate">
      <h2>What the treatment costs</h2>
      {stages.length > 1 ? (
        stages.map((s) => (
          <EstimateView key={s.stage} title={`Season ${s.stage}, ${s.year}`} estimate={s.estimate} />
        ))
      ) : (
        <EstimateView title="Treatment" estimate={whole} />
      )}
      {notes.map((note) => (
        <p key={note} className="wrong mt-2">
          {note}
        </p>
      ))}
    </section>
  );
}
