'use client';

import { useState, type ReactNode } from 'react';
import type { BarkContact, DugRoot, RootCondition, RootKind } from '@undrel/core/records';
import { addPoint, joinRoots, removePoint, snapToBark, splitRoot, type PitFrame } from '@undrel/core/roots';
import { TRACED_WITHIN } from '@undrel/core/photogrammetry';
import { formatValue, type UnitSystem } from '@undrel/core/units';
import { NotedInput } from '../../../ui/controls/NotedInput';
import { LengthInput } from '../../../ui/controls/LengthInput';
import { KIND_NAMES } from '../../../drawings/rootKinds';
import { asOptions, PickList, Select } from '../../../ui/controls/Select';
import { RootMore } from './RootMore';
import { RootPoints } from './RootPoints';

export const KINDS = (Object.keys(KIND_NAMES) as RootKind[]).map((key) => ({ key, label: KIND_NAMES[key] }));
const CONDITIONS: readonly { key: RootCondition; label: string }[] = [
  { key: 'sound', label: 'sound' },
  { key: 'cracked', label: 'cracked' },
  { key: 'decayed', label: 'decayed' },
  { key: 'dead', label: 'dead' },
];
const CONTACTS: readonly { key: BarkContact; label: string }[] = [
  { key: 'clear', label: 'clear of the bark' },
  { key: 'touching', label: 'touching' },
  { key: 'pressing', label: 'pressing' },
  { key: 'embedded', label: 'grown in' },
  { key: 'grafted', label: 'grafted' },
];
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
  const [label, setLabel] = useState(root.label);
  const [labelProblem, setLabelProblem] = useState<string | undefined>(undefined);
  const set = (change: Partial<DugRoot>, field: string) => onChange({ ...root, ...change }, field);
  const rename = (text: string) => {
    setLabel(text);
    const clean = text.trim();
    if (clean === '' || clean.length > 12)
      return setLabelProblem(`Label: “${clean}”; 1 to 12 characters are allowed.`);
    if (others.some((o) => o.label === clean))
      return setLabelProblem(`Label: ${clean} is taken by another root.`);
    setLabelProblem(undefined);
    set({ label: clean }, 'label');
  };
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
      <div className="grid grid-cols-[4.5rem_1fr_1fr] gap-2">
        <div>
          <label htmlFor="root-label" className="block text-sm">
            Label
          </label>
          <NotedInput
            note={labelProblem}
            id="root-label"
            className="w-full font-semibold"
            value={label}
            disabled={disabled}
            onChange={(event) => rename(event.target.value)}
            onBlur={() => {
              setLabel(root.label);
              setLabelProblem(undefined);
            }}
          />
        </div>
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
      <div className="grid grid-cols-2 gap-2 mt-2">
        {root.start === 'root' && (
          <Select
            label="At root"
            empty="not said"
            options={others.map((o) => ({ key: o.label, label: o.label }))}
            value={root.from}
            onChange={(from) => set({ from }, 'from')}
            disabled={disabled}
          />
        )}
        {root.kind === 'competing' && root.start !== 'root' && (
          <label className="block">
            <span className="block text-sm">Belongs to</span>
            <input
              className="w-full"
              maxLength={80}
              value={root.from ?? ''}
              disabled={disabled}
              onChange={(event) => set({ from: event.target.value || undefined }, 'from')}
            />
          </label>
        )}
        <Select
          label="Bark"
          empty="not examined"
          options={CONTACTS}
          value={root.contact}
          onChange={(contact) =>
            set({ contact, embedded: contact === 'embedded' ? root.embedded : undefined }, 'contact')
          }
          disabled={disabled}
        />
        <Select
          label="Condition"
          empty="not examined"
          options={CONDITIONS}
          value={root.condition}
          onChange={(condition) => set({ condition }, 'condition')}
          disabled={disabled}
        />
        {root.contact === 'embedded' && (
          <LengthInput
            field="embedded"
            label="Grown in by"
            system={system}
            value={root.embedded}
            onChange={(embedded) => set({ embedded }, 'embedded')}
            disabled={disabled}
          />
        )}
        <Select
          label="Passes over"
          empty="by depth"
          options={others
            .filter((o) => !root.over?.includes(o.label))
            .map((o) => ({ key: o.label, label: o.label }))}
          value={undefined}
          onChange={(over) => over && set({ over: [...(root.over ?? []), over] }, 'over')}
          disabled={disabled}
        />
      </div>
      {root.over && root.over.length > 0 && (
        <p className="text-sm mt-1">
          Seen over{' '}
          {root.over.map((over) => (
            <button
              key={over}
              type="button"
              className="link px-1"
              disabled={disabled}
              aria-label={`No longer over ${over}`}
              onClick={() => set({ over: root.over!.filter((o) => o !== over) }, 'over')}
            >
              {over} ×
            </button>
          ))}
        </p>
      )}
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
        <div className="flex flex-wrap gap-x-4 gap-y-1 mt-2">
          <button type="button" className="link" onClick={add}>
            Add a point
          </button>
          {point !== undefined && (
            <>
              <button
                type="button"
                className="link"
                onClick={() => {
                  onChange(removePoint(root, point), 'remove');
                  props.onPoint(undefined);
                }}
              >
                Remove point {point + 1}
              </button>
              <button
                type="button"
                className="link"
                onClick={() => onChange(snapToBark(root, point, frame), 'snap')}
              >
                Snap point {point + 1} to the bark
              </button>
              <button
                type="button"
                className="link"
                disabled={point === 0 || point === root.points.length - 1}
                onClick={() => {
                  const parts = splitRoot(root, point, props.newLabel);
                  if (parts) props.onSplit(parts);
                }}
              >
                Split here
              </button>
            </>
          )}
          {others.length > 0 && (
            <label className="text-sm inline-flex items-center gap-1">
              Join with
              <PickList
                className="min-h-[36px]"
                aria-label="Join with"
                options={asOptions(others.map((o) => o.label))}
                empty="…"
                value={undefined}
                onChange={(label) => {
                  const other = others.find((o) => o.label === label);
                  if (other) props.onJoin(joinRoots(root, other, frame), other.label);
                }}
              />
            </label>
          )}
          <button type="button" className="link" onClick={props.onRemove}>
            Remove root {root.label}
          </button>
        </div>
      )}
      <RootMore root={root} system={system} disabled={disabled} set={set} />
    </div>
  );
}
