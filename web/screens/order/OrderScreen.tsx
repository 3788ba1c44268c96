'use client';

import { idOf, type Tree, type WorkDone } from '@undrel/core/records';
import { memo, useCallback, useMemo } from 'react';
import { writeLengths, type UnitSystem } from '@undrel/core/units';
import { PageLink } from '@/ui/PageLink';
import { itemsBelow, type ItemOf, type Living } from '../../protocol/item';
import type { Order, OrderStep } from '../../protocol/order';
import { isDone } from '../../protocol/propertyWork';
import { Marked } from '../pictures/Marked';
import { pictureWords } from '../../protocol/pictureWords';
import { chosenPictures, MOST_PICTURES } from '../../protocol/chosenPictures';
import { ringOf } from '../../protocol/ringOf';
import { Entry } from '../../ui/controls/Entry';
import { materialText } from '../../ui/materialText';
import { usePreferences } from '../shell/preferences';
import { TopBar } from '../shell/TopBar';
import { useToday, useVisitAsked } from '../../device/along/keptPage';
import { useCase, type CaseControl } from '../../device/useCase';
import { useSame } from '../../device/useSame';
import { SaveState } from '../tree/SaveState';
import { StepEntry } from './StepEntry';
import { ServerFile } from '../../ui/FromServer';

interface OrderScreenProps {
  treeId: string;
  items: string;
  visitId: string;
  visitDate: string;
  property: string;
  order: Order;
  mayMeasure: boolean;
  viewer: string;
  /** Who that is, for what is kept on the device. */
  person: string;
  today: string;
}

/** The crew's order for one tree: what is done in which order, what is signed first, and what came of it. */
export function OrderScreen(props: OrderScreenProps) {
  const { treeId, visitId, order } = props;
  const today = useToday(props.today, treeId);
  const control = useCase(treeId, props.items, props.person);
  const other = useVisitAsked(visitId, control.items) !== visitId;
  const { units: system } = usePreferences();
  const tree = control.items.find((i): i is ItemOf<'tree'> => i.kind === 'tree')!.values as Tree;
  const done = useMemo(
    () =>
      new Map(itemsBelow(control.items, 'work', visitId).map((i) => [i.values.step, i.values as WorkDone])),
    [control.items, visitId],
  );
  const { set } = control.hand;
  const record = useCallback(
    (step: string, work: WorkDone | undefined, field: string) =>
      set('work', idOf('work', visitId, { step }), visitId, work ?? null, field),
    [set, visitId],
  );
  const pictures = useSame(itemsBelow(control.items, 'picture', visitId));
  const taken = ringOf(pictures).size;
  const seasons = [...new Set(order.steps.map((s) => s.season))];
  const work = order.steps.filter((s) => 'operation' in s);
  const finished = work.filter((s) => done.has(s.key)).length;
  return (
    <div className="min-h-dvh flex flex-col">
      <OrderBar treeId={treeId} visitId={visitId} tree={tree} />
      <main className="px-4 lg:px-8 py-4 max-w-[900px] w-full mx-auto">
        <OrderHead
          steps={work.length}
          tree={tree}
          finished={finished}
          property={props.property}
          visitDate={props.visitDate}
          control={control}
          system={system}
        />
        <OrderWarnings
          other={other}
          visitDate={props.visitDate}
          order={order}
          system={system}
          steps={work.length}
        />
        {order.materials.length > 0 && (
          <section aria-label="On the truck" className="mb-4">
            <h2>On the truck</h2>
            <p>{order.materials.map((m) => materialText(m, system)).join('; ')}</p>
          </section>
        )}
        <LooksLike pictures={pictures} />
        <Entry>
          {seasons.map((season) => (
            <SeasonOfOrder
              key={season}
              season={season}
              order={order}
              done={done}
              system={system}
              mayMeasure={props.mayMeasure}
              viewer={props.viewer}
              today={today}
              treeId={treeId}
              visitId={visitId}
              taken={taken}
              pictures={pictures}
              record={record}
            />
          ))}
        </Entry>
        <p className="text-sm text-muted">
          Local codes, permits and licensed practice take precedence over this sheet. If anything differs from
          what is written here, stop and call.
        </p>
      </main>
    </div>
  );
}

/** What a step waits for: hold points that nobody has signed; for a hold point, the work it rests on. */
function unsignedBefore(
  steps: readonly OrderStep[],
  step: OrderStep,
  done: ReadonlyMap<string, WorkDone>,
): string[] {
  if ('hold' in step) {
    const before = steps.find((s) => s.key === step.after);
    const over = before && isDone(done.get(before.key)?.how);
    return before && !over && 'operation' in before ? [before.title] : [];
  }
  const asked = new Set(step.first.map((f) => f.key));
  return steps.flatMap((s) =>
    'hold' in s && asked.has(s.key) && done.get(s.key)?.how !== 'done' ? [s.text] : [],
  );
}

