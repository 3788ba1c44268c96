'use client';

import { memo, useDeferredValue, useMemo, useState } from 'react';
import type { DugRoot, RootDone } from '@undrel/core/records';
import type { House } from '@undrel/core/house';
import { atStage, goneBefore, stagesOf } from '@undrel/core/prescription';
import { neverCut, type NumberedCut, type RootAdvice } from '@undrel/core/pruning';
import { writeLengths, type UnitSystem } from '@undrel/core/units';
import { itemsBelow, type Living } from '../../protocol/item';
import { KIND_NAMES } from '../../drawings/rootKinds';
import { Entry } from '../../ui/controls/Entry';
import { LengthInput } from '../../ui/controls/LengthInput';
import { useMeasured } from '../../ui/useMeasured';
import { usePreferences } from '../shell/preferences';
import { SheetBar } from './SheetBar';
import { useToday, useVisitAsked } from '../../device/along/keptPage';
import { useCase, type CaseControl } from '../../device/useCase';
import { planOf } from '../../drawings/digSheet';
import { useDig, type DigWork } from '../tree/dig/useDig';
import { SaveState } from '../tree/SaveState';
import { useTreeInHand } from '../tree/useTreeInHand';
import { CrewHead, CutCautions, CutsFigure } from './CrewParts';
import { CutTable } from './CutTable';

export interface CrewProps {
  treeId: string;
  items: string;
  visitId: string;
  property: string;
  house: House;
  mayMeasure: boolean;
  viewer: string;
  /** Who that is, for what is kept on the device. */
  person: string;
  today: string;
  /** Stage of the cut plan that the sheet is for, from 1. */
  stage: number;
}

const HOW: readonly { key: RootDone['how']; label: string }[] = [
  { key: 'as planned', label: 'as planned' },
  { key: 'otherwise', label: 'otherwise' },
  { key: 'left', label: 'left' },
];

/** One sheet for the crew: the plan with numbered cuts, where each is, what never to cut; ticked off on site. */
export function CrewScreen(props: CrewProps) {
  const { treeId, mayMeasure } = props;
  const today = useToday(props.today, treeId);
  const control = useCase(treeId, props.items, props.person);
  const visitId = useVisitAsked(props.visitId, control.items);
  const [at, setAt] = useState(props.stage);
  const { units: system } = usePreferences();
  const { tree, stages, stage, visit, work, never } = useSheet(props, control, visitId, at);
  const { dig, reading, cuts } = work;
  const [figure, size] = useMeasured<HTMLElement>({ width: 520, height: 520 });
  const plan = useMemo(
    () => planOf({ dig, reading, cuts }, tree, system, { width: size.width, height: size.width }, never),
    [dig, reading, cuts, tree, system, size.width, never],
  );
  const cutRoots = work.advice.roots.filter((r) => r.decision === 'cut now');
  const rootItems = itemsBelow(control.items, 'root', visitId);
  const done = cutRoots.filter((r) => rootItems.find((i) => i.values.label === r.label)?.values.done).length;
  const write = (label: string, change: RootDone | undefined, field: string) => {
    const item = rootItems.find((i) => i.values.label === label)!;
    const { done: _, ...root } = item.values;
    control.set('root', item.id, visitId, change ? { ...root, done: change } : root, `done.${field}`);
  };
  return (
    <div className="min-h-dvh flex flex-col">
      <SheetBar
        label={tree.label}
        sheet="crew sheet"
        back={{ href: `/trees/${treeId}?station=dig`, label: 'Dig' }}
      />
      <main className="px-4 lg:px-8 py-4 max-w-[1100px] w-full mx-auto">
        <CrewHead
          tree={tree}
          work={work}
          cutRoots={cutRoots}
          stage={stage}
          stages={stages}
          at={at}
          setAt={setAt}
          property={props.property}
          visit={visit}
        />
        {never.length > 0 && (
          <p className="border-[3px] border-harm px-3 py-2 mb-3 text-lg font-bold" data-testid="never">
            Never cut: {never.join(', ')}
          </p>
        )}
        <div className="grid lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] print:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-4 items-start">
          <CutsFigure figure={figure} plan={plan} />
          <div>
            {work.cuts.length === 0 && <p className="told">Nothing is to be cut in this season.</p>}
            {work.cuts.length > 0 && <CutTable cuts={work.cuts} system={system} />}
            <StaysToday work={work} system={system} />
            <CutCautions />
          </div>
        </div>
        {cutRoots.length > 0 && (
          <DoneOnSite
            done={done}
            cutRoots={cutRoots}
            control={control}
            system={system}
            rootItems={rootItems}
            work={work}
            mayMeasure={mayMeasure}
            viewer={props.viewer}
            today={today}
            write={write}
          />
        )}
      </main>
    </div>
  );
}

/** A visit at a stage of its cut plan, and what its dig comes to. What is ticked shows at once; the dig is read anew after it. */
function useSheet({ treeId, house }: CrewProps, control: CaseControl, visitId: string, at: number) {
  const { items } = control;
  const { tree, visits, allVisits } = useTreeInHand(control, treeId);
  const settled = useDeferredValue(useMemo(() => ({ items, allVisits }), [items, allVisits]));
  const stored = settled.allVisits[visits.findIndex((v) => v.id === visitId)]!;
  const stages = stagesOf(stored);
  const stage = stages.find((s) => s.stage === at);
  const visit = useMemo(() => atStage(stored, at), [stored, at]);
  const gone = useMemo(() => goneBefore(stored, at), [stored, at]);
  const work = useDig(
    { control: settled, tree, visits: settled.allVisits, visit, visitId, house, gone },
    undefined,
  );
  const never = useMemo(() => neverCut(work.advice), [work.advice]);
  return { tree, stages, stage, visit, work, never };
}

