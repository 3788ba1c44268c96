'use client';

import { crewHours, estimate, formatMoney, type Rates } from '@undrel/core/costing';
import { tidy } from '@undrel/core/units';
import { PageLink } from '@/ui/PageLink';
import { isDone, type WorkTree } from '../../protocol/propertyWork';
import { memo, useTransition, type ReactNode } from 'react';
import { useRouter } from 'next/navigation';
import { useAlive } from '../../ui/controls/Entry';

/** Whether a step stands before the points to sign: one of them rests on it. */
const comesFirst = ({ holds }: WorkTree, key: string): boolean => holds.some((h) => h.after === key);

/** The work of one tree: its steps and stops, in order. */
export const TreeOfWork = memo(function TreeOfWork({
  tree,
  unticked,
  toggle,
  rates,
  setTold,
  tick,
}: {
  tree: WorkTree;
  unticked: boolean;
  toggle: (id: string) => void;
  rates: Rates | undefined;
  setTold: (next: string | undefined) => void;
  tick: ((visitId: string, step: string, done: boolean) => Promise<{ problem?: string }>) | undefined;
}) {
  const line = (s: WorkTree['steps'][number]) => (
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
    <li
      className={`border-b border-ink py-3 break-inside-avoid ${unticked ? 'no-print' : ''}`}
      aria-label={tree.label}
    >
      <div className="flex flex-wrap items-center gap-x-4">
        <label className="flex items-center gap-2 min-h-[44px] font-bold text-lg">
          <input type="checkbox" checked={!unticked} onChange={() => toggle(tree.id)} />
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
      {!unticked && (
        <>
          {tree.never.length > 0 && <p className="font-bold text-harm">Never cut: {tree.never.join(', ')}</p>}
          {tree.clashes.map((c) => (
            <p key={c} className="wrong my-1">
              {c}
            </p>
          ))}
          <ul>
            {tree.steps.filter((s) => comesFirst(tree, s.key)).map(line)}
            {tree.holds
              .filter((h) => h.season === tree.now)
              .map((h) => (
                <Tick
                  key={h.key}
                  onTold={setTold}
                  {...{ tree, tick }}
                  step={h}
                  about={`Sign: ${h.text}`}
                  unsigned={tree.steps.flatMap((s) => (s.key === h.after && !isDone(s.done) ? [s.key] : []))}
                  wash
                >
                  Stop: {h.text}
                </Tick>
              ))}
            {tree.steps.filter((s) => !comesFirst(tree, s.key)).map(line)}
          </ul>
        </>
      )}
    </li>
  );
});

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