function OrderHead({
  steps,
  tree,
  finished,
  property,
  visitDate,
  control,
  system,
}: {
  steps: number;
  tree: Tree;
  finished: number;
  property: string;
  visitDate: string;
  control: CaseControl;
  system: UnitSystem;
}) {
  return (
    <header className="border-b-2 border-ink pb-2 mb-3">
      <h1>
        {steps === 0 ? `${tree.label}: no work prescribed` : `${tree.label}: ${finished} of ${steps} done`}
      </h1>
      <p className="text-muted">
        {property}, {tree.species}; prescribed on the visit of {visitDate}.
      </p>
      <SaveState control={control} system={system} at="start" />
    </header>
  );
}

interface SeasonOfOrderProps {
  season: number;
  order: Order;
  done: ReadonlyMap<string, WorkDone>;
  system: UnitSystem;
  mayMeasure: boolean;
  viewer: string;
  today: string;
  treeId: string;
  visitId: string;
  taken: number;
  pictures: readonly Living<'picture'>[];
  record: (step: string, work: WorkDone | undefined, field: string) => void;
}

function SeasonOfOrder({
  season,
  order,
  done,
  system,
  mayMeasure,
  viewer,
  today,
  treeId,
  visitId,
  taken,
  pictures,
  record,
}: SeasonOfOrderProps) {
  return (
    <section aria-label={season === 1 ? 'Now' : `Season ${season}`} className="mb-6">
      <h2 className="border-b-[1.5px] border-ink pb-1">
        {season === 1 ? 'In this order' : `Later: ${order.steps.find((s) => s.season === season)!.year}`}
      </h2>
      <ol>
        {order.steps
          .filter((s) => s.season === season)
          .map((step) => (
            <StepEntry
              key={step.key}
              step={step}
              done={done.get(step.key)}
              unsigned={unsignedBefore(order.steps, step, done).join('; ')}
              system={system}
              disabled={!mayMeasure}
              by={viewer}
              today={today}
              treeId={treeId}
              visitId={visitId}
              taken={taken}
              pictures={pictures}
              record={record}
            />
          ))}
      </ol>
    </section>
  );
}

function OrderBar({ treeId, visitId, tree }: { treeId: string; visitId: string; tree: Tree }) {
  return (
    <TopBar
      right={
        <ServerFile
          className="plain min-h-[44px] inline-flex items-center"
          href={`/api/trees/${treeId}/order-sheet?visit=${visitId}`}
        >
          Print sheet
        </ServerFile>
      }
    >
      <PageLink href={`/trees/${treeId}?station=prescription`} className="plain">
        <strong>{tree.label}</strong>
      </PageLink>{' '}
      <span className="text-sm text-muted hidden sm:inline">crew order</span>
    </TopBar>
  );
}

function OrderWarnings({
  other,
  visitDate,
  order,
  system,
  steps,
}: {
  other: boolean;
  visitDate: string;
  order: Order;
  system: UnitSystem;
  steps: number;
}) {
  return (
    <>
      {other && (
        <p role="alert" className="wrong my-2">
          This is the order of {visitDate}. The visit begun on this device has its own once it has been sent:
          work by that one, not by this.
        </p>
      )}
      {order.never.length > 0 && (
        <p className="border-[3px] border-harm px-3 py-2 mb-3 text-lg font-bold" data-testid="never">
          Never cut: {order.never.join(', ')}
        </p>
      )}
      {order.clashes.map((clash) => (
        <p key={clash} className="wrong my-2">
          {writeLengths(clash, system)}
        </p>
      ))}
      {steps === 0 && (
        <p className="told">
          Nothing is prescribed for this visit. Prescribe under Prescription on the tree’s page.
        </p>
      )}
    </>
  );
}

const LooksLike = memo(function LooksLike({ pictures }: { pictures: readonly Living<'picture'>[] }) {
  const looked = chosenPictures({
    pictures: pictures.map((p) => p.values).filter((p) => p.shows !== 'leaf'),
  }).slice(0, MOST_PICTURES.head);
  if (looked.length === 0) return null;
  return (
    <section aria-label="What it looks like" className="mb-4">
      <h2>What it looks like</h2>
      <ul className="grid grid-cols-2 sm:grid-cols-4 gap-2">
        {looked.map((picture) => (
          <li key={picture.hash}>
            <div
              className="border border-ink"
              style={{ aspectRatio: `${picture.width} / ${picture.height}` }}
            >
              <Marked picture={picture} about={pictureWords(picture)} size="small" />
            </div>
            <p className="text-sm">{pictureWords(picture)}</p>
          </li>
        ))}
      </ul>
    </section>
  );
});
