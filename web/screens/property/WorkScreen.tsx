'use client';

import { useRouter } from 'next/navigation';
import { useState, useTransition, type ReactNode } from 'react';
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
import { tidy } from '@undrel/core/units';
import { PageLink } from '@/ui/PageLink';
import type { OrderMaterial } from '../../protocol/order';
import {
  isDone,
  isOpen,
  type IssuedPropertyHead,
  type PropertyWork,
  type WorkTree,
} from '../../protocol/propertyWork';
import { Entry, useAlive } from '../../ui/controls/Entry';
import { useUnticked } from '../../ui/useUnticked';
import { materialText } from '../../ui/materialText';
import { usePreferences } from '../shell/preferences';
import { PropertyBar } from './PropertyBar';
import { PropertyReport } from './PropertyReport';

/** The materials of several trees together. */
function together(trees: readonly WorkTree[]): OrderMaterial[] {
  const sums = new Map<string, OrderMaterial>();
  for (const m of trees.flatMap((t) => t.materials))
    sums.set(m.label, { ...m, amount: (sums.get(m.label)?.amount ?? 0) + m.amount });
  return [...sums.values()];
}

/** Whether a step stands before the points to sign: one of them rests on it. */
const comesFirst = ({ holds }: WorkTree, key: string): boolean => holds.some((h) => h.after === key);

/** The work on a property: which trees, in which order, how long, what it costs; printed, it is the day sheet of the crew. */
export function WorkScreen({
  work,
  rates,
  issued,
  mayIssue,
  tick,
}: {
  work: PropertyWork;
  issued: readonly IssuedPropertyHead[];
  mayIssue: boolean;
  rates: Rates | undefined;
  tick: ((visitId: string, step: string, done: boolean) => Promise<{ problem?: string }>) | undefined;
}) {
  const [left, toggle] = useUnticked();
  const [told, setTold] = useState<string | undefined>(undefined);
  const { units: system } = usePreferences();
  const taken = work.trees.filter((t) => !left.has(t.id));
  const open = taken.filter(isOpen);
  const finished = taken.flatMap((t) => t.done);
  const stepsDone = taken.flatMap((t) => t.steps).filter((s) => isDone(s.done)).length;
  const needs = needsTogether(taken.map((t) => t.needs));
  const hours = crewHours(needs);
  const days = Math.max(1, Math.ceil(hours / CREW_DAY - 1e-9));
  const whole = rates && estimate(needs, rates);
  const stages = rates ? byStage(needs, rates) : [];
  const line = (tree: WorkTree) => (s: WorkTree['steps'][number]) => (
    <Tick
      key={s.key}
      onTold={setTold}
      tree={tree}
      step={s}
      about={`Done: ${s.title}`}
      tick={s.season <= tree.now ? tick : undefined}
      unsigned={s.first.filter((f) => tree.holds.some((h) => h.key === f && !h.done))}
    >
      <strong>{s.title}.</strong> {s.season > 1 && `In ${s.year}. `}
      {s.text}
    </Tick>
  );
  return (
    <div className="min-h-dvh flex flex-col">
      <PropertyBar property={work} part="work and day sheet" />
      <main className="px-4 lg:px-8 py-4 max-w-[1100px] w-full mx-auto">
        <Entry>
          <h1>
            {work.trees.length === 0
              ? 'Nothing is prescribed on this property'
              : open.length === 0
                ? 'Nothing is left to do'
                : `${open.length} ${unitWord('tree', open.length)}, ${tidy(hours, 1)} crew hours: ${days} ${unitWord('day', days)}`}
          </h1>
          {whole && work.trees.length > 0 && (
            <p className="text-xl my-1" data-testid="property-total">
              {formatMoney(whole.total, whole.currency)}
              {whole.tax && `, ${whole.tax.name} included`}
              {stages.length > 1 &&
                `: ${stages.map((s) => `${s.year} ${formatMoney(s.estimate.total, whole.currency)}`).join(', ')}`}
            </p>
          )}
          {stepsDone > 0 && (
            <p data-testid="property-done">
              Done and recorded: {stepsDone} {unitWord('step', stepsDone)} of the work
              {rates && `, ${formatMoney(estimate(finished, rates).net, rates.currency)} net without travel`}.
              The sums are of what is left.
            </p>
          )}
          <p className="text-muted mb-2">
            {work.client && `For ${work.client}. `}
            {work.idle} visited {work.idle === 1 ? 'tree has' : 'trees have'} no work prescribed,{' '}
            {work.unvisited} not visited. Travel counts once a day of {CREW_DAY} h. Untick what is not done
            now.
          </p>
          {!rates && work.trees.length > 0 && (
            <p className="wrong my-2">
              No rates, so no sums. <PageLink href="/practice/rates">Enter what you charge</PageLink>.
            </p>
          )}
          <PropertyReport id={work.id} name={work.name} issued={issued} mayIssue={mayIssue} />
          {taken.length > 0 && (
            <section aria-label="On the truck" className="mt-4">
              <h2>On the truck</h2>
              <p>
                {together(taken)
                  .map((m) => materialText(m, system))
                  .join('; ') || 'hand tools'}
              </p>
            </section>
          )}
          <ol className="border-t-[1.5px] border-ink mt-4">
            {work.trees.map((tree) => (
              <li
                key={tree.id}
                className={`border-b border-ink py-3 break-inside-avoid ${left.has(tree.id) ? 'no-print' : ''}`}
                aria-label={tree.label}
              >
                <div className="flex flex-wrap items-center gap-x-4">
                  <label className="flex items-center gap-2 min-h-[44px] font-bold text-lg">
                    <input type="checkbox" checked={!left.has(tree.id)} onChange={() => toggle(tree.id)} />
                    {tree.label}
                  </label>
                  <span className="text-muted">{tree.species}</span>
                  <span className="num ml-auto">
                    {tidy(crewHours(tree.needs), 1)} h
                    {rates && ` · ${formatMoney(estimate(tree.needs, rates).net, rates.currency)} net`}
                  </span>
                  <PageLink href={`/trees/${tree.id}/order`} className="quiet no-print">
                    Order of {tree.label}
                  </PageLink>
                </div>
                {!left.has(tree.id) && (
                  <>
                    {tree.never.length > 0 && (
                      <p className="font-bold text-harm">Never cut: {tree.never.join(', ')}</p>
                    )}
                    {tree.clashes.map((c) => (
                      <p key={c} className="wrong my-1">
                        {c}
                      </p>
                    ))}
                    <ul>
                      {tree.steps.filter((s) => comesFirst(tree, s.key)).map(line(tree))}
                      {tree.holds
                        .filter((h) => h.season === tree.now)
                        .map((h) => (
                          <Tick
                            key={h.key}
                            onTold={setTold}
                            {...{ tree, tick }}
                            step={h}
                            about={`Sign: ${h.text}`}
                            unsigned={tree.steps.flatMap((s) =>
                              s.key === h.after && !isDone(s.done) ? [s.key] : [],
                            )}
                            wash
                          >
                            Stop: {h.text}
                          </Tick>
                        ))}
                      {tree.steps.filter((s) => !comesFirst(tree, s.key)).map(line(tree))}
                    </ul>
                  </>
                )}
              </li>
            ))}
          </ol>
          {stages.length > 0 && whole && whole.missing.length > 0 && (
            <p className="wrong mt-3">Some prices are missing; the sums are too low.</p>
          )}
        </Entry>
      </main>
      {tick && (
        <div className="no-print sticky bottom-0 mt-auto h-[52px] px-4 lg:px-8 flex items-center bg-wash border-t-2 border-ink leading-tight text-sm">
          {told ? (
            <p role="alert" className="text-harm font-semibold line-clamp-2">
              {told}
            </p>
          ) : (
            <p className="text-muted">A tick is saved as it is made.</p>
          )}
        </div>
      )}
    </div>
  );
}