function Left({ title, rows, system }: { title: string; rows: readonly RootAdvice[]; system: UnitSystem }) {
  if (rows.length === 0) return null;
  return (
    <div className="my-2">
      <h2 className="text-base">{title}</h2>
      <ul>
        {rows.map((r) => (
          <li key={r.label}>
            <strong>{r.label}</strong> {r.reasons.map((reason) => writeLengths(reason, system)).join(' ')}
          </li>
        ))}
      </ul>
    </div>
  );
}

function Done(props: {
  advice: RootAdvice;
  root: DugRoot;
  cuts: readonly NumberedCut[];
  system: UnitSystem;
  disabled: boolean;
  by: string;
  today: string;
  onChange: (done: RootDone | undefined, field: string) => void;
}) {
  const { root, cuts, system, disabled, onChange } = props;
  const done = root.done;
  const fresh = (how: RootDone['how']): RootDone => ({ ...(done ?? { on: props.today, by: props.by }), how });
  return (
    <div className="border-b border-hair py-2" role="group" aria-label={`Root ${root.label}`}>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <p className="min-w-[11rem]">
          <strong>{root.label}</strong>, {KIND_NAMES[root.kind]}
          <span className="text-muted">
            {' '}
            {cuts.length > 1 ? 'cuts' : 'cut'} {cuts.map((c) => c.number).join(', ')}
          </span>
        </p>
        <div role="group" aria-label={`What was done with root ${root.label}`} className="flex">
          {HOW.map((option) => (
            <button
              key={option.key}
              type="button"
              disabled={disabled}
              aria-pressed={done?.how === option.key}
              className={`min-h-[44px] px-3 border border-muted -ml-px ${done?.how === option.key ? 'bg-ink text-sheet' : 'bg-sheet'}`}
              onClick={() => onChange(done?.how === option.key ? undefined : fresh(option.key), 'how')}
            >
              {option.label}
            </button>
          ))}
        </div>
        {done && (
          <span className="text-sm text-muted">
            {done.on}
            {done.by && `, ${done.by}`}
          </span>
        )}
      </div>
      {done && done.how !== 'left' && (
        <div className="flex flex-wrap gap-3 mt-2 items-end">
          {cuts.map((c, i) => (
            <LengthInput
              key={c.number}
              className="w-40"
              field="rootDiameter"
              label={`Cut ${c.number}, across`}
              system={system}
              value={done.diameters?.[i]}
              disabled={disabled}
              onChange={(metres) => {
                const all = cuts.map((_, k) => (k === i ? metres : done.diameters?.[k]));
                const told = all.map((v, k) => v ?? cuts[k]!.cut.diameter);
                onChange(
                  { ...done, diameters: all.every((v) => v === undefined) ? undefined : told },
                  `diameter ${i}`,
                );
              }}
            />
          ))}
          <label className="flex-1 min-w-[14rem]">
            <span className="block text-sm">What was different</span>
            <input
              className="w-full"
              maxLength={2000}
              disabled={disabled}
              value={done.note ?? ''}
              onChange={(event) => onChange({ ...done, note: event.target.value || undefined }, 'note')}
            />
          </label>
        </div>
      )}
    </div>
  );
}

function DoneOnSite({
  done,
  cutRoots,
  control,
  system,
  rootItems,
  work,
  mayMeasure,
  viewer,
  today,
  write,
}: {
  done: number;
  cutRoots: RootAdvice[];
  control: CaseControl;
  system: UnitSystem;
  rootItems: Living<'root'>[];
  work: DigWork;
  mayMeasure: boolean;
  viewer: string;
  today: string;
  write: (label: string, change: RootDone | undefined, field: string) => void;
}) {
  return (
    <section className="mt-4" aria-label="Done on site">
      <div className="flex items-baseline gap-4">
        <h2>
          Done on site, {done} of {cutRoots.length}
        </h2>
        <SaveState control={control} system={system} />
      </div>
      <Entry>
        <div className="border-t border-ink">
          {cutRoots.map((advice) => (
            <Done
              key={advice.label}
              advice={advice}
              root={rootItems.find((i) => i.values.label === advice.label)!.values}
              cuts={work.cuts.filter((c) => c.label === advice.label)}
              system={system}
              disabled={!mayMeasure}
              by={viewer}
              today={today}
              onChange={(change, field) => write(advice.label, change, field)}
            />
          ))}
        </div>
      </Entry>
    </section>
  );
}

const StaysToday = memo(function StaysToday({ work, system }: { work: DigWork; system: UnitSystem }) {
  return (
    <>
      <Left
        title="Later, not today"
        rows={work.advice.roots.filter((r) => r.decision === 'cut later')}
        system={system}
      />
      <Left
        title="Look again after drying"
        rows={work.advice.roots.filter((r) => r.decision === 'look again')}
        system={system}
      />
    </>
  );
});
