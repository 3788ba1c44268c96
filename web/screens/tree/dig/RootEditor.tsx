'use client';

import type { ReactNode } from 'react';
import type { DugRoot, RootKind } from '@undrel/core/records';
import { addPoint, type PitFrame } from '@undrel/core/roots';
import { TRACED_WITHIN } from '@undrel/core/photogrammetry';
import { formatValue, type UnitSystem } from '@undrel/core/units';
import { KIND_NAMES } from '../../../drawings/rootKinds';
import { Select } from '../../../ui/controls/Select';
import { RootActions } from './RootActions';
import { RootLabel } from './RootLabel';
import { RootMore } from './RootMore';
import { RootPoints } from './RootPoints';
import { RootState } from './RootState';

export const KINDS = (Object.keys(KIND_NAMES) as RootKind[]).map((key) => ({ key, label: KIND_NAMES[key] }));
const STARTS: readonly { key: DugRoot['start']; label: string }[] = [
  { key: 'stem', label: 'at the stem' },
  { key: 'root', label: 'at a root' },
  { key: 'outside', label: 'outside the pit' },
];

/** One root by keyboard: what it is, and its points as they were read. */
export function RootEditor(props: {
  root: DugRoot;
  others: readonly DugRoot[];
  point: number | undefined;
  frame: PitFrame;
  /** From which north the bearings of the dig are. */
  north: 'true' | 'magnetic';
  measuredFrom: 'bark' | 'centre';
  system: UnitSystem;
  disabled: boolean;
  newLabel: string;
  /** What was computed for it. */
  children?: ReactNode;
  onPoint: (index: number | undefined) => void;
  onChange: (root: DugRoot, field: string) => void;
  /** Two roots in the place of this one, or one in the place of this and another. */
  onSplit: (parts: [DugRoot, DugRoot]) => void;
  onJoin: (root: DugRoot, gone: string) => void;
  onRemove: () => void;
}) {
  const { root, others, frame, system, disabled, onChange } = props;
  const set = (change: Partial<DugRoot>, field: string) => onChange({ ...root, ...change }, field);
  const point = props.point !== undefined && root.points[props.point] ? props.point : undefined;
  const add = () => {
    const last = root.points[root.points.length - 1];
    onChange(addPoint(root, { bearing: last?.bearing ?? 0, distance: last?.distance ?? 0.05 }), 'add');
    props.onPoint(root.points.length);
  };
  return (
    <div
      className="border-y-2 border-ink bg-wash -mx-3 px-3 py-3 my-2"
      aria-label={`Root ${root.label}`}
      role="group"
    >
      <RootHead root={root} others={others} disabled={disabled} set={set} />
      <RootState root={root} others={others} system={system} disabled={disabled} set={set} />
      {root.traced && (
        <p className="text-sm mt-2">
          Traced on a picture: to ± {formatValue(TRACED_WITHIN, 'short length', system)} at nine of ten
          points. Give the depth of a point by the rod, and its place follows.
        </p>
      )}
      {props.children}
      <RootPoints
        root={root}
        point={point}
        north={props.north}
        measuredFrom={props.measuredFrom}
        system={system}
        disabled={disabled}
        onPoint={props.onPoint}
        onChange={onChange}
        onAdd={add}
      />
      {!disabled && (
        <RootActions
          root={root}
          others={others}
          point={point}
          frame={frame}
          newLabel={props.newLabel}
          onAdd={add}
          onPoint={props.onPoint}
          onChange={onChange}
          onSplit={props.onSplit}
          onJoin={props.onJoin}
          onRemove={props.onRemove}
        />
      )}
      <RootMore root={root} system={system} disabled={disabled} set={set} />
    </div>
  );
}

function RootHead({
  root,
  others,
  disabled,
  set,
}: {
  root: DugRoot;
  others: readonly DugRoot[];
  disabled: boolean;
  set: (change: Partial<DugRoot>, field: string) => void;
}) {
  return (
    <div className="grid grid-cols-[4.5rem_1fr_1fr] gap-2">
      <RootLabel
        value={root.label}
        taken={others.map((o) => o.label)}
        disabled={disabled}
        onChange={(label) => set({ label }, 'label')}
      />
      <Select
        label="Kind"
        options={KINDS}
        value={root.kind}
        onChange={(kind) => set({ kind: kind! }, 'kind')}
        disabled={disabled}
      />
      <Select
        label="Starts"
        options={STARTS}
        value={root.start}
        onChange={(start) => set({ start: start!, from: undefined }, 'start')}
        disabled={disabled}
      />
    </div>
  );
}