const UNREACHED =
  'The server could not be reached; nothing was ticked. The order of the tree works without network.';

/** A line of the day sheet: ticked on the phone where somebody may, on paper by pencil. */
function Tick(props: {
  tree: WorkTree;
  step: { key: string; done?: WorkTree['holds'][number]['done'] };
  about: string;
  wash?: boolean;
  /** Says why a tick was not taken, or that nothing is wrong. */
  onTold: (problem: string | undefined) => void;
  /** Points to sign first. */
  unsigned?: readonly string[];
  tick: ((visitId: string, step: string, done: boolean) => Promise<{ problem?: string }>) | undefined;
  children: ReactNode;
}) {
  const { tree, step, unsigned = [] } = props;
  const router = useRouter();
  const alive = useAlive();
  const [busy, start] = useTransition();
  const set = (done: boolean) =>
    start(async () => {
      const answer = await props.tick!(tree.visitId, step.key, done).catch(() => undefined);
      props.onTold(answer ? answer.problem : UNREACHED);
      // Without network a refresh would leave the page.
      if (answer) router.refresh();
    });
  const waits = unsigned.length > 0 && step.done === undefined;
  const text = (
    <>
      <Box done={isDone(step.done)} /> {props.children}
      {step.done && step.done !== 'done' && <em> ({step.done})</em>}
    </>
  );
  return (
    <li className={`px-3 ${props.wash ? 'bg-wash' : ''}`}>
      {props.tick && (step.done === undefined || step.done === 'done') ? (
        <button
          type="button"
          className="min-h-[44px] w-full text-left py-1 disabled:text-muted"
          role="checkbox"
          aria-checked={step.done === 'done'}
          aria-label={`${props.about}, ${tree.label}`}
          disabled={!alive || busy || waits}
          onClick={() => set(step.done === undefined)}
        >
          {text}
        </button>
      ) : (
        <p className="py-1">{text}</p>
      )}
    </li>
  );
}

/** A box to tick. */
function Box({ done }: { done: boolean }) {
  return (
    <span className="inline-flex w-[1.1em] h-[1.1em] border-[1.5px] border-ink items-center justify-center font-bold leading-none">
      {/* Never empty, so that it stands on the line of the text. */}
      {done ? '×' : '\u00a0'}
      <span className="sr-only">{done ? 'done' : 'open'}</span>
    </span>
  );
}
