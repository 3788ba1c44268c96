'use client';

import type { CutDesign } from '@undrel/core/records';
import type { CutAssessment, CutRoot } from '@undrel/core/pruning';
import { formatValue, writeLengths, type UnitSystem } from '@undrel/core/units';
import { PickList } from '../../../ui/controls/Select';

type Lock = NonNullable<CutDesign['locks']>[number];

const valueOfLock = (lock: Lock | undefined): string =>
  !lock ? '' : lock.stage === undefined ? lock.hold : `cut ${lock.stage}`;

/** Every root with what the plan does, the sentence that decided, and a hold by hand. */
export function CutRoots(props: {
  assessment: CutAssessment;
  design: CutDesign;
  system: UnitSystem;
  disabled: boolean;
  onHold: (label: string, lock: Lock | undefined) => void;
}) {
  const { assessment, design, system, disabled } = props;
  const order = [...assessment.roots].sort(
    (a, b) => (a.stage ?? Infinity) - (b.stage ?? Infinity) || b.diameter - a.diameter,
  );
  return (
    <section className="my-4" aria-label="Root by root">
      <h2>Root by root</h2>
      <ul>
        {order.map((root) => (
          <RootLine
            key={root.label}
            root={root}
            stages={assessment.stages}
            lock={design.locks?.find((l) => l.label === root.label)}
            system={system}
            disabled={disabled}
            onHold={(lock) => props.onHold(root.label, lock)}
          />
        ))}
      </ul>
    </section>
  );
}

function RootLine(props: {
  root: CutRoot;
  stages: number;
  lock: Lock | undefined;
  system: UnitSystem;
  disabled: boolean;
  onHold: (lock: Lock | undefined) => void;
}) {
  const { root, stages, lock } = props;
  return (
    <li className="border-b border-hair py-2 grid grid-cols-[1fr_9.5rem] gap-x-3 items-start">
      <div>
        <p>
          <strong className="text-lg">{root.label}</strong>{' '}
          <span className="num">{formatValue(root.diameter, 'short length', props.system, 0.001)}</span>
          {root.anchor && ' anchor'},{' '}
          <span className={root.stage === undefined ? '' : 'text-todo font-semibold'}>
            {root.stage === undefined ? 'stays' : `cut in stage ${root.stage}`}
          </span>
        </p>
        <p className="text-sm">{writeLengths(root.says, props.system)}</p>
        {root.unseen && root.stage !== undefined && (
          <p className="text-sm font-semibold">
            Bark and root were not examined closely: let it dry and look again before the cut.
          </p>
        )}
      </div>
      <PickList
        aria-label={`Hold root ${root.label}`}
        className="w-full"
        disabled={props.disabled}
        options={[
          { key: 'keep', label: 'hold: keep' },
          { key: 'cut', label: 'hold: cut' },
          ...(stages > 1
            ? Array.from({ length: stages }, (_, i) => ({
                key: `cut ${i + 1}`,
                label: `hold: stage ${i + 1}`,
              }))
            : []),
        ]}
        empty="free"
        value={valueOfLock(lock)}
        onChange={(held) => {
          const [hold, stage] = held?.split(' ') ?? [];
          props.onHold(
            hold
              ? { label: root.label, hold: hold as Lock['hold'], ...(stage && { stage: Number(stage) }) }
              : undefined,
          );
        }}
      />
    </li>
  );
}
