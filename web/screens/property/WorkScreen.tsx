'use client';

import { Fragment, memo, useDeferredValue, useMemo, useState } from 'react';
import {
  byStage,
  CREW_DAY,
  crewHours,
  estimate,
  formatMoney,
  needsTogether,
  unitWord,
  type Rates,
} from '@undrel/core/costing';
import { tidy, type UnitSystem } from '@undrel/core/units';
import { inARow, inSentence } from '@undrel/core/vocabulary';
import { PageLink } from '@/ui/PageLink';
import type { OrderMaterial } from '../../protocol/order';
import {
  isDone,
  isOpen,
  isWorked,
  type IssuedPropertyHead,
  type PropertyWork,
  type WorkTree,
} from '../../protocol/propertyWork';
import { Entry } from '../../ui/controls/Entry';
import { LargeTrees } from '../../ui/LargeTrees';
import { FoldOnPhone } from '../../ui/FoldOnPhone';
import { useUnticked } from '../../ui/useUnticked';
import { materialText } from '../../ui/materialText';
import { usePreferences } from '../shell/preferences';
import { PropertyBar } from './PropertyBar';
import { PropertyReport } from './PropertyReport';
import { TreeOfWork } from './TreeOfWork';

const Report = memo(PropertyReport);

/** The materials of several trees together. */
function together(trees: readonly WorkTree[]): OrderMaterial[] {
  const sums = new Map<string, OrderMaterial>();
  for (const m of trees.flatMap((t) => t.materials))
    sums.set(m.label, { ...m, amount: (sums.get(m.label)?.amount ?? 0) + m.amount });
  return [...sums.values()];
}

interface WorkScreenProps {
  work: PropertyWork;
  issued: readonly IssuedPropertyHead[];
  mayIssue: boolean;
  rates: Rates | undefined;
  tick: ((visitId: string, step: string, done: boolean) => Promise<{ problem?: string }>) | undefined;
}

/** What the work of trees comes to. @param left those that are not done now */
function sumsOf(work: PropertyWork, left: ReadonlySet<string>, rates: Rates | undefined) {
  const taken = work.trees.filter((t) => isWorked(t) && !left.has(t.id));
  const needs = needsTogether(taken.map((t) => t.needs));
  const hours = crewHours(needs);
  return {
    taken,
    open: taken.filter(isOpen),
    finished: taken.flatMap((t) => t.done),
    stepsDone: taken.flatMap((t) => t.steps).filter((s) => isDone(s.done)).length,
    hours,
    days: Math.max(1, Math.ceil(hours / CREW_DAY - 1e-9)),
    whole: rates && estimate(needs, rates),
    stages: rates ? byStage(needs, rates) : [],
  };
}

type Sums = ReturnType<typeof sumsOf>;

/** The work on a property: which trees, in which order, how long, what it costs; printed, it is the day sheet of the crew. */
export function WorkScreen({ work, rates, issued, mayIssue, tick }: WorkScreenProps) {
  const [left, toggle] = useUnticked();
  const [told, setTold] = useState<string | undefined>(undefined);
  const { units: system } = usePreferences();
  const worked = work.trees.filter(isWorked);
  const undecided = useMemo(() => work.trees.filter((t) => t.toDecide.length > 0), [work]);
  // A tree that is unticked shows so at once; the sums follow.
  const counted = useDeferredValue(left);
  const sums = useMemo(() => sumsOf(work, counted, rates), [work, counted, rates]);
  const { taken, whole, stages } = sums;
  return (
    <div className="min-h-dvh flex flex-col">
      <PropertyBar property={work} part="work and day sheet" />
      <main className="px-4 lg:px-8 py-4 max-w-[1100px] w-full mx-auto">
        <Entry>
          <WorkTotals work={work} rates={rates} sums={sums} />
          <SumsOf work={work} waiting={undecided.length} />
          <LargeTrees trees={work.large} />
          {!rates && worked.length > 0 && (
            <p className="wrong my-2">
              No rates, so no sums. <PageLink href="/practice/rates">Enter what you charge</PageLink>.
            </p>
          )}
          <div className="no-print border-y border-ink lg:border-0">
            <FoldOnPhone summary="Report of this property">
              <Report id={work.id} name={work.name} issued={issued} mayIssue={mayIssue} />
            </FoldOnPhone>
          </div>
          <OnTheTruck trees={taken} system={system} />
          <ol className="border-t-[1.5px] border-ink mt-4">
            {worked.map((tree) => (
              <TreeOfWork
                key={tree.id}
                tree={tree}
                unticked={left.has(tree.id)}
                toggle={toggle}
                rates={rates}
                setTold={setTold}
                tick={tick}
              />
            ))}
          </ol>
          <ToDecide trees={undecided} />
          {stages.length > 0 && whole && whole.missing.length > 0 && (
            <p className="wrong mt-3">Some prices are missing; the sums are too low.</p>
          )}
        </Entry>
      </main>
      {tick && <TickBar told={told} />}
    </div>
  );
}

const WorkTotals = memo(function WorkTotals({
  work,
  rates,
  sums: { open, hours, days, whole, stages, stepsDone, finished },
}: {
  work: PropertyWork;
  rates: Rates | undefined;
  sums: Sums;
}) {
  return (
    <>
      <h1>
        {!work.trees.some(isWorked)
          ? 'Nothing is prescribed on this property'
          : open.length === 0
            ? 'Nothing is left to do'
            : `${open.length} ${unitWord('tree', open.length)}, ${tidy(hours, 1)} crew hours: ${days} ${unitWord('day', days)}`}
      </h1>
      {whole && work.trees.some(isWorked) && (
        <p className="text-xl my-1" data-testid="property-total">
          {formatMoney(whole.total, whole.currency)}
          {whole.tax && `, ${whole.tax.name} included`}
          {stages.length > 1 &&
            stages.map((s, i) => (
              <Fragment key={s.year}>
                {i === 0 ? ': ' : ', '}
                <span className="whitespace-nowrap">
                  {s.year} {formatMoney(s.estimate.total, whole.currency)}
                </span>
              </Fragment>
            ))}
        </p>
      )}
      {stepsDone > 0 && (
        <p data-testid="property-done">
          Done and recorded: {stepsDone} {unitWord('step', stepsDone)} of the work
          {rates && `, ${formatMoney(estimate(finished, rates).net, rates.currency)} net without travel`}. The
          sums are of what is left.
        </p>
      )}
    </>
  );
});

const OnTheTruck = memo(function OnTheTruck(props: { trees: readonly WorkTree[]; system: UnitSystem }) {
  if (props.trees.length === 0) return null;
  const words = together(props.trees).map((m) => materialText(m, props.system));
  return (
    <section aria-label="On the truck" className="mt-4">
      <h2>On the truck</h2>
      <p>{words.join('; ') || 'hand tools'}</p>
    </section>
  );
});

/** For whom the sums are, which trees they leave out, and how many trees wait for a decision. */
function SumsOf({ work: { client, idle, unvisited }, waiting }: { work: PropertyWork; waiting: number }) {
  const out = [
    ...(idle > 0 ? [`${idle} visited ${idle === 1 ? 'tree has' : 'trees have'} no work prescribed`] : []),
    ...(unvisited > 0 ? [`${unvisited} not visited`] : []),
  ];
  return (
    <p className="text-muted mb-2">
      {client && `For ${client}. `}
      {out.length > 0 && `${out.join(', ')}. `}
      Travel counts once a day of {CREW_DAY} h. Untick what is not done now.
      {waiting > 0 && (
        <a href="#to-decide" className="no-print flex w-fit items-center min-h-[44px]">
          {waiting === 1 ? 'One tree waits' : `${waiting} trees wait`} for a decision
        </a>
      )}
    </p>
  );
}

/** Trees at which something is likely, nothing prescribed mends it, and nobody decided on what would. */
const ToDecide = memo(function ToDecide({ trees }: { trees: readonly WorkTree[] }) {
  if (trees.length === 0) return null;
  return (
    <section aria-labelledby="to-decide" className="no-print mt-5">
      <h2 id="to-decide">Still to be decided</h2>
      <ul>
        {trees.map(({ id, label, toDecide }) => (
          <li key={id} className="border-b border-hair py-1" aria-label={`To decide: ${label}`}>
            <p>
              <PageLink
                className="font-semibold inline-flex items-center min-h-[44px]"
                href={`/trees/${id}?station=prescription`}
              >
                {label}
              </PageLink>
              : {inARow(toDecide.map((o) => inSentence(o.title)))}, for{' '}
              {inARow([...new Set(toDecide.flatMap((o) => o.mends.map((m) => inSentence(m))))])}
            </p>
          </li>
        ))}
      </ul>
    </section>
  );
});

function TickBar({ told }: { told: string | undefined }) {
  return (
    <div className="no-print sticky bottom-0 mt-auto h-[52px] px-4 lg:px-8 flex items-center bg-wash border-t-2 border-ink leading-tight text-sm">
      {told ? (
        <p role="alert" className="text-harm font-semibold line-clamp-2">
          {told}
        </p>
      ) : (
        <p className="text-muted">A tick is saved as it is made.</p>
      )}
    </div>
  );
}
